import { language } from "../../words/language";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useFormats } from "../../api/queries";
import { Button, ButtonLink } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { INPUT } from "../../ui/Field";
import { say } from "../../words/say";

type Query = Record<string, string | number | boolean | undefined>;

/** The same music as a file of each kind. */
export function FileLinks({ passageId, query }: { passageId: number; query: Query }) {
  const formats = useFormats().data ?? [];
  return (
    <p className="flex flex-wrap items-center gap-x-5 text-soft">
      {say("sheet.asAFile")}
      {formats.map(({ format: as, title }) => {
        const words = new URLSearchParams({ as });
        Object.entries(query).forEach(([key, value]) => value !== undefined && words.set(key, String(value)));
        return (
          <a
            key={as}
            href={`/api/passages/${passageId}/export?lang=${language()}&${words}`}
            download
            className="py-2 font-semibold text-spruce underline underline-offset-4"
          >
            {title}
          </a>
        );
      })}
    </p>
  );
}

interface Props {
  detail: Schemas["PassageDetail"];
  open: boolean;
  onClose: () => void;
}

/** What leaves the practice sheet: a printed sheet or a file. */
export function TakeAlong({ detail, open, onClose }: Props) {
  const { passage } = detail;
  const [section, setSection] = useState<number>();
  const chosen = passage.sections.find((one) => one.id === section);
  const query = { first: chosen?.firstNote, last: chosen?.lastNote };
  return (
    <Dialog title={say("sheet.printOrExport")} open={open} onClose={onClose}>
      <label className="mb-4 flex items-center gap-2">
        {say("sheet.of")}
        <select
          aria-label={say("sheet.whatToTake")}
          value={section ?? ""}
          onChange={(event) => setSection(event.target.value === "" ? undefined : Number(event.target.value))}
          className={`${INPUT} !w-auto`}
        >
          <option value="">{say("sheet.theWholePassage")}</option>
          {passage.sections.length > 1 &&
            passage.sections.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
        </select>
      </label>
      <h3 className="font-semibold">{say("sheet.theNotes")}</h3>
      <FileLinks passageId={passage.id} query={query} />
      <h3 className="mt-3 font-semibold">{say("sheet.theNotesAndAllTheir")}</h3>
      <FileLinks passageId={passage.id} query={{ ...query, sheet: true }} />
      <div className="mt-3 flex flex-wrap gap-3">
        <ButtonLink kind="main" to={`/passages/${passage.id}/sheet${chosen ? `?section=${chosen.id}` : ""}`}>
          {say("sheet.aSheetForTheStand")}
        </ButtonLink>
        <Button onClick={onClose}>{say("common.close")}</Button>
      </div>
    </Dialog>
  );
}
