import { Choice } from "../../ui/Choice";
import { Field } from "../../ui/Field";
import { TEMPO, within } from "../../api/within";

interface Props {
  played: boolean;
  cleanAt: number | null;
  error?: string | undefined;
  onChange: (part: { played?: boolean; cleanAt?: number | null }) => void;
}

/** The first estimate: what is known before anything is measured. */
export function CleanAt({ played, cleanAt, error, onChange }: Props) {
  return (
    <div className="grid gap-3">
      <Choice
        label="How fast is it clean today?"
        value={played ? "played" : "guess"}
        onChange={(next) => onChange({ played: next === "played" })}
        columns="grid-cols-1"
        options={[
          { value: "played", label: "I have played it cleanly at about …" },
          {
            value: "guess",
            label: "I can only guess",
            hint: "Leave the tempo open and three quarters of the target are assumed.",
          },
        ]}
      />
      <Field
        label="Clean at"
        type="number"
        {...within(TEMPO)}
        hint="Beats a minute. The first passes put it right."
        value={cleanAt ?? ""}
        error={error}
        onChange={(event) => onChange({ cleanAt: event.target.value === "" ? null : Number(event.target.value) })}
      />
    </div>
  );
}
