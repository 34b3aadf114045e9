import type { Schemas } from "../api/client";
import { keep } from "../keep";

/** One sound of the click, and when. */
export type Click = Schemas["ClickDto"];

/** How the click sounds: a struck block, a dry tick, a small bell. */
export const SOUNDS = ["block", "tick", "bell"] as const;
export type Sound = (typeof SOUNDS)[number];

/** How many bars in a row have the click, and how many after them have none. */
export const SILENCES = ["0", "1-1", "2-2", "3-1"] as const;
export type Silence = (typeof SILENCES)[number];

/** How a player wants the click of an instrument. */
export interface ClickWishes {
  sound: Sound;
  /** 0 to 1. */
  level: number;
  accents: boolean;
  subdivisions: boolean;
  /** Bars to count in. */
  bars: 1 | 2;
  silence: Silence;
  /** Nothing sounds; the beat is only seen. */
  seen: boolean;
  /** Whether the end of a rest is heard. */
  rests: boolean;
  /** Whether all clicks have one pitch, and differ in loudness alone: so they can be told from what is played. */
  alike: boolean;
  /** How much later than it was sent the click is heard, in seconds, as far as that was found by tapping. */
  latency: number;
}

export const USUAL: ClickWishes = {
  sound: "block",
  level: 0.8,
  accents: true,
  subdivisions: true,
  bars: 1,
  silence: "0",
  seen: false,
  rests: false,
  alike: false,
  latency: 0,
};

export const MOST_LATENCY = 0.4;

const key = (instrument: string) => `tachylim.click.${instrument}`;

/** What is kept for an instrument in this browser; whatever of it makes no sense is as usual. */
export function wishes(instrument: string): ClickWishes {
  try {
    const kept = JSON.parse(keep.getItem(key(instrument)) ?? "{}") as Partial<ClickWishes>;
    return {
      ...USUAL,
      ...kept,
      sound: SOUNDS.find((sound) => sound === kept.sound) ?? USUAL.sound,
      silence: SILENCES.find((silence) => silence === kept.silence) ?? USUAL.silence,
      level: Math.min(1, Math.max(0, Number(kept.level ?? USUAL.level)) || 0),
      bars: kept.bars === 2 ? 2 : 1,
      rests: kept.rests === true,
      alike: false,
      latency: Math.min(MOST_LATENCY, Math.max(0, Number(kept.latency ?? 0)) || 0),
    };
  } catch {
    return USUAL;
  }
}

export function wish(instrument: string, wanted: ClickWishes) {
  keep.setItem(key(instrument), JSON.stringify(wanted));
}

interface Programme {
  clicks: Click[];
  tempo: number;
  countIn: number;
  seconds: number;
}

/** The programme of a pass with as many bars of counting in as are wanted: everything else comes as much later. */
export function wanted<P extends Programme>(pass: P, { bars }: Pick<ClickWishes, "bars">): P {
  const more = (bars - 1) * pass.countIn;
  const shift = (more * 60) / pass.tempo;
  const counting = Array.from({ length: more }, (_, i) => ({
    seconds: (i * 60) / pass.tempo,
    kind: "COUNT_IN" as const,
  }));
  const clicks = [...counting, ...pass.clicks.map((click) => ({ ...click, seconds: click.seconds + shift }))];
  return { ...pass, clicks, countIn: pass.countIn + more, seconds: pass.seconds + shift };
}

/** What sounds of a programme: the beat goes on where the click is silent, so only what is heard is left out. */
export function audible(
  clicks: Click[],
  { accents, subdivisions, silence }: Pick<ClickWishes, "accents" | "subdivisions" | "silence">,
): Click[] {
  const [sounding = 0, silent = 0] = silence.split("-").map(Number);
  let bar = -1;
  return clicks
    .filter((click) => {
      if (click.kind === "ACCENT") bar++;
      if (click.kind === "COUNT_IN" || click.kind === "CUE") return true;
      if (click.kind === "SUBDIVISION" && !subdivisions) return false;
      return silent === 0 || bar < 0 || bar % (sounding + silent) < sounding;
    })
    .map((click) => (click.kind === "ACCENT" && !accents ? { ...click, kind: "BEAT" } : click));
}

const FEWEST_TAPS = 5;

/**
 * How much later than it was sent a click is heard, by taps along with it: the middle of what each tap is after its click;
 * nothing when there are too few taps or they do not agree.
 *
 * @param taps and
 * @param clicks on one clock, in seconds
 */
export function latencyBy(taps: number[], clicks: number[]): number | undefined {
  const late = taps
    .map((tap) => clicks.map((click) => tap - click).reduce((a, b) => (Math.abs(a) < Math.abs(b) ? a : b), Infinity))
    .filter((seconds) => Math.abs(seconds) < MOST_LATENCY)
    .sort((a, b) => a - b);
  if (late.length < FEWEST_TAPS) return undefined;
  const middle = late[Math.floor(late.length / 2)]!;
  const spread = late.map((one) => Math.abs(one - middle)).sort((a, b) => a - b)[Math.floor(late.length / 2)]!;
  return spread > 0.05 ? undefined : Math.max(0, middle);
}
