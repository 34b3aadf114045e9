import * as core from "tachylim-core";
import { answering } from "./beside";
import type { Moment, Question } from "./core";

const told = (moment: string): Moment => ({ moment, toHear: core.toHear() });

let supposed: string[] = [];

/** One at a time, so that whatever is asked meanwhile waits for one of them at most. */
function suppose() {
  const event = supposed.shift();
  if (event === undefined) return;
  core.suppose(event);
  setTimeout(suppose);
}

answering((question: Question) => {
  switch (question.ask) {
    case "edition":
      return core.edition();
    case "begin":
      supposed = [];
      return told(core.begin(question.score));
    case "after":
      supposed = [];
      return told(core.after(question.event));
    case "instead":
      supposed = [];
      return told(core.instead(question.event));
    case "suppose":
      supposed = question.events;
      setTimeout(suppose);
      return "";
  }
});
