import "./words";
import { useCallback, useEffect, useState } from "react";
import { useGreeting } from "../api/queries";
import { bpm } from "../ui/format";
import { say } from "../words/say";
import { type KeptTake, LAST, MOST_BYTES, ofPassage, ofRun } from "./kept";
import TakePlayer from "./TakePlayer";

const MEGA = 1_000_000;

/** Of a workout, or of a passage. */
type Props = { runId: number; passageId?: never } | { passageId: number; runId?: never };

/** The takes that are kept on this device. */
export default function KeptTakes({ runId, passageId }: Props) {
  const account = useGreeting().data?.me?.name;
  const [takes, setTakes] = useState<KeptTake[]>([]);
  const look = useCallback(() => {
    if (!account) return;
    const found = runId !== undefined ? ofRun(account, runId) : ofPassage(account, passageId);
    // Where a browser keeps nothing there is nothing to show.
    void found.then(setTakes, () => setTakes([]));
  }, [account, runId, passageId]);
  useEffect(look, [look]);
  if (takes.length === 0) return null;
  return (
    <section className="mt-6" aria-label={say("take.kept")}>
      <h2>{say("take.kept")}</h2>
      <p className="mb-2 max-w-[70ch] text-soft">{say("take.where", { last: LAST, megabytes: MOST_BYTES / MEGA })}</p>
      <ol className="space-y-5">
        {takes.map((kept, i) => (
          <li key={kept.id}>
            <TakePlayer
              kept={kept}
              title={say("take.name", { number: i + 1, metronome: bpm(kept.metronome) })}
              onChange={look}
            />
          </li>
        ))}
      </ol>
    </section>
  );
}
