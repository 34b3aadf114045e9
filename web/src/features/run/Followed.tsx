import { memo, useEffect, useRef, useState } from "react";
import type { BeatPlace } from "../../click/clicks";
import { largest, lines, type MusicLine, windowed } from "../../notation/engraver";
import { useWidth } from "../../ui/useWidth";
import type { Pass } from "./asks";
import { barAt } from "./bars";
import { say } from "../../words/say";

interface Props {
  pass: Pass;
  abc: string;
  playing: boolean;
  beat: () => BeatPlace;
  scale: number;
  maxHeight: number;
}

/** Notes smaller than this share of what is wanted are too small to be read from two metres. */
const READABLE = 0.62;

/**
 * The notes of a pass, as large as their space allows. What would be too small to read shows two lines of music at a time
 * and goes on to the next when it is played, gliding; nothing else moves while somebody reads.
 */
export const Followed = memo(function Followed({ pass, abc, playing, beat, scale, maxHeight }: Props) {
  const [frame, width] = useWidth<HTMLDivElement>(0);
  const staff = useRef<HTMLDivElement>(null);
  const [failed, setFailed] = useState(false);
  const [followed, setFollowed] = useState<MusicLine[]>([]);

  useEffect(() => {
    if (!staff.current || width === 0) return;
    let current = true;
    import("abcjs")
      .then(({ default: abcjs }) => {
        const box = staff.current;
        if (!current || !box) return;
        const draw = (options: object) => abcjs.renderAbc(box, abc, options);
        box.style.transform = "";
        const factor = largest(draw, box, scale, { width, maxHeight });
        const small = factor < READABLE * scale && pass.bars.length > 1;
        if (small) windowed(draw, box, scale, { width, maxHeight });
        setFollowed(small ? lines(box) : []);
        setFailed(false);
      })
      .catch(() => current && setFailed(true));
    return () => {
      current = false;
    };
  }, [abc, width, scale, maxHeight, pass.bars.length]);

  const { bars, roundBeats } = pass;
  useEffect(() => {
    const box = staff.current;
    if (!box || followed.length === 0) return;
    let shown = -1;
    let frameId = 0;
    const follow = () => {
      const bar = playing ? barAt(beat().beat, bars, roundBeats) : 0;
      const line = followed.findLastIndex(({ firstBar }) => firstBar <= bar);
      if (line !== shown) {
        shown = line;
        box.style.transform = `translateY(${-Math.max(0, (followed[line]?.top ?? 0) - 4)}px)`;
      }
      if (playing) frameId = requestAnimationFrame(follow);
    };
    follow();
    return () => cancelAnimationFrame(frameId);
  }, [followed, playing, beat, bars, roundBeats]);

  const long = followed.length > 0;
  return (
    <div
      ref={frame}
      role="img"
      aria-label={pass.wholeSection ? say("run.theNotesOfTheSection") : say("run.theNotesOfThisPass")}
      className="w-full overflow-hidden"
      data-followed={long}
      style={long ? { height: maxHeight } : undefined}
    >
      <div
        ref={staff}
        aria-hidden="true"
        className={long ? "transition-transform duration-500 motion-reduce:transition-none" : ""}
      />
      {failed && <p className="text-sm">{say("run.theNotesCouldNotBe")}</p>}
    </div>
  );
});
