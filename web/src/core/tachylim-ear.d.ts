/** The part of the core that measures what is played: compiled from Java, loaded by the worker that a microphone wakes. */
declare module "tachylim-ear" {
  export function listen(
    recorded: Int16Array,
    rate: number,
    toHear: string,
    start: number,
    clicks: string,
    family: string,
    confirmed: string,
    usually: number,
  ): string;
  export function keys(
    struck: string,
    toHear: string,
    start: number,
    family: string,
    confirmed: string,
    apart: string,
  ): string;
  export function recorded(recorded: Int16Array, rate: number, toHear: string, family: string): string;
  export function recordedKeys(struck: string, toHear: string, family: string, apart: string): string;
}
