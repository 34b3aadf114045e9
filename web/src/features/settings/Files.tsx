import { language } from "../../words/language";
import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { useChange, usePassages } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { bpm, day } from "../../ui/format";
import { useToast } from "../../ui/Toasts";
import { Alert, Failure } from "../../ui/Alert";
import { say } from "../../words/say";

const LINK = "touch:inline-block touch:py-3 font-semibold text-spruce underline underline-offset-4";

/** A body that is a file, sent as it is. */
const asIs = (file: File) => ({
  body: file as unknown as string,
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: { "Content-Type": "application/octet-stream" },
});

/** What is kept here, out and in, in open formats. */
export function Files() {
  const passages = usePassages();
  return (
    <section aria-label={say("settings.yourData")} className="grid content-start gap-5">
      <div>
        <h2 className="text-lg">{say("settings.yourData")}</h2>
        <ul className="mt-1 grid gap-1">
          <li>
            <a href="/api/exports/account" download className={LINK}>
              {say("settings.allOfItInOne")}
            </a>
            <span className="text-soft"> {say("settings.jsonToBeReadInto")}</span>
          </li>
          <li>
            <a href={`/api/exports/passes.csv?lang=${language()}`} download className={LINK}>
              {say("settings.everyPass")}
            </a>
            <span className="text-soft"> {say("settings.csv")}</span>
          </li>
          <li>
            <a href={`/api/exports/takes.csv?lang=${language()}`} download className={LINK}>
              {say("settings.whatWasMeasured")}
            </a>
            <span className="text-soft"> {say("settings.csv")}</span>
          </li>
          <li>
            <a href={`/api/exports/practice.csv?lang=${language()}`} download className={LINK}>
              {say("settings.practiceAwayFromTheScreen")}
            </a>
            <span className="text-soft"> {say("settings.csv")}</span>
          </li>
        </ul>
      </div>
      <Notebook />
      {passages.data?.length === 0 && <WholeAccount />}
    </section>
  );
}

/** Practice from a notebook, as CSV: looked at first, then all of it or nothing. */
function Notebook() {
  const toast = useToast();
  const [file, setFile] = useState<File>();
  const read = useChange(async ({ chosen, keep }: { chosen: File; keep: boolean }) => {
    const now = await given(api.POST("/api/imports/practice", { params: { query: { keep } }, ...asIs(chosen) }));
    if (keep && now.problems.length === 0) {
      toast(now.kept === 0 ? say("settings.allOfItWasHere") : say("settings.entriesTakenOver", { kept: now.kept }));
    }
    return now;
  }, touches.away);
  const preview = read.data;
  return (
    <div className="grid gap-2">
      <h3 className="font-semibold">{say("settings.practiceFromANotebook")}</h3>
      <p className="text-soft">{say("settings.aCsvWithTheColumns", { code: (words) => <code>{words}</code> })}</p>
      <label>
        <span className="sr-only">{say("settings.aCsvOfPractice")}</span>
        <input
          type="file"
          accept=".csv,text/csv"
          className={INPUT}
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            setFile(chosen);
            if (chosen) read.mutate({ chosen, keep: false });
          }}
        />
      </label>
      <Failure of={read} />
      {preview && <Preview preview={preview} />}
      {file && preview && preview.problems.length === 0 && preview.rows > preview.here && preview.kept === 0 && (
        <div>
          <Button
            online
            kind="main"
            disabled={read.isPending}
            onClick={() => read.mutate({ chosen: file, keep: true })}
          >
            {say("settings.takeOver", { rows: preview.rows - preview.here })}
          </Button>
        </div>
      )}
    </div>
  );
}

function Preview({ preview }: { preview: Schemas["PracticePreview"] }) {
  if (preview.problems.length > 0) {
    return (
      <div>
        <Alert className="font-semibold">
          {say("settings.ofRowsCannotBeRead", { problems: preview.problems.length, rows: preview.rows })}
        </Alert>
        <ul className="mt-1 max-h-56 overflow-y-auto border-y border-rule">
          {preview.problems.map((one) => (
            <li key={`${one.row}-${one.column}`} className="border-b border-rule py-1 last:border-0">
              {say("settings.row", { row: one.row, column: one.column, problem: one.problem })}
            </li>
          ))}
        </ul>
      </div>
    );
  }
  return (
    <table className="w-full text-left">
      <caption className="pb-1 text-left text-soft">
        {preview.rows} {say("settings.rowsRowRows", { rows: preview.rows })}
        {preview.rows > preview.first.length && say("settings.theFirstOfThem", { first: preview.first.length })}
        {preview.here > 0 && say("settings.seemToBeHereAlready", { here: preview.here })}
        {preview.kept > 0 && say("settings.takenOver", { kept: preview.kept })} {say("settings.importCounts")}
      </caption>
      <tbody>
        {preview.first.map((one) => (
          <tr key={one.row} className="border-t border-rule align-baseline *:py-1">
            <td className="pr-3 whitespace-nowrap">{day(one.date, { dateStyle: "medium" })}</td>
            <td className="pr-3 font-mono whitespace-nowrap">{say("settings.min", { minutes: one.minutes })}</td>
            <td className="w-full pr-3">
              {one.passage}
              {one.tempo !== null && say("settings.at", { tempo: bpm(one.tempo) })}
              {one.note && <span className="text-soft"> {one.note}</span>}
              {one.here && <span className="text-soft"> {say("settings.hereAlready")}</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The file of another account, for one that holds nothing yet. */
function WholeAccount() {
  const toast = useToast();
  const read = useChange(async (chosen: File) => {
    const { passages, sessions } = await given(api.POST("/api/imports/account", asIs(chosen)));
    // Said here: with a passage in the account this part of the page is gone.
    toast(say("settings.passagesHereNowWorkouts", { passages, sessions }));
  }, touches.everything);
  return (
    <div className="grid gap-2">
      <h3 className="font-semibold">{say("settings.readTheFileOfAnother")}</h3>
      <p className="text-soft">{say("settings.thisAccountHoldsNothingYet")}</p>
      <label>
        <span className="sr-only">{say("settings.theFileOfAnAccount")}</span>
        <input
          type="file"
          accept=".gz,.json"
          className={INPUT}
          disabled={read.isPending}
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) read.mutate(chosen);
          }}
        />
      </label>
      {read.isPending && <p role="status">{say("settings.itIsBeingRead")}</p>}
      <Failure of={read} />
    </div>
  );
}
