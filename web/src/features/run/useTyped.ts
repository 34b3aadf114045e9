import { useLayoutEffect, useRef, useState } from "react";
import { noteAt } from "./bars";
import { actionOf } from "./keys";
import { say } from "../../words/say";

interface Meant {
  note: (at: number) => void;
  cause: (at: number) => void;
  missing: () => void;
}

interface Typing {
  beat: string;
  place: string;
  at: "beat" | "place" | "cause";
}

/**
 * Where it broke by keys alone: the key for it, the beat's number, then the note's; after that a figure says why. A figure
 * goes on by itself as soon as no other can follow it. Gives what to say meanwhile, and whether figures name a cause now.
 */
export function useTyped(beatOf: number[], may: boolean, meant: Meant) {
  const [typing, setTyping] = useState<Typing>();
  const latest = useRef({ typing, meant, beatOf, may });
  useLayoutEffect(() => {
    latest.current = { typing, meant, beatOf, may };
  });
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const now = latest.current;
      if (!now.may || event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      if (event.target instanceof HTMLInputElement) return;
      if (!now.typing) {
        if (actionOf(event) !== "where") return;
        setTyping({ beat: "", place: "", at: "beat" });
      } else if (/^[0-9]$/.test(event.key)) figure(event.key, now.typing);
      else if (["Enter", " ", "."].includes(event.key)) on(now.typing);
      else if (event.key === "Backspace") setTyping({ beat: "", place: "", at: "beat" });
      else if (event.key === "Escape" || actionOf(event) === "where") setTyping(undefined);
      else return;
      // The figures are those of the tension elsewhere.
      event.preventDefault();
      event.stopImmediatePropagation();
    };
    const figure = (key: string, now: Typing) => {
      const { beatOf: beats, meant: to } = latest.current;
      if (now.at === "cause") {
        setTyping(undefined);
        return to.cause(Number(key) - 1);
      }
      const next = { ...now, [now.at]: now[now.at] + key };
      const most =
        now.at === "beat" ? (beats.at(-1) ?? 0) + 1 : beats.filter((one) => one === Number(now.beat) - 1).length;
      if (Number(next[now.at]) * 10 > most) on(next);
      else setTyping(next);
    };
    const on = (now: Typing) => {
      const { beatOf: beats, meant: to } = latest.current;
      if (now.at === "beat" && now.beat) return setTyping({ ...now, at: "place" });
      if (now.at !== "place" || !now.place) return setTyping(undefined);
      const note = noteAt(beats, Number(now.beat), Number(now.place));
      if (note === undefined) {
        setTyping(undefined);
        return to.missing();
      }
      setTyping({ ...now, at: "cause" });
      to.note(note);
    };
    window.addEventListener("keydown", listen, { capture: true });
    return () => window.removeEventListener("keydown", listen, { capture: true });
  }, []);
  const said =
    typing?.at === "beat"
      ? say("run.beat", { beat: typing.beat || "…" })
      : typing?.at === "place"
        ? say("run.beatNote", { beat: typing.beat, place: typing.place || "…" })
        : "";
  return { said, naming: typing?.at === "cause" };
}
