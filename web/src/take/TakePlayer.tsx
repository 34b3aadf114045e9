import { Play, Square, Star } from "lucide-react";
import { type ReactNode, useEffect, useId, useRef, useState } from "react";
import { bpm, day, timeOfDay } from "../ui/format";
import { savePng, saveSvg } from "../ui/picture";
import { save } from "../ui/save";
import { say } from "../words/say";
import { best, forget, type KeptTake, ofPassage, star } from "./kept";
import { because, noted, ofHands } from "./reasons";
import { TakePicture } from "./TakePicture";
import { HALF, usePlayback } from "./usePlayback";

interface Props {
  kept: KeptTake;
  /** What it is called among others. */
  title: string;
  /** On the stage, where a rest is too short to take files along: these are had from the pages of the workout and the passage. */
  dark?: boolean;
  /** Told when it was given a star, lost it, or was let go. */
  onChange?: () => void;
}

/** Two takes of the same notes can be laid beside each other. */
const alike = (one: KeptTake, other: KeptTake) =>
  one.id !== other.id && one.asked.length === other.asked.length && one.section === other.section;

/** A take that is kept on this device: looked at note by note, heard, laid beside the best one, and taken along. */
export default function TakePlayer({ kept, title, dark = false, onChange }: Props) {
  const [half, setHalf] = useState(false);
  const [clicks, setClicks] = useState(false);
  const [at, setAt] = useState(0);
  const [besides, setBesides] = useState<KeptTake>();
  const [beside, setBeside] = useState(false);
  const [full, setFull] = useState(false);
  const frame = useRef<HTMLDivElement>(null);
  const { playing, note, play, stop } = usePlayback(kept);
  const { verdict } = kept.take.measured;
  useEffect(() => {
    let gone = false;
    void ofPassage(kept.account, kept.passageId).then(
      (all) => !gone && setBesides(best(all.filter((one) => alike(one, kept)))),
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [kept]);
  const drawing = () => frame.current?.querySelector("svg");
  const file = `${kept.passage} ${bpm(kept.metronome)}`.trim();
  const shown = note ?? at;
  return (
    <section aria-label={title} className="min-w-0">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <b>{title}</b>
        <span>
          {verdict === "CANNOT_TELL" ? say("heard.cannot") : say(`verdict.${verdict}`)}:{" "}
          {because(kept.take.measured, kept)}
        </span>
      </p>
      {ofHands(kept.take) && <p>{ofHands(kept.take)}</p>}
      <div ref={frame}>
        <TakePicture take={kept.take} notes={kept.asked.length} round={kept.round} at={shown} dark={dark} />
      </div>
      <Notes
        kept={kept}
        at={shown}
        onAt={(next) => {
          stop();
          setAt(next);
        }}
        onPlay={() => void play(at, half ? HALF : 1, clicks)}
      />
      <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
        <Small onClick={() => (playing ? stop() : void play(at, half ? HALF : 1, clicks))}>
          {playing ? <Square size={16} aria-hidden /> : <Play size={16} aria-hidden />}
          {playing ? say("take.stop") : at === 0 ? say("take.play") : say("take.playFrom", { note: at + 1 })}
        </Small>
        <Check label={say("take.half")} on={half} onChange={setHalf} />
        <Check label={say("take.withClick")} on={clicks} onChange={setClicks} />
        {besides && <Check label={say("take.beside")} on={beside} onChange={setBeside} />}
        <Small
          pressed={kept.starred}
          onClick={() =>
            void star(kept.id, !kept.starred).then((fits) => {
              setFull(!fits);
              onChange?.();
            })
          }
        >
          <Star size={16} aria-hidden fill={kept.starred ? "currentColor" : "none"} />
          {say("take.star")}
        </Small>
        {!dark && (
          <>
            <Small onClick={() => save(kept.sound, `${file}.wav`)}>{say("take.wav")}</Small>
            <Small
              label={say("common.asSvg", { title })}
              onClick={() => {
                const svg = drawing();
                if (svg) saveSvg(svg, file);
              }}
            >
              {say("common.svg")}
            </Small>
            <Small
              label={say("common.asPng", { title })}
              onClick={() => {
                const svg = drawing();
                if (svg) void savePng(svg, file);
              }}
            >
              {say("common.png")}
            </Small>
          </>
        )}
        {onChange && (
          <Small label={say("take.forgetThis", { title })} onClick={() => void forget(kept.id).then(onChange)}>
            {say("take.forget")}
          </Small>
        )}
      </div>
      {full && <p role="alert">{say("take.full")}</p>}
      {beside && besides && (
        <TakePlayer
          kept={besides}
          dark={dark}
          title={say("take.best", {
            metronome: bpm(besides.metronome),
            day: day(new Date(besides.at).toISOString().slice(0, 10)),
            time: timeOfDay(new Date(besides.at).toISOString()),
          })}
        />
      )}
    </section>
  );
}

/** Goes from note to note, and says how each came. */
function Notes({
  kept,
  at,
  onAt,
  onPlay,
}: {
  kept: KeptTake;
  at: number;
  onAt: (note: number) => void;
  onPlay: () => void;
}) {
  const id = useId();
  return (
    <div className="flex flex-wrap items-center gap-x-3">
      <label htmlFor={id} className="sr-only">
        {say("take.notes")}
      </label>
      <input
        id={id}
        type="range"
        className="h-6 min-w-40 flex-1 accent-spruce"
        min={1}
        max={kept.asked.length}
        value={at + 1}
        aria-valuetext={noted(kept.take, at, kept.round)}
        onChange={(event) => onAt(event.target.valueAsNumber - 1)}
        onKeyDown={(event) => {
          if (event.key !== "Enter") return;
          event.preventDefault();
          onPlay();
        }}
      />
      <span aria-hidden className="min-w-56">
        {noted(kept.take, at, kept.round)}
      </span>
    </div>
  );
}

function Small({
  children,
  onClick,
  pressed,
  label,
}: {
  children: ReactNode;
  onClick: () => void;
  pressed?: boolean;
  label?: string;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      aria-pressed={pressed}
      onClick={onClick}
      className="inline-flex min-h-8 min-w-6 touch:min-h-11 touch:min-w-11 items-center gap-1.5 font-semibold underline-offset-4 hover:underline"
    >
      {children}
    </button>
  );
}

function Check({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="inline-flex min-h-8 items-center gap-1.5 touch:min-h-11">
      <input
        type="checkbox"
        className="size-4 accent-spruce"
        checked={on}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}
