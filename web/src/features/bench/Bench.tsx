import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { api, given } from "../../api/client";
import { sentence, useChange, usePassage } from "../../api/queries";
import { Engraving } from "../../notation/Engraving";
import { Button, ButtonLink } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { day, family } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { weakest } from "../passages/weakest";
import { EditPassage } from "./EditPassage";
import { Pieces } from "./Pieces";

/** One passage: its notes, its pieces, and how each stands. */
export default function Bench() {
  const id = Number(useParams().id);
  const passage = usePassage(id);
  const [editing, setEditing] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const navigate = useNavigate();
  const putAway = useChange(() => given(api.DELETE("/api/passages/{id}", { params: { path: { id } } })));

  if (passage.isPending) return <Waiting />;
  if (passage.isError) return <Failed error={passage.error} again={() => void passage.refetch()} />;
  const detail = passage.data;
  if (editing) return <EditPassage detail={detail} onDone={() => setEditing(false)} />;
  const slowest = weakest(detail.passage);
  return (
    <Page
      title={detail.passage.title}
      above={
        <>
          <Link to="/passages" className="underline-offset-4 hover:underline">
            Passages
          </Link>{" "}
          · {family(detail.passage.instrument)}
        </>
      }
      aside={
        <>
          <Button onClick={() => setEditing(true)}>Change</Button>
          <Button onClick={() => setLeaving(true)}>Put away</Button>
          {slowest && (
            <ButtonLink kind="main" to={`/plan/${slowest.id}`}>
              Plan a workout
            </ButtonLink>
          )}
        </>
      }
    >
      <p className="text-soft">
        Target {Math.round(detail.passage.targetBpm)} beats a minute of {detail.reading.beatUnit}
        {detail.passage.neededOn && ` by ${day(detail.passage.neededOn, { day: "numeric", month: "long", year: "numeric" })}`} · {detail.reading.notes} notes ·{" "}
        {detail.reading.bars} bars
      </p>
      <div className="my-4 border-y border-rule py-3">
        <Engraving abc={detail.reading.abc} label={`${detail.passage.title}, ${detail.reading.notes} notes`} scale={1.15} />
      </div>
      <Pieces detail={detail} />
      <Dialog title="Put this passage away?" open={leaving} onClose={() => setLeaving(false)}>
        <p className="mb-5">It leaves your passages and your plans. What you played of it stays in the log and counts for your load.</p>
        {putAway.isError && <p className="mb-3 text-plum">{sentence(putAway.error)}</p>}
        <div className="flex gap-3">
          <Button kind="danger" onClick={() => putAway.mutate(undefined, { onSuccess: () => void navigate("/passages") })}>
            Put away
          </Button>
          <Button onClick={() => setLeaving(false)}>Keep</Button>
        </div>
      </Dialog>
    </Page>
  );
}
