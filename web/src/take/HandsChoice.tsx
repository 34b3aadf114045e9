import { say } from "../words/say";
import type { Apart } from "./heard";

interface Props {
  apart: Apart;
  onChange: (apart: Apart) => void;
  className: string;
}

const LOWEST = 21;
const HIGHEST = 108;

/** How hands or sticks are told apart at an instrument that tells what is struck. */
export function HandsChoice({ apart, onChange, className }: Props) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <label className="block font-semibold">
        {say("take.hands")}
        <select
          className={className}
          value={apart.by ?? ""}
          onChange={(event) => onChange({ ...apart, by: (event.target.value || null) as Apart["by"] })}
        >
          <option value="">{say("take.hands.no")}</option>
          <option value="SPLIT">{say("take.hands.SPLIT")}</option>
          <option value="CHANNEL">{say("take.hands.CHANNEL")}</option>
        </select>
      </label>
      {apart.by === "SPLIT" && (
        <label className="block font-semibold">
          {say("take.split")}
          <input
            type="number"
            className={className}
            min={LOWEST}
            max={HIGHEST}
            value={Number.isNaN(apart.split) ? "" : apart.split}
            onChange={(event) => onChange({ ...apart, split: event.target.valueAsNumber })}
          />
        </label>
      )}
    </div>
  );
}
