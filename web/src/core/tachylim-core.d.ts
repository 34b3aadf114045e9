/** The core as the pages carry it: compiled from Java, texts of JSON in and out. */
declare module "tachylim-core" {
  export function edition(): number;
  export function begin(score: string): string;
  export function after(event: string): string;
  export function instead(event: string): string;
  export function suppose(event: string): void;
  export function plan(score: string, wish: string): string;
  export function toHear(): string;
}
