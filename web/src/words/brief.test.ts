import { createIntl } from "react-intl";
import { parse } from "@formatjs/icu-messageformat-parser";
import { describe, expect, it } from "vitest";
import english from "../../../words/en.json";
import german from "../../../words/de.json";
import { atLength, brief, type Brief } from "./brief";

const sent = (message: string) => JSON.parse(JSON.stringify(brief(parse(message)))) as Brief;

const VALUES = [
  { n: 1, who: "bow", b: (words: unknown) => `[${String(words)}]` },
  { n: 2, who: "sticks", b: (words: unknown) => `<${String(words)}>` },
];

describe("a message that is written briefly", () => {
  it.each([
    "Plain.",
    "{n, plural, one {# pass} other {# passes}} of {who}",
    "{n, selectordinal, one {#st} two {#nd} other {#th}}",
    "{n, plural, offset:1 =1 {alone} other {and # more}}",
    "{who, select, bow {the {n, plural, one {bow} other {bows}}} other {<b>{n, number}</b> things}}",
    "{n, number, ::percent}",
  ])("says the same: %s", (message) => {
    const intl = (of: unknown) => createIntl({ locale: "en", messages: { m: of as string } });
    const before = VALUES.map((values) => intl(message).formatMessage({ id: "m" }, values));
    expect(VALUES.map((values) => intl(atLength(sent(message))).formatMessage({ id: "m" }, values))).toEqual(before);
  });

  it("is read back as it was, whatever is said", () => {
    const all = [...Object.values(english), ...Object.values(german)];
    const plain = (message: unknown) =>
      JSON.stringify(message, (name, value: unknown) => (name === "style" && value === null ? undefined : value));
    expect(all.filter((message) => plain(atLength(sent(message))) !== plain(parse(message)))).toEqual([]);
  });

  it("is its text where it is nothing else", () => {
    expect(brief(parse("Plain."))).toBe("Plain.");
  });
});
