import type { Schemas } from "../../api/client";
import type { Layout } from "../../notation/Score";

interface Props {
  layout: Layout;
  notes: Schemas["NoteDto"][];
  cursor: number | undefined;
  overlaps: ReadonlySet<number>;
  showBeats: boolean;
  onChoose: (note: number) => void;
}

/** The note at hand, where sections meet, and which notes fall on the beat. */
export function NoteMarks({ layout, notes, cursor, overlaps, showBeats, onChoose }: Props) {
  return (
    <g>
      {layout.spots.map((spot, i) => {
        if (!spot) return null;
        const line = layout.lines[spot.line];
        if (!line) return null;
        return (
          <g key={i}>
            {i === cursor && (
              <rect
                x={spot.x - 10}
                y={line.top - 6}
                width={20}
                height={line.bottom - line.top + 14}
                rx={4}
                className="fill-brass/15 stroke-brass"
              />
            )}
            {overlaps.has(i) && (
              <path
                d={`M${spot.x - 11} ${line.top - 8}V${line.bottom + 10}`}
                className="stroke-danger"
                strokeWidth={2}
                strokeDasharray="2 3"
              />
            )}
            {showBeats &&
              (notes[i]?.onBeat ? (
                <path d={`M${spot.x - 4} ${line.bottom + 10}h8l-4 -6z`} className="fill-ink" />
              ) : (
                <circle cx={spot.x} cy={line.bottom + 7} r={2.4} fill="none" className="stroke-soft" />
              ))}
            <rect
              x={spot.x - 9}
              y={line.top - 4}
              width={18}
              height={line.bottom - line.top + 10}
              fill="transparent"
              className="pointer-events-auto cursor-pointer"
              data-note={i}
              onClick={() => onChoose(i)}
            />
          </g>
        );
      })}
    </g>
  );
}
