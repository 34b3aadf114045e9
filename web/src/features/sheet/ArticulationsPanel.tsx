import { ArrowDown, ArrowUp, X } from "lucide-react";
import { type ReactNode, useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import { Button } from "../../ui/Button";
import { INPUT } from "../../ui/Field";
import { family } from "../../ui/format";
import * as touches from "../../api/touches";
import { upTo } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { say } from "../../words/say";

interface Props {
  detail: Schemas["PassageDetail"];
  practiceSheet: Schemas["PracticeSheetDto"];
}

/** The ways to articulate or move, in the player's own order, and the one this passage needs at speed. */
export function ArticulationsPanel({ detail, practiceSheet }: Props) {
  const { passage } = detail;
  const [added, setAdded] = useState("");
  const order = useChange(
    (names: string[]) =>
      given(
        api.PUT("/api/articulations/{instrument}", {
          params: { path: { instrument: passage.instrument } },
          body: { names },
        }),
      ),
    touches.articulations,
  );
  const want = useChange(
    (articulation: string) =>
      given(
        api.PUT("/api/passages/{id}/articulation", { params: { path: { id: passage.id } }, body: { articulation } }),
      ),
    touches.practiceSheet(passage.id),
  );
  const articulations = practiceSheet.articulations;
  const swap = (i: number, j: number) => {
    const now = [...articulations];
    [now[i], now[j]] = [now[j]!, now[i]!];
    order.mutate(now);
  };
  return (
    <section aria-label={say("sheet.articulations")} className="max-w-3xl">
      <h2 className="text-lg">
        {say("sheet.articulationsForFromTheEasiest", {
          instrument: family(passage.instrument),
          part: (words) => <span className="font-normal text-soft">{words}</span>,
        })}
      </h2>
      <ol className="mt-2 divide-y divide-rule border-y border-rule">
        {articulations.map((articulation, i) => (
          <li key={articulation} className="flex items-center gap-2 py-1">
            <label className="flex min-h-11 flex-1 items-center gap-3">
              <input
                type="radio"
                name="wanted"
                checked={practiceSheet.wantedArticulation === articulation}
                onChange={() => want.mutate(articulation)}
                className="size-4 accent-spruce"
              />
              <span dir="auto">{articulation}</span>
              {practiceSheet.wantedArticulation === articulation && (
                <span className="text-sm font-semibold text-spruce">{say("sheet.wantedAtSpeed")}</span>
              )}
            </label>
            <Small
              label={say("sheet.moveUp", { articulation })}
              disabled={i === 0 || order.isPending}
              onClick={() => swap(i, i - 1)}
            >
              <ArrowUp size={16} />
            </Small>
            <Small
              label={say("sheet.moveDown", { articulation })}
              disabled={i === articulations.length - 1 || order.isPending}
              onClick={() => swap(i, i + 1)}
            >
              <ArrowDown size={16} />
            </Small>
            <Small
              label={say("sheet.remove", { articulation })}
              disabled={articulations.length === 1 || order.isPending}
              onClick={() => order.mutate(articulations.filter((one) => one !== articulation))}
            >
              <X size={16} />
            </Small>
          </li>
        ))}
      </ol>
      <form
        className="mt-3 flex gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (added.trim()) order.mutate([...articulations, added.trim()], { onSuccess: () => setAdded("") });
        }}
      >
        <input
          aria-label={say("sheet.anotherArticulation")}
          value={added}
          {...upTo(RANGES.ArticulationWish.articulation)}
          dir="auto"
          onChange={(event) => setAdded(event.target.value)}
          className={INPUT}
          placeholder={say("sheet.threeToABow")}
        />
        <Button online type="submit" disabled={!added.trim() || articulations.length >= 20}>
          {say("sheet.add")}
        </Button>
        {practiceSheet.wantedArticulation && (
          <Button kind="quiet" onClick={() => want.mutate("")}>
            {say("sheet.leaveOpen")}
          </Button>
        )}
      </form>
      {(order.isError || want.isError) && <p className="mt-2 text-danger">{sentence(order.error ?? want.error)}</p>}
    </section>
  );
}

function Small({ label, ...rest }: { label: string; disabled: boolean; onClick: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      className="flex size-9 items-center justify-center rounded-[4px] hover:bg-spruce-pale disabled:text-rule-strong"
      {...rest}
    />
  );
}
