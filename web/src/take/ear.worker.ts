import { keys, listen, recorded, recordedKeys } from "tachylim-ear";
import { answering } from "../core/beside";
import type { Question } from "./ear";
import type { Struck } from "./heard";

const NOT_KNOWN = -1;

async function answered(question: Question): Promise<string> {
  switch (question.of) {
    case "sound": {
      const { recording, toHear, start, clicks, family, confirmed, usually } = question;
      return listen(
        recording.samples,
        recording.rate,
        toHear,
        start - recording.from,
        JSON.stringify(clicks.map((click) => click - recording.from)),
        family,
        JSON.stringify(confirmed),
        usually ?? NOT_KNOWN,
      );
    }
    case "keys": {
      const { struck, toHear, start, family, confirmed, apart } = question;
      return keys(JSON.stringify(struck), toHear, start, family, JSON.stringify(confirmed), JSON.stringify(apart));
    }
    case "sound file":
      return `{"found":${recorded(question.samples, question.rate, question.toHear, question.family)}}`;
    case "key file": {
      const struck = JSON.stringify(await struckIn(question.file));
      const found = recordedKeys(struck, question.toHear, question.family, JSON.stringify(question.apart));
      return `{"found":${found},"struck":${struck}}`;
    }
  }
}

const MOST_VELOCITY = 127;

/** What is struck in a file of keys. */
async function struckIn(file: ArrayBuffer): Promise<Struck[]> {
  const { Midi } = await import("@tonejs/midi");
  return new Midi(file).tracks.flatMap(({ channel, notes }) =>
    notes.map(({ time, midi, velocity }) => ({
      seconds: time,
      pitch: midi,
      velocity: Math.max(1, Math.round(velocity * MOST_VELOCITY)),
      channel,
    })),
  );
}

answering(answered);
