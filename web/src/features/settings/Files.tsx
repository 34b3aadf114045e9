import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { useChange, usePassages } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { bpm, day } from "../../ui/format";
import { useSay } from "../../ui/Toasts";
import { Alert, Failure } from "../../ui/Alert";

const LINK = "font-semibold text-spruce underline underline-offset-4";

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
    <section aria-label="Your data" className="grid content-start gap-5">
      <div>
        <h2 className="text-lg">Your data</h2>
        <ul className="mt-1 grid gap-1">
          <li>
            <a href="/api/exports/account" download className={LINK}>
              All of it in one file
            </a>
            <span className="text-soft"> · JSON, to be read into another account</span>
          </li>
          <li>
            <a href="/api/exports/passes.csv" download className={LINK}>
              Every pass
            </a>
            <span className="text-soft"> · CSV</span>
          </li>
          <li>
            <a href="/api/exports/practice.csv" download className={LINK}>
              Practice away from the screen
            </a>
            <span className="text-soft"> · CSV</span>
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
  const say = useSay();
  const [file, setFile] = useState<File>();
  const read = useChange(async ({ chosen, keep }: { chosen: File; keep: boolean }) => {
    const now = await given(api.POST("/api/imports/practice", { params: { query: { keep } }, ...asIs(chosen) }));
    if (keep && now.problems.length === 0) {
      say(now.kept === 0 ? "All of it was here already." : `Entries taken over: ${now.kept}.`);
    }
    return now;
  }, touches.away);
  const preview = read.data;
  return (
    <div className="grid gap-2">
      <h3 className="font-semibold">Practice from a notebook</h3>
      <p className="text-soft">
        A CSV with the columns <code>date, what, minutes, passage, tempo, verdict, note</code>; only date and minutes
        are needed. A tempo says where a passage stood that day.
      </p>
      <label>
        <span className="sr-only">A CSV of practice</span>
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
          <Button kind="main" disabled={read.isPending} onClick={() => read.mutate({ chosen: file, keep: true })}>
            Take {preview.rows - preview.here} {preview.rows - preview.here === 1 ? "entry" : "entries"} over
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
          {preview.problems.length} of {preview.rows} rows cannot be read, so nothing is taken over.
        </Alert>
        <ul className="mt-1 max-h-56 overflow-y-auto border-y border-rule">
          {preview.problems.map((one) => (
            <li key={`${one.row}-${one.column}`} className="border-b border-rule py-1 last:border-0">
              Row {one.row}, {one.column}: {one.problem}
            </li>
          ))}
        </ul>
      </div>
    );
  }
  return (
    <table className="w-full text-left">
      <caption className="pb-1 text-left text-soft">
        {preview.rows} {preview.rows === 1 ? "row" : "rows"}
        {preview.rows > preview.first.length && `, the first ${preview.first.length} of them`}
        {preview.here > 0 && `; ${preview.here} seem to be here already and are left out`}
        {preview.kept > 0 && `; ${preview.kept} taken over`}
      </caption>
      <tbody>
        {preview.first.map((one) => (
          <tr key={one.row} className="border-t border-rule align-baseline *:py-1">
            <td className="pr-3 whitespace-nowrap">{day(one.date, { dateStyle: "medium" })}</td>
            <td className="pr-3 font-mono whitespace-nowrap">{one.minutes} min</td>
            <td className="w-full pr-3">
              {one.passage}
              {one.tempo !== null && ` at ${bpm(one.tempo)}`}
              {one.note && <span className="text-soft"> {one.note}</span>}
              {one.here && <span className="text-soft"> (here already)</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The file of another account, for one that holds nothing yet. */
function WholeAccount() {
  const say = useSay();
  const read = useChange(async (chosen: File) => {
    const { passages, sessions } = await given(api.POST("/api/imports/account", asIs(chosen)));
    // Said here: with a passage in the account this part of the page is gone.
    say(`Passages here now: ${passages}; workouts: ${sessions}.`);
  }, touches.everything);
  return (
    <div className="grid gap-2">
      <h3 className="font-semibold">Read the file of another account</h3>
      <p className="text-soft">This account holds nothing yet: all of the file is read into it, or nothing.</p>
      <label>
        <span className="sr-only">The file of an account</span>
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
      {read.isPending && <p role="status">It is being read.</p>}
      <Failure of={read} />
    </div>
  );
}
