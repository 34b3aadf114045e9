import { api, given } from "../../api/client";
import { useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { Failure } from "../../ui/Alert";
import { say } from "../../words/say";

const RATINGS = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
const WORD: Partial<Record<number, string>> = {
  0: say("run.nothing"),
  2: say("run.easy"),
  5: say("run.hard"),
  10: say("run.allThereWas"),
};

/** How hard a workout felt on the whole, asked once, where effort is counted so. */
export function HowHard({ runId }: { runId: number }) {
  const tell = useChange(
    (rating: number) => given(api.PUT("/api/runs/{id}/rating", { params: { path: { id: runId } }, body: { rating } })),
    touches.load,
  );
  return (
    <section aria-label={say("run.howHardItFelt")} className="mb-6">
      <h2 className="mb-1">{say("run.howHardWasItAll")}</h2>
      <div role="group" aria-label={say("run.from0NothingTo10")} className="flex flex-wrap gap-1.5">
        {RATINGS.map((rating) => (
          <button
            key={rating}
            type="button"
            aria-pressed={tell.isSuccess && tell.variables === rating}
            disabled={tell.isPending}
            onClick={() => tell.mutate(rating)}
            className={`grid min-h-12 min-w-12 place-content-center rounded-[5px] border px-2 text-center ${
              tell.isSuccess && tell.variables === rating ? "border-spruce bg-spruce-pale" : "border-rule-strong"
            }`}
          >
            <b className="text-lg leading-none">{rating}</b>
            {WORD[rating] && <span className="text-xs text-soft">{WORD[rating]}</span>}
          </button>
        ))}
      </div>
      <Failure of={tell} className="mt-1" />
    </section>
  );
}
