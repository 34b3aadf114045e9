import { useState } from "react";
import { api, given } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import { RANGES } from "../../api/ranges";
import * as touches from "../../api/touches";
import { upTo, within } from "../../api/within";
import { Button } from "../../ui/Button";
import { Field } from "../../ui/Field";
import { fieldError } from "../sheet/PassageFields";
import { Alert } from "../../ui/Alert";
import { say } from "../../words/say";

const EMPTY = { name: "", song: "", target: 100, beats: 2 };

/** A change to be counted from now on. */
export function NewChange() {
  const [wish, setWish] = useState(EMPTY);
  const add = useChange(() => given(api.POST("/api/changes", { body: wish })), touches.counts);
  const put = (part: Partial<typeof wish>) => setWish({ ...wish, ...part });
  return (
    <form
      noValidate
      aria-label={say("count.aNewChange")}
      className="grid max-w-md content-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate(undefined, { onSuccess: () => setWish({ ...wish, name: "" }) });
      }}
    >
      <h2 className="text-lg">{say("count.aNewChange")}</h2>
      <Field
        label={say("count.between")}
        placeholder={say("count.g7AndC")}
        {...upTo(RANGES.ChangeWish.name)}
        value={wish.name}
        error={fieldError(add.error, "name")}
        onChange={(event) => put({ name: event.target.value })}
      />
      <Field
        label={say("count.songOrPiece")}
        hint={say("count.changesOfOneSongAre")}
        {...upTo(RANGES.ChangeWish.song)}
        value={wish.song}
        onChange={(event) => put({ song: event.target.value })}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field
          label={say("count.wantedTempo")}
          type="number"
          {...within(RANGES.ChangeWish.target)}
          value={wish.target || ""}
          error={fieldError(add.error, "target")}
          onChange={(event) => put({ target: Number(event.target.value) })}
        />
        <Field
          label={say("count.beatsToAChange")}
          type="number"
          step="0.25"
          {...within(RANGES.ChangeWish.beats)}
          value={wish.beats || ""}
          error={fieldError(add.error, "beats")}
          onChange={(event) => put({ beats: Number(event.target.value) })}
        />
      </div>
      {add.isError && !fieldError(add.error, "name") && <Alert>{sentence(add.error)}</Alert>}
      <div>
        <Button online type="submit" disabled={add.isPending}>
          {say("count.addIt")}
        </Button>
      </div>
    </form>
  );
}
