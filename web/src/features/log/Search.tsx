import { Search as Glass } from "lucide-react";
import { usePassages, type Wanted } from "../../api/queries";
import { INPUT } from "../../ui/Field";
import { OUTCOME } from "./outcome";
import { say } from "../../words/say";

/** What is looked for among workouts: words, music, days, and how they ended. */
export function Search({ wanted, onChange }: { wanted: Wanted; onChange: (wanted: Wanted) => void }) {
  const passages = usePassages();
  const change = (part: Wanted) => onChange({ ...wanted, ...part });
  return (
    <search className="mb-3 flex flex-wrap items-center gap-2">
      <label className="relative min-w-56 flex-1 sm:max-w-80">
        <span className="sr-only">{say("log.wordsInNotesFocusOr")}</span>
        <Glass size={18} aria-hidden="true" className="absolute top-3.5 left-3 text-soft" />
        <input
          type="search"
          maxLength={100}
          placeholder={say("log.searchExample")}
          className={`${INPUT} pl-10`}
          value={wanted.text ?? ""}
          onChange={(event) => change({ text: event.target.value || undefined })}
        />
      </label>
      <select
        aria-label={say("log.passage")}
        className={`${INPUT} w-auto max-w-56`}
        value={wanted.passageId ?? ""}
        onChange={(event) => change({ passageId: Number(event.target.value) || undefined })}
      >
        <option value="">{say("log.everyPassage")}</option>
        {passages.data?.map((passage) => (
          <option key={passage.id} value={passage.id}>
            {passage.title}
          </option>
        ))}
      </select>
      <select
        aria-label={say("log.howItEnded")}
        className={`${INPUT} w-auto max-w-52`}
        value={wanted.outcome ?? ""}
        onChange={(event) => change({ outcome: (event.target.value || undefined) as Wanted["outcome"] })}
      >
        <option value="">{say("log.howeverItEnded")}</option>
        {Object.entries(OUTCOME).map(([outcome, words]) => (
          <option key={outcome} value={outcome}>
            {words || say("log.playedToItsEnd")}
          </option>
        ))}
      </select>
      {(["from", "to"] as const).map((end) => (
        <label key={end} className="flex items-center gap-2">
          <span className="text-soft">{say(`log.${end}`)}</span>
          <input
            type="date"
            className={`${INPUT} w-auto`}
            value={wanted[end] ?? ""}
            onChange={(event) => change({ [end]: event.target.value || undefined })}
          />
        </label>
      ))}
    </search>
  );
}
