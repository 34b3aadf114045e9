import { Plus } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { usePracticeSheet, useSheet } from "../../api/queries";
import { Button } from "../../ui/Button";
import { INPUT, Labelled } from "../../ui/Field";
import { called } from "../../ui/format";
import { type Block, added } from "./blocks";
import { say } from "../../words/say";

interface Props {
  view: Schemas["PlanView"];
  onChange: (blocks: Block[]) => void;
}

/** What can be put into a workout, each with the part of it that it is. */
const KINDS = [
  { part: "PREPARE", name: say("plan.slowInAVariationOr"), seconds: 180 },
  { part: "CORE", name: say("plan.aMethod"), seconds: 360 },
  { part: "PERFORM", name: say("plan.aPerformanceRun"), seconds: 240, school: "PERFORMANCE_RUN" },
  { part: "STUDY", name: say("plan.aStudyCard"), seconds: 240, school: "STUDY_CARD" },
] as const;

/** One more block: of which section, in which variation, by which method. */
export function AddBlock({ view, onChange }: Props) {
  const [kind, setKind] = useState(0);
  const [theme, setTheme] = useState(0);
  const [variation, setVariation] = useState("");
  const [school, setSchool] = useState<Block["school"]>("GROWING_BURSTS");
  const wanted = KINDS[kind]!;
  const takesVariation = wanted.part === "PREPARE" || wanted.part === "CORE";
  const section = view.sections[theme] ?? view.sections[0]!;
  const add = () =>
    onChange(
      added(view.wish.blocks, {
        part: wanted.part,
        theme: Math.min(theme, view.sections.length - 1),
        variation: takesVariation ? variation : "",
        seconds: wanted.seconds,
        school: "school" in wanted ? wanted.school : wanted.part === "CORE" ? school : view.wish.school,
        own: true,
        setting: null,
      }),
    );
  return (
    <fieldset className="mt-4 flex flex-wrap items-end gap-3">
      <legend className="mb-1.5 font-semibold">{say("plan.putInAnotherBlock")}</legend>
      <Labelled label={say("plan.what")}>
        {({ id }) => (
          <select id={id} className={INPUT} value={kind} onChange={(event) => setKind(Number(event.target.value))}>
            {KINDS.map(({ name }, i) => (
              <option key={name} value={i}>
                {name}
              </option>
            ))}
          </select>
        )}
      </Labelled>
      {view.sections.length > 1 && (
        <Labelled label={say("plan.of")}>
          {({ id }) => (
            <select id={id} className={INPUT} value={theme} onChange={(event) => setTheme(Number(event.target.value))}>
              {view.sections.map((one, i) => (
                <option key={one.id} value={i}>
                  {called(one.passage, one.section)}
                </option>
              ))}
            </select>
          )}
        </Labelled>
      )}
      {takesVariation && <Variation section={section} value={variation} onChange={setVariation} />}
      {wanted.part === "CORE" && (
        <Labelled label={say("plan.method")}>
          {({ id }) => (
            <select
              id={id}
              className={INPUT}
              value={school}
              onChange={(event) => setSchool(event.target.value as Block["school"])}
            >
              {view.schools.map((one) => (
                <option key={one} value={one}>
                  {say(`method.${one}`)}
                </option>
              ))}
            </select>
          )}
        </Labelled>
      )}
      <Button onClick={add}>
        <Plus size={16} aria-hidden /> {say("plan.putItIn")}
      </Button>
    </fieldset>
  );
}

/** The variations of the sheet of a section, and the articulations of its instrument. */
function Variation({
  section,
  value,
  onChange,
}: {
  section: Schemas["WorkoutSection"];
  value: string;
  onChange: (key: string) => void;
}) {
  const sheet = useSheet(section.passageId, { first: section.firstNote, last: section.lastNote }, section.target);
  const practiceSheet = usePracticeSheet(section.passageId);
  return (
    <Labelled label={say("plan.variation")}>
      {({ id }) => (
        <select id={id} className={INPUT} value={value} onChange={(event) => onChange(event.target.value)}>
          <option value="">{say("plan.asWritten")}</option>
          {practiceSheet.data && (
            <optgroup label={say("plan.inAnArticulation")}>
              {practiceSheet.data.articulations.map((articulation) => (
                <option key={articulation} value={`mode.${articulation}`}>
                  {articulation}
                </option>
              ))}
            </optgroup>
          )}
          {sheet.data && (
            <optgroup label={say("plan.inAVariation")}>
              {sheet.data.variations.map((one) => (
                <option key={one.key} value={one.key}>
                  {say(one.title)}
                </option>
              ))}
            </optgroup>
          )}
        </select>
      )}
    </Labelled>
  );
}
