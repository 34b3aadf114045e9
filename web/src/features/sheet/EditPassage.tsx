import { useState } from "react";
import { useNavigate } from "react-router";
import { api, given, Problem, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Page } from "../../ui/Page";
import { MusicEditor } from "./MusicEditor";
import { PassageFields } from "./PassageFields";
import * as touches from "../../api/touches";
import { Alert, Failure } from "../../ui/Alert";
import { say } from "../../words/say";

interface Props {
  detail: Schemas["PassageDetail"];
  onDone: () => void;
}

/** Changing a passage. What is tied to notes that stay follows them; what cannot is said first. */
export function EditPassage({ detail, onDone }: Props) {
  const { passage } = detail;
  const [wish, setWish] = useState<Schemas["PassageWish"]>({
    title: passage.title,
    instrument: passage.instrument,
    music: detail.music,
    targetBpm: passage.targetBpm,
    neededOn: passage.neededOn,
    cleanAt: null,
    played: false,
    version: detail.version,
    confirmed: null,
    clientId: null,
  });
  const [waiting, setWaiting] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const set = (part: Partial<Schemas["PassageWish"]>) => setWish((now) => ({ ...now, ...part }));
  const change = useChange(
    (confirmed: boolean) =>
      given(api.PUT("/api/passages/{id}", { params: { path: { id: passage.id } }, body: { ...wish, confirmed } })),
    touches.music(passage.id),
  );
  const lost =
    change.error instanceof Problem && change.error.code === "music-changed"
      ? (change.error.more.lost as string[])
      : undefined;
  return (
    <Page title={say("sheet.change", { title: passage.title })} above={say("common.passages")}>
      <form
        noValidate
        className="grid gap-x-12 gap-y-6 lg:grid-cols-[22rem_1fr]"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate(false, { onSuccess: onDone });
        }}
      >
        <PassageFields draft={wish} onChange={set} error={change.error} />
        <div className="min-w-0">
          <MusicEditor value={wish.music} onChange={(music) => set({ music })} onWaiting={setWaiting} />
          <p className="mt-2 text-sm text-soft">{say("sheet.marksSectionsAndCeilingsFollow")}</p>
          {change.isError && !lost && <Alert className="mt-3 font-semibold">{sentence(change.error)}</Alert>}
          <div className="mt-4 flex flex-wrap gap-3">
            <Button online kind="main" type="submit" disabled={change.isPending || waiting}>
              {say("sheet.keepTheChange")}
            </Button>
            <Button onClick={onDone}>{say("common.cancel")}</Button>
            <Button kind="quiet" onClick={() => setLeaving(true)}>
              {say("sheet.putThePassageAway")}
            </Button>
          </div>
        </div>
      </form>
      <Dialog title={say("sheet.someOfItCannotFollow")} open={lost !== undefined} onClose={() => change.reset()}>
        <ul className="mb-5 list-disc pl-5">
          {lost?.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
        <div className="flex flex-wrap gap-3">
          <Button kind="main" onClick={() => change.reset()} autoFocus>
            {say("sheet.backToTheNotes")}
          </Button>
          <Button
            online
            kind="danger"
            onClick={() => change.mutate(true, { onSuccess: onDone })}
            disabled={change.isPending}
          >
            {say("sheet.changeItAllTheSame")}
          </Button>
        </div>
      </Dialog>
      <PutAway passageId={passage.id} open={leaving} onClose={() => setLeaving(false)} />
    </Page>
  );
}

function PutAway({ passageId, open, onClose }: { passageId: number; open: boolean; onClose: () => void }) {
  const navigate = useNavigate();
  const putAway = useChange(
    () => given(api.DELETE("/api/passages/{id}", { params: { path: { id: passageId } } })),
    touches.passages,
  );
  return (
    <Dialog title={say("sheet.putThisPassageAway")} open={open} onClose={onClose}>
      <p className="mb-5">{say("sheet.itLeavesYourPassagesAnd")}</p>
      <Failure of={putAway} className="mb-3" />
      <div className="flex gap-3">
        <Button
          kind="danger"
          onClick={() => putAway.mutate(undefined, { onSuccess: () => void navigate("/passages") })}
        >
          {say("sheet.putAway")}
        </Button>
        <Button onClick={onClose}>{say("common.save")}</Button>
      </div>
    </Dialog>
  );
}
