import { type MessageFormatElement, parse, TYPE } from "@formatjs/icu-messageformat-parser";
import { describe, expect, it } from "vitest";
import english from "../../../words/en.json";

type Catalogue = Record<string, string>;

const catalogues = import.meta.glob<Catalogue>("../../../words/??.json", { eager: true, import: "default" });

/** What a message asks for: values, and the parts that the page puts into elements of its own. */
function asks(elements: MessageFormatElement[]): string[] {
  return elements.flatMap((one) => {
    switch (one.type) {
      case TYPE.literal:
      case TYPE.pound:
        return [];
      case TYPE.tag:
        return [`<${one.value}>`, ...asks(one.children)];
      case TYPE.select:
      case TYPE.plural:
        return [one.value, ...Object.values(one.options).flatMap((option) => asks(option.value))];
      default:
        return [one.value];
    }
  });
}

const needs = (message: string) => [...new Set(asks(parse(message)))].sort();

describe.each(Object.entries(catalogues))("the catalogue %s", (_, catalogue) => {
  it("has words for every code, in the same order, and for nothing else", () => {
    expect(Object.keys(catalogue)).toEqual(Object.keys(english));
  });

  it("asks for the same values in every message", () => {
    const wanted = Object.entries(english).map(([code, message]) => [code, needs(message)]);
    expect(Object.entries(catalogue).map(([code, message]) => [code, needs(message)])).toEqual(wanted);
  });

  it("leaves no message empty, and shouts at nobody", () => {
    const wrong = Object.entries(catalogue).filter(([, message]) => !message.trim() || message.includes("!"));
    expect(wrong).toEqual([]);
  });
});
