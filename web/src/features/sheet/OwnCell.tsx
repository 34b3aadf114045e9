import { useState } from "react";
import { api, given } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { useTaps } from "../../ui/useTaps";
import * as touches from "../../api/touches";
import { say } from "../../words/say";

/** A silence this long, in seconds, begins another cell. */
const CELL_SILENCE = 3;

/** A cell of the player's own, typed as weights or tapped. */
export function OwnCell({ onOpen }: { onOpen: (key: string) => void }) {
  const [cell, setCell] = useState("");
  const [stretched, setStretched] = useState(false);
  const taps = useTaps(CELL_SILENCE);
  const read = useChange((seconds: number[]) => given(api.POST("/api/cells", { body: { seconds } })), touches.nothing);
  const show = useChange(
    () => given(api.GET("/api/cells", { params: { query: { weights: cell, stretched } } })),
    touches.nothing,
  );
  const finish = () => read.mutate(taps.take(), { onSuccess: (answer) => setCell(answer.cell) });
  return (
    <form
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule py-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (cell.trim()) show.mutate(undefined, { onSuccess: ({ key }) => onOpen(key) });
      }}
    >
      <span className="font-semibold">{say("sheet.yourOwnCell")}</span>
      <input
        aria-label={say("sheet.weightsOfYourCell")}
        placeholder="2-1-1"
        value={cell}
        onChange={(event) => setCell(event.target.value)}
        className={`${INPUT} !w-36 font-mono`}
      />
      <Button {...taps.button} onClick={(event) => event.preventDefault()}>
        {taps.count === 0 ? say("sheet.tapIt") : say("sheet.taps", { count: taps.count })}
      </Button>
      {taps.count > 2 && <Button onClick={finish}>{say("sheet.done")}</Button>}
      <label className="flex min-h-11 items-center gap-2 text-soft">
        <input
          type="checkbox"
          checked={stretched}
          onChange={(event) => setStretched(event.target.checked)}
          className="size-4 accent-spruce"
        />
        {say("sheet.stretched")}
      </label>
      <Button online type="submit" disabled={!cell.trim()}>
        {say("sheet.showIt")}
      </Button>
      <span className="text-sm text-soft">
        {taps.count > 0 ? say("sheet.tapEachNoteAndOnce") : say("sheet.oneWeightANoteOr")}
      </span>
      {(read.error ?? show.error) && <p className="w-full text-sm text-danger">{sentence(read.error ?? show.error)}</p>}
    </form>
  );
}
