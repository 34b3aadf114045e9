import { Choice } from "../../ui/Choice";
import { Field } from "../../ui/Field";
import { TEMPO, within } from "../../api/within";
import { say } from "../../words/say";

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
        label={say("sheet.howFastIsItClean")}
        value={played ? "played" : "guess"}
        onChange={(next) => onChange({ played: next === "played" })}
        columns="grid-cols-1"
        options={[
          { value: "played", label: say("sheet.iHavePlayedItCleanly") },
          {
            value: "guess",
            label: say("sheet.iCanOnlyGuess"),
            hint: say("sheet.leaveTheTempoOpenAnd"),
          },
        ]}
      />
      <Field
        label={say("sheet.cleanAt")}
        type="number"
        {...within(TEMPO)}
        hint={say("sheet.beatsAMinuteTheFirst")}
        value={cleanAt ?? ""}
        error={error}
        onChange={(event) => onChange({ cleanAt: event.target.value === "" ? null : Number(event.target.value) })}
      />
    </div>
  );
}
