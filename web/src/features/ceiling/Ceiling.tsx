import { Link, Navigate, useNavigate, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useCeiling, usePassages } from "../../api/queries";
import { Button, ButtonLink } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { bpm, called, day, oneDecimal, unbroken } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { Picture } from "../../ui/Picture";
import { TempoLine } from "../passages/TempoLine";
import { useBeginMethod } from "../run/useBegin";
import { Figures, give } from "./Figures";
import { History, historyRows } from "./History";
import { Success, successRows } from "./Success";
import { Failure } from "../../ui/Alert";

/** How fast it really is, and since when. */
export default function Ceiling() {
  const { sectionId } = useParams();
  const passages = usePassages();
  if (passages.isPending) return <Waiting />;
  if (passages.isError) return <Failed error={passages.error} again={() => void passages.refetch()} />;
  const sections = passages.data.flatMap((passage) =>
    passage.sections.map((section) => ({
      ...section,
      label: called(passage.title, section.whole ? "" : section.name),
    })),
  );
  if (sections.length === 0) {
    return (
      <Page title="Ceiling">
        <p className="max-w-[56ch] py-8 text-lg text-soft">
          A ceiling belongs to a section. Give a passage first; every pass you judge then moves it.
        </p>
        <ButtonLink kind="main" to="/start">
          Give a passage
        </ButtonLink>
      </Page>
    );
  }
  if (!sectionId) {
    const latest = [...sections].sort((a, b) => (b.lastPlayed ?? "").localeCompare(a.lastPlayed ?? ""))[0]!;
    return <Navigate to={`/ceiling/${latest.id}`} replace />;
  }
  return <OfSection id={Number(sectionId)} sections={sections} />;
}

function OfSection({ id, sections }: { id: number; sections: { id: number; label: string }[] }) {
  const ceiling = useCeiling(id);
  const navigate = useNavigate();
  const begin = useBeginMethod();
  if (ceiling.isPending) return <Waiting />;
  if (ceiling.isError) return <Failed error={ceiling.error} again={() => void ceiling.refetch()} />;
  const view = ceiling.data;
  const { estimate } = view;
  return (
    <Page
      title={headline(estimate)}
      above={
        <label>
          <span className="sr-only">Section</span>
          <select
            value={id}
            onChange={(event) => void navigate(`/ceiling/${event.target.value}`)}
            className={`${INPUT} !w-auto max-w-full !bg-transparent`}
          >
            {sections.map((section) => (
              <option key={section.id} value={section.id}>
                {section.label}
              </option>
            ))}
          </select>
        </label>
      }
      aside={
        <div className="flex flex-wrap gap-3">
          <Button
            disabled={begin.isPending}
            onClick={() => begin.mutate({ sectionId: id, school: "CEILING_TEST" })}
            className={view.measure ? "border-brass-deep" : ""}
          >
            Measure the ceiling
          </Button>
          <ButtonLink kind="main" to={`/plan/${id}`}>
            Plan a workout
          </ButtonLink>
        </div>
      }
    >
      <Failure of={begin} className="mb-3 font-semibold" />
      <p className="max-w-[80ch]">
        {underline(view)} {view.measure}
      </p>
      <Outlook view={view} />
      {view.awkward.map((band) => (
        <p
          key={band.from}
          className="mt-3 flex max-w-[80ch] flex-wrap items-center gap-x-3 border-l-2 border-danger pl-3"
        >
          <span>
            You miss more between {bpm(band.from)} and {bpm(band.to)} BPM than just above: clean {percent(band.clean)}{" "}
            there, {percent(band.cleanAbove)} above. Movement may change its kind here.
          </span>
          <Button
            kind="quiet"
            disabled={begin.isPending}
            onClick={() => begin.mutate({ sectionId: id, school: "NARROW_STEPS" })}
          >
            Cross it in narrow steps
          </Button>
        </p>
      ))}
      <div className="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <Picture title="How often it is clean" file="clean-passes" rows={successRows(view.tries)}>
          <Success
            estimate={estimate}
            curve={view.curve}
            tries={view.tries}
            target={view.targetBpm}
            awkward={view.awkward}
          />
          <p className="text-sm text-soft">
            {view.tries.length === 0
              ? "No passes yet: the curve is what the first guess says."
              : `Every pass of the last ${view.triesDays} days: filled clean, ring rough, cross broke; diamonds are bursts.`}
          </p>
        </Picture>
        <Picture title="The ceiling over time" file="ceiling" rows={historyRows(view)}>
          <History view={view} />
        </Picture>
      </div>
      <Figures estimate={estimate} bursts={view.bursts}>
        <div>
          <dt className="font-semibold">The edge of tension</dt>
          <dd>
            <span className="text-2xl font-bold">{view.tensionEdge === null ? "–" : bpm(view.tensionEdge)}</span>
            <span className="block text-sm text-soft">
              {view.tensionEdge === null ? "Not felt yet, or not known." : "Where tension reaches 3."}
            </span>
          </dd>
        </div>
      </Figures>
      {view.tests.length > 0 && <Tests tests={view.tests} />}
      {view.whole.parts.length > 1 && <Whole view={view} />}
      {view.articulations.length > 0 && <Articulations view={view} />}
    </Page>
  );
}

/** What the days so far say of the date; nothing while they are too few. */
function Outlook({ view }: { view: Schemas["CeilingView"] }) {
  const { forecast } = view;
  if (!forecast) return null;
  const gain = `${forecast.weeklyGain >= 0 ? "+" : "−"}${oneDecimal(Math.abs(100 * forecast.weeklyGain))}% a week`;
  if (forecast.chance === null || forecast.prospect === null) {
    return (
      <p className="mt-1 max-w-[80ch]">
        At this pace, {gain}:{" "}
        {forecast.likelyOn
          ? `the target is likely by ${date(forecast.likelyOn)}.`
          : "the target is not in sight within two years."}
      </p>
    );
  }
  const ways = [
    forecast.likelyOn && `by ${date(forecast.likelyOn)}`,
    `${bpm(forecast.likelyTempo)} by then`,
    forecast.timesThePractice !== null &&
      `with about ${oneDecimal(forecast.timesThePractice)} times the practice, as a rule of thumb`,
  ].filter(Boolean);
  return (
    <p className="mt-1 max-w-[80ch]">
      <b className={PROSPECT[forecast.prospect].looks}>{PROSPECT[forecast.prospect].title}</b>:{" "}
      {inWords(forecast.chance)} for {bpm(view.targetBpm)} by {date(view.neededOn!)} at this pace, {gain}.
      {forecast.prospect !== "ON_COURSE" && ` Likely would be: ${ways.join("; or ")}.`}
    </p>
  );
}

const PROSPECT = {
  ON_COURSE: { title: "On course", looks: "text-spruce" },
  BEHIND: { title: "Behind", looks: "text-brass-deep" },
  UNLIKELY: { title: "Unlikely", looks: "text-danger" },
} as const;

const date = (iso: string) => day(iso, { day: "numeric", month: "long" });
const percent = (share: number) => `${Math.round(100 * share)}%`;

/** A chance as one says it. */
function inWords(chance: number) {
  if (chance > 0.97) return "almost certain";
  if (chance < 0.03) return "hardly any chance";
  return `about ${Math.round(chance * 10) || 1} in 10`;
}

function Tests({ tests }: { tests: Schemas["TestDto"][] }) {
  return (
    <section className="mt-6 border-t border-rule pt-4">
      <h2 className="mb-1.5">Ceiling tests</h2>
      <ul className="flex flex-wrap gap-x-8 gap-y-1">
        {tests.slice(0, 8).map((test) => (
          <li key={test.runId}>
            <Link to={`/ceiling/test/${test.runId}`} className="text-spruce underline underline-offset-4">
              {day(test.day)}
            </Link>
            : {bpm(test.estimate.ceiling.middle)} ± {give(test.estimate.ceiling)}, {test.passes} passes
          </li>
        ))}
      </ul>
    </section>
  );
}

/** All parts of the passage, and what holds the whole back. */
function Whole({ view }: { view: Schemas["CeilingView"] }) {
  const { whole } = view;
  const weakest = whole.parts.find((part) => part.sectionId === whole.weakest);
  const tempos = whole.parts.flatMap(({ estimate }) => [estimate.comfortable.middle, estimate.breakdown.middle]);
  const range: [number, number] = [Math.min(...tempos) * 0.96, Math.max(...tempos, view.targetBpm) * 1.04];
  return (
    <section className="mt-6 border-t border-rule pt-4">
      <h2>The whole passage may run at {bpm(whole.tempo)}</h2>
      <p className="mb-3 max-w-[70ch] text-soft">
        There all its parts are clean one after another 4 times in 5.
        {weakest && ` Held back by ${unbroken(weakest.name)}.`}
      </p>
      <ul className="grid gap-x-12 lg:grid-cols-2">
        {whole.parts.map((part) => (
          <li key={part.sectionId} className="grid grid-cols-[8rem_1fr] items-center gap-3 border-t border-rule">
            <Link
              to={`/ceiling/${part.sectionId}`}
              aria-current={part.sectionId === view.sectionId ? "page" : undefined}
              className={`underline-offset-4 hover:underline ${part.sectionId === view.sectionId ? "font-bold" : ""}`}
            >
              {unbroken(part.name || "all of it")}
              {!part.cut && <span className="block text-sm text-soft">on its own</span>}
            </Link>
            <TempoLine estimate={part.estimate} target={view.targetBpm} range={range} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How fast it is in the articulations that it was played in. */
function Articulations({ view }: { view: Schemas["CeilingView"] }) {
  const tempos = [view, ...view.articulations].flatMap(({ estimate }) => [
    estimate.comfortable.middle,
    estimate.breakdown.middle,
  ]);
  const range: [number, number] = [Math.min(...tempos) * 0.96, Math.max(...tempos, view.targetBpm) * 1.04];
  return (
    <section className="mt-6 border-t border-rule pt-4">
      <h2>In other articulations</h2>
      <p className="mb-3 max-w-[70ch] text-soft">
        An articulation uses the hand otherwise, so it has a ceiling of its own, by the last passes in it.
      </p>
      <ul className="grid gap-x-12 lg:grid-cols-2">
        {view.articulations.map((articulation) => (
          <li key={articulation.name} className="grid grid-cols-[8rem_1fr] items-center gap-3 border-t border-rule">
            <span dir="auto">
              {articulation.name}
              <span className="block text-sm text-soft">
                {articulation.estimate.enoughEvidence
                  ? `${bpm(articulation.estimate.ceiling.middle)} ± ${give(articulation.estimate.ceiling)}`
                  : `not enough yet, ${articulation.passes} ${articulation.passes === 1 ? "pass" : "passes"}`}
              </span>
            </span>
            <TempoLine estimate={articulation.estimate} target={view.targetBpm} range={range} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function headline(estimate: Schemas["EstimateDto"]) {
  const { ceiling } = estimate;
  return estimate.enoughEvidence
    ? `Clean up to ${bpm(ceiling.middle)}, give or take ${give(ceiling)}`
    : `Not enough evidence yet; about ${bpm(ceiling.middle)}`;
}

function underline(view: Schemas["CeilingView"]) {
  const { ceiling } = view.estimate;
  const short = Math.round((1 - ceiling.middle / view.targetBpm) * 100);
  const gap =
    short > 0 ? `${short}% below the target of ${bpm(view.targetBpm)}` : `at the target of ${bpm(view.targetBpm)}`;
  const date = view.neededOn ? `, needed by ${day(view.neededOn, { day: "numeric", month: "long" })}` : "";
  const sure = view.estimate.enoughEvidence
    ? ""
    : ` It may lie anywhere from ${bpm(ceiling.low)} to ${bpm(ceiling.high)}; a few workouts will tell.`;
  return `That is ${gap}${date}.${sure}`;
}
