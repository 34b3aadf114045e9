import { ArrowDown, ArrowUp, Trash2 } from "lucide-react";
import type { Schemas } from "../../api/client";
import { PART } from "../../timeline/Labels";
import { INPUT } from "../../ui/Field";
import { called, clock } from "../../ui/format";
import { type Block, changed, moved, without } from "./blocks";
import { SettingFields } from "./SettingFields";
import { say } from "../../words/say";

interface Props {
  view: Schemas["PlanView"];
  onChange: (blocks: Block[]) => void;
}

const STEP_SECONDS = 60;
const LEAST_SECONDS = 60;
const SMALL =
  "inline-flex h-9 w-9 shrink-0 items-center justify-center rounded-[5px] border border-rule-strong touch:h-11 touch:w-11 hover:border-ink disabled:opacity-35";

/** The blocks of a workout with their reasons, to be moved, timed, given another method, or taken out. */
export function Blocks({ view, onChange }: Props) {
  const blocks = view.wish.blocks;
  const several = view.sections.length > 1;
  return (
    <ol className="divide-y divide-rule border-y border-rule" data-testid="blocks">
      {view.timeline.blocks.map((drawn, i) => {
        const block = blocks[i];
        const section = view.sections[drawn.theme];
        const name = PART[drawn.part] + (drawn.variation.code && `, ${say(drawn.variation)}`);
        return (
          <li key={i} className="flex flex-wrap gap-x-4 gap-y-2 py-2.5 sm:flex-nowrap">
            <span className="w-12 shrink-0 font-mono text-soft">
              {drawn.end > drawn.start ? clock(drawn.start) : "–"}
            </span>
            <div className="min-w-0 flex-1">
              <p className="font-semibold">
                {name}
                {block?.own && (
                  <span className="ml-2 rounded-[3px] border border-spruce px-1.5 text-sm font-normal text-spruce">
                    {say("plan.own")}
                  </span>
                )}
                {several && section && (
                  <span className="font-normal text-soft"> · {called(section.passage, section.section)}</span>
                )}
              </p>
              <p className="text-soft">
                {say(drawn.why)}
                {drawn.end <= drawn.start && !block?.own && say("plan.leftOutNoTimeOr")}
              </p>
              {block && !["WARM_UP", "MEASURE", "STUDY"].includes(drawn.part) && (
                <SettingFields
                  name={name}
                  block={block}
                  onChange={(setting) => onChange(changed(blocks, i, { setting }))}
                />
              )}
            </div>
            {block && (
              <div className="flex shrink-0 flex-wrap items-start gap-1.5 max-sm:w-full max-sm:pl-16">
                {drawn.part === "CORE" && (
                  <span className="w-40 shrink-0">
                    <select
                      aria-label={say("plan.methodOf", { name })}
                      className={`${INPUT} h-9 py-0`}
                      value={block.school}
                      onChange={(event) =>
                        onChange(changed(blocks, i, { school: event.target.value as Block["school"] }))
                      }
                    >
                      {view.schools.map((school) => (
                        <option key={school} value={school}>
                          {say(`method.${school}`)}
                        </option>
                      ))}
                    </select>
                  </span>
                )}
                {drawn.part !== "WARM_UP" && (
                  <span className="w-16 shrink-0">
                    <input
                      type="number"
                      aria-label={say("plan.minutesOf", { name })}
                      className={`${INPUT} h-9 py-0`}
                      min={LEAST_SECONDS / 60}
                      max={180}
                      value={Math.max(
                        1,
                        Math.round((block.own ? block.seconds : drawn.end - drawn.start) / STEP_SECONDS),
                      )}
                      onChange={(event) =>
                        onChange(
                          changed(blocks, i, {
                            seconds: Math.max(LEAST_SECONDS, Number(event.target.value) * STEP_SECONDS),
                          }),
                        )
                      }
                    />
                  </span>
                )}
                <button
                  type="button"
                  className={SMALL}
                  aria-label={say("plan.moveUp", { name })}
                  disabled={i === 0}
                  onClick={() => onChange(moved(blocks, i, -1))}
                >
                  <ArrowUp size={16} aria-hidden />
                </button>
                <button
                  type="button"
                  className={SMALL}
                  aria-label={say("plan.moveDown", { name })}
                  disabled={i === blocks.length - 1}
                  onClick={() => onChange(moved(blocks, i, 1))}
                >
                  <ArrowDown size={16} aria-hidden />
                </button>
                <button
                  type="button"
                  className={SMALL}
                  aria-label={say("plan.takeOut", { name })}
                  disabled={blocks.length === 1}
                  onClick={() => onChange(without(blocks, i))}
                >
                  <Trash2 size={16} aria-hidden />
                </button>
              </div>
            )}
          </li>
        );
      })}
    </ol>
  );
}
