import { Link, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useCeilingTest } from "../../api/queries";
import { ButtonLink } from "../../ui/Button";
import { bpm, called, day, longDay } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { Picture } from "../../ui/Picture";
import { Figures, give } from "./Figures";
import { Success } from "./Success";

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
          <Link to={`/ceiling/${view.sectionId}`} className="underline-offset-4 hover:underline">
            {called(view.passage, view.section)}
          </Link>{" "}
          · ceiling test of {longDay(view.day)}
        </>
      }
      title={`Clean up to ${bpm(ceiling.middle)}, give or take ${give(ceiling)}`}
      aside={
        <ButtonLink kind="main" to={`/plan/${view.sectionId}`}>
          Plan a workout
        </ButtonLink>
      }
    >
      <p className="max-w-[80ch]">
        It breaks every other time at {bpm(breakdown.middle)}. By {view.passes.length}{" "}
        {view.passes.length === 1 ? "pass" : "passes"}, the true ceiling lies between {bpm(ceiling.low)} and{" "}
        {bpm(ceiling.high)} with a chance of 4 in 5. {changed(view)}
      </p>
      <div className="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <Picture title="How often it is clean" file="ceiling-test" rows={rows(view)}>
          <Success estimate={view.estimate} curve={view.curve} tries={tries(view.passes)} target={view.targetBpm} />
          <p className="text-sm text-soft">
            Filled: clean. Ring: rough. Cross: broke. The curve is what is believed with all that was played before.
          </p>
        </Picture>
        <section className="min-w-0">
          <h2 className="mb-1">Pass by pass</h2>
          <ol className="columns-1 gap-10 sm:columns-2">
            {view.passes.map((pass, i) => (
              <li key={i} className="flex gap-3 border-b border-rule py-1.5">
                <span className="w-6 text-soft">{i + 1}</span>
                <span className="w-10 font-mono font-semibold">{bpm(pass.tempo)}</span>
                <span className="mr-auto">{pass.verdict ? WORD[pass.verdict] : "left"}</span>
                <span className="text-soft">tension {pass.tension}</span>
              </li>
            ))}
          </ol>
        </section>
      </div>
      <Figures estimate={view.estimate} bursts={view.bursts} />
    </Page>
  );
}

const WORD = { CLEAN: "clean", ROUGH: "rough", BROKE: "broke" } as const;

function changed({ estimate, before }: Test) {
  if (!before) return "It is the first test of this section.";
  const by = Math.round(estimate.ceiling.middle) - Math.round(before.estimate.ceiling.middle);
  const within = by === 0 ? "as high as" : by > 0 ? `${by} higher than` : `${-by} lower than`;
  return `That is ${within} in the test of ${day(before.day)}, ${bpm(before.estimate.ceiling.middle)} ± ${give(before.estimate.ceiling)}.`;
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
    heads: ["pass", "tempo", "how", "tension"],
    lines: passes.map((pass, i) => [i + 1, bpm(pass.tempo), pass.verdict ? WORD[pass.verdict] : "left", pass.tension]),
  };
}
