import { memo, useEffect, useRef } from "react";
import type { Schemas } from "../../api/client";
import type { BeatPlace } from "../../click/clicks";
import { say } from "../../words/say";

interface Props {
  pass: NonNullable<Schemas["StepDto"]["pass"]>;
  playing: boolean;
  beat: () => BeatPlace;
}

/** A bar of beats and a mark that travels along it; nothing flashes. */
export const BeatTrack = memo(function BeatTrack({ pass, playing, beat }: Props) {
  const mark = useRef<SVGCircleElement>(null);
  const progress = useRef<SVGRectElement>(null);
  const count = useRef<SVGTextElement>(null);
  const bar = Math.max(1, pass.countIn);
  const burst = pass.kind === "BURST";
  const free = pass.pulse === "FREE";
  // Where a window of time is filled, how much of it is left says more than the beat.
  const timed = free || pass.ask === "COUNT";
  const playSeconds = pass.seconds - (pass.countIn * 60) / pass.tempo;

  useEffect(() => {
    const still = window.matchMedia("(prefers-reduced-motion: reduce)").matches;
    let frame = 0;
    const draw = () => {
      const place = beat();
      const now = playing ? place.beat : -bar;
      const inBar = ((now % bar) + bar) % bar;
      const at = still ? Math.floor(inBar) : inBar;
      mark.current?.setAttribute("cx", String(20 + (at / bar) * 960));
      mark.current?.setAttribute("data-counting", String(now < 0));
      mark.current?.setAttribute("fill-opacity", now < 0 ? "0.25" : "1");
      progress.current?.setAttribute("width", String((playing ? place.share : 0) * 960));
      const left = say("run.sLeft", { share: Math.ceil((1 - place.share) * playSeconds) });
      const counting = now < 0 ? String(Math.floor(inBar) + 1) : timed ? left : "";
      if (count.current) count.current.textContent = playing ? counting : "";
      if (playing) frame = requestAnimationFrame(draw);
    };
    draw();
    return () => cancelAnimationFrame(frame);
  }, [playing, beat, bar, timed, playSeconds]);

  const hue = burst ? "fill-night-burst stroke-night-burst" : "fill-night-spruce stroke-night-spruce";
  return (
    <svg
      viewBox="0 0 1000 96"
      className="w-full"
      role="img"
      aria-label={playing ? say("run.theBeatIsMoving") : say("run.barOfBeats", { bar })}
    >
      {burst && !free && (
        <rect
          x="20"
          y="22"
          width={(Math.min(pass.beats, bar) / bar) * 960}
          height="34"
          className="fill-night-burst"
          opacity="0.25"
        />
      )}
      <line x1="20" x2="980" y1="56" y2="56" className="stroke-night-soft" strokeWidth="2" />
      {Array.from({ length: free ? 0 : bar + 1 }, (_, i) => (
        <line
          key={i}
          x1={20 + (i / bar) * 960}
          x2={20 + (i / bar) * 960}
          y1={i % bar === 0 ? 22 : 36}
          y2="56"
          className="stroke-night-ink"
          strokeWidth={i % bar === 0 ? 6 : 3}
        />
      ))}
      <rect
        ref={progress}
        x="20"
        y="78"
        height="6"
        width="0"
        className={burst ? "fill-night-burst" : "fill-night-spruce"}
      />
      <line x1="20" x2="980" y1="81" y2="81" className="stroke-night-rule" strokeWidth="1" />
      <circle
        ref={mark}
        visibility={free ? "hidden" : undefined}
        cx="20"
        cy="56"
        r="19"
        className={hue}
        strokeWidth="4"
      />
      <text
        ref={count}
        x="500"
        y={free ? 48 : 18}
        textAnchor="middle"
        fontSize={free ? 44 : 24}
        className={timed ? "fill-night-ink" : "fill-night-soft"}
      />
    </svg>
  );
});
