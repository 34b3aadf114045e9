import { Problem, type Schemas } from "../../api/client";
import { Field, INPUT, Labelled } from "../../ui/Field";
import { families, family } from "../../ui/format";
import { TEMPO, upTo, within } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { say } from "../../words/say";

export type PassageDraft = Omit<Schemas["PassageWish"], "music" | "version">;

interface Props {
  draft: PassageDraft;
  onChange: (part: Partial<PassageDraft>) => void;
  error: unknown;
}

const figure = (text: string) => (text === "" ? null : Number(text));

/** The message for one field, out of what the server refused. */
export function fieldError(error: unknown, field: string) {
  return error instanceof Problem && error.field === field ? error.detail : undefined;
}

/** Title, instrument, target and date of a passage. */
export function PassageFields({ draft, onChange, error }: Props) {
  return (
    <div className="grid gap-3">
      <Field
        label={say("sheet.title")}
        dir="auto"
        {...upTo(RANGES.PassageWish.title)}
        value={draft.title}
        error={fieldError(error, "title")}
        onChange={(event) => onChange({ title: event.target.value })}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field
          label={say("sheet.targetTempo")}
          type="number"
          {...within(TEMPO)}
          hint={say("sheet.beatsAMinute")}
          value={draft.targetBpm || ""}
          error={fieldError(error, "targetBpm")}
          onChange={(event) => onChange({ targetBpm: figure(event.target.value) ?? 0 })}
        />
        <Field
          label={say("sheet.neededBy")}
          type="date"
          hint={say("sheet.mayStayOpen")}
          value={draft.neededOn ?? ""}
          error={fieldError(error, "neededOn")}
          onChange={(event) => onChange({ neededOn: event.target.value || null })}
        />
      </div>
      <Labelled label={say("common.instrument")}>
        {({ id }) => (
          <select
            id={id}
            className={INPUT}
            value={draft.instrument}
            onChange={(event) => onChange({ instrument: event.target.value as PassageDraft["instrument"] })}
          >
            {families.map((key) => (
              <option key={key} value={key}>
                {family(key)}
              </option>
            ))}
          </select>
        )}
      </Labelled>
    </div>
  );
}
