import { type MessageFormatElement, TYPE } from "@formatjs/icu-messageformat-parser";

/**
 * A part of a message as the build writes it down: a literal as its text, a value as its type and name, a choice with its
 * options besides. Whatever else there is stands as it is.
 */
type Part = string | [number, string] | [number, string, Record<string, Part[]>, string?] | { type: number };

/** A message as the pages fetch it: of one without values only the text. */
export type Brief = string | Part[];

const alone = (element: object, ...names: string[]) =>
  Object.entries(element).every(([name, value]) => names.includes(name) || value === null);

function asPart(element: MessageFormatElement): Part {
  switch (element.type) {
    case TYPE.literal:
      return element.value;
    case TYPE.argument:
    case TYPE.number:
      return alone(element, "type", "value") ? [element.type, element.value] : element;
    case TYPE.select:
    case TYPE.plural: {
      if (element.type === TYPE.plural && element.offset !== 0) return element;
      const options = Object.entries(element.options).map(([name, { value }]) => [name, value.map(asPart)]);
      const part: Part = [element.type, element.value, Object.fromEntries(options) as Record<string, Part[]>];
      return element.type === TYPE.plural ? [part[0], part[1], part[2], element.pluralType] : part;
    }
    default:
      return element;
  }
}

function asElement(part: Part): MessageFormatElement {
  if (typeof part === "string") return { type: TYPE.literal, value: part };
  if (!Array.isArray(part)) return part as MessageFormatElement;
  const [type, value, options, pluralType] = part;
  if (!options) return { type, value } as MessageFormatElement;
  const read = Object.entries(options).map(([name, parts]) => [name, { value: parts.map(asElement) }]);
  const choice = { type, value, options: Object.fromEntries(read) as object };
  return (pluralType ? { ...choice, offset: 0, pluralType } : choice) as MessageFormatElement;
}

/** Writes a message that was read as briefly as it can be. */
export function brief(elements: MessageFormatElement[]): Brief {
  const [only] = elements;
  return elements.length === 1 && only?.type === TYPE.literal ? only.value : elements.map(asPart);
}

/** The message that was written briefly, as the formatter works on it. */
export const atLength = (message: Brief): MessageFormatElement[] =>
  typeof message === "string" ? [asElement(message)] : message.map(asElement);
