import { useWidth } from "../ui/useWidth";
import { say } from "../words/say";
import type { Take } from "./heard";
import { isUnsure, noted } from "./reasons";

interface Props {
  take: Take;
  /** How many notes were asked, in all. */
  notes: number;
  /** How many there are once through: each time round is a line. */
  round: number;
  /** The note that is heard, or looked at. */
  at?: number | undefined;
  dark?: boolean;
}

const LINE = 30;
/** A note needs so much room to be told from the next; where there is less a line is broken. */
const NARROWEST = 22;
const WIDEST = 120;
const LOUD = 20;
/** So much of its interval off is drawn at the edge of a note's place. */
const EDGE = 0.35;
const QUIETEST_DB = -24;
const LOUDEST_DB = 8;
const MOST_LINES = 12;

const NIGHT = { line: "#3a4743", mark: "#9fd3bd", slip: "#e8b85a", soft: "#8fa29b" };
const DAY = { line: "#c9d1c9", mark: "#1d5c4a", slip: "#a3541c", soft: "#66716b" };

/**
 * Every note of a pass in a place of its own: a mark where it came, early left and late right; pale where the measure is unsure,
 * a diamond where it slipped, a cross where nothing was heard; beneath a single line how loud each began.
 */
export function TakePicture({ take, notes, round, at, dark = false }: Props) {
  const colour = dark ? NIGHT : DAY;
  const [ref, room] = useWidth<HTMLElement>(700);
  const columns = Math.max(1, Math.min(round, notes, Math.floor(room / NARROWEST)));
  const lines = Math.min(MOST_LINES, Math.ceil(notes / columns));
  const shown = Math.min(notes, lines * columns);
  const width = Math.min(WIDEST, room / columns);
  const loudness = lines === 1 ? LOUD : 0;
  const height = lines * LINE + loudness;
  const into = new Map(take.measured.transitions.map((one) => [one.to, one]));
  const onsets = new Map(take.onsets.map((one) => [one.note, one]));
  const apart = Array.from({ length: shown }, (_, note) => note).filter(
    (note) => into.get(note)?.slipped || take.measured.missing.includes(note) || take.wrong.includes(note),
  );
  return (
    <figure ref={ref} className="min-w-0">
      <svg width={room} height={height} role="img" aria-label={say("heard.picture")} className="block">
        {Array.from({ length: lines }, (_, line) => (
          <line
            key={line}
            x1={0}
            x2={width * Math.min(columns, shown - line * columns)}
            y1={(line + 0.5) * LINE}
            y2={(line + 0.5) * LINE}
            stroke={colour.line}
          />
        ))}
        {Array.from({ length: shown }, (_, note) => {
          const middle = ((note % columns) + 0.5) * width;
          const y = (Math.floor(note / columns) + 0.5) * LINE;
          const transition = into.get(note);
          const onset = onsets.get(note);
          const off = transition ? transition.off / Math.max(1, transition.interval) / EDGE : 0;
          const x = middle + Math.max(-1, Math.min(1, off)) * width * 0.46;
          const wrong = take.wrong.includes(note);
          return (
            <g key={note} opacity={transition && isUnsure(transition) ? 0.4 : 1}>
              {note === at && (
                <rect
                  x={middle - width / 2}
                  width={width}
                  y={y - LINE / 2}
                  height={LINE}
                  fill={colour.mark}
                  opacity={0.25}
                />
              )}
              <line x1={middle} x2={middle} y1={y - 11} y2={y + 11} stroke={colour.line} />
              {take.measured.missing.includes(note) ? (
                <path d={`M${middle - 5} ${y - 5}l10 10m0 -10l-10 10`} stroke={colour.slip} strokeWidth={2.5} />
              ) : transition?.slipped || wrong ? (
                <path
                  d={`M${x} ${y - 8}l8 8l-8 8l-8 -8z`}
                  fill={wrong ? "none" : colour.slip}
                  stroke={colour.slip}
                  strokeWidth={2}
                />
              ) : (
                onset && <circle cx={x} cy={y} r={4.5} fill={colour.mark} />
              )}
              {loudness > 0 && onset && (
                <rect
                  x={middle - 5}
                  width={10}
                  y={height - loudness * loud(onset.loudness)}
                  height={loudness * loud(onset.loudness)}
                  fill={colour.soft}
                  opacity={0.7}
                />
              )}
            </g>
          );
        })}
      </svg>
      <figcaption className="sr-only">
        {(apart.length > 0 ? apart : [0]).map((note) => noted(take, note, round)).join(". ")}
      </figcaption>
    </figure>
  );
}

const loud = (decibels: number) => Math.max(0.05, Math.min(1, (decibels - QUIETEST_DB) / (LOUDEST_DB - QUIETEST_DB)));
