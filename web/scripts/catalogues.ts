import { parse, TYPE } from "@formatjs/icu-messageformat-parser";
import { readFileSync } from "node:fs";
import type { Plugin } from "vite";

const CATALOGUE = /\/words\/(..)\.json\?url$/;

/** What only the server says. */
const SERVER = /^refusal\./;

/** A message as the pages take it: a plain one as its text, any other as the tree that the formatter works on. */
function compiled(message: string) {
  const parts = parse(message);
  const only = parts.length === 1 ? parts[0] : undefined;
  return only?.type === TYPE.literal ? only.value : parts;
}

/** Reads the messages of the catalogues in the build, so that the pages need no reader of messages, and no refusals. */
export function catalogues(): Plugin {
  return {
    name: "catalogues",
    apply: "build",
    enforce: "pre",
    load(id) {
      const language = CATALOGUE.exec(id)?.[1];
      if (!language) return null;
      const all = JSON.parse(readFileSync(id.replace("?url", ""), "utf8")) as Record<string, string>;
      const said = Object.entries(all).filter(([code]) => !SERVER.test(code));
      const file = this.emitFile({
        type: "asset",
        name: `${language}.json`,
        originalFileName: `../words/${language}.json`,
        source: JSON.stringify(Object.fromEntries(said.map(([code, message]) => [code, compiled(message)]))),
      });
      return `export default import.meta.ROLLUP_FILE_URL_${file}`;
    },
  };
}
