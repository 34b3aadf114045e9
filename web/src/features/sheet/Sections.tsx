import { useState } from "react";
import { Link } from "react-router";
import { api, given, type Schemas } from "../../api/client";
import { useChange } from "../../api/queries";
import { Button, KeyCap } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { TempoAxis, TempoLine } from "../passages/TempoLine";
import * as touches from "../../api/touches";
import { upTo, within } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { Failure } from "../../ui/Alert";
import { say } from "../../words/say";

type Section = Schemas["SectionDto"];
type CutWish = Schemas["CutWish"];

interface Props {
  detail: Schemas["PassageDetail"];
  /** The note at hand. */
  cursor: number | undefined;
  isOverlap: boolean;
  onOverlap: (note: number) => void;
}

/** The sections of a passage on one tempo axis, and the ways to cut it. */
export function Sections({ detail, cursor, isOverlap, onOverlap }: Props) {
  const { passage } = detail;
  const range = axis(passage);
  return (
    <section aria-label={say("sheet.sections")}>
      <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
        <h2 className="text-lg">
          {say("sheet.sectionsOneSectionSectionsSections", { sections: passage.sections.length })}
          <span className="font-normal text-soft">{say("sheet.neighboursShareOneNoteSo")}</span>
        </h2>
        <OverlapButton detail={detail} cursor={cursor} isOverlap={isOverlap} onOverlap={onOverlap} />
        <CutForm passageId={passage.id} />
      </div>
      <ul className="divide-y divide-rule border-y border-rule">
        {passage.sections.map((section) => (
          <SectionRow
            key={section.id}
            passageId={passage.id}
            section={section}
            target={passage.targetBpm}
            range={range}
          />
        ))}
      </ul>
      <TempoAxis range={range} />
    </section>
  );
}

/** By hand: the note at hand becomes an overlap, or is one no longer. */
function OverlapButton({ detail, cursor, isOverlap, onOverlap }: Props) {
  if (cursor === undefined || cursor === 0 || cursor >= detail.reading.notes - 1) {
    return <p className="text-sm text-soft">{say("sheet.chooseANoteAboveTo")}</p>;
  }
  return (
    <Button onClick={() => onOverlap(cursor)}>
      {isOverlap ? say("sheet.joinAtNote", { cursor: cursor + 1 }) : say("sheet.cutAtNote", { cursor: cursor + 1 })}{" "}
      <KeyCap>C</KeyCap>
    </Button>
  );
}

export function axis(passage: Schemas["PassageDto"]): [number, number] {
  const low = Math.min(...passage.sections.map((section) => section.estimate.comfortable.middle));
  const high = Math.max(passage.targetBpm, ...passage.sections.map((section) => section.estimate.breakdown.middle));
  return [low * 0.9, high * 1.08];
}

function SectionRow({
  passageId,
  section,
  target,
  range,
}: {
  passageId: number;
  section: Section;
  target: number;
  range: [number, number];
}) {
  const [name, setName] = useState(section.name);
  const change = useChange(
    (wish: Schemas["SectionWish"]) =>
      given(api.PUT("/api/sections/{id}", { params: { path: { id: section.id } }, body: wish })),
    touches.sections(passageId),
  );
  return (
    <li className="grid items-center gap-x-5 gap-y-2 py-3 md:grid-cols-[11rem_9rem_1fr_auto]">
      <div>
        <input
          aria-label={say("sheet.nameOf", { name: section.name })}
          value={name}
          {...upTo(RANGES.SectionWish.name)}
          dir="auto"
          onChange={(event) => setName(event.target.value)}
          onBlur={() => name.trim() && name !== section.name && change.mutate({ name, difficulty: section.difficulty })}
          className="w-full rounded-[5px] border border-transparent bg-transparent px-2 py-1.5 font-semibold hover:border-rule-strong focus:border-rule-strong focus:bg-white"
        />
        <p className="px-2 text-sm text-soft">
          {say("sheet.notes", { firstNote: section.firstNote + 1, lastNote: section.lastNote + 1 })}
        </p>
        <Failure of={change} className="text-sm" />
      </div>
      <label className="flex items-center gap-2 text-sm text-soft">
        {say("sheet.difficulty")}
        <select
          aria-label={say("sheet.difficultyOf", { name: section.name })}
          value={section.difficulty}
          onChange={(event) => change.mutate({ name: section.name, difficulty: Number(event.target.value) })}
          className={`${INPUT} !w-auto`}
        >
          {[1, 2, 3, 4, 5].map((figure) => (
            <option key={figure}>{figure}</option>
          ))}
        </select>
      </label>
      <TempoLine estimate={section.estimate} target={target} range={range} />
      <div className="flex gap-4">
        <Link to={`/ceiling/${section.id}`} className="py-2 font-semibold text-spruce underline underline-offset-4">
          {say("sheet.ceilingOf", { part: (words) => <span className="sr-only">{words}</span>, name: section.name })}
        </Link>
        <Link to={`/plan/${section.id}`} className="py-2 font-semibold text-spruce underline underline-offset-4">
          {say("sheet.plan", { part: (words) => <span className="sr-only">{words}</span>, name: section.name })}
        </Link>
      </div>
    </li>
  );
}

function CutForm({ passageId }: { passageId: number }) {
  const [kind, setKind] = useState<CutWish["kind"]>("BARS");
  const [size, setSize] = useState(1);
  const sized = kind === "BARS" || kind === "BEATS";
  const cut = useChange(
    (wish: CutWish) =>
      given(api.PUT("/api/passages/{id}/sections", { params: { path: { id: passageId } }, body: wish })),
    touches.sections(passageId),
  );
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        cut.mutate({ kind, size: sized ? size : 1, overlaps: [] });
      }}
    >
      {sized && (
        <input
          aria-label={say("sheet.howMany")}
          type="number"
          {...within(RANGES.CutWish.size)}
          value={size || ""}
          onChange={(event) => setSize(Number(event.target.value))}
          className={`${INPUT} !w-20`}
        />
      )}
      <select
        aria-label={say("sheet.cutBy")}
        value={kind}
        onChange={(event) => setKind(event.target.value as CutWish["kind"])}
        className={`${INPUT} !w-auto`}
      >
        <option value="BARS">{say("sheet.barsEach")}</option>
        <option value="BEATS">{say("sheet.beatsEach")}</option>
        <option value="PHRASES">{say("sheet.atPhraseEnds")}</option>
        <option value="RESTS">{say("sheet.atRests")}</option>
        <option value="BREATHS">{say("sheet.atBreaths")}</option>
        <option value="WHOLE">{say("sheet.wholeUncut")}</option>
      </select>
      <Button online type="submit" disabled={cut.isPending}>
        {say("sheet.cut")}
      </Button>
      <Failure of={cut} className="w-full text-sm" />
    </form>
  );
}
