/** How a workout ended, as it is said; nothing where it was played to its end. */
export const OUTCOME = {
  PLAYED: "",
  STOPPED: "stopped early",
  SYMPTOM: "stopped for a symptom",
  LEFT: "left open",
  OUTDATED: "closed by an update",
} as const;
