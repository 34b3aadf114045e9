import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Page } from "../../ui/Page";
import { MusicEditor } from "./MusicEditor";
import { PassageFields } from "./PassageFields";

interface Props {
  detail: Schemas["PassageDetail"];
  onDone: () => void;
}

/** Changing a passage. With another number of notes it is one piece again; what was played of the others is kept. */
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
  });
  const set = (part: Partial<Schemas["PassageWish"]>) => setWish((now) => ({ ...now, ...part }));
  const change = useChange(() => given(api.PUT("/api/passages/{id}", { params: { path: { id: passage.id } }, body: wish })));
  return (
    <Page title={`Change ${passage.title}`} above="Passages">
      <form
        noValidate
        className="grid gap-x-12 gap-y-6 lg:grid-cols-[22rem_1fr]"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate(undefined, { onSuccess: onDone });
        }}
      >
        <PassageFields draft={wish} onChange={set} error={change.error} />
        <div className="min-w-0">
          <MusicEditor value={wish.music} onChange={(music) => set({ music })} />
          <p className="mt-2 text-sm text-soft">With another number of notes the passage is one piece again; the log keeps what was played.</p>
          {change.isError && (
            <p role="alert" className="mt-3 font-semibold text-plum">
              {sentence(change.error)}
            </p>
          )}
          <div className="mt-4 flex gap-3">
            <Button kind="main" type="submit" disabled={change.isPending}>
              Keep the change
            </Button>
            <Button onClick={onDone}>Leave it as it was</Button>
          </div>
        </div>
      </form>
    </Page>
  );
}
