import type { Schemas } from "../../api/client";
import type { Layout } from "../../notation/Score";
import { say } from "../../words/say";

interface Props {
  layout: Layout;
  sections: Schemas["SectionDto"][];
  slowest: number;
}

/** A bracket under each section; neighbours share the note where they meet, which shows as an overlap. */
export function Brackets({ layout, sections, slowest }: Props) {
  return (
    <g className="text-[13px]">
      {sections.flatMap((section, i) =>
        stretches(layout, section).map(({ from, to, line, first }) => {
          const bottom = (layout.lines[line]?.bottom ?? 0) + 14 + (i % 2) * 5;
          const weak = section.id === slowest && sections.length > 1;
          const stroke = weak ? "stroke-danger" : "stroke-soft";
          const room = to - from - 6;
          const words = say("sheet.comfortable", {
            name: section.name,
            comfortable: Math.round(section.estimate.comfortable.middle),
            weakIs: weak ? "yes" : "no",
          });
          return (
            <g key={`${section.id}.${line}`}>
              <path d={`M${from} ${bottom}v6H${to}v-6`} fill="none" className={stroke} strokeWidth={weak ? 2 : 1.2} />
              {first && room > 40 && (
                <text
                  x={from + 4}
                  y={(layout.lines[line]?.bottom ?? 0) + 37}
                  className={weak ? "fill-danger font-semibold" : "fill-soft"}
                >
                  {room > words.length * 6.6 ? words : section.name.length * 6.8 < room ? section.name : ""}
                </text>
              )}
            </g>
          );
        }),
      )}
    </g>
  );
}

/** A section on each line of music it covers. */
function stretches(layout: Layout, section: Schemas["SectionDto"]) {
  const lines = new Map<number, { from: number; to: number }>();
  for (let note = section.firstNote; note <= section.lastNote; note++) {
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
