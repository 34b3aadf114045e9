/** Everything that can be done while playing, with its key and the words on its button. */
export const ACTIONS = {
  start: { code: "Space", key: "Space", label: "start or stop" },
  clean: { code: "KeyJ", key: "J", label: "clean" },
  rough: { code: "KeyK", key: "K", label: "rough" },
  broke: { code: "KeyL", key: "L", label: "broke" },
  "tension-0": { code: "Digit0", key: "0", label: "loose" },
  "tension-1": { code: "Digit1", key: "1", label: "light" },
  "tension-2": { code: "Digit2", key: "2", label: "alert" },
  "tension-3": { code: "Digit3", key: "3", label: "edge" },
  "tension-4": { code: "Digit4", key: "4", label: "gripping" },
  "tension-5": { code: "Digit5", key: "5", label: "locked" },
  rest: { code: "KeyR", key: "R", label: "rest now" },
  "back-off": { code: "KeyB", key: "B", label: "back off" },
  symptom: { code: "KeyX", key: "X", label: "symptom, stop" },
  "keep-going": { code: "KeyG", key: "G", label: "keep going" },
  pause: { code: "Escape", key: "Esc", label: "pause" },
  keys: { code: "Slash", key: "?", label: "keys" },
} as const;

export type Action = keyof typeof ACTIONS;

/** The action of a key, by the letter it types or, on other layouts, by its place. */
export function actionOf(event: { key: string; code: string }): Action | undefined {
  const typed = event.key.toLowerCase();
  const entries = Object.entries(ACTIONS) as [Action, (typeof ACTIONS)[Action]][];
  const byLetter = entries.find(([, action]) => action.key.toLowerCase() === typed);
  const found = byLetter ?? entries.find(([, action]) => action.code === event.code.replace("Numpad", "Digit"));
  return found?.[0];
}
