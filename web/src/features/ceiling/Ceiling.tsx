import { Navigate, useNavigate, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useCeiling, usePassages } from "../../api/queries";
import { ButtonLink } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { bpm, day, called } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { History } from "./History";
import { Success } from "./Success";

/** How fast it really is, and since when. */
export default function Ceiling() {
  const { pieceId } = useParams();
  const passages = usePassages();
  if (passages.isPending) return <Waiting />;
  if (passages.isError) return <Failed error={passages.error} again={() => void passages.refetch()} />;
  const pieces = passages.data.flatMap((passage) =>
    passage.pieces.map((piece) => ({
      ...piece,
      label: called(passage.title, piece.whole ? "" : piece.name),
    })),
  );
  if (pieces.length === 0) {
    return (
      <Page title="Ceiling">
        <p className="max-w-[56ch] py-8 text-lg text-soft">
          A ceiling belongs to a piece. Give a passage first; every pass you judge then moves it.
        </p>
        <ButtonLink kind="main" to="/start">
          Give a passage
        </ButtonLink>
      </Page>
    );
  }
  if (!pieceId) {
    const latest = [...pieces].sort((a, b) => (b.lastPlayed ?? "").localeCompare(a.lastPlayed ?? ""))[0]!;
    return <Navigate to={`/ceiling/${latest.id}`} replace />;
  }
  return <OfPiece id={Number(pieceId)} pieces={pieces} />;
}

function OfPiece({ id, pieces }: { id: number; pieces: { id: number; label: string }[] }) {
  const ceiling = useCeiling(id);
  const navigate = useNavigate();
  if (ceiling.isPending) return <Waiting />;
  if (ceiling.isError) return <Failed error={ceiling.error} again={() => void ceiling.refetch()} />;
  const view = ceiling.data;
  const { estimate } = view;
  return (
    <Page
      title={headline(estimate)}
      above={
        <label>
          <span className="sr-only">Piece</span>
          <select
            value={id}
            onChange={(event) => void navigate(`/ceiling/${event.target.value}`)}
            className={`${INPUT} !w-auto max-w-full !bg-transparent`}
          >
            {pieces.map((piece) => (
              <option key={piece.id} value={piece.id}>
                {piece.label}
              </option>
            ))}
          </select>
        </label>
      }
      aside={
        <ButtonLink kind="main" to={`/plan/${id}`}>
          Plan a workout
        </ButtonLink>
      }
    >
      <p className="mb-6 max-w-[70ch]">{underline(view)}</p>
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <section className="min-w-0">
          <h2 className="mb-1">How often it is clean</h2>
          <Success view={view} />
        </section>
        <section className="min-w-0">
          <h2 className="mb-1">The ceiling over time</h2>
          <History view={view} />
        </section>
      </div>
      <dl className="mt-6 grid gap-x-10 gap-y-4 border-t border-rule pt-5 sm:grid-cols-2 lg:grid-cols-4">
        <Tempo name="Ease" band={estimate.ease} meaning="Clean 19 times in 20, and not tense." />
        <Tempo name="Ceiling" band={estimate.ceiling} meaning="Clean 4 times in 5." />
        <Tempo name="Breakdown" band={estimate.breakdown} meaning="Lost every other time." />
        <div>
          <dt className="font-semibold">The edge of tension</dt>
          <dd>
            <span className="text-2xl font-bold">{view.tensionEdge === null ? "–" : bpm(view.tensionEdge)}</span>
            <span className="block text-sm text-soft">
              {view.tensionEdge === null ? "Not felt yet, or not known." : "Where tension reaches 3."}
            </span>
          </dd>
        </div>
      </dl>
    </Page>
  );
}

function headline(estimate: Schemas["EstimateDto"]) {
  const { ceiling } = estimate;
  return estimate.enoughEvidence
    ? `Clean up to ${bpm(ceiling.middle)}, give or take ${Math.round((ceiling.high - ceiling.low) / 2)}`
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

function Tempo({ name, band, meaning }: { name: string; band: Schemas["BandDto"]; meaning: string }) {
  return (
    <div>
      <dt className="font-semibold">{name}</dt>
      <dd>
        <span className="text-2xl font-bold">{bpm(band.middle)}</span>{" "}
        <span className="text-soft">
          {bpm(band.low)} to {bpm(band.high)}
        </span>
        <span className="block text-sm text-soft">{meaning}</span>
      </dd>
    </div>
  );
}
