import { useEffect, useRef, useState } from "react";
import { useWidth } from "../ui/useWidth";
import { largest } from "./engraver";
import { say } from "../words/say";

interface Props {
  abc: string;
  /** What it shows, for those who do not see it. */
  label: string;
  /** How large the notes are; 1 is as in a printed part. */
  scale?: number;
  /** Taller music is shrunk to this many pixels. */
  maxHeight?: number;
}

/** Music engraved from ABC. The engraver is loaded when the first music is shown. */
export function Engraving({ abc, label, scale = 1.1, maxHeight }: Props) {
  const [frame, width] = useWidth<HTMLDivElement>(0);
  const staff = useRef<HTMLDivElement>(null);
  const [failed, setFailed] = useState(false);

  useEffect(() => {
    if (!staff.current || width === 0) return;
    let current = true;
    import("abcjs")
      .then(({ default: abcjs }) => {
        if (!current || !staff.current) return;
        const box = staff.current;
        largest((options) => abcjs.renderAbc(box, abc, options), box, scale, { width, maxHeight });
        setFailed(false);
      })
      .catch(() => current && setFailed(true));
    return () => {
      current = false;
    };
  }, [abc, width, scale, maxHeight]);

  return (
    <div ref={frame} role="img" aria-label={label} className="w-full overflow-hidden">
      <div ref={staff} aria-hidden="true" />
      {failed && <p className="text-sm">{say("notation.theNotesCouldNotBe")}</p>}
    </div>
  );
}
