import { locale } from "../words/say";
/** The colours of an axis, where they are not those of paper. */
interface Looks {
  rule: string;
  soft: string;
}

interface Heights {
  ticks: number[];
  y: (tick: number) => number;
  /** Where the lines begin and end; the figures stand before them. */
  from: number;
  to: number;
  label?: (tick: number) => string;
  looks?: Looks;
}

/** How far the figures of an axis stand from its lines. */
const APART = 6;

/** Figures up the side of a picture, each with a line across it. */
export function Heights({ ticks, y, from, to, label = String, looks }: Heights) {
  return ticks.map((tick) => (
    <g key={tick}>
      <line
        x1={from}
        x2={to}
        y1={y(tick)}
        y2={y(tick)}
        stroke={looks?.rule}
        className={looks ? undefined : "stroke-rule"}
      />
      <text
        x={from - APART}
        y={y(tick) + 4}
        textAnchor="end"
        fontSize="12"
        fill={looks?.soft}
        className={looks ? "font-mono" : "fill-soft font-mono"}
      >
        {label(tick)}
      </text>
    </g>
  ));
}

interface Along {
  ticks: number[];
  x: (tick: number) => number;
  /** Where the figures stand. */
  y: number;
  /** The end of the picture: a figure that would reach beyond it ends there. */
  to?: number;
  label?: (tick: number) => string;
}

/** About half the width of a date. */
const HALF_A_DATE = 26;

/** Figures along the foot of a picture. */
export function Along({ ticks, x, y, to = Infinity, label = String }: Along) {
  return ticks.map((tick) => {
    const atEnd = x(tick) + HALF_A_DATE > to;
    return (
      <text
        key={tick}
        x={atEnd ? to : x(tick)}
        y={y}
        textAnchor={atEnd ? "end" : "middle"}
        fontSize="12"
        className="fill-soft"
      >
        {label(tick)}
      </text>
    );
  });
}

const DAY_MS = 86_400_000;

/** Days to be named between two times, in milliseconds: as many as wanted or fewer, equally far apart. */
export function dayTicks([from, to]: [number, number], most: number): number[] {
  const first = Math.ceil(from / DAY_MS);
  const last = Math.floor(to / DAY_MS);
  const step = Math.max(1, Math.ceil((last - first) / most));
  return Array.from({ length: Math.floor((last - first) / step) + 1 }, (_, i) => (first + i * step) * DAY_MS);
}

/** A day under an axis of time. */
export const shortDay = (time: number) =>
  new Date(time).toLocaleDateString(locale(), { day: "numeric", month: "short" });
