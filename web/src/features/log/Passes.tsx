import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { bpm, day } from "../../ui/format";
import { Failure } from "../../ui/Alert";
import { say } from "../../words/say";

type Pass = Schemas["LoggedPass"];
type Verdict = NonNullable<Pass["verdict"]>;

const KIND: Record<Pass["kind"], string> = {
  WARM_UP: say("log.warmUp"),
  CONTROLLED: say("log.controlled"),
  PROBE: say("log.measuring"),
  BURST: say("common.burst"),
  CLOSING: say("log.closing"),
};
const VERDICT: Record<Verdict, string> = { CLEAN: say("log.clean"), ROUGH: say("log.rough"), BROKE: say("log.broke") };
const TENSIONS = [0, 1, 2, 3, 4, 5];

/** Every pass of a workout and what was said of it: what was said by mistake is put right or withdrawn. */
export function Passes({ runId, passes }: { runId: number; passes: Pass[] }) {
  const [editing, setEditing] = useState<number>();
  const correct = useChange(
    ({
      place,
      ...correction
    }: {
      place: number;
      verdict: Verdict | null;
      tension: number | null;
      clean: number | null;
    }) => given(api.PUT("/api/log/{runId}/passes/{place}", { params: { path: { runId, place } }, body: correction })),
    touches.correction(runId),
  );
  if (passes.length === 0) return null;
  const heard = passes.some((pass) => pass.heard);
  return (
    <details className="mt-5">
      <summary className="min-h-8 touch:py-2.5 cursor-pointer font-semibold">
        {say("log.itsAndWhatWasSaid", {
          passes: passes.reduce((sum, pass) => sum + (pass.verdict ? pass.passes : 0), 0),
        })}
      </summary>
      <p className="mt-1 max-w-[70ch] text-soft">{say("log.whatWasSaidByMistake")}</p>
      <Failure of={correct} className="mt-2" />
      {correct.data && !correct.data.learnedAnew && (
        <p role="status" className="mt-2 text-soft">
          {say("log.putRightInTheLog")}
        </p>
      )}
      <table className="mt-2 w-full max-w-3xl text-left">
        <thead>
          <tr className="text-soft">
            {[
              "",
              say("log.kind"),
              say("log.tempo"),
              say("log.said"),
              say("log.tensionHead"),
              heard ? say("log.heard") : "",
              "",
            ].map((name, i) => (
              <th key={i} scope="col" className="py-1 pr-5 font-normal">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {passes.map((pass, i) =>
            editing === pass.place ? (
              <Editor
                key={pass.place}
                number={i + 1}
                pass={pass}
                pending={correct.isPending}
                onLeave={() => setEditing(undefined)}
                onSay={(verdict, tension, clean) =>
                  correct.mutate(
                    { place: pass.place, verdict, tension, clean },
                    { onSuccess: () => setEditing(undefined) },
                  )
                }
              />
            ) : (
              <tr key={pass.place} className="border-t border-rule">
                <td className="py-1 pr-5 font-mono text-soft">{i + 1}</td>
                <td className="pr-5">{KIND[pass.kind]}</td>
                <td className="pr-5 font-mono">{bpm(pass.tempo)}</td>
                <td className="pr-5">
                  {pass.clean !== null
                    ? say("log.ofClean", { clean: pass.clean, passes: pass.passes })
                    : pass.verdict
                      ? VERDICT[pass.verdict]
                      : say("log.nothing")}
                  {pass.edge !== null && <>, {say("log.edgeAt", { tempo: pass.edge })}</>}
                  {pass.correctedAt && (
                    <span className="text-soft">
                      {" "}
                      {say("log.putRightOn", { day: day(pass.correctedAt.slice(0, 10)) })}
                    </span>
                  )}
                </td>
                <td className="pr-5 font-mono">
                  {pass.tension ?? <span className="text-soft">{say("log.notSaid")}</span>}
                </td>
                <td className="pr-5">{pass.heard && heardOf(pass.heard)}</td>
                <td className="text-right">
                  <button
                    type="button"
                    aria-label={say("log.putPassRight", { i: i + 1 })}
                    onClick={() => setEditing(pass.place)}
                    className="min-h-9 touch:min-h-11 font-semibold text-spruce underline underline-offset-4"
                  >
                    {say("log.putRight")}
                  </button>
                </td>
              </tr>
            ),
          )}
        </tbody>
      </table>
    </details>
  );
}

/** What was measured of a pass, beside what was said. */
function heardOf({ passes, clean, verdict, evenness }: NonNullable<Pass["heard"]>) {
  const word = !verdict
    ? say("log.ofClean", { clean, passes })
    : verdict === "CANNOT_TELL"
      ? say("log.cannotTell")
      : VERDICT[verdict];
  return evenness === null ? word : say("log.heardAs", { word, share: evenness });
}

interface EditorProps {
  number: number;
  pass: Pass;
  pending: boolean;
  onLeave: () => void;
  onSay: (verdict: Verdict | null, tension: number | null, clean: number | null) => void;
}

function Editor({ number, pass, pending, onLeave, onSay }: EditorProps) {
  const set = pass.passes > 1;
  const [verdict, setVerdict] = useState<Verdict>(pass.verdict ?? "CLEAN");
  const [clean, setClean] = useState(pass.clean ?? pass.passes);
  const [tension, setTension] = useState(pass.tension);
  return (
    <tr className="border-t border-rule bg-spruce-pale/40">
      <td className="py-2 pr-5 pl-1 font-mono text-soft">{number}</td>
      <td className="pr-5">{KIND[pass.kind]}</td>
      <td className="pr-5 font-mono">{bpm(pass.tempo)}</td>
      <td className="pr-5">
        {set ? (
          <label className="flex items-center gap-2">
            <input
              type="number"
              min={0}
              max={pass.passes}
              className={`${INPUT} w-20`}
              value={Number.isNaN(clean) ? "" : clean}
              onChange={(event) => setClean(event.target.valueAsNumber)}
            />
            {say("log.ofPassesClean", { passes: pass.passes })}
          </label>
        ) : (
          <select
            aria-label={say("log.howItWent")}
            className={`${INPUT} w-auto`}
            value={verdict}
            onChange={(event) => setVerdict(event.target.value as Verdict)}
          >
            {Object.entries(VERDICT).map(([value, word]) => (
              <option key={value} value={value}>
                {word}
              </option>
            ))}
          </select>
        )}
      </td>
      <td className="pr-5">
        <select
          aria-label={say("common.tension")}
          className={`${INPUT} w-auto`}
          value={tension ?? ""}
          onChange={(event) => setTension(event.target.value === "" ? null : Number(event.target.value))}
        >
          <option value="">{say("log.notSaid")}</option>
          {TENSIONS.map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
        </select>
      </td>
      <td />
      <td className="flex flex-wrap justify-end gap-2 py-1.5">
        <Button
          disabled={pending || Number.isNaN(clean)}
          onClick={() => onSay(set ? "CLEAN" : verdict, tension, set ? clean : null)}
        >
          {say("log.sayThis")}
        </Button>
        <Button disabled={pending} onClick={() => onSay(null, tension, null)}>
          {say("log.withdraw")}
        </Button>
        <Button onClick={onLeave}>{say("common.cancel")}</Button>
      </td>
    </tr>
  );
}
