/** Space around the music in which nothing of it is cut off, in pixels. */
const MARGIN = 4;

/** What the engraver is told for every section of music, to fill `width`. */
export function looks(scale: number, width: number, measuresPerLine = 4) {
  return {
    scale,
    staffwidth: Math.max(180, width - 4 * MARGIN),
    paddingleft: MARGIN,
    paddingright: MARGIN,
    add_classes: true,
    foregroundColor: "currentColor",
    wrap: { minSpacing: 1.5, maxSpacing: 2.6, preferredMeasuresPerLine: measuresPerLine },
  };
}

interface Space {
  /** The width there is, in pixels. */
  width: number;
  /** Taller music is shrunk to this many pixels. */
  maxHeight?: number | undefined;
  /** Pixels kept free over and under the music. */
  above?: number;
  below?: number;
}

/**
 * Sizes the music engraved in `box`: as large as `scale`, yet no larger than there is space for. The engraver itself
 * scales by a transform, of which the page's layout knows nothing, and its own size says little about the music's.
 *
 * @returns how large its notes are then
 */
export function fit(
  box: HTMLElement,
  scale: number,
  { width, maxHeight = Infinity, above = MARGIN, below = MARGIN }: Space,
) {
  const svg = box.querySelector("svg");
  if (!svg) return 0;
  const music = svg.getBBox();
  const right = music.x + music.width;
  const factor = Math.min(scale, (width - MARGIN) / right, (maxHeight - above - below) / music.height);
  const height = music.height * factor + above + below;
  svg.style.transform = "";
  svg.setAttribute("viewBox", `0 ${music.y - above / factor} ${right + MARGIN / factor} ${height / factor}`);
  svg.setAttribute("width", String(right * factor + MARGIN));
  svg.setAttribute("height", String(height));
  box.style.height = `${height}px`;
  return factor;
}

/** How much longer the lines of tall music are tried, and how many bars they hold then. */
const LONGER = [
  { times: 1, measures: 4 },
  { times: 1.5, measures: 6 },
  { times: 2.2, measures: 8 },
  { times: 3.2, measures: 12 },
];

/** Notes smaller than this share of what was wanted are worth another try with longer lines. */
const SMALL = 0.85;

/** Draws music so that its notes are as large as the space allows: tall music gets fewer, longer lines. */
export function largest(
  draw: (options: ReturnType<typeof looks>) => void,
  box: HTMLElement,
  scale: number,
  space: Space,
) {
  let best = { factor: 0, at: 0 };
  for (let at = 0; at < LONGER.length; at++) {
    const { times, measures } = LONGER[at]!;
    draw(looks(scale, space.width * times, measures));
    const factor = fit(box, scale, space);
    if (factor > best.factor) best = { factor, at };
    if (factor >= SMALL * scale || factor < best.factor) break;
  }
  const { times, measures } = LONGER[best.at]!;
  draw(looks(scale, space.width * times, measures));
  return fit(box, scale, space);
}

/** Lines of music of which two are shown at a time. */
const SHOWN_LINES = 2;

/** Draws music so that two lines of it are as high as the space: what is below is not seen yet. */
export function windowed(
  draw: (options: ReturnType<typeof looks>) => void,
  box: HTMLElement,
  scale: number,
  { width, maxHeight }: { width: number; maxHeight: number },
) {
  draw(looks(scale, width));
  const music = box.querySelector("svg")?.getBBox();
  const count = lines(box).length;
  if (!music || count === 0) return;
  const pitch = music.height / count;
  fit(box, Math.min(scale, (maxHeight - 2 * MARGIN) / (SHOWN_LINES * pitch)), { width });
}

/** A line of music as it was drawn: where it is in its frame, and the bar that it begins with, from 0. */
export interface MusicLine {
  top: number;
  firstBar: number;
}

const LINE = /abcjs-l(\d+)/;
const BAR = /abcjs-mm(\d+)/;

/** The lines of the music that is drawn in `box`. */
export function lines(box: HTMLElement): MusicLine[] {
  const origin = box.getBoundingClientRect();
  const found: MusicLine[] = [];
  box.querySelectorAll(".abcjs-note, .abcjs-rest, .abcjs-staff-extra, .abcjs-bar").forEach((element) => {
    const names = element.getAttribute("class") ?? "";
    const line = Number(LINE.exec(names)?.[1] ?? NaN);
    const bar = Number(BAR.exec(names)?.[1] ?? NaN);
    if (Number.isNaN(line)) return;
    const top = element.getBoundingClientRect().top - origin.top;
    const known = found[line] ?? { top: Infinity, firstBar: Infinity };
    found[line] = {
      top: Math.min(known.top, top),
      firstBar: Math.min(known.firstBar, Number.isNaN(bar) ? Infinity : bar),
    };
  });
  return found.filter(({ firstBar }) => Number.isFinite(firstBar));
}
