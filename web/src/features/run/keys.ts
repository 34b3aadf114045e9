import { keep } from "../../keep";
import { say } from "../../words/say";

/** Everything that can be done while playing, with its key and the words on its button. */
export const ACTIONS = {
  start: { code: "Space", key: say("common.space"), label: say("run.startOrStop") },
  clean: { code: "KeyJ", key: "J", label: say("verdict.CLEAN") },
  rough: { code: "KeyK", key: "K", label: say("verdict.ROUGH") },
  broke: { code: "KeyL", key: "L", label: say("verdict.BROKE") },
  "tension-0": { code: "Digit0", key: "0", label: say("run.loose") },
  "tension-1": { code: "Digit1", key: "1", label: say("run.light") },
  "tension-2": { code: "Digit2", key: "2", label: say("run.alert") },
  "tension-3": { code: "Digit3", key: "3", label: say("run.edgeTension") },
  "tension-4": { code: "Digit4", key: "4", label: say("run.gripping") },
  "tension-5": { code: "Digit5", key: "5", label: say("run.locked") },
  "as-heard": { code: "Enter", key: say("common.enter"), label: say("run.asHeard") },
  microphone: { code: "KeyH", key: "H", label: say("run.microphone") },
  rest: { code: "KeyR", key: "R", label: say("run.restNow") },
  "back-off": { code: "KeyB", key: "B", label: say("run.backOff") },
  symptom: { code: "KeyX", key: "X", label: say("run.symptomStop") },
  "keep-going": { code: "KeyG", key: "G", label: say("run.keepGoing") },
  where: { code: "KeyW", key: "W", label: say("run.inARestWhereIt") },
  marks: { code: "KeyM", key: "M", label: say("run.marks") },
  pause: { code: "Escape", key: say("common.escape"), label: say("run.pause") },
  keys: { code: "Slash", key: "?", label: say("run.keysLabel") },
  // With these three alone a whole run is played: what they do depends on where the step stands.
  "pedal-1": { code: "PageDown", key: "PageDown", label: say("run.firstPedalStartClean") },
  "pedal-2": { code: "PageUp", key: "PageUp", label: say("run.secondPedalRoughRestIn") },
  "pedal-3": { code: "ArrowDown", key: "ArrowDown", label: say("run.thirdPedalBrokeStopBack") },
} as const;

export type Action = keyof typeof ACTIONS;

interface Pressed {
  key: string;
  code: string;
}

const LEARNED = "tachylim.keys";
const actions = Object.keys(ACTIONS) as Action[];

/** The keys that were learned anew, by their actions. */
export function learned(): Partial<Record<Action, Pressed>> {
  try {
    const kept: unknown = JSON.parse(keep.getItem(LEARNED) ?? "{}");
    return typeof kept === "object" && kept !== null ? kept : {};
  } catch {
    return {};
  }
}

const shownAs = ({ key, code }: Pressed) =>
  key === " " ? "Space" : key.length === 1 ? key.toUpperCase() : key || code;

/** What is written on the key of an action. */
export function keyOf(action: Action): string {
  const own = learned()[action];
  return own ? shownAs(own) : ACTIONS[action].key;
}

/** Whatever a key does already but for `action`; nothing where it is free. */
export function takenBy(pressed: Pressed, action: Action): Action | undefined {
  const found = actionOf(pressed);
  return found === action ? undefined : found;
}

/** Learns the key of an action, and forgets it when there is none: then it is the usual one again. */
export function learn(action: Action, pressed: Pressed | undefined) {
  const all = learned();
  if (pressed) all[action] = { key: pressed.key, code: pressed.code };
  else delete all[action];
  if (Object.keys(all).length === 0) keep.removeItem(LEARNED);
  else keep.setItem(LEARNED, JSON.stringify(all));
}

/** The action of a key: one that was learned, or else by the letter it types or, on other layouts, by its place. */
export function actionOf(event: Pressed): Action | undefined {
  const own = learned();
  const mine = actions.find((action) => own[action]?.code === event.code && own[action]?.key === event.key);
  if (mine) return mine;
  const usual = actions.filter((action) => !own[action]);
  const typed = event.key.toLowerCase();
  return (
    usual.find((action) => ACTIONS[action].key.toLowerCase() === typed) ??
    usual.find((action) => ACTIONS[action].code === event.code.replace("Numpad", "Digit"))
  );
}

/** What a pedal does where the step stands; in a rest the tension felt goes up by one, and a pause leads to the rest. */
export function pedalled(
  action: Action,
  state: "ready" | "playing" | "judge" | "rest" | "pause" | "symptom",
): Action | "tenser" | "close" | "end" | undefined {
  if (!action.startsWith("pedal-")) return action;
  const meaning = {
    "pedal-1": { ready: "start", playing: "clean", judge: "clean", rest: undefined, pause: "close", symptom: "close" },
    "pedal-2": {
      ready: "rest",
      playing: "rough",
      judge: "rough",
      rest: "tenser",
      pause: "symptom",
      symptom: undefined,
    },
    "pedal-3": {
      ready: "back-off",
      playing: "start",
      judge: "broke",
      rest: "pause",
      pause: "end",
      symptom: "end",
    },
  } as const;
  return meaning[action as keyof typeof meaning][state];
}
