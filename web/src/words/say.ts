import type { ReactNode } from "react";
import { createIntl, createIntlCache, type IntlShape } from "react-intl";
import type { Schemas } from "../api/client";
import { atLength, type Brief } from "./brief";
import type english from "../../../words/en.json";

/** What the page can say: every message of the catalogues has one. */
export type Code = keyof typeof english;

/** Why something is so, as the server and the core give it: a code with its values. */
export type Reason = Schemas["Reason"];

type Plain = string | number | null | undefined;
type Rich = ReactNode | ((words: ReactNode[]) => ReactNode);
type Message = Brief;

let intl: IntlShape;

/** Lips and breath, a bow arm, sticks: some words differ by the family of the instrument that is played. */
let instrument: string | undefined;

/** What is said the same each time, by these messages to this player. */
let said = new Map<Code, string>();
let told = new WeakMap<Reason, string>();

function forgetSaid() {
  said = new Map();
  told = new WeakMap();
}

/** From here on bodies are spoken of as players of such an instrument do. */
export const speakTo = (player: { instrument: string }) => {
  if (player.instrument === instrument) return;
  instrument = player.instrument;
  forgetSaid();
};

/** From here on the page speaks by these messages. */
export function speak(language: string, messages: Record<string, Message>) {
  intl = createIntl({ locale: language, messages: read(messages), onError: refuse }, createIntlCache());
  forgetSaid();
}

/** From here on the page knows these messages as well. */
export function learn(messages: Record<string, Message>) {
  Object.assign(intl.messages, read(messages));
  forgetSaid();
}

/** The build has read all messages, and written them down briefly. */
const read = (messages: Record<string, Message>) =>
  (import.meta.env.PROD
    ? Object.fromEntries(Object.entries(messages).map(([code, message]) => [code, atLength(message)]))
    : { ...messages }) as unknown as Record<string, string>;

/** The language with its region, by which days, clocks and numbers are written. */
export const locale = () => intl.locale;

function refuse(error: Error) {
  throw error;
}

/** A message in the player's language, with the values it asks for; parts of it may be elements. */
export function say(code: Code, values?: Record<string, Plain>): string;
/** A reason in the player's language; empty where there is nothing to say, or where it comes from a newer server. */
export function say(reason: Reason): string;
export function say(code: Code, values: Record<string, Rich>): ReactNode;
export function say(what: Code | Reason, values?: Record<string, Rich>): ReactNode {
  if (typeof what !== "string") return kept(told, what, because);
  return values ? intl.formatMessage({ id: what }, { instrument, ...values }) : kept(said, what, plainly);
}

function kept<Key extends object | string>(
  all: { get: (key: Key) => string | undefined; set: (key: Key, words: string) => unknown },
  key: Key,
  find: (key: Key) => string,
) {
  let words = all.get(key);
  if (words === undefined) all.set(key, (words = find(key)));
  return words;
}

const plainly = (code: Code) => intl.formatMessage({ id: code }, { instrument });

/** What was stored long ago may lack a value that its message asks for today: better no reason than no page. */
function because(reason: Reason) {
  if (!(reason.code in intl.messages)) return "";
  try {
    return intl.formatMessage({ id: reason.code }, parts(reason));
  } catch {
    return "";
  }
}

/** The values of a reason: its parts are reasons, and so are the items of a list. */
function parts(reason: Reason) {
  const said = Object.entries(reason.values as Record<string, unknown>).map(([name, value]) => [name, part(value)]);
  return { instrument, ...Object.fromEntries(said) } as Record<string, Plain>;
}

function part(value: unknown): unknown {
  if (Array.isArray(value)) return intl.formatList(value.map((one) => part(one) as string));
  return typeof value === "object" && value !== null ? say(value as Reason) : value;
}
