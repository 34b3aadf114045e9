import { useEffect, useRef, useState } from "react";
import { Button } from "../ui/Button";
import { INPUT, Labelled } from "../ui/Field";
import { useTaps } from "../ui/useTaps";
import { schedule } from "./clicks";
import { type Click, type ClickWishes, latencyBy, SILENCES, SOUNDS, wish, wishes } from "./wishes";
import { say } from "../words/say";

const SOUND_NAMES = {
  block: say("click.struckBlock"),
  tick: say("click.dryTick"),
  bell: say("click.smallBell"),
} as const;
const SILENCE_NAMES = {
  "0": say("click.inEveryBar"),
  "1-1": say("click.oneBarWithOneWithout"),
  "2-2": say("click.twoBarsWithTwoWithout"),
  "3-1": say("click.threeBarsWithOneWithout"),
} as const;

const TAPPED_CLICKS = 12;
const TAPPED_TEMPO = 100;
const LEAD_SECONDS = 0.3;

/** How the click of an instrument sounds and is seen, kept in this browser. */
export function ClickPanel({ instrument }: { instrument: string }) {
  const [now, setNow] = useState(() => wishes(instrument));
  const [said, setSaid] = useState("");
  const put = (part: Partial<ClickWishes>) => {
    const next = { ...now, ...part };
    setNow(next);
    wish(instrument, next);
  };
  const audio = useRef<AudioContext>(undefined);
  const silence = useRef<() => void>(undefined);
  const over = useRef<ReturnType<typeof setTimeout>>(undefined);
  const [tapping, setTapping] = useState(false);
  const taps = useTaps(3);
  useEffect(
    () => () => {
      silence.current?.();
      clearTimeout(over.current);
      void audio.current?.close();
    },
    [],
  );

  /** Plays some clicks, and says when each was sent, by the page's clock in seconds. */
  const play = (count: number, tempo: number) => {
    silence.current?.();
    audio.current ??= new AudioContext({ latencyHint: "interactive" });
    void audio.current.resume();
    const clicks = Array.from({ length: count }, (_, i): Click => ({
      seconds: (i * 60) / tempo,
      kind: i % 4 === 0 && now.accents ? "ACCENT" : "BEAT",
    }));
    const from = audio.current.currentTime + LEAD_SECONDS;
    silence.current = schedule(audio.current, clicks, from, 1, { ...now, seen: false });
    const began = performance.now() / 1000 + LEAD_SECONDS;
    return clicks.map((click) => began + click.seconds);
  };
  const find = () => {
    taps.take();
    const clicks = play(TAPPED_CLICKS, TAPPED_TEMPO);
    setTapping(true);
    setSaid(say("click.tapWithTheClickThe"));
    const lasts = LEAD_SECONDS + (TAPPED_CLICKS * 60) / TAPPED_TEMPO;
    over.current = setTimeout(() => {
      const found = latencyBy(taps.take(), clicks);
      setTapping(false);
      if (found === undefined) return setSaid(say("click.tooFewTapsOrThey"));
      put({ latency: found });
      setSaid(say("click.theClickIsHeardMs", { found: Math.round(found * 1000) }));
    }, lasts * 1000);
  };
  return (
    <section aria-label={say("click.theClick")} className="grid max-w-xl content-start gap-3">
      <div className="grid gap-3 sm:grid-cols-2">
        <Labelled label={say("click.sound")}>
          {({ id }) => (
            <select
              id={id}
              className={INPUT}
              value={now.sound}
              onChange={(event) => put({ sound: event.target.value as ClickWishes["sound"] })}
            >
              {SOUNDS.map((sound) => (
                <option key={sound} value={sound}>
                  {SOUND_NAMES[sound]}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        <Labelled label={say("click.level")}>
          {({ id }) => (
            <input
              id={id}
              type="range"
              min="0"
              max="100"
              value={Math.round(now.level * 100)}
              aria-valuetext={`${Math.round(now.level * 100)}%`}
              className="h-11 w-full accent-spruce"
              onChange={(event) => put({ level: Number(event.target.value) / 100 })}
            />
          )}
        </Labelled>
        <Labelled label={say("click.countIn")}>
          {({ id }) => (
            <select
              id={id}
              className={INPUT}
              value={now.bars}
              onChange={(event) => put({ bars: event.target.value === "2" ? 2 : 1 })}
            >
              <option value="1">{say("click.oneBar")}</option>
              <option value="2">{say("click.twoBars")}</option>
            </select>
          )}
        </Labelled>
        <Labelled label={say("click.itClicks")}>
          {({ id }) => (
            <select
              id={id}
              className={INPUT}
              value={now.silence}
              onChange={(event) => put({ silence: event.target.value as ClickWishes["silence"] })}
            >
              {SILENCES.map((silent) => (
                <option key={silent} value={silent}>
                  {SILENCE_NAMES[silent]}
                </option>
              ))}
            </select>
          )}
        </Labelled>
      </div>
      <div className="flex flex-wrap gap-x-6">
        <Tick label={say("click.accents")} checked={now.accents} onChange={(accents) => put({ accents })} />
        <Tick
          label={say("click.subdivisions")}
          checked={now.subdivisions}
          onChange={(subdivisions) => put({ subdivisions })}
        />
        <Tick label={say("click.aSoundWhenABreak")} checked={now.rests} onChange={(rests) => put({ rests })} />
        <Tick label={say("click.seenOnlyNothingSounds")} checked={now.seen} onChange={(seen) => put({ seen })} />
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <Button onClick={() => void play(4, TAPPED_TEMPO)}>{say("click.hearIt")}</Button>
        {tapping ? (
          <Button kind="main" {...taps.button}>
            {say("click.tapHere", { count: taps.count })}
          </Button>
        ) : (
          <Button onClick={find}>{say("click.findItsLatencyByTapping")}</Button>
        )}
        <span className="text-soft">
          {say("click.ms", { latency: Math.round(now.latency * 1000) })}
          {now.latency > 0 && !tapping && (
            <button className="ml-3 underline underline-offset-4" onClick={() => put({ latency: 0 })}>
              {say("common.none")}
            </button>
          )}
        </span>
      </div>
      <p role="status" className="min-h-6 text-soft">
        {said}
      </p>
    </section>
  );
}

function Tick({ label, checked, onChange }: { label: string; checked: boolean; onChange: (now: boolean) => void }) {
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-spruce"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}
