import { Minus, Plus } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button, KeyHint } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { bpm } from "../../ui/format";
import { useKeys } from "../../ui/useKeys";
import { actionOf } from "../run/keys";
import { type CountState, useCounting } from "./useCounting";
import { say } from "../../words/say";

interface Props {
  change: Schemas["ChangeDto"];
  instrument: string;
  speed: number;
  onCounted: (seconds: number, clean: number) => void;
  onClose: () => void;
}

/** One change, for a minute: a key, a pedal or the whole screen for each clean one. */
export function Counting({ change, instrument, speed, onCounted, onClose }: Props) {
  const [seconds, setSeconds] = useState(60);
  const counting = useCounting(seconds, speed, instrument);
  const { state, clean } = counting;
  const wanted = Math.round((change.needed * seconds) / 60);
  const keep = () => {
    onCounted(seconds, clean);
    counting.again();
  };
  useKeys((event) => {
    if (event.repeat) return;
    const action = actionOf(event);
    const yes = action === "start" || action === "clean" || action === "pedal-1";
    const no = action === "rough" || action === "pedal-2" || event.key === "Backspace";
    if (!yes && !no) return;
    // A button that has the focus must not be pressed by the same key.
    event.preventDefault();
    if (no && state.at !== "ready") counting.oneLess();
    else if (yes && state.at === "ready") counting.start();
    else if (yes && state.at === "counting") counting.one();
    else if (yes && state.at === "over") keep();
  });
  return (
    <div className="grid gap-5 text-center" data-testid="counting" data-at={state.at}>
      <p className="text-lg">
        {change.name}
        <span className="text-soft">
          {" "}
          {say("count.cleanInSKeepUp", { wanted, seconds, target: bpm(change.target) })}
        </span>
      </p>
      {state.at === "ready" && (
        <Choice
          label={say("count.for")}
          value={String(seconds)}
          onChange={(value) => setSeconds(Number(value))}
          options={[
            { value: "60", label: say("count.aMinute") },
            { value: "30", label: say("count.halfAMinute") },
          ]}
        />
      )}
      <button
        type="button"
        className="rounded-md border border-rule-strong py-4 disabled:opacity-100"
        disabled={state.at !== "counting"}
        onClick={counting.one}
        aria-label={say("count.oneClean")}
      >
        <span className="block text-[7rem] leading-none font-bold tabular-nums" data-testid="counted">
          {state.at === "lead" ? state.left : clean}
        </span>
        <span className="text-soft">
          {state.at === "ready" && say("count.onlyCleanOnesCountStop")}
          {state.at === "lead" && say("count.getReady")}
          {state.at === "counting" && say("count.sLeft", { left: Math.ceil(state.left) })}
          {state.at === "over" && say("count.cleanOnesPutRightWhat")}
        </span>
      </button>
      <svg viewBox="0 0 100 2" preserveAspectRatio="none" className="block h-2 w-full" aria-hidden="true">
        <rect width="100" height="2" className="fill-rule" />
        <rect width={100 * share(state, seconds)} height="2" className="fill-spruce" />
      </svg>
      <div className="flex flex-wrap justify-center gap-2">
        {state.at === "ready" && (
          <>
            <Button kind="main" onClick={counting.start}>
              {say("count.start")} <KeyHint>{say("common.space")}</KeyHint>
            </Button>
            <Button onClick={onClose}>{say("common.close")}</Button>
          </>
        )}
        {(state.at === "counting" || state.at === "over") && (
          <Button onClick={counting.oneLess} aria-label={say("count.oneLess")}>
            <Minus size={16} aria-hidden="true" /> <KeyHint>K</KeyHint>
          </Button>
        )}
        {state.at === "over" && (
          <>
            <Button onClick={counting.one} aria-label={say("count.oneMore")}>
              <Plus size={16} aria-hidden="true" />
            </Button>
            <Button kind="main" onClick={keep}>
              {say("count.keep", { clean })} <KeyHint>{say("common.space")}</KeyHint>
            </Button>
            <Button onClick={counting.stop}>{say("count.discard")}</Button>
          </>
        )}
        {(state.at === "lead" || state.at === "counting") && (
          <Button onClick={counting.stop}>{say("count.stopKeepNothing")}</Button>
        )}
      </div>
    </div>
  );
}

const share = (state: CountState, seconds: number) =>
  state.at === "counting" ? 1 - state.left / seconds : state.at === "over" ? 1 : 0;
