import { Check, RotateCcw } from "lucide-react";
import { api, given, type Schemas } from "../../api/client";
import { useChange } from "../../api/queries";
import { day } from "../../ui/format";
import * as touches from "../../api/touches";
import { Failure } from "../../ui/Alert";
import { say } from "../../words/say";

interface Props {
  passageId: number;
  items: Schemas["ReadinessDto"][];
}

/** What makes the passage ready, each with the day it was reached, or lost again. */
export function ReadinessList({ passageId, items }: Props) {
  const change = useChange(
    (wish: Schemas["ReadinessWish"]) =>
      given(api.PUT("/api/passages/{id}/readiness", { params: { path: { id: passageId } }, body: wish })),
    touches.readiness(passageId),
  );
  const asked = change.isPending ? change.variables : undefined;
  const shown = items.map((item) =>
    item.item === asked?.item ? { ...item, reached: asked.reached ?? item.reached } : item,
  );
  const open = shown.filter((item) => item.preparation && !item.reached).length;
  return (
    <section aria-label={say("sheet.readiness")} className="lg:border-l lg:border-rule lg:pl-5">
      <h2>{say("sheet.readyForSpeed")}</h2>
      <p className="mb-1 text-sm text-soft">
        {open === 0 ? say("sheet.thePreparationIsDone") : say("sheet.ofThePreparationStillOpen", { open })}
      </p>
      <ul className="text-sm">
        {shown.map((item, i) => (
          <li
            key={item.item}
            className={i > 0 && !item.preparation && shown[i - 1]?.preparation ? "mt-1 border-t border-rule pt-1" : ""}
          >
            <label className="flex min-h-7 cursor-pointer items-start gap-2 py-0.5">
              <input
                type="checkbox"
                checked={item.reached}
                onChange={(event) => change.mutate({ item: item.item, reached: event.target.checked })}
                className="peer sr-only"
              />
              <span className="mt-0.5 flex size-4 shrink-0 items-center justify-center rounded-[3px] border border-rule-strong peer-checked:border-spruce peer-checked:bg-spruce peer-checked:text-white peer-focus-visible:outline-3 peer-focus-visible:outline-brass">
                {item.reached ? (
                  <Check size={12} aria-hidden="true" />
                ) : item.lostOn ? (
                  <RotateCcw size={11} aria-hidden="true" className="text-danger" />
                ) : null}
              </span>
              <span className={item.reached ? "" : "text-soft"}>
                {say(`readiness.${item.item}`)}
                {item.reached && item.reachedOn && (
                  <span className="whitespace-nowrap text-soft"> {day(item.reachedOn)}</span>
                )}
                {!item.reached && item.lostOn && (
                  <span className="text-danger">
                    {" "}
                    {say("sheet.lost", { lostOn: day(item.lostOn), why: say(item.why) })}
                  </span>
                )}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <Failure of={change} className="text-sm" />
    </section>
  );
}
