import { Link, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useCeilingTest } from "../../api/queries";
import { ButtonLink } from "../../ui/Button";
import { bpm, called, day, longDay } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { Picture } from "../../ui/Picture";
import { Figures, give } from "./Figures";
import { Success } from "./Success";
import { say } from "../../words/say";

type Test = Schemas["TestView"];

/** What a ceiling test found, to be looked at with a teacher. */
export default function TestResult() {
  const test = useCeilingTest(Number(useParams().runId));
  if (test.isPending) return <Waiting />;
  if (test.isError) return <Failed error={test.error} again={() => void test.refetch()} />;
  const view = test.data;
  const { ceiling, breakdown } = view.estimate;
  return (
    <Page
      above={
        <>
          {say("ceiling.ceilingTestOf", {
            link: (words) => (
              <Link
                to={`/ceiling/${view.sectionId}`}
                className="touch:inline-block touch:py-3 underline-offset-4 hover:underline"
              >
                {words}
              </Link>
            ),
            section: called(view.passage, view.section),
            day: longDay(view.day),
          })}
        </>
      }
      title={say("ceiling.cleanUpToGiveOr", { ceiling: bpm(ceiling.middle), give: give(ceiling) })}
      aside={
        <ButtonLink kind="main" to={`/plan/${view.sectionId}`}>
          {say("ceiling.planAWorkout")}
        </ButtonLink>
      }
    >
      <p className="max-w-[80ch]">
        {say("ceiling.itBreaksEveryOtherTime", {
          breakdown: bpm(breakdown.middle),
          passes: view.passes.length,
          low: bpm(ceiling.low),
          high: bpm(ceiling.high),
          changed: changed(view),
        })}
      </p>
      <p className="mt-2 max-w-[80ch]">
        {say("ceiling.todayAndUsual", {
          today: Math.round(view.today.middle),
          give: give(view.today),
          usual: Math.round(ceiling.middle),
          giveUsual: give(ceiling),
        })}
      </p>
      <div className="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <Picture title={say("ceiling.howOftenItIsClean")} file="ceiling-test" rows={rows(view)}>
          <Success estimate={view.estimate} curve={view.curve} tries={tries(view.passes)} target={view.targetBpm} />
          <p className="text-sm text-soft">{say("ceiling.filledCleanRingRoughCross")}</p>
        </Picture>
        <section className="min-w-0">
          <h2 className="mb-1">{say("ceiling.passByPass")}</h2>
          <ol className="columns-1 gap-10 sm:columns-2">
            {view.passes.map((pass, i) => (
              <li key={i} className="flex gap-3 border-b border-rule py-1.5">
                <span className="w-6 text-soft">{i + 1}</span>
                <span className="w-10 font-mono font-semibold">{bpm(pass.tempo)}</span>
                <span className="mr-auto">{pass.verdict ? say(`verdict.${pass.verdict}`) : say("ceiling.left")}</span>
                <span className="text-soft">{say("ceiling.tension", { tension: pass.tension })}</span>
              </li>
            ))}
          </ol>
        </section>
      </div>
      <Figures estimate={view.estimate} bursts={view.bursts} />
    </Page>
  );
}

function changed({ estimate, before }: Test) {
  if (!before) return say("ceiling.itIsTheFirstTest");
  const by = Math.round(estimate.ceiling.middle) - Math.round(before.estimate.ceiling.middle);
  const within =
    by === 0
      ? say("ceiling.asHighAs")
      : by > 0
        ? say("ceiling.higherThan", { by })
        : say("ceiling.lowerThan", { by: -by });
  return say("ceiling.thatIsInTheTest", {
    within,
    day: day(before.day),
    ceiling: bpm(before.estimate.ceiling.middle),
    ceiling2: give(before.estimate.ceiling),
  });
}

/** The passes by tempo, as the picture takes them. */
function tries(passes: Test["passes"]): Schemas["TryDto"][] {
  const byTempo = new Map<number, Schemas["TryDto"]>();
  for (const pass of passes) {
    const tried = byTempo.get(pass.tempo) ?? { tempo: pass.tempo, kind: "PROBE", clean: 0, rough: 0, broke: 0 };
    byTempo.set(pass.tempo, {
      ...tried,
      clean: tried.clean + (pass.verdict === "CLEAN" ? 1 : 0),
      rough: tried.rough + (pass.verdict === "ROUGH" ? 1 : 0),
      broke: tried.broke + (pass.verdict === "BROKE" ? 1 : 0),
    });
  }
  return [...byTempo.values()];
}

function rows({ passes }: Test) {
  return {
    heads: [say("ceiling.pass"), say("ceiling.tempo"), say("ceiling.how"), say("ceiling.tensionHead")],
    lines: passes.map((pass, i) => [
      i + 1,
      bpm(pass.tempo),
      pass.verdict ? say(`verdict.${pass.verdict}`) : say("ceiling.left"),
      pass.tension,
    ]),
  };
}
