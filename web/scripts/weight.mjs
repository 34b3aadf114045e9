// The signed-in first page may need at most 200 kB of compressed script, style and words; the core that the run carries, and that no
// other page waits for, at most 230 kB; what listens, loaded when a microphone is switched on, at most 62 kB.
import { readdirSync, readFileSync } from "node:fs";
import { gzipSync } from "node:zlib";

const FIRST_PAGE_KB = 200;
const CORE_KB = 230;
const EAR_KB = 62;
const manifest = JSON.parse(readFileSync("dist/.vite/manifest.json", "utf8"));

/** All files that a page needs before it can be shown. */
function files(...keys) {
  const wanted = new Set();
  const take = (key) => {
    const chunk = manifest[key];
    if (!chunk) throw new Error(`The build has no ${key}`);
    if (wanted.has(chunk.file)) return;
    wanted.add(chunk.file);
    (chunk.css ?? []).forEach((css) => wanted.add(css));
    (chunk.imports ?? []).forEach(take);
  };
  keys.forEach(take);
  return wanted;
}

function weigh(name, wanted, limit) {
  const kb = [...wanted].reduce((sum, file) => sum + gzipSync(readFileSync(`dist/${file}`)).length / 1024, 0);
  console.log(`${name}: ${kb.toFixed(0)} kB compressed in ${wanted.size} files (limit ${limit} kB)`);
  if (kb > limit) process.exitCode = 1;
}

const first = files("index.html", "src/App.tsx", "src/features/today/Today.tsx");
first.add(manifest["../words/en.json"].file);
weigh("First page", first, FIRST_PAGE_KB);
if (first.has(manifest["../browser/target/page/tachylim.js"].file))
  throw new Error("The first page waits for the core");
/** Workers stand in no manifest: they are found by their names. */
function workers(pattern, many) {
  const found = readdirSync("dist/assets").filter((file) => pattern.test(file));
  if (found.length !== many) throw new Error(`Not ${many} but ${found}`);
  return new Set(found.map((file) => `assets/${file}`));
}
weigh("The core of the run", workers(/^core\.worker-.*\.js$/, 1), CORE_KB);
weigh("What listens", workers(/^(ear\.worker|recorder\.worklet)-.*\.js$/, 2), EAR_KB);
