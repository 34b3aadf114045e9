import { say } from "../../words/say";
const LOWEST = 48;
const OCTAVES = 3;
const WHITE = [0, 2, 4, 5, 7, 9, 11];
const BLACK = [1, 3, undefined, 6, 8, 10, undefined];
const NAMES = [
  "C",
  say("sheet.cSharp"),
  "D",
  say("sheet.eFlat"),
  "E",
  "F",
  say("sheet.fSharp"),
  "G",
  say("sheet.aFlat"),
  "A",
  say("sheet.bFlat"),
  "B",
];

const name = (key: number) => `${NAMES[key % 12]} ${Math.floor(key / 12) - 1}`;

/** Keys to enter notes with, for machines without a keyboard of their own. */
export function Keyboard({ onKey }: { onKey: (key: number) => void }) {
  return (
    <div role="group" aria-label={say("sheet.keyboard")} className="mt-2 flex overflow-x-auto">
      {Array.from({ length: OCTAVES }, (_, octave) =>
        WHITE.map((step, i) => {
          const key = LOWEST + 12 * octave + step;
          const black = BLACK[i];
          return (
            <div key={key} className="relative">
              <button
                type="button"
                tabIndex={-1}
                aria-label={name(key)}
                onClick={() => onKey(key)}
                className="flex h-16 w-8 items-end justify-center rounded-b-[3px] border border-rule-strong bg-white pb-1 text-xs text-soft hover:bg-spruce-pale"
              >
                {step === 0 ? `C${Math.floor(key / 12) - 1}` : ""}
              </button>
              {black !== undefined && (
                <button
                  type="button"
                  tabIndex={-1}
                  aria-label={name(LOWEST + 12 * octave + black)}
                  onClick={() => onKey(LOWEST + 12 * octave + black)}
                  className="absolute top-0 -right-2.5 z-10 h-10 w-5 rounded-b-[3px] bg-ink hover:bg-spruce"
                />
              )}
            </div>
          );
        }),
      )}
    </div>
  );
}
