import type { Schemas } from "../../api/client";
import { bpm } from "../../ui/format";
import { say } from "../../words/say";

type Pass = Schemas["LoggedPass"];

const RESULT = {
  CLEAN: { words: say("log.same"), looks: "bg-spruce" },
  ROUGH: { words: say("log.nearlySame"), looks: "bg-spruce-pale border border-spruce" },
  BROKE: { words: say("log.different"), looks: "border border-ink border-dashed" },
} as const;

/** What a comparison came to: each way that was tried, at each tempo, against the one that is sure. */
export function Compared({ passes }: { passes: Pass[] }) {
  const compared = passes.filter((pass) => pass.compared);
  if (compared.length === 0) return null;
  const reference = passes[passes.indexOf(compared[0]!) - 1];
  const ways = [...new Set(compared.map((pass) => say(pass.manner)))];
  const tempos = [...new Set(compared.map((pass) => pass.tempo))].sort((a, b) => a - b);
  return (
    <section className="mt-5 overflow-x-auto">
      <h2>{say("log.compared")}</h2>
      {reference && <p className="text-soft">{say("log.comparedHint", { reference: say(reference.manner) })}</p>}
      <table className="mt-2">
        <thead>
          <tr>
            <th scope="col" />
            {tempos.map((tempo) => (
              <th key={tempo} scope="col" className="px-2 font-mono font-normal text-soft">
                {bpm(tempo)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ways.map((way) => (
            <tr key={way}>
              <th scope="row" className="max-w-48 truncate py-1 pr-4 text-left font-semibold" dir="auto">
                {way}
              </th>
              {tempos.map((tempo) => {
                // The last word on a tempo is what it came to.
                const last = compared.filter((pass) => pass.tempo === tempo && say(pass.manner) === way).at(-1);
                const said = last?.verdict;
                const against = last && passes[passes.indexOf(last) - 1]?.heard?.evenness;
                return (
                  <td key={tempo} className="px-1 py-1">
                    {said && (
                      <span
                        role="img"
                        aria-label={RESULT[said].words}
                        className={`block h-6 w-14 ${RESULT[said].looks}`}
                      />
                    )}
                    {last?.heard?.evenness != null && against != null && (
                      <span className="block text-sm">
                        {say("log.evenAgainst", { share: last.heard.evenness, reference: against })}
                      </span>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="mt-1 flex flex-wrap gap-x-5 text-sm text-soft">
        {Object.values(RESULT).map(({ words, looks }) => (
          <li key={words} className="flex items-center gap-2">
            <span aria-hidden className={`inline-block h-3 w-6 ${looks}`} /> {words}
          </li>
        ))}
      </ul>
    </section>
  );
}
