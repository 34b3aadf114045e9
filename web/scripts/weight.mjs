// The signed-in first page may need at most 200 kB of compressed script and style.
import { readFileSync } from "node:fs";
import { gzipSync } from "node:zlib";

const LIMIT_KB = 200;
const manifest = JSON.parse(readFileSync("dist/.vite/manifest.json", "utf8"));
const wanted = ["index.html", "src/features/today/Today.tsx"];
const files = new Set();

function take(key) {
  const chunk = manifest[key];
  if (!chunk) throw new Error(`The build has no ${key}`);
  if (files.has(chunk.file)) return;
  files.add(chunk.file);
  (chunk.css ?? []).forEach((css) => files.add(css));
  (chunk.imports ?? []).forEach(take);
}

wanted.forEach(take);
const kb = [...files].reduce((sum, file) => sum + gzipSync(readFileSync(`dist/${file}`)).length / 1024, 0);
console.log(`First page: ${kb.toFixed(0)} kB compressed in ${files.size} files (limit ${LIMIT_KB} kB)`);
if (kb > LIMIT_KB) process.exit(1);
