/** Space around the music in which nothing of it is cut off, in pixels. */
const MARGIN = 4;

/** What the engraver is told for every piece of music, to fill `width`. */
export function looks(scale: number, width: number) {
  return {
    scale,
    staffwidth: Math.max(180, width - 4 * MARGIN),
    paddingleft: MARGIN,
    paddingright: MARGIN,
    add_classes: true,
    foregroundColor: "currentColor",
    wrap: { minSpacing: 1.5, maxSpacing: 2.6, preferredMeasuresPerLine: 4 },
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
 */
export function fit(
  box: HTMLElement,
  scale: number,
  { width, maxHeight = Infinity, above = MARGIN, below = MARGIN }: Space,
) {
  const svg = box.querySelector("svg");
  if (!svg) return;
  const music = svg.getBBox();
  const right = music.x + music.width;
  const factor = Math.min(scale, (width - MARGIN) / right, (maxHeight - above - below) / music.height);
  const height = music.height * factor + above + below;
  svg.style.transform = "";
  svg.setAttribute("viewBox", `0 ${music.y - above / factor} ${right + MARGIN / factor} ${height / factor}`);
  svg.setAttribute("width", String(right * factor + MARGIN));
  svg.setAttribute("height", String(height));
  box.style.height = `${height}px`;
}
