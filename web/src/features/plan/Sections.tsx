import { useMutation } from "@tanstack/react-query";
import { X } from "lucide-react";
import { api, given } from "../../api/client";
import type { Schemas } from "../../api/client";
import { sentence, usePassages } from "../../api/queries";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { called } from "../../ui/format";
import { useToast } from "../../ui/Toasts";
import { bowLadder, own, type Wish, withoutSection, withSection } from "./blocks";
import { say } from "../../words/say";

interface Props {
  view: Schemas["PlanView"];
  wish: Wish;
  /** Goes through all of a passage in an order. */
  through: ReturnType<typeof useThrough>;
  onChange: (wish: Wish) => void;
}

const ORDERS = [
  ["FROM_THE_END", "plan.fromTheEnd"],
  ["HARDEST_FIRST", "plan.hardestFirst"],
  ["PERFORM", "plan.perform"],
] as const;

type Order = (typeof ORDERS)[number][0] | "NOTCHES";

/** Puts a workout together that goes through all of a passage, in place of what was planned. */
export function useThrough(wish: Wish, onChange: (wish: Wish) => void) {
  const toast = useToast();
  return useMutation({
    mutationFn: (order: Order) => given(api.POST("/api/plans/{order}", { params: { path: { order } }, body: wish })),
    onSuccess: onChange,
    onError: (error) => toast(sentence(error)),
    retry: false,
  });
}

/** Which sections a workout is about: the one that needs it most first. */
export function Sections({ view, wish, through, onChange }: Props) {
  const passages = usePassages();
  const passage = passages.data?.find(({ id }) => id === view.sections[0]?.passageId);
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
            className="inline-flex min-h-10 items-center gap-1 rounded-[5px] border border-rule-strong pl-3 touch:min-h-11"
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
      {view.sections.length > 1 && (
        <Button online kind="quiet" disabled={through.isPending} onClick={() => through.mutate("NOTCHES")}>
          {say("plan.notches")}
        </Button>
      )}
      {passage?.instrument === "BOWED" && (
        <Button
          kind="quiet"
          onClick={() =>
            onChange({
              ...wish,
              blocks: [...own(wish.blocks), ...bowLadder(wish.school, (notes) => say("plan.toABow", { notes }))],
            })
          }
        >
          {say("plan.bowLadder")}
        </Button>
      )}
      {passage && passage.sections.length > 1 && (
        <span role="group" aria-label={say("plan.throughSections")} className="flex flex-wrap">
          {ORDERS.map(([order, name]) => (
            <Button online key={order} kind="quiet" disabled={through.isPending} onClick={() => through.mutate(order)}>
              {say(name)}
            </Button>
          ))}
        </span>
      )}
    </div>
  );
}
