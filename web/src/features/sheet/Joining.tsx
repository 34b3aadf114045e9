import { useNavigate } from "react-router";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import * as touches from "../../api/touches";
import { say } from "../../words/say";

type Order = Schemas["JoiningDto"]["order"];

const ORDERS: [Order, string][] = [
  ["FIRST_TO_LAST", say("sheet.firstToLast")],
  ["LAST_TO_FIRST", say("sheet.lastToFirst")],
  ["HARDEST_FIRST", say("sheet.hardestFirst")],
  ["OUTWARD", say("sheet.outwardFromATransition")],
];

const STAGES: Record<Schemas["JoinDto"]["stage"], string> = {
  NEIGHBOURS: say("sheet.neighbours"),
  FOURS: say("sheet.fours"),
  WHOLE: say("sheet.whole"),
};

interface Props {
  detail: Schemas["PassageDetail"];
  practiceSheet: Schemas["PracticeSheetDto"];
  transition: number | undefined;
}

/** The order the sections are worked in, and the joins that put them together again. */
export function Joining({ detail, practiceSheet, transition }: Props) {
  const { passage } = detail;
  const { joining } = practiceSheet;
  const navigate = useNavigate();
  const path = { id: passage.id };
  const change = useChange(
    (wish: Schemas["JoiningWish"]) => given(api.PUT("/api/passages/{id}/joining", { params: { path }, body: wish })),
    touches.practiceSheet(passage.id),
  );
  const play = useChange(
    (join: Schemas["JoinDto"]) =>
      given(
        api.POST("/api/passages/{id}/extras", {
          params: { path },
          body: { kind: "JOIN", name: say(join.name).slice(0, 80), firstNote: join.firstNote, lastNote: join.lastNote },
        }),
      ),
    touches.sections(passage.id),
  );
  if (passage.sections.length < 2) {
    return <p className="text-soft">{say("sheet.onceThePassageIsCut")}</p>;
  }
  return (
    <section aria-label={say("sheet.puttingTogether")}>
      <div className="mb-2 flex flex-wrap items-end gap-x-4 gap-y-2">
        <h2 className="mr-auto text-lg">
          {say("sheet.puttingItTogether", {
            part: (words) => <span className="font-normal text-soft">{words}</span>,
            sections: joining.sections.map((i) => passage.sections[i]?.name).join(", then "),
          })}
        </h2>
        <label className="flex items-center gap-2 text-soft">
          {say("sheet.order")}
          <select
            aria-label={say("sheet.orderOfTheSections")}
            value={joining.order}
            onChange={(event) =>
              change.mutate({ order: event.target.value as Order, transition: transition ?? joining.transition })
            }
            className={`${INPUT} !w-auto`}
          >
            {ORDERS.map(([order, words]) => (
              <option key={order} value={order}>
                {words}
              </option>
            ))}
          </select>
        </label>
        {joining.order === "OUTWARD" && (
          <label className="flex items-center gap-2 text-soft">
            {say("sheet.transition")}
            <select
              aria-label={say("sheet.transitionToStartFrom")}
              value={joining.transition}
              onChange={(event) => change.mutate({ order: "OUTWARD", transition: Number(event.target.value) })}
              className={`${INPUT} !w-auto`}
            >
              {practiceSheet.transitions.map((_, i) => (
                <option key={i} value={i}>
                  {i + 1}–{i + 2}
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
      {(change.isError || play.isError) && <p className="text-danger">{sentence(change.error ?? play.error)}</p>}
      <ol className="divide-y divide-rule border-y border-rule">
        {joining.joins.map((join, i) => (
          <li key={i} className="flex flex-wrap items-center gap-x-5 py-1">
            <span className="w-28 text-soft">{STAGES[join.stage]}</span>
            <span className="flex-1 font-semibold">{say(join.name)}</span>
            <span className="text-sm text-soft">
              {say("sheet.notes", { firstNote: join.firstNote + 1, lastNote: join.lastNote + 1 })}
            </span>
            <Button
              kind="quiet"
              disabled={play.isPending}
              onClick={() => play.mutate(join, { onSuccess: (made) => void navigate(`/plan/${made.id}`) })}
            >
              {say("sheet.practise", {
                part: (words) => <span className="sr-only">{words}</span>,
                name: say(join.name),
              })}
            </Button>
          </li>
        ))}
      </ol>
      {practiceSheet.extras.length > 0 && (
        <p className="mt-3 text-soft">
          {say("sheet.alreadyTakenOnTheirOwn")}{" "}
          {practiceSheet.extras.map((extra, i) => (
            <span key={extra.id}>
              {say("sheet.ceiling", {
                i: i > 0 && " · ",
                a: (words) => (
                  <a href={`/ceiling/${extra.id}`} className="text-spruce underline underline-offset-4">
                    {words}
                  </a>
                ),
                name: extra.name,
                ceiling: Math.round(extra.estimate.ceiling.middle),
              })}
            </span>
          ))}
        </p>
      )}
    </section>
  );
}
