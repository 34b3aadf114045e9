import { useState } from "react";
import { api, given } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { RANGES } from "../../api/ranges";
import { upTo } from "../../api/within";
import { Score, type Spot } from "../../notation/Score";
import { KeyCap } from "../../ui/Button";
import type { Pass } from "./asks";
import { keyOf } from "./keys";
import { useTyped } from "./useTyped";

interface Props {
  /** What was played last. */
  pass: Pick<Pass, "abc" | "places" | "firstTransition" | "beatOf">;
  passageId: number;
}

const REACH = 22;

/** While resting: a tap on the note at which it broke notes the transition that leads to it. */
export function WhereItBroke({ pass, passageId }: Props) {
  const [said, setSaid] = useState("");
  const broke = useChange(
    (transition: number) =>
      given(
        api.POST("/api/passages/{id}/transitions/{transition}/breaks", {
          params: { path: { id: passageId, transition } },
        }),
      ),
    touches.breaks(passageId),
  );
  const [noted, setNoted] = useState<{ transition: number; words: string }>();
  const because = useChange(
    ({ transition, cause }: { transition: number; cause: string }) =>
      given(
        api.PUT("/api/passages/{id}/transitions/{transition}/breaks/cause", {
          params: { path: { id: passageId, transition } },
          body: { cause },
        }),
      ),
    touches.breaks(passageId),
  );
  const { firstTransition } = pass;
  const note = (at: number) => {
    if (firstTransition === null) return;
    const transition = firstTransition + at - 1;
    const words = `Noted: it broke going to note ${at + 1}`;
    broke.mutate(transition, {
      onSuccess: () => {
        setSaid(`${words}.`);
        setNoted({ transition, words });
      },
    });
  };
  const diagnose = (cause: string) => {
    if (!noted || !cause.trim()) return;
    because.mutate(
      { transition: noted.transition, cause: cause.trim() },
      {
        onSuccess: ({ times }) => {
          setSaid(`${noted.words}: ${cause.trim()}.${times > 1 ? ` That is ${times} times in four weeks.` : ""}`);
          setNoted(undefined);
        },
      },
    );
  };
  const typed = useTyped(pass.beatOf, firstTransition !== null, {
    note: (at) => (at === 0 ? setSaid("The first note has no transition before it.") : note(at)),
    cause: (at) => CAUSES[at] && diagnose(CAUSES[at]),
    missing: () => setSaid("There is no such note in what was played."),
  });
  if (firstTransition === null) return null;
  return (
    <div className="mb-4">
      <Score abc={pass.abc} places={pass.places} label="What was played last" scale={1.1} room={6}>
        {({ spots }) => (
          <div className="absolute inset-0">
            {spots.map((spot, at) => at > 0 && spot && <Note key={at} spot={spot} at={at} onTap={() => note(at)} />)}
          </div>
        )}
      </Score>
      <p role="status" className="mt-2 text-night-soft">
        {broke.isError || because.isError
          ? sentence(broke.error ?? because.error)
          : typed.said ||
            said || (
              <>
                Where did it break? Tap the note it did not get to, or <KeyCap>{keyOf("where")}</KeyCap>, its beat and
                its place in the beat.
              </>
            )}
      </p>
      {noted && <Why onSay={diagnose} numbered={typed.naming} />}
    </div>
  );
}

const CAUSES = ["left hand", "right hand", "shift", "crossing", "tongue", "bow", "breath", "too much movement"];

/** One tap more: why it broke, or in other words. */
export function Why({ onSay, numbered = false }: { onSay: (cause: string) => void; numbered?: boolean }) {
  const [words, setWords] = useState("");
  return (
    <form
      aria-label="Why it broke"
      className="mt-2 flex flex-wrap gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onSay(words);
      }}
    >
      {CAUSES.map((cause, at) => (
        <button
          key={cause}
          type="button"
          aria-label={cause}
          onClick={() => onSay(cause)}
          className="min-h-10 rounded-[5px] border border-night-rule px-3 text-night-ink hover:border-night-soft"
        >
          {numbered && <KeyCap>{at + 1}</KeyCap>} {cause}
        </button>
      ))}
      <input
        aria-label="Other words"
        placeholder="other words"
        {...upTo(RANGES.CauseWish.cause)}
        dir="auto"
        value={words}
        onChange={(event) => setWords(event.target.value)}
        className="min-h-10 w-40 rounded-[5px] border border-night-rule bg-transparent px-3 text-night-ink"
      />
    </form>
  );
}

function Note({ spot, at, onTap }: { spot: Spot; at: number; onTap: () => void }) {
  return (
    <button
      type="button"
      aria-label={`It broke going to note ${at + 1}`}
      onClick={onTap}
      className="absolute rounded-[5px] hover:bg-night-rule/60"
      style={{ left: spot.x - REACH / 2, top: spot.y - REACH, width: REACH, height: 2 * REACH }}
    />
  );
}
