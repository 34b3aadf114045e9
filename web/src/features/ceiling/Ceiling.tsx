import { Link, Navigate, useNavigate, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useCeiling, useEvenUpTo, usePassages } from "../../api/queries";
import { Button, ButtonLink } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { bpm, called, day, oneDecimal, unbroken } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { Picture } from "../../ui/Picture";
import { TempoLine } from "../passages/TempoLine";
import { useBeginMethod } from "../run/useBegin";
import { Doubt } from "./Doubt";
import { Figures, give } from "./Figures";
import { History, historyRows } from "./History";
import { Success, successRows } from "./Success";
import { Failure } from "../../ui/Alert";
import { locale, say } from "../../words/say";

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
      <Page title={say("ceiling.ceiling")}>
        <p className="max-w-[56ch] py-8 text-lg text-soft">{say("ceiling.aCeilingBelongsToA")}</p>
        <ButtonLink kind="main" to="/start">
          {say("ceiling.giveAPassage")}
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

/** Up to which tempo a microphone has heard it even; nothing where none has. */
function EvenUpTo({ sectionId }: { sectionId: number }) {
  const { data } = useEvenUpTo(sectionId);
  if (!data || data.tempo === null) return null;
  return (
    <div>
      <dt className="font-semibold">{say("ceiling.evenUpTo")}</dt>
      <dd>
        <span className="text-2xl font-bold">{bpm(data.tempo)}</span>
        <span className="block text-sm text-soft">{say("ceiling.measuredClean", { days: data.days })}</span>
      </dd>
    </div>
  );
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
          <span className="sr-only">{say("ceiling.section")}</span>
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
            onClick={() => begin.begin({ sectionId: id, school: "CEILING_TEST" })}
            className={view.measure.code ? "border-brass-deep" : ""}
          >
            {say("ceiling.measureTheCeiling")}
          </Button>
          <ButtonLink kind="main" to={`/plan/${id}`}>
            {say("ceiling.planAWorkout")}
          </ButtonLink>
        </div>
      }
    >
      <Failure of={begin} className="mb-3 font-semibold" />
      {begin.ask}
      {view.doubted !== null && <Doubt sectionId={id} doubted={view.doubted} />}
      <p className="max-w-[80ch]">
        {underline(view)} {say(view.form)} {say(view.measure)}
      </p>
      <Outlook view={view} />
      {view.awkward.map((band) => (
        <p
          key={band.from}
          className="mt-3 flex max-w-[80ch] flex-wrap items-center gap-x-3 border-l-2 border-danger pl-3"
        >
          <span>
            {say("ceiling.youMissMoreBetweenAnd", {
              from: bpm(band.from),
              to: bpm(band.to),
              clean: percent(band.clean),
              cleanAbove: percent(band.cleanAbove),
            })}
          </span>
          <Button
            kind="quiet"
            disabled={begin.isPending}
            onClick={() => begin.begin({ sectionId: id, school: "NARROW_STEPS" })}
          >
            {say("ceiling.crossItInNarrowSteps")}
          </Button>
        </p>
      ))}
      <div className="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <Picture title={say("ceiling.howOftenItIsClean")} file="clean-passes" rows={successRows(view.tries)}>
          <Success
            estimate={estimate}
            curve={view.curve}
            tries={view.tries}
            target={view.targetBpm}
            awkward={view.awkward}
          />
          <p className="text-sm text-soft">
            {view.tries.length === 0
              ? say("ceiling.noPassesYetTheCurve")
              : say("ceiling.everyPassOfTheLast", { triesDays: view.triesDays })}
          </p>
        </Picture>
        <Picture title={say("ceiling.theCeilingOverTime")} file="ceiling" rows={historyRows(view)}>
          <History view={view} />
        </Picture>
      </div>
      <Figures estimate={estimate} bursts={view.bursts}>
        <div>
          <dt className="font-semibold">{say("ceiling.theEdgeOfTension")}</dt>
          <dd>
            <span className="text-2xl font-bold">{view.tensionEdge === null ? "–" : bpm(view.tensionEdge)}</span>
            <span className="block text-sm text-soft">
              {view.tensionEdge === null ? say("ceiling.notFeltYetOrNot") : say("ceiling.whereTensionReaches3")}
            </span>
          </dd>
        </div>
        <EvenUpTo sectionId={id} />
      </Figures>
      {view.tests.length > 0 && <Tests tests={view.tests} />}
      {view.whole.parts.length > 1 && <Whole view={view} />}
      {view.articulations.length > 0 && <Articulations view={view} />}
      <p className="mt-6 border-t border-rule pt-4">
        <Link to="/learned" className="font-semibold text-spruce underline underline-offset-4">
          {say("learned.title")}
        </Link>
      </p>
    </Page>
  );
}

/** What the days so far say of the date; nothing while they are too few. */
function Outlook({ view }: { view: Schemas["CeilingView"] }) {
  const { forecast } = view;
  if (!forecast) return null;
  const gain = say("ceiling.aWeek", {
    weeklyGain: forecast.weeklyGain >= 0 ? "+" : "−",
    oneDecimal: oneDecimal(Math.abs(100 * forecast.weeklyGain)),
  });
  if (forecast.chance === null || forecast.prospect === null) {
    return (
      <p className="mt-1 max-w-[80ch]">
        {say("ceiling.atThisPace", {
          gain,
          likelyOnIs: forecast.likelyOn ? "yes" : "no",
          likelyOn: forecast.likelyOn && date(forecast.likelyOn),
        })}
      </p>
    );
  }
  const prospect = PROSPECT[forecast.prospect];
  const ways = [
    forecast.likelyOn && say("ceiling.by", { day: date(forecast.likelyOn) }),
    say("ceiling.byThen", { likelyTempo: bpm(forecast.likelyTempo) }),
    forecast.timesThePractice !== null &&
      say("ceiling.withAboutTimesThePractice", { timesThePractice: oneDecimal(forecast.timesThePractice) }),
  ].filter((way): way is string => Boolean(way));
  return (
    <p className="mt-1 max-w-[80ch]">
      {say("ceiling.forByAtThisPace", {
        b: (words) => <b className={prospect.looks}>{words}</b>,
        title: prospect.title,
        chance: inWords(forecast.chance),
        targetBpm: bpm(view.targetBpm),
        neededOn: date(view.neededOn!),
        gain,
        prospectIs: forecast.prospect !== "ON_COURSE" ? "yes" : "no",
        ways: new Intl.ListFormat(locale(), { type: "disjunction" }).format(ways),
      })}
    </p>
  );
}

const PROSPECT = {
  ON_COURSE: { title: say("ceiling.onCourse"), looks: "text-spruce" },
  BEHIND: { title: say("ceiling.behind"), looks: "text-brass-deep" },
  UNLIKELY: { title: say("ceiling.unlikely"), looks: "text-danger" },
} as const;

const date = (iso: string) => day(iso, { day: "numeric", month: "long" });
const percent = (share: number) => `${Math.round(100 * share)}%`;

/** A chance as one says it. */
function inWords(chance: number) {
  if (chance > 0.97) return say("ceiling.almostCertain");
  if (chance < 0.03) return say("ceiling.hardlyAnyChance");
  return say("ceiling.inTen", { tenths: Math.round(chance * 10) || 1 });
}

function Tests({ tests }: { tests: Schemas["TestDto"][] }) {
  return (
    <section className="mt-6 border-t border-rule pt-4">
      <h2 className="mb-1.5">{say("ceiling.ceilingTests")}</h2>
      <ul className="flex flex-wrap gap-x-8 gap-y-1">
        {tests.slice(0, 8).map((test) => (
          <li key={test.runId}>
            {say("ceiling.passes", {
              link: (words) => (
                <Link
                  to={`/ceiling/test/${test.runId}`}
                  className="touch:inline-block touch:py-3 text-spruce underline underline-offset-4"
                >
                  {words}
                </Link>
              ),
              day: day(test.day),
              ceiling: bpm(test.estimate.ceiling.middle),
              ceiling2: give(test.estimate.ceiling),
              passes: test.passes,
            })}
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
      <h2>{say("ceiling.theWholePassageMayRun", { tempo: bpm(whole.tempo) })}</h2>
      <p className="mb-3 max-w-[70ch] text-soft">
        {say("ceiling.thereAllItsPartsAre", {
          weakestIs: weakest ? "yes" : "no",
          name: weakest && unbroken(weakest.name),
        })}
      </p>
      <ul className="grid gap-x-12 lg:grid-cols-2">
        {whole.parts.map((part) => (
          <li key={part.sectionId} className="grid grid-cols-[8rem_1fr] items-center gap-3 border-t border-rule">
            <Link
              to={`/ceiling/${part.sectionId}`}
              aria-current={part.sectionId === view.sectionId ? "page" : undefined}
              className={`touch:inline-block touch:py-2.5 underline-offset-4 hover:underline ${part.sectionId === view.sectionId ? "font-bold" : ""}`}
            >
              {unbroken(part.name || say("ceiling.allOfIt"))}
              {!part.cut && <span className="block text-sm text-soft">{say("ceiling.onItsOwn")}</span>}
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
      <h2>{say("ceiling.inOtherArticulations")}</h2>
      <p className="mb-3 max-w-[70ch] text-soft">{say("ceiling.anArticulationUsesTheHand")}</p>
      <ul className="grid gap-x-12 lg:grid-cols-2">
        {view.articulations.map((articulation) => (
          <li key={articulation.name} className="grid grid-cols-[8rem_1fr] items-center gap-3 border-t border-rule">
            <span dir="auto">
              {articulation.name}
              <span className="block text-sm text-soft">
                {articulation.estimate.enoughEvidence
                  ? `${bpm(articulation.estimate.ceiling.middle)} ± ${give(articulation.estimate.ceiling)}`
                  : say("ceiling.notEnoughYet", { passes: articulation.passes })}
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
    ? say("ceiling.cleanUpToGiveOr", { ceiling: bpm(ceiling.middle), give: give(ceiling) })
    : say("ceiling.notEnoughEvidenceYetAbout", { ceiling: bpm(ceiling.middle) });
}

function underline(view: Schemas["CeilingView"]) {
  const { ceiling } = view.estimate;
  const short = Math.round((1 - ceiling.middle / view.targetBpm) * 100);
  const gap =
    short > 0
      ? say("ceiling.belowTheTargetOf", { short, targetBpm: bpm(view.targetBpm) })
      : say("ceiling.atTheTargetOf", { targetBpm: bpm(view.targetBpm) });
  const date = view.neededOn
    ? say("ceiling.neededBy", { neededOn: day(view.neededOn, { day: "numeric", month: "long" }) })
    : "";
  const sure = view.estimate.enoughEvidence
    ? ""
    : say("ceiling.itMayLieAnywhereFrom", { low: bpm(ceiling.low), high: bpm(ceiling.high) });
  return say("ceiling.thatIs", { gap, date, sure });
}
