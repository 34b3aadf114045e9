import { useState } from "react";
import type { Schemas } from "../../api/client";
import { RANGES } from "../../api/ranges";
import { within } from "../../api/within";
import { Button } from "../../ui/Button";
import { Field, INPUT, Labelled } from "../../ui/Field";
import { say } from "../../words/say";
import { AS_ITS_METHOD, type Block } from "./blocks";

type Setting = NonNullable<Schemas["SettingWish"]>;

const MANNERS = ["SUNG", "BY_HEART", "DISTRACTED"] as const;
const UNITS = ["BPM", "TARGET", "CEILING"] as const;

/** Half of what is wanted: the tempo that is asked for most. */
const HALF: Partial<Setting> = { of: "TARGET", tempo: 50 };
const AT_TARGET: Partial<Setting> = { of: "TARGET", tempo: 100 };

interface Props {
  /** What the block is called. */
  name: string;
  block: Block;
  onChange: (setting: Setting | null) => void;
}

/** How fast, how often and how long a block is, where that is not left to its method. */
export function SettingFields({ name, block, onChange }: Props) {
  const setting = block.setting ?? AS_ITS_METHOD;
  const set = (part: Partial<Setting>) => {
    const next = { ...setting, ...part } as Setting;
    onChange(Object.values(next).every((one) => one === null) ? null : next);
  };
  // What is typed counts once it is a tempo: on the way to 66 there is a 6.
  const [typed, setTyped] = useState<string>();
  const [least, most] = (setting.of ?? "BPM") === "BPM" ? [20, 400] : [10, 150];
  const type = (value: string) => {
    setTyped(value);
    const tempo = figure(value);
    if (tempo === null) set({ tempo: null, of: null });
    else if (tempo >= least && tempo <= most) set({ tempo, of: setting.of ?? "BPM" });
  };
  const figure = (value: string) => (value === "" ? null : Number(value));
  return (
    <details className="mt-1" open={block.setting !== null && block.setting !== undefined}>
      <summary className="inline-flex min-h-6 touch:min-h-11 cursor-pointer items-center font-semibold text-spruce underline underline-offset-4">
        {say("setting.title")}
        <span className="sr-only"> {name}</span>
      </summary>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <span className="w-24">
          <Field
            label={say("setting.tempo")}
            type="number"
            min={least}
            max={most}
            value={typed ?? setting.tempo ?? ""}
            onChange={(event) => type(event.target.value)}
            onBlur={() => setTyped(undefined)}
          />
        </span>
        <span className="w-40">
          <Labelled label={say("setting.in")}>
            {({ id }) => (
              <select
                id={id}
                className={INPUT}
                value={setting.of ?? "BPM"}
                onChange={(event) => set({ of: event.target.value as Setting["of"], tempo: setting.tempo ?? 50 })}
              >
                {UNITS.map((unit) => (
                  <option key={unit} value={unit}>
                    {say(`aim.${unit}`)}
                  </option>
                ))}
              </select>
            )}
          </Labelled>
        </span>
        <Button onClick={() => set(HALF)}>{say("setting.half")}</Button>
        <Button onClick={() => set(AT_TARGET)}>{say("setting.atTarget")}</Button>
        <span className="w-24">
          <Field
            label={say("setting.times")}
            type="number"
            {...within(RANGES.SettingWish.times)}
            value={setting.times ?? ""}
            onChange={(event) => set({ times: figure(event.target.value) })}
          />
        </span>
        {block.school === "ARCH" && (
          <span className="w-28">
            <Field
              label={say("setting.upSeconds")}
              type="number"
              {...within(RANGES.SettingWish.upSeconds)}
              value={setting.upSeconds ?? ""}
              onChange={(event) => set({ upSeconds: figure(event.target.value) })}
            />
          </span>
        )}
        {block.school === "FREE_BURSTS" && (
          <>
            <span className="w-28">
              <Field
                label={say("setting.fastSeconds")}
                type="number"
                {...within(RANGES.SettingWish.fastSeconds)}
                value={setting.fastSeconds ?? ""}
                onChange={(event) => set({ fastSeconds: figure(event.target.value) })}
              />
            </span>
            <span className="w-28">
              <Field
                label={say("setting.easySeconds")}
                type="number"
                {...within(RANGES.SettingWish.easySeconds)}
                value={setting.easySeconds ?? ""}
                onChange={(event) => set({ easySeconds: figure(event.target.value) })}
              />
            </span>
          </>
        )}
        {block.school === "REFERENCE_COMPARISON" ? (
          <Ways ways={setting.ways ?? []} onChange={(ways) => set({ ways })} />
        ) : (
          <span className="w-48">
            <Labelled label={say("setting.manner")}>
              {({ id }) => (
                <select
                  id={id}
                  className={INPUT}
                  value={setting.manner ?? ""}
                  onChange={(event) => set({ manner: (event.target.value || null) as Setting["manner"] })}
                >
                  <option value="">{say("setting.asUsual")}</option>
                  {MANNERS.map((manner) => (
                    <option key={manner} value={manner}>
                      {say(`manner.${manner}`)}
                    </option>
                  ))}
                </select>
              )}
            </Labelled>
          </span>
        )}
        {block.setting && <Button onClick={() => onChange(null)}>{say("setting.asTheMethod")}</Button>}
      </div>
    </details>
  );
}

const WAYS = 3;

/** What the ways of a comparison are called, the sure one first: two at the least, or none for those of the method. */
function Ways({ ways, onChange }: { ways: string[]; onChange: (ways: string[] | null) => void }) {
  const [typed, setTyped] = useState(() => Array.from({ length: WAYS }, (_, i) => ways[i] ?? ""));
  const type = (at: number, value: string) => {
    const next = typed.map((way, i) => (i === at ? value : way));
    setTyped(next);
    const named = next.map((way) => way.trim()).filter(Boolean);
    // On the way to two names there is one.
    if (named.length !== 1 && new Set(named).size === named.length) onChange(named.length === 0 ? null : named);
  };
  return (
    <>
      {typed.map((way, i) => (
        <span key={i} className="w-36">
          <Field
            label={i === 0 ? say("setting.sureWay") : say("setting.triedWay", { number: i })}
            maxLength={30}
            value={way}
            onChange={(event) => type(i, event.target.value)}
          />
        </span>
      ))}
    </>
  );
}
