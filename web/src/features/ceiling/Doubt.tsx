import { api, given, type Schemas } from "../../api/client";
import { useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { Failure } from "../../ui/Alert";
import { bpm } from "../../ui/format";
import { say } from "../../words/say";

type Because = Schemas["DoubtWish"]["because"];

interface Props {
  sectionId: number;
  /** The ceiling that what was played does not fit. */
  doubted: number;
}

const CHOICES: readonly (readonly [Because, string])[] = [
  ["TODAY", say("doubt.today")],
  ["MUSIC", say("doubt.music")],
  ["ANSWERS", say("doubt.answers")],
];

/** Asks why what was played does not fit the ceiling: until it is said, plans go by what works. */
export function Doubt({ sectionId, doubted }: Props) {
  const settle = useChange(
    (because: Because) =>
      given(api.PUT("/api/sections/{id}/doubt", { params: { path: { id: sectionId } }, body: { because } })),
    touches.doubt,
  );
  return (
    <section aria-label={say("doubt.title", { ceiling: bpm(doubted) })} className="my-4 border-l-4 border-danger pl-4">
      <p className="font-semibold">{say("doubt.title", { ceiling: bpm(doubted) })}</p>
      <p className="max-w-[70ch]">{say("doubt.hint")}</p>
      <div className="mt-2 flex flex-wrap gap-2">
        {CHOICES.map(([because, label]) => (
          <Button online key={because} disabled={settle.isPending} onClick={() => settle.mutate(because)}>
            {label}
          </Button>
        ))}
      </div>
      <Failure of={settle} className="mt-2 font-semibold" />
    </section>
  );
}
