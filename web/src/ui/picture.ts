import { save } from "./save";

/** What a drawing needs to look the same outside its page, where no style sheet reaches it. */
const STYLES = [
  "fill",
  "fill-opacity",
  "stroke",
  "stroke-width",
  "stroke-dasharray",
  "stroke-linecap",
  "opacity",
  "font-family",
  "font-size",
  "font-weight",
  "text-anchor",
];

/** Pixels of a picture for each of the page, so that it can be printed. */
const SHARPNESS = 3;

/** A drawing as a file of its own, on the ground of the page. */
export function svgOf(drawing: SVGSVGElement): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const originals = [drawing, ...drawing.querySelectorAll("*")];
  [copy, ...copy.querySelectorAll("*")].forEach((element, i) => {
    const looks = getComputedStyle(originals[i]!);
    for (const style of STYLES) {
      const value = looks.getPropertyValue(style);
      if (value) element.setAttribute(style, value);
    }
    element.removeAttribute("class");
  });
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  const ground = document.createElementNS("http://www.w3.org/2000/svg", "rect");
  ground.setAttribute("width", "100%");
  ground.setAttribute("height", "100%");
  ground.setAttribute("fill", getComputedStyle(document.documentElement).backgroundColor);
  copy.prepend(ground);
  return new XMLSerializer().serializeToString(copy);
}

/** Hands a drawing over as an SVG file. */
export function saveSvg(drawing: SVGSVGElement, name: string) {
  save(new Blob([svgOf(drawing)], { type: "image/svg+xml" }), `${name}.svg`);
}

/** Hands a drawing over as a PNG file. */
export async function savePng(drawing: SVGSVGElement, name: string) {
  const picture = new Image();
  picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svgOf(drawing))}`;
  await picture.decode();
  const canvas = document.createElement("canvas");
  canvas.width = drawing.clientWidth * SHARPNESS;
  canvas.height = drawing.clientHeight * SHARPNESS;
  canvas.getContext("2d")!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  const png = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/png"));
  if (png) save(png, `${name}.png`);
}
