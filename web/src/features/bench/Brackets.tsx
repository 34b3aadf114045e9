import type { Schemas } from "../../api/client";
import type { Layout } from "../../notation/Score";

interface Props {
  layout: Layout;
  pieces: Schemas["PieceDto"][];
  slowest: number;
}

/** A bracket under each piece; neighbours share the note where they meet, and the seam shows as their overlap. */
export function Brackets({ layout, pieces, slowest }: Props) {
  return (
    <g className="text-[13px]">
      {pieces.flatMap((piece, i) =>
        stretches(layout, piece).map(({ from, to, line, first }) => {
          const bottom = (layout.lines[line]?.bottom ?? 0) + 14 + (i % 2) * 5;
          const weak = piece.id === slowest && pieces.length > 1;
          const stroke = weak ? "stroke-danger" : "stroke-soft";
          const room = to - from - 6;
          const words = `${piece.name} · ease ${Math.round(piece.estimate.ease.middle)}${weak ? ", holds it back" : ""}`;
          return (
            <g key={`${piece.id}.${line}`}>
              <path d={`M${from} ${bottom}v6H${to}v-6`} fill="none" className={stroke} strokeWidth={weak ? 2 : 1.2} />
              {first && room > 40 && (
                <text
                  x={from + 4}
                  y={(layout.lines[line]?.bottom ?? 0) + 37}
                  className={weak ? "fill-danger font-semibold" : "fill-soft"}
                >
                  {room > words.length * 6.6 ? words : piece.name.length * 6.8 < room ? piece.name : ""}
                </text>
              )}
            </g>
          );
        }),
      )}
    </g>
  );
}

/** A piece on each line of music it covers. */
function stretches(layout: Layout, piece: Schemas["PieceDto"]) {
  const lines = new Map<number, { from: number; to: number }>();
  for (let note = piece.firstNote; note <= piece.lastNote; note++) {
    const spot = layout.spots[note];
    if (!spot) continue;
    const known = lines.get(spot.line);
    lines.set(spot.line, {
      from: Math.min(known?.from ?? spot.x - 6, spot.x - 6),
      to: Math.max(known?.to ?? spot.x + 6, spot.x + 6),
    });
  }
  return [...lines.entries()].map(([line, extent], i) => ({ line, ...extent, first: i === 0 }));
}
