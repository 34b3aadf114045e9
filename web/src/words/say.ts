import type { ReactNode } from "react";
import { createIntl, createIntlCache, type IntlShape } from "react-intl";
import type english from "../../../words/en.json";

/** What the page can say: every message of the catalogues has one. */
export type Code = keyof typeof english;

type Plain = string | number | null | undefined;
type Rich = ReactNode | ((words: ReactNode[]) => ReactNode);

let intl: IntlShape;

/** From here on the page speaks by these messages. */
export function speak(language: string, messages: Record<string, string>) {
  intl = createIntl({ locale: language, messages, onError: refuse }, createIntlCache());
}

/** The language with its region, by which days, clocks and numbers are written. */
export const locale = () => intl.locale;

function refuse(error: Error) {
  throw error;
}

/** A message in the player's language, with the values it asks for; parts of it may be elements. */
export function say(code: Code, values?: Record<string, Plain>): string;
export function say(code: Code, values: Record<string, Rich>): ReactNode;
export function say(code: Code, values?: Record<string, Rich>): ReactNode {
  return intl.formatMessage({ id: code }, values);
}
