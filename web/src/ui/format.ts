import { locale, say } from "../words/say";
/** Whole beats a minute, as a metronome shows them. */
export const bpm = (tempo: number) => String(Math.round(tempo));

/** A section with its passage; the whole has no name of its own. */
export const called = (passage: string, section: string) => [passage, unbroken(section)].filter(Boolean).join(", ");

/** What is said of a workout that was about more sections than the one it is named after. */
export const andMore = (sections: number) => (sections > 1 ? say("common.andMore", { sections: sections - 1 }) : "");

/** A span such as “bars 3–4” does not break at its dash, nor before its figure. */
export const unbroken = (name: string) =>
  name.replace(
    /(\S+) (\d+)(?:–(\d+))?$/,
    (_, word, from, to) => `${word}\u00a0${from}${to ? `\u2060–\u2060${to}` : ""}`,
  );

/** Seconds as minutes and seconds: 1:05. */
export function clock(seconds: number) {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

/** Seconds as whole minutes, for totals. */
export function minutes(seconds: number) {
  const whole = Math.round(seconds / 60);
  return whole === 0 && seconds > 0 ? say("common.under1Min") : say("common.min", { whole });
}

export const oneDecimal = (value: number) =>
  value.toLocaleString(locale(), { minimumFractionDigits: 0, maximumFractionDigits: 1 });

/** As much of a small figure as says anything: 0.21, 4.7, 12. */
export const twoDigits = (value: number) => value.toLocaleString(locale(), { maximumSignificantDigits: 2 });

/** A day without a time, such as 2026-03-02, as the browser's locale writes it. */
export function day(iso: string, options: Intl.DateTimeFormatOptions = { day: "numeric", month: "short" }) {
  return new Date(`${iso}T12:00:00`).toLocaleDateString(locale(), options);
}

export const longDay = (iso: string) => day(iso, { weekday: "long", day: "numeric", month: "long" });

export function timeOfDay(instant: string) {
  return new Date(instant).toLocaleTimeString(locale(), { hour: "numeric", minute: "2-digit" });
}

/** When something was, as briefly as it can be said: today by its time alone. */
export function moment(instant: string) {
  const then = new Date(instant);
  const today = then.toDateString() === new Date().toDateString();
  return then.toLocaleString(locale(), {
    ...(!today && { weekday: "short", day: "numeric", month: "short" }),
    hour: "numeric",
    minute: "2-digit",
  });
}

const FAMILY: Record<string, string> = {
  WIND: say("common.wind"),
  BRASS: say("common.brass"),
  BOWED: say("common.bowedStrings"),
  PLUCKED: say("common.pluckedStrings"),
  KEYBOARD: say("common.keyboard"),
  MALLET: say("common.malletsAndDrums"),
  FREE_REED: say("common.freeReed"),
  OTHER: say("common.anotherInstrument"),
};

export const families = Object.keys(FAMILY);
export const family = (key: string) => FAMILY[key] ?? key;
