import { useEffect, useState } from "react";
import { Button, KeyCap } from "../../ui/Button";
import { ACTIONS, type Action, keyOf, learn, learned, takenBy } from "../run/keys";

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
        setSaid(
          `That key is for “${ACTIONS[other].label}” already. Press another, or give that one another key first.`,
        );
        return;
      }
      learn(asking, event);
      setLearned(learned());
      setSaid(`${keyOf(asking)} is for “${ACTIONS[asking].label}” now.`);
      setAsking(undefined);
    };
    window.addEventListener("keydown", press, true);
    return () => window.removeEventListener("keydown", press, true);
  }, [asking]);
  const own = learned();
  return (
    <section aria-label="Keys and pedals" className="max-w-xl">
      <h2 className="text-lg">Keys and pedals</h2>
      <p className="mb-3 text-soft">
        The three pedals play a whole workout: what each does follows the step. Kept in this browser.
      </p>
      <ul className="grid gap-x-8 sm:grid-cols-2">
        {(Object.keys(ACTIONS) as Action[]).map((action) => (
          <li key={action} className="flex min-h-11 items-center gap-2 border-t border-rule">
            <span className="flex-1">{ACTIONS[action].label}</span>
            {own[action] && (
              <button
                className="text-sm text-soft underline underline-offset-4"
                onClick={() => {
                  learn(action, undefined);
                  setLearned(learned());
                  setSaid(`${ACTIONS[action].key} is for “${ACTIONS[action].label}” again.`);
                }}
              >
                usual
              </button>
            )}
            <Button
              kind="quiet"
              aria-label={`Learn the key for ${ACTIONS[action].label}`}
              aria-pressed={asking === action}
              onClick={() => {
                setSaid("");
                setAsking(asking === action ? undefined : action);
              }}
            >
              {asking === action ? "press it …" : <KeyCap>{keyOf(action)}</KeyCap>}
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
