import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { api, given, type Schemas } from "../../api/client";
import { useChange } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Page } from "../../ui/Page";
import { CleanAt } from "./CleanAt";
import { FIRST_ABC, MusicEditor } from "./MusicEditor";
import { fieldError, PassageFields } from "./PassageFields";
import { useDraft } from "./useDraft";
import * as touches from "../../api/touches";
import { Failure } from "../../ui/Alert";
import { say } from "../../words/say";

/** A new passage, with its notes typed or left on the stand. */
export default function NewPassage({ me }: { me: Schemas["Me"] }) {
  const navigate = useNavigate();
  const [draft, setDraft, forget] = useDraft<Schemas["PassageWish"]>("new-passage", {
    title: "",
    instrument: me.instrument,
    music: { source: "ABC", meter: "4/4", beatUnit: "", text: FIRST_ABC, bars: 0 },
    targetBpm: 120,
    neededOn: null,
    cleanAt: null,
    played: false,
    version: 0,
    confirmed: null,
    clientId: null,
  });
  // Kept with the draft: sent again after an answer was lost, it makes no second passage.
  const clientId = useRef(draft.clientId ?? crypto.randomUUID());
  const set = (part: Partial<Schemas["PassageWish"]>) => setDraft((now) => ({ ...now, ...part }));
  const [waiting, setWaiting] = useState(false);
  const create = useChange(
    () => given(api.POST("/api/passages", { body: { ...draft, clientId: clientId.current } })),
    touches.passages,
  );
  return (
    <Page title={say("sheet.aNewPassage")} above={say("common.passages")}>
      <form
        noValidate
        className="grid gap-x-12 gap-y-6 lg:grid-cols-[22rem_1fr]"
        onSubmit={(event) => {
          event.preventDefault();
          create.mutate(undefined, {
            onSuccess: (made) => {
              forget();
              void navigate(`/passages/${made.passage.id}`);
            },
          });
        }}
      >
        <div className="grid content-start gap-5">
          <PassageFields draft={draft} onChange={set} error={create.error} />
          <CleanAt
            played={draft.played}
            cleanAt={draft.cleanAt}
            error={fieldError(create.error, "cleanAt")}
            onChange={set}
          />
        </div>
        <div className="min-w-0">
          <MusicEditor
            value={draft.music}
            onChange={(music) => set({ music })}
            onTitle={(title) => setDraft((now) => (now.title ? now : { ...now, title: title.slice(0, 120) }))}
            onWaiting={setWaiting}
          />
          <Failure of={create} className="mt-3 font-semibold" />
          {!waiting && (
            <Button online kind="main" type="submit" disabled={create.isPending} className="mt-4">
              {say("sheet.savePassage")}
            </Button>
          )}
        </div>
      </form>
    </Page>
  );
}
