import type { Schemas } from "../../api/client";

type Tried = Schemas["TryDto"];

/** How a pass went, as far as its mark shows it. */
export type Way = "clean" | "rough" | "broke";

/** A pass in its place: how far along, and how many lie between it and the curve. */
export interface Mark {
  x: number;
  rank: number;
  way: Way;
  key: string;
}

/** Passes that fall closer together than this, in pixels, are stacked. */
const COLUMN = 7;

/** Every pass of some tries as a mark of its own, those at one place stacked outward. */
export function stacked(tries: Tried[], x: (tempo: number) => number, ways: Way[]): Mark[] {
  const columns = new Map<number, number>();
  return [...tries]
    .sort((a, b) => a.tempo - b.tempo)
    .flatMap((tried) =>
      ways.flatMap((way) =>
        Array.from({ length: tried[way] }, (_, i) => {
          const column = Math.round(x(tried.tempo) / COLUMN);
          const rank = columns.get(column) ?? 0;
          columns.set(column, rank + 1);
          return { x: column * COLUMN, rank, way, key: `${tried.kind}${tried.tempo}${way}${i}` };
        }),
      ),
    );
}

/** How far apart stacked marks lie, so that the highest stack fits. */
export const spacing = (marks: Mark[], room: number, usual: number) =>
  Math.min(usual, room / Math.max(1, ...marks.map((mark) => mark.rank + 1)));
