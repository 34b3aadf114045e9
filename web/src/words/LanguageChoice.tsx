import { INPUT } from "../ui/Field";
import { choose, language, type Language, languages } from "./language";
import { say } from "./say";

/** In which language the pages speak; another one loads the page anew. */
export function LanguageChoice() {
  return (
    <label className="inline-flex items-center gap-3">
      {say("common.language")}
      <select
        className={`${INPUT} !w-auto`}
        value={language()}
        onChange={(event) => choose(event.target.value as Language)}
      >
        {languages.map(({ key, name }) => (
          <option key={key} value={key} lang={key}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
