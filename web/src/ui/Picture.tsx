import { type ReactNode, useRef } from "react";
import { savePng, saveSvg } from "./picture";
import { DataTable, type Rows } from "./DataTable";
import { say } from "../words/say";

interface Props {
  title: string;
  /** What its files are called. */
  file: string;
  /** What the picture shows, in figures. */
  rows: Rows;
  children: ReactNode;
}

/** A drawing with a heading, to be read as a table and taken along as a file. */
export function Picture({ title, file, rows, children }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const drawing = () => frame.current?.querySelector("svg");
  const take = (way: (drawing: SVGSVGElement, name: string) => unknown) => () => {
    const svg = drawing();
    if (svg) void way(svg, file);
  };
  return (
    <section className="min-w-0">
      <div className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h2 className="mr-auto">{title}</h2>
        <Take label={say("common.asSvg", { title })} onClick={take(saveSvg)}>
          {say("common.svg")}
        </Take>
        <Take label={say("common.asPng", { title })} onClick={take(savePng)}>
          {say("common.png")}
        </Take>
      </div>
      <div ref={frame}>{children}</div>
      <details className="mt-1">
        <summary className="inline-block min-h-6 touch:py-3 text-sm text-soft underline-offset-4 hover:underline">
          {say("common.theSameInFigures")}
        </summary>
        <DataTable caption={title} rows={rows} />
      </details>
    </section>
  );
}

function Take({ label, onClick, children }: { label: string; onClick: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      onClick={onClick}
      className="min-h-6 min-w-6 touch:min-h-11 touch:min-w-11 text-sm text-soft underline-offset-4 hover:text-ink hover:underline"
    >
      {children}
    </button>
  );
}
