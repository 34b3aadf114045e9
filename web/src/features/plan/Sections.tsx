import { X } from "lucide-react";
import type { Schemas } from "../../api/client";
import { usePassages } from "../../api/queries";
import { INPUT } from "../../ui/Field";
import { called } from "../../ui/format";
import { type Wish, withoutSection, withSection } from "./blocks";
import { say } from "../../words/say";

interface Props {
  view: Schemas["PlanView"];
  wish: Wish;
  onChange: (wish: Wish) => void;
}

/** Which sections a workout is about: the one that needs it most first. */
export function Sections({ view, wish, onChange }: Props) {
  const passages = usePassages();
  const here = new Set(view.sections.map(({ id }) => id));
  const others = (passages.data ?? []).flatMap((passage) =>
    passage.sections.filter((section) => !here.has(section.id)).map((section) => ({ passage, section })),
  );
  return (
    <div className="mb-4 flex flex-wrap items-center gap-2" role="group" aria-label={say("plan.sectionsOfThisWorkout")}>
      {view.sections.length > 1 &&
        view.sections.map((section) => (
          <span
            key={section.id}
            className="inline-flex min-h-10 items-center gap-1 rounded-[5px] border border-rule pl-3"
          >
            {called(section.passage, section.section)}
            <button
              type="button"
              aria-label={say("plan.leaveOut", { section: called(section.passage, section.section) })}
              className="inline-flex h-10 w-9 items-center justify-center text-soft hover:text-ink"
              onClick={() => onChange(withoutSection(wish, section.id))}
            >
              <X size={16} aria-hidden />
            </button>
          </span>
        ))}
      {others.length > 0 && (
        <select
          aria-label={say("plan.addASection")}
          className={`${INPUT} w-auto max-w-64`}
          value=""
          onChange={(event) => onChange(withSection(wish, Number(event.target.value)))}
        >
          <option value="">{say("plan.addASectionHere")}</option>
          {others.map(({ passage, section }) => (
            <option key={section.id} value={section.id}>
              {called(passage.title, section.name)}
            </option>
          ))}
        </select>
      )}
    </div>
  );
}
