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

const EMPTY = { name: "", song: "", target: 100, beats: 2 };

/** A change to be counted from now on. */
export function NewChange() {
  const [wish, setWish] = useState(EMPTY);
  const add = useChange(() => given(api.POST("/api/changes", { body: wish })), touches.counts);
  const put = (part: Partial<typeof wish>) => setWish({ ...wish, ...part });
  return (
    <form
      noValidate
      aria-label="A new change"
      className="grid max-w-md content-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate(undefined, { onSuccess: () => setWish({ ...wish, name: "" }) });
      }}
    >
      <h2 className="text-lg">A new change</h2>
      <Field
        label="Between"
        placeholder="G7 and C"
        {...upTo(RANGES.ChangeWish.name)}
        value={wish.name}
        error={fieldError(add.error, "name")}
        onChange={(event) => put({ name: event.target.value })}
      />
      <Field
        label="Song or piece"
        hint="Changes of one song are compared; may be left empty."
        {...upTo(RANGES.ChangeWish.song)}
        value={wish.song}
        onChange={(event) => put({ song: event.target.value })}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field
          label="Wanted tempo"
          type="number"
          {...within(RANGES.ChangeWish.target)}
          value={wish.target || ""}
          error={fieldError(add.error, "target")}
          onChange={(event) => put({ target: Number(event.target.value) })}
        />
        <Field
          label="Beats to a change"
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
        <Button type="submit" disabled={add.isPending}>
          Add it
        </Button>
      </div>
    </form>
  );
}
