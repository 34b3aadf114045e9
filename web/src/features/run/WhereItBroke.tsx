import { useState } from "react";
import { api, given } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { RANGES } from "../../api/ranges";
import { upTo } from "../../api/within";
import { Score, type Spot } from "../../notation/Score";
import { KeyHint } from "../../ui/Button";
import type { Pass } from "./asks";
import { keyOf } from "./keys";
import { useTyped } from "./useTyped";
import { say } from "../../words/say";

interface Props {
  /** How it went: only what did not go well has a place where it went wrong. */
  verdict: "ROUGH" | "BROKE";
  /** What was played last. */
  pass: Pick<Pass, "abc" | "places" | "firstTransition" | "beatOf">;
  passageId: number;
}

const REACH = 22;

/** While resting: a tap on the note at which it broke notes the transition that leads to it. */
export function WhereItBroke({ verdict, pass, passageId }: Props) {
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
    const words = say("run.notedItBrokeGoingTo", { at: at + 1 });
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
          setSaid(
            say("run.brokeBecause", {
              words: noted.words,
              cause: cause.trim(),
              timesIs: times > 1 ? "yes" : "no",
              times,
            }),
          );
          setNoted(undefined);
        },
      },
    );
  };
  const typed = useTyped(pass.beatOf, firstTransition !== null, {
    note: (at) => (at === 0 ? setSaid(say("run.theFirstNoteHasNo")) : note(at)),
    cause: (at) => CAUSES[at] && diagnose(CAUSES[at]),
    missing: () => setSaid(say("run.thereIsNoSuchNote")),
  });
  if (firstTransition === null) return null;
  return (
    <div className="mb-4">
      <Score abc={pass.abc} places={pass.places} label={say("run.whatWasPlayedLast")} scale={1.1} room={6}>
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
                {verdict === "BROKE" ? say("run.whereDidItBreakTap") : say("run.whereWasTheSlipTap")}{" "}
                <KeyHint>{keyOf("where")}</KeyHint>
                {say("run.itsBeatAndItsPlace")}
              </>
            )}
      </p>
      {noted && <Why onSay={diagnose} numbered={typed.naming} />}
    </div>
  );
}

const CAUSES = [
  say("run.leftHand"),
  say("run.rightHand"),
  say("run.shift"),
  say("run.crossing"),
  say("run.tongue"),
  say("run.bow"),
  say("run.breath"),
  say("run.tooMuchMovement"),
];

/** One tap more: why it broke, or in other words. */
export function Why({ onSay, numbered = false }: { onSay: (cause: string) => void; numbered?: boolean }) {
  const [words, setWords] = useState("");
  return (
    <form
      aria-label={say("run.whyItBroke")}
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
          className="min-h-11 rounded-[5px] border border-night-edge px-3 text-night-ink hover:border-night-soft"
        >
          {numbered && <KeyHint>{at + 1}</KeyHint>} {cause}
        </button>
      ))}
      <input
        aria-label={say("run.otherWords")}
        placeholder={say("run.otherWordsExample")}
        {...upTo(RANGES.CauseWish.cause)}
        dir="auto"
        value={words}
        onChange={(event) => setWords(event.target.value)}
        className="min-h-11 w-40 rounded-[5px] border border-night-edge bg-transparent px-3 text-night-ink"
      />
    </form>
  );
}

function Note({ spot, at, onTap }: { spot: Spot; at: number; onTap: () => void }) {
  return (
    <button
      type="button"
      aria-label={say("run.itBrokeGoingToNote", { at: at + 1 })}
      onClick={onTap}
      className="absolute rounded-[5px] hover:bg-night-rule/60"
      style={{ left: spot.x - REACH / 2, top: spot.y - REACH, width: REACH, height: 2 * REACH }}
    />
  );
}
