import { PATTERNS, type Pattern } from "./looks";

const SPRUCE = "var(--color-spruce)";
const PALE = "var(--color-spruce-pale)";

/** The patterns of passages, once for each picture that is filled with them. */
export function Patterns({ id }: { id: string }) {
  return (
    <defs>
      {PATTERNS.map((pattern) => (
        <pattern key={pattern} id={`${id}-${pattern}`} width="6" height="6" patternUnits="userSpaceOnUse">
          <rect width="6" height="6" fill={pattern === "solid" ? SPRUCE : PALE} />
          {pattern === "lines" && <rect width="6" height="3" fill={SPRUCE} />}
          {pattern === "slant" && <path d="M-1 7L7 -1M-1 1L1 -1M5 7L7 5" stroke={SPRUCE} strokeWidth="1.6" />}
          {pattern === "dots" && <circle cx="3" cy="3" r="1.5" fill={SPRUCE} />}
          {pattern === "grid" && <path d="M0 0H6M0 0V6" stroke={SPRUCE} strokeWidth="1.4" />}
        </pattern>
      ))}
    </defs>
  );
}

/** A small field of a passage's pattern, beside its name. */
export function Swatch({ id, pattern }: { id: string; pattern: Pattern }) {
  return (
    <svg width="18" height="18" aria-hidden="true" className="inline-block shrink-0 align-[-3px]">
      <Patterns id={id} />
      <rect width="18" height="18" fill={`url(#${id}-${pattern})`} stroke={SPRUCE} />
    </svg>
  );
}
