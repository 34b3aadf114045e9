import { memo } from "react";
import { RadioGroup } from "radix-ui";
import type { Schemas } from "../../api/client";
import { useMethods } from "../../api/queries";
import { Sketch } from "../../timeline/Sketch";
import { say } from "../../words/say";

type School = Schemas["PlanWish"]["school"];

interface Props {
  value: School;
  /** What the section wants now by a rule of thumb. */
  advice: Schemas["Advice"];
  onChange: (school: School) => void;
}

const PURPOSES = ["BEYOND", "CLIMB", "STAY", "FIND_OUT", "EASY"] as const;
const SKETCH_WIDTH = 72;

/** All methods in view, by what they are for, each with how it moves; and why one of them would suit now. */
export const Methods = memo(function Methods({ value, advice, onChange }: Props) {
  const methods = useMethods().data ?? [];
  return (
    <section aria-label={say("plan.method")}>
      <h2 className="mb-1">{say("plan.method")}</h2>
      <p className="mb-2 max-w-[90ch]">
        <b>{say(`method.${advice.school}`)}</b>{" "}
        {value === advice.school ? say("plan.isWhatThisSectionWants") : say("plan.mayBeWhatThisSection")}{" "}
        {say(advice.why)} {say(advice.chosen)}
      </p>
      <RadioGroup.Root
        aria-label={say("plan.method")}
        value={value}
        onValueChange={(next) => onChange(next as School)}
        className="grid grid-cols-1 gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-5"
      >
        {PURPOSES.map((purpose) => (
          <div key={purpose}>
            <p className="mb-1 border-b border-rule pb-0.5 text-sm text-soft">{say(`purpose.${purpose}`)}</p>
            {methods
              .filter((method) => method.purpose === purpose)
              .map((method) => (
                <RadioGroup.Item
                  key={method.school}
                  value={method.school}
                  title={say(`method.${method.school}.hint`)}
                  className="flex min-h-10 w-full touch:min-h-11 items-center gap-2 rounded-[5px] border border-transparent px-1.5 py-0.5 text-left leading-tight hover:border-rule-strong data-[state=checked]:border-spruce data-[state=checked]:bg-spruce-pale"
                >
                  <Sketch passes={method.shape} label="" width={SKETCH_WIDTH} />
                  <span className="min-w-0 text-sm">
                    {say(`method.${method.school}`)}
                    {method.school === advice.school && (
                      <span className="block text-xs text-brass-deep">{say("plan.suitsNow")}</span>
                    )}
                  </span>
                </RadioGroup.Item>
              ))}
          </div>
        ))}
      </RadioGroup.Root>
      <p className="mt-2 text-soft">
        {say("plan.is", {
          b: (words) => <b className="text-ink">{words}</b>,
          title: say(`method.${value}`),
          use: say(`method.${value}.use`),
        })}
      </p>
    </section>
  );
});
