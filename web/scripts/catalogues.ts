import { parse } from "@formatjs/icu-messageformat-parser";
import { readFileSync } from "node:fs";
import type { Plugin } from "vite";
import { brief } from "../src/words/brief.ts";

const CATALOGUE = /\/words\/(..)\.json\?url(&takes)?$/;

/** What only the server says. */
const SERVER = /^(refusal|column|calendar)\./;

/** What only pages with a microphone say. */
const TAKES = /^(heard|heardWhy|deaf|madeUp|take|recording|unheard)\./;

/** What has no style of its own needs not say so. */
const plainly = (name: string, value: unknown) => (name === "style" && value === null ? undefined : value);

/** Reads the messages of the catalogues in the build, so that the pages need no reader of messages, and no refusals. */
export function catalogues(): Plugin {
  return {
    name: "catalogues",
    apply: "build",
    enforce: "pre",
    load(id) {
      const [, language, part] = CATALOGUE.exec(id) ?? [];
      if (!language) return null;
      const all = JSON.parse(readFileSync(id.replace(/\?.*/, ""), "utf8")) as Record<string, string>;
      const said = Object.entries(all).filter(
        ([code]) => !SERVER.test(code) && TAKES.test(code) === (part !== undefined),
      );
      const name = part !== undefined ? `${language}.takes.json` : `${language}.json`;
      const file = this.emitFile({
        type: "asset",
        name,
        originalFileName: `../words/${name}`,
        source: JSON.stringify(
          Object.fromEntries(said.map(([code, message]) => [code, brief(parse(message))])),
          plainly,
        ),
      });
      return `export default import.meta.ROLLUP_FILE_URL_${file}`;
    },
  };
}
