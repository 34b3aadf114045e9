import englishTakes from "../../../words/en.json?url&takes";
import english from "../../../words/en.json?url";
import germanTakes from "../../../words/de.json?url&takes";
import german from "../../../words/de.json?url";
import { keep } from "../keep";
import { learn, speak } from "./say";

/** The languages that have a catalogue, each by its own name. A new one is a line here and a file. */
const LANGUAGES = {
  en: { name: "English", catalogue: english, takes: englishTakes },
  de: { name: "Deutsch", catalogue: german, takes: germanTakes },
};

export type Language = keyof typeof LANGUAGES;

export const languages = Object.entries(LANGUAGES).map(([key, { name }]) => ({ key: key as Language, name }));

const CHOICE = "tachylim.language";

const known = (key: string | null | undefined): key is Language => key != null && Object.hasOwn(LANGUAGES, key);

/** What a link asks for, else what was chosen in this browser, else the first of the browser's languages that is known. */
function wanted(): Language {
  const linked = new URLSearchParams(location.search).get("lang");
  if (known(linked)) return linked;
  const chosen = keep.getItem(CHOICE);
  if (known(chosen)) return chosen;
  return navigator.languages.map((one) => one.split("-")[0]).find(known) ?? "en";
}

/** The language of the page, once its words are here. */
export const language = () => document.documentElement.lang as Language;

/** Fetches the words of the page. Everything else waits for them: there is no page without words. */
export async function learnToSpeak() {
  const key = wanted();
  const answer = await fetch(LANGUAGES[key].catalogue);
  speak(locale(key), (await answer.json()) as Record<string, string>);
  document.documentElement.lang = key;
}

/** Fetches the words of takes, which only pages with a microphone need. */
export async function learnOfTakes() {
  const answer = await fetch(LANGUAGES[language()].takes);
  learn((await answer.json()) as Record<string, string>);
}

/** The browser's own form of a language, such as en-GB, so that dates and clocks are as the player is used to. */
function locale(key: Language) {
  return navigator.languages.find((one) => one.split("-")[0] === key && isWellFormed(one)) ?? key;
}

/** Some browsers name the language of their system, which need not be one that a page can ask for. */
function isWellFormed(language: string) {
  try {
    return Intl.getCanonicalLocales(language).length > 0;
  } catch {
    return false;
  }
}

/** Another language from here on, in this browser: the page is loaded anew in it, and no longer in that of a link. */
export function choose(key: Language) {
  keep.setItem(CHOICE, key);
  const here = new URL(location.href);
  here.searchParams.delete("lang");
  location.replace(here);
}
