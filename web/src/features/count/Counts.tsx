import { Timer, Trash2 } from "lucide-react";
import { useCallback, useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { api, given } from "../../api/client";
import { sentence, useChange, useCounts, useTouch } from "../../api/queries";
import * as touches from "../../api/touches";
import { keep } from "../../keep";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { bpm, oneDecimal } from "../../ui/format";
import { Caution, Failed, Page, Waiting } from "../../ui/Page";
import { useSay } from "../../ui/Toasts";
import { Counting } from "./Counting";
import { NewChange } from "./NewChange";
import { Strip } from "./Strip";
import { noteCount, sendCounts, waitingCounts } from "../../outbox/counts";

type Change = Schemas["ChangeDto"];

const RETRY_MS = 15_000;

/** Changes that are counted clean in a minute: short, and several times a day. */
export default function Counts({ me }: { me: Schemas["Me"] }) {
  const counts = useCounts();
  const [counting, setCounting] = useState<Change>();
  const { unsent, send } = useSending();
  if (counts.isPending) return <Waiting />;
  if (counts.isError) return <Failed error={counts.error} again={() => void counts.refetch()} />;
  const { changes, songs, caution, closed, today } = counts.data;
  const current = changes.find((one) => one.id === counting?.id);
  return (
    <Page title="How many clean changes in a minute?" above="Counts">
      {caution && <p className="mb-4 border-l-2 border-danger pl-3">{caution}</p>}
      {unsent > 0 && (
        <p role="status" className="mb-4 border-l-2 border-brass pl-3">
          {unsent === 1 ? "A count has" : `${unsent} counts have`} not arrived yet; kept in this browser and sent as
          soon as that is possible.
        </p>
      )}
      {songs.map((song) => (
        <p key={song} className="mb-2 font-semibold">
          {song}
        </p>
      ))}
      {changes.length === 0 ? (
        <p className="max-w-[60ch] py-6">
          Two chords, two positions, two strokes or any two notes: name a change, count the clean ones for a minute, and
          see what the tempo you want needs. A minute, three times a day, is enough.
        </p>
      ) : (
        <ul className="divide-y divide-rule border-y border-rule">
          {changes.map((change) => (
            <Row key={change.id} change={change} today={today} closed={closed} onCount={() => setCounting(change)} />
          ))}
        </ul>
      )}
      <div className="mt-8 grid gap-x-16 gap-y-6 md:grid-cols-2">
        <NewChange />
        <div className="grid content-start gap-4">
          <p className="text-soft">
            A minute counts for the day as a minute of playing does; the best there was stands for the ceiling, by a
            rule of thumb.
          </p>
          <Caution />
        </div>
      </div>
      <Dialog title="Count the clean ones" open={!!current} onClose={() => setCounting(undefined)}>
        {current && (
          <Counting
            change={current}
            instrument={me.instrument}
            speed={me.speed}
            onClose={() => setCounting(undefined)}
            onCounted={(seconds, clean) => {
              noteCount(keep, current.id, seconds, clean);
              void send();
            }}
          />
        )}
      </Dialog>
    </Page>
  );
}

/** What waits is sent when the page opens, when something was counted, and from time to time until it has arrived. */
function useSending() {
  const say = useSay();
  const touch = useTouch();
  const [unsent, setUnsent] = useState(() => waitingCounts(keep).all().length);
  const send = useCallback(async () => {
    if (waitingCounts(keep).all().length === 0) return;
    try {
      (await sendCounts(keep)).forEach(say);
    } catch {
      // It stays, and the page says so.
    }
    setUnsent(waitingCounts(keep).all().length);
    await touch(touches.counts);
  }, [say, touch]);
  useEffect(() => {
    void send();
    const again = () => void send();
    const timer = setInterval(again, RETRY_MS);
    window.addEventListener("online", again);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, [send]);
  return { unsent, send };
}

function Row({
  change,
  today,
  closed,
  onCount,
}: {
  change: Change;
  today: string;
  /** Whether nothing more is counted today. */
  closed: boolean;
  onCount: () => void;
}) {
  const say = useSay();
  const [sure, setSure] = useState(false);
  const away = useChange(
    () => given(api.DELETE("/api/changes/{id}", { params: { path: { id: change.id } } })),
    touches.counts,
  );
  const now = change.counts.filter((count) => count.day === today).length;
  return (
    <li className="grid items-center gap-x-8 gap-y-2 py-3 md:grid-cols-[14rem_1fr_auto]">
      <div>
        <p className="text-lg font-semibold">{change.name}</p>
        <p className="text-sm text-soft">
          {change.song && `${change.song} · `}
          {bpm(change.target)} bpm, one every {oneDecimal(change.beats)} {change.beats === 1 ? "beat" : "beats"}
        </p>
      </div>
      <div className="min-w-0">
        <p>
          <b className="text-2xl">{change.best === null ? "–" : bpm(change.best)}</b>
          <span className="text-soft"> at best, {change.needed} a minute needed</span>
        </p>
        <p className="text-sm text-soft">
          {change.trend}
          {now > 0 && ` ${now === 1 ? "Once" : `${now} times`} today.`}
        </p>
        <Strip counts={change.counts} needed={change.needed} label={`Counts of ${change.name}`} />
      </div>
      <div className="flex gap-2">
        <Button kind="main" disabled={closed} onClick={onCount} aria-label={`Count ${change.name}`}>
          <Timer size={18} aria-hidden="true" /> Count
        </Button>
        <Button
          aria-label={sure ? `Take ${change.name} away for good` : `Take ${change.name} away`}
          onBlur={() => setSure(false)}
          onClick={() => {
            if (!sure) setSure(true);
            else away.mutate(undefined, { onError: (error) => say(sentence(error)) });
          }}
        >
          <Trash2 size={16} aria-hidden="true" /> {sure && "With its counts?"}
        </Button>
      </div>
    </li>
  );
}
