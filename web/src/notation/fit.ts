/**
 * Sizes the engraved music in `box`: as large as `scale`, yet no wider than `room` and no taller than `maxHeight`.
 * The engraver itself scales by a transform, which leaves the page's layout with the unscaled size.
 */
export function fit(box: HTMLElement, scale: number, room: number, maxHeight = Infinity) {
  const svg = box.querySelector("svg");
  if (!svg) return;
  const width = Number(svg.getAttribute("width"));
  const height = Number(svg.getAttribute("height"));
  const factor = Math.min(scale, maxHeight / height, room / width);
  svg.style.transform = "";
  svg.setAttribute("viewBox", `0 0 ${width} ${height}`);
  svg.setAttribute("width", String(width * factor));
  svg.setAttribute("height", String(height * factor));
  box.style.height = `${height * factor}px`;
}
