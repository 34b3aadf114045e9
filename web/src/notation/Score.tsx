import { type ReactNode, useEffect, useRef, useState } from "react";
import { useWidth } from "../ui/useWidth";
import { fit, looks } from "./engraver";
import { say } from "../words/say";

/** Where a note stands on the page, in pixels of its frame. */
export interface Spot {
  x: number;
  /** The middle of its lowest head. */
  y: number;
  stemUp: boolean;
  /** Which line of music it is on, from 0. */
  line: number;
}

export interface Layout {
  spots: (Spot | undefined)[];
  /** The top and bottom of each line of music. */
  lines: { top: number; bottom: number }[];
  width: number;
  height: number;
}

interface Props {
  abc: string;
  /** For each note where its letter stands in the text. */
  places: number[];
  label: string;
  scale?: number;
  /** Room under each line of music for what is drawn there. */
  room?: number;
  /** Notes that sound now. */
  lit?: ReadonlySet<number>;
  children?: (layout: Layout) => ReactNode;
}

/** Arcs from note to note rise this far over a line of music. */
const ABOVE = 14;

interface Drawn {
  abselem?: { elemset?: SVGElement[] };
}

/** Engraved music that knows where each of its notes stands, so that more can be drawn over it. */
export function Score({ abc, places, label, scale = 1.1, room = 46, lit, children }: Props) {
  const [frame, width] = useWidth<HTMLDivElement>(0);
  const staff = useRef<HTMLDivElement>(null);
  const elements = useRef<(SVGElement | undefined)[]>([]);
  const [layout, setLayout] = useState<Layout>();
  const [failed, setFailed] = useState(false);

  useEffect(() => {
    if (!staff.current || width === 0) return;
    let current = true;
    import("abcjs")
      .then(({ default: abcjs }) => {
        const box = staff.current;
        if (!current || !box) return;
        // Space between the lines of music, for what is drawn there, is asked for in the text itself.
        const space = `%%staffsep ${Math.round(room * 0.75 + 34)}\n`;
        const [tune] = abcjs.renderAbc(box, space + abc, looks(scale, width));
        fit(box, scale, { width, above: ABOVE, below: room });
        elements.current = places.map(
          (place) => (tune?.getElementFromChar(place + space.length) as Drawn | null)?.abselem?.elemset?.[0],
        );
        setLayout(measure(box, elements.current));
        setFailed(false);
      })
      .catch(() => current && setFailed(true));
    return () => {
      current = false;
    };
  }, [abc, places, width, scale, room]);

  useEffect(() => {
    elements.current.forEach((element, note) => element?.classList.toggle("lit", lit?.has(note) ?? false));
  }, [lit, layout]);

  return (
    <div ref={frame} className="relative w-full overflow-x-clip">
      <div ref={staff} role="img" aria-label={label} />
      {failed && <p className="text-sm">{say("notation.theNotesCouldNotBe")}</p>}
      {layout && children?.(layout)}
    </div>
  );
}

function measure(box: HTMLElement, elements: (SVGElement | undefined)[]): Layout {
  const origin = box.getBoundingClientRect();
  const tops = new Map<number, { top: number; bottom: number }>();
  const raw = elements.map((element) => {
    if (!element) return undefined;
    const heads = element.querySelectorAll(".abcjs-notehead");
    const head = (heads[heads.length - 1] ?? element).getBoundingClientRect();
    const all = element.getBoundingClientRect();
    const line = Number(/abcjs-l(\d+)/.exec(element.getAttribute("class") ?? "")?.[1] ?? 0);
    const known = tops.get(line) ?? { top: Infinity, bottom: -Infinity };
    tops.set(line, {
      top: Math.min(known.top, all.top - origin.top),
      bottom: Math.max(known.bottom, all.bottom - origin.top),
    });
    return {
      x: head.left + head.width / 2 - origin.left,
      y: head.top + head.height / 2 - origin.top,
      stemUp: head.top - all.top > all.bottom - head.bottom,
      line,
    };
  });
  const staves = box.querySelectorAll(".abcjs-staff");
  staves.forEach((stave) => {
    const line = Number(/abcjs-l(\d+)/.exec(stave.getAttribute("class") ?? "")?.[1] ?? 0);
    const rect = stave.getBoundingClientRect();
    const known = tops.get(line) ?? { top: Infinity, bottom: -Infinity };
    tops.set(line, {
      top: Math.min(known.top, rect.top - origin.top),
      bottom: Math.max(known.bottom, rect.bottom - origin.top),
    });
  });
  const lines = [...tops.entries()].sort(([a], [b]) => a - b).map(([, extent]) => extent);
  return { spots: raw, lines, width: origin.width, height: origin.height };
}
