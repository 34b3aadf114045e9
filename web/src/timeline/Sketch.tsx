import type { Schemas } from "../api/client";

type Pass = Pick<Schemas["SketchDto"], "kind" | "tempo" | "seconds"> & Partial<Pick<Schemas["SketchDto"], "verdict">>;

const USUAL_WIDTH = 168;
const HEIGHT = 34;
const MOST_GAP = 1;
const LOWEST = 4;

/** A workout at a glance, without a label where words stand beside it: a step for each pass as high as its tempo, spires for bursts, notches where it broke. */
export function Sketch({ passes, label, width: all = USUAL_WIDTH }: { passes: Pass[]; label: string; width?: number }) {
  if (passes.length === 0) return null;
  const seconds = passes.reduce((sum, pass) => sum + pass.seconds, 0);
  const slowest = Math.min(...passes.map((pass) => pass.tempo));
  const fastest = Math.max(...passes.map((pass) => pass.tempo));
  // Where there are very many, as in a glide, they stand close.
  const gap = passes.length > all / 4 ? 0 : MOST_GAP;
  const scale = (all - gap * passes.length) / Math.max(1, seconds);
  const height = (tempo: number) =>
    fastest === slowest ? HEIGHT * 0.6 : LOWEST + ((HEIGHT - LOWEST) * (tempo - slowest)) / (fastest - slowest);
  let x = 0;
  return (
    <svg
      width={all}
      height={HEIGHT}
      {...(label ? { role: "img", "aria-label": label } : { "aria-hidden": true })}
      className="shrink-0"
    >
      {passes.map((pass, i) => {
        const width = gap === 0 ? pass.seconds * scale : Math.max(1, pass.seconds * scale);
        const left = x;
        x += width + gap;
        const top = HEIGHT - height(pass.tempo);
        return (
          <g key={i}>
            <rect
              x={left}
              y={top}
              width={width}
              height={HEIGHT - top}
              className={pass.kind === "BURST" ? "fill-burst" : pass.kind === "PROBE" ? "fill-brass" : "fill-spruce"}
              opacity={pass.kind === "WARM_UP" || pass.kind === "CLOSING" ? 0.4 : 0.9}
            />
            {pass.verdict === "BROKE" && <rect x={left} y={top} width={width} height="3.5" className="fill-ink" />}
          </g>
        );
      })}
    </svg>
  );
}
