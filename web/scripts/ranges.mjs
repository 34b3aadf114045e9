// Writes the ranges of the API's description for the pages to read, or with --check only compares them.
import { readFileSync, writeFileSync } from "node:fs";
import { format } from "prettier";

const FILE = "src/api/ranges.ts";
const KEPT = ["minimum", "maximum", "minLength", "maxLength", "minItems", "maxItems"];

const { components } = JSON.parse(readFileSync("src/api/openapi.json", "utf8"));
const ranges = {};
for (const [name, schema] of Object.entries(components.schemas)) {
  for (const [part, property] of Object.entries(schema.properties ?? {})) {
    const range = Object.fromEntries(KEPT.filter((key) => key in property).map((key) => [key, property[key]]));
    if (Object.keys(range).length > 0) (ranges[name] ??= {})[part] = range;
  }
}
const text = await format(
  `/** The ranges that the server accepts, as its description says. Written by scripts/ranges.mjs. */\nexport const RANGES = ${JSON.stringify(ranges)} as const;\n`,
  { parser: "typescript", printWidth: 120 },
);
if (process.argv.includes("--check")) {
  if (readFileSync(FILE, "utf8") !== text) {
    console.error(`${FILE} is not what src/api/openapi.json says: './tachylim types' writes it anew`);
    process.exit(1);
  }
} else writeFileSync(FILE, text);
