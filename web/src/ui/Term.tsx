import { type ReactNode, useId } from "react";
import { say } from "../words/say";

/** The words that Tachylim gives a meaning of its own. */
export type TermName = "comfortable" | "ceiling" | "breakdown" | "recovery" | "effort";

/** Such a word, with what it means one tap away: in the platform's own popover, which closes on Escape and beside it. */
export function Term({ of, children }: { of: TermName; children: ReactNode }) {
  const id = useId();
  return (
    <>
      <button
        type="button"
        popoverTarget={id}
        className="cursor-help touch:min-h-11 touch:min-w-11 text-left underline decoration-dotted decoration-1 underline-offset-4"
      >
        {children}
      </button>
      <span
        id={id}
        popover="auto"
        role="note"
        className="m-auto max-w-[min(30rem,calc(100vw-2rem))] rounded-md border border-rule-strong bg-ground p-5 text-left text-base font-normal text-ink"
      >
        {say(`term.${of}`)}
      </span>
    </>
  );
}
