import { Timer, Trash2 } from "lucide-react";
import { useCallback, useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { api, given } from "../../api/client";
import { sentence, useChange, useCounts, useTouch } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { bpm, oneDecimal } from "../../ui/format";
import { Caution, Failed, Page, Waiting } from "../../ui/Page";
import { useToast } from "../../ui/Toasts";
import { Counting } from "./Counting";
import { NewChange } from "./NewChange";
import { Strip } from "./Strip";
import { noteCount, sendCounts } from "../../outbox/counts";
import { counts } from "../../outbox/shelf";
import { say } from "../../words/say";

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
    <Page title={say("count.howManyCleanChangesIn")} above={say("count.counts")}>
      {caution && <p className="mb-4 border-l-2 border-danger pl-3">{caution}</p>}
      {unsent > 0 && (
        <p role="status" className="mb-4 border-l-2 border-brass pl-3">
          {say("count.notArrivedYetKeptIn", { unsent })}
        </p>
      )}
      {songs.map((song) => (
        <p key={say(song)} className="mb-2 font-semibold">
          {say(song)}
        </p>
      ))}
      {changes.length === 0 ? (
        <p className="max-w-[60ch] py-6">{say("count.twoChordsTwoPositionsTwo")}</p>
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
          <p className="text-soft">{say("count.aMinuteCountsForThe")}</p>
          <Caution />
        </div>
      </div>
      <Dialog title={say("count.countTheCleanOnes")} open={!!current} onClose={() => setCounting(undefined)}>
        {current && (
          <Counting
            change={current}
            instrument={me.instrument}
            speed={me.speed}
            onClose={() => setCounting(undefined)}
            onCounted={(seconds, clean) => {
              noteCount(current.id, seconds, clean);
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
  const toast = useToast();
  const touch = useTouch();
  const [unsent, setUnsent] = useState(() => counts.all().length);
  const send = useCallback(async () => {
    if (counts.all().length === 0) return;
    try {
      (await sendCounts()).forEach(toast);
    } catch {
      // It stays, and the page says so.
    }
    setUnsent(counts.all().length);
    await touch(touches.counts);
  }, [toast, touch]);
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
  const toast = useToast();
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
          {say("count.bpmOneEvery", {
            song: change.song && `${change.song} · `,
            target: bpm(change.target),
            beats: oneDecimal(change.beats),
            beats2: change.beats,
          })}
        </p>
      </div>
      <div className="min-w-0">
        <p>
          <b className="text-2xl">{change.best === null ? "–" : bpm(change.best)}</b>
          <span className="text-soft"> {say("count.atBestAMinuteNeeded", { needed: change.needed })}</span>
        </p>
        <p className="text-sm text-soft">
          {say(change.trend)}
          {now > 0 && say("count.today", { now })}
        </p>
        <Strip counts={change.counts} needed={change.needed} label={say("count.countsOf", { name: change.name })} />
      </div>
      <div className="flex gap-2">
        <Button kind="main" disabled={closed} onClick={onCount} aria-label={say("count.count", { name: change.name })}>
          <Timer size={18} aria-hidden="true" /> {say("count.countIt")}
        </Button>
        <Button
          aria-label={
            sure ? say("count.takeAwayForGood", { name: change.name }) : say("count.takeAway", { name: change.name })
          }
          onBlur={() => setSure(false)}
          onClick={() => {
            if (!sure) setSure(true);
            else away.mutate(undefined, { onError: (error) => toast(sentence(error)) });
          }}
        >
          <Trash2 size={16} aria-hidden="true" /> {sure && say("count.withItsCounts")}
        </Button>
      </div>
    </li>
  );
}
