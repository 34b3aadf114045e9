import { keep } from "../keep";

/** Of an input so many takes are remembered. */
const TAKES = 15;

const kept = (input: string) => `tachylim.latency.${input}`;

function remembered(input: string): number[] {
  try {
    const all: unknown = JSON.parse(keep.getItem(kept(input)) ?? "[]");
    return Array.isArray(all) ? all.filter((one): one is number => typeof one === "number" && one >= 0) : [];
  } catch {
    return [];
  }
}

/** Remembers how much later than it was sent a click was heard by an input, in seconds. */
export function heardLate(input: string, late: number) {
  keep.setItem(kept(input), JSON.stringify([...remembered(input), late].slice(-TAKES)));
}

/** How much later that usually is: the median; nothing where no click was heard yet. */
export function usuallyLate(input: string): number | undefined {
  const sorted = remembered(input).sort((one, other) => one - other);
  return sorted[Math.floor(sorted.length / 2)];
}
