import { say } from "../../words/say";
/** How a workout ended, as it is said; nothing where it was played to its end. */
export const OUTCOME = {
  PLAYED: "",
  STOPPED: say("log.stoppedEarly"),
  SYMPTOM: say("log.stoppedForASymptom"),
  LEFT: say("log.leftOpen"),
  OUTDATED: say("log.closedByAnUpdate"),
} as const;
