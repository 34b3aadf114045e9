import { useEffect, useState } from "react";
import { Button, KeyCap } from "../../ui/Button";
import { ACTIONS, type Action, keyOf, learn, learned, takenBy } from "../run/keys";
import { say } from "../../words/say";

/** The keys of a run, each to be learned anew: press the key or the pedal that is to do it. */
export function Keys() {
  const [asking, setAsking] = useState<Action>();
  const [said, setSaid] = useState("");
  const [, setLearned] = useState(learned);
  useEffect(() => {
    if (!asking) return;
    const press = (event: KeyboardEvent) => {
      if (["Shift", "Control", "Alt", "Meta", "Tab"].includes(event.key)) return;
      event.preventDefault();
      event.stopPropagation();
      const other = takenBy(event, asking);
      if (other) {
        setSaid(say("settings.thatKeyIsForAlready", { label: ACTIONS[other].label }));
        return;
      }
      learn(asking, event);
      setLearned(learned());
      setSaid(say("settings.isForNow", { keyOf: keyOf(asking), label: ACTIONS[asking].label }));
      setAsking(undefined);
    };
    window.addEventListener("keydown", press, true);
    return () => window.removeEventListener("keydown", press, true);
  }, [asking]);
  const own = learned();
  return (
    <section aria-label={say("settings.keysAndPedals")} className="max-w-xl">
      <h2 className="text-lg">{say("settings.keysAndPedals")}</h2>
      <p className="mb-3 text-soft">{say("settings.theThreePedalsPlayA")}</p>
      <ul className="grid gap-x-8 sm:grid-cols-2">
        {(Object.keys(ACTIONS) as Action[]).map((action) => (
          <li key={action} className="flex min-h-11 items-center gap-2 border-t border-rule">
            <span className="flex-1">{ACTIONS[action].label}</span>
            {own[action] && (
              <button
                className="touch:min-h-11 text-sm text-soft underline underline-offset-4"
                onClick={() => {
                  learn(action, undefined);
                  setLearned(learned());
                  setSaid(say("settings.isForAgain", { key: ACTIONS[action].key, label: ACTIONS[action].label }));
                }}
              >
                {say("settings.usual")}
              </button>
            )}
            <Button
              kind="quiet"
              aria-label={say("settings.learnTheKeyFor", { label: ACTIONS[action].label })}
              aria-pressed={asking === action}
              onClick={() => {
                setSaid("");
                setAsking(asking === action ? undefined : action);
              }}
            >
              {asking === action ? say("settings.pressIt") : <KeyCap>{keyOf(action)}</KeyCap>}
            </Button>
          </li>
        ))}
      </ul>
      <p role="status" className="mt-2 min-h-6 text-soft">
        {said}
      </p>
    </section>
  );
}
