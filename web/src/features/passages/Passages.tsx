import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { usePassages } from "../../api/queries";
import { ButtonLink } from "../../ui/Button";
import { day, family } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { TempoAxis, TempoLine } from "./TempoLine";
import { say } from "../../words/say";

type Passage = Schemas["PassageDto"];

/** What is being worked on, and how far each is, on one shared tempo axis. */
export default function Passages() {
  const passages = usePassages();
  if (passages.isPending) return <Waiting />;
  if (passages.isError) return <Failed error={passages.error} again={() => void passages.refetch()} />;
  const all = passages.data;
  const range = shared(all);
  return (
    <Page
      title={say("common.passages")}
      aside={
        <ButtonLink kind="main" to="/passages/new">
          {say("passages.newPassage")}
        </ButtonLink>
      }
    >
      {all.length === 0 ? (
        <p className="max-w-[56ch] py-8 text-lg text-soft">{say("passages.nothingHereYetAFew")}</p>
      ) : (
        <>
          <ul className="divide-y divide-rule border-y border-rule">
            {all.map((passage) => (
              <Row key={passage.id} passage={passage} range={range} />
            ))}
          </ul>
          <TempoAxis range={range} />
        </>
      )}
    </Page>
  );
}

function shared(passages: Passage[]): [number, number] {
  const sections = passages.flatMap((passage) => passage.sections);
  const low = Math.min(100, ...sections.map((section) => section.estimate.comfortable.middle));
  const high = Math.max(
    100,
    ...passages.map((passage) => passage.targetBpm),
    ...sections.map((section) => section.estimate.breakdown.middle),
  );
  return [low * 0.92, high * 1.06];
}

function Row({ passage, range }: { passage: Passage; range: [number, number] }) {
  const weak = passage.sections.find((section) => section.id === passage.slowestSection);
  const left = passage.daysLeft;
  return (
    <li className="grid items-center gap-x-8 gap-y-1 py-4 md:grid-cols-[minmax(14rem,20rem)_1fr_11rem]">
      <div className="min-w-0">
        <Link
          to={`/passages/${passage.id}`}
          className="touch:inline-block touch:py-2.5 text-lg font-semibold underline-offset-4 hover:underline"
          dir="auto"
        >
          {passage.title}
        </Link>
        <p className="text-sm text-soft">
          {family(passage.instrument)}
          {weak && passage.sections.length > 1 && say("passages.heldBackBy", { name: weak.name })}
        </p>
      </div>
      {weak ? <TempoLine estimate={weak.estimate} target={passage.targetBpm} range={range} /> : <span />}
      <p className="text-sm text-soft md:text-right">
        {left === null
          ? say("passages.noDate")
          : left < 0
            ? say("passages.dateGoneBy")
            : left === 0
              ? say("passages.today")
              : say("passages.left", { left })}
        <br />
        {passage.lastPlayed ? say("passages.played", { day: day(passage.lastPlayed) }) : say("passages.notPlayedYet")}
      </p>
    </li>
  );
}
