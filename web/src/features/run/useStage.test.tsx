// @vitest-environment jsdom
import { act, cleanup, fireEvent, renderHook } from "@testing-library/react";
import { keep } from "../../keep";
import { say } from "../../words/say";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { RunView } from "./useRun";

let overNow: () => void;
let interruptedNow: () => void;
interface Tells {
  over: () => void;
  started: (one: object) => void;
  interrupted: () => void;
}
const playing = vi.hoisted(() => ({ on: false, seconds: 0, cues: 0 }));
vi.mock("./usePass", () => ({
  usePass: (_pass: unknown, _speed: number, _wishes: unknown, { over, started, interrupted }: Tells) => {
    overNow = over;
    interruptedNow = () => {
      playing.on = false;
      interrupted();
    };
    return {
      playing: playing.on,
      start: () => {
        playing.on = true;
        started({ start: 1, clicks: [] });
      },
      context: () => undefined,
      stop: () => (playing.on = false),
      cue: () => playing.cues++,
      beat: () => ({ beat: 0, share: 0, over: false }),
      tempoNow: () => 72,
      playedSeconds: () => playing.seconds,
    };
  },
}));

/** A microphone that hears what it is told to, once what it listened to is over. */
const ears = vi.hoisted(() => ({ is: "off", begun: 0, heard: undefined as unknown, arrive: () => undefined as void }));
vi.mock("../../take/useEars", () => ({
  useEars: () => ({
    is: ears.is,
    on: () => undefined,
    off: () => undefined,
    begin: () => ears.begun++,
    drop: () => (ears.begun = 0),
    listening: () => ears.begun > 0,
    level: () => 0,
    end: () =>
      new Promise((resolve) => {
        ears.begun = 0;
        ears.arrive = () => resolve(ears.heard);
      }),
  }),
}));
vi.mock("../../take/kept", () => ({ takesOf: () => [], keepTakes: () => Promise.resolve() }));
vi.mock("../../api/queries", () => ({ useTrust: () => undefined }));

const { useStage } = await import("./useStage");

const pass = { tempo: 60, countIn: 4, beats: 8, seconds: 12, kind: "CONTROLLED", ask: "VERDICT", askOf: 1 };

const view = (more: object = {}) =>
  ({
    ordinal: 3,
    step: { why: "", pass, rest: null, ended: null },
    last: { clientId: "before", verdict: "CLEAN", tension: 2, tempo: 58 },
    ...more,
  }) as unknown as RunView;

const resting = view({ step: { why: "", pass: null, rest: { seconds: 15, reason: "RECOVER" }, ended: null } });

let sent: [object, string | undefined][];

function stage(first: RunView = view(), waiting = 0) {
  const run = {
    settling: waiting > 0,
    toHear: () => JSON.stringify({ tempo: 60, notes: 1, passes: [[{ beat: 0, beats: 1, pitches: [] }]] }),
    measuredLater: (event: object, clientId: string) => void sent.push([event, clientId]),
    send: (event: object, correcting?: string) => {
      sent.push([event, correcting]);
      return correcting ?? `id-${sent.length}`;
    },
  };
  const hook = renderHook(
    ({ now, here }) => useStage(here as Parameters<typeof useStage>[0], now, 1, "cello", "odile"),
    {
      initialProps: { now: first, here: run },
    },
  );
  return { ...hook, run, press: (key: string, code = "") => act(() => void fireEvent.keyDown(window, { key, code })) };
}

beforeEach(() => {
  sent = [];
  playing.on = false;
  playing.seconds = 0;
  ears.is = "off";
  ears.begun = 0;
  keep.removeItem("tachylim.keep-going");
});
afterEach(() => {
  vi.useRealTimers();
  cleanup();
});

describe("the step at hand", () => {
  it("is ready, playing, to be judged, or a rest", () => {
    const { result, rerender, run, press } = stage();
    expect(result.current.state).toBe("ready");
    press(" ", "Space");
    rerender({ now: view(), here: run });
    expect(result.current.state).toBe("playing");
    press(" ", "Space");
    expect(result.current.state).toBe("judge");
    expect(result.current.mayBeClean).toBe(false);
    rerender({ now: { ...resting, ordinal: 4 }, here: run });
    expect(result.current.state).toBe("rest");
  });

  it("of what lasts as long as the player wants, one key begins it and ends it", () => {
    const easy = view({ step: { why: "", pass: { ...pass, ask: "LOOSE", askOf: 6 }, rest: null, ended: null } });
    const { result, rerender, run, press } = stage(easy);
    press(" ", "Space");
    rerender({ now: easy, here: run });
    playing.seconds = 4;
    press(" ", "Space");
    expect(sent).toEqual([]);
    expect(result.current.hint).toBe(say("run.easyAtLeast", { seconds: 6 }));
    playing.seconds = 9;
    press(" ", "Space");
    expect(sent).toMatchObject([[{ kind: "JUDGED", verdict: "CLEAN", told: 9 }, undefined]]);
  });

  it("is judged with the tension that was last felt", () => {
    const { result, press } = stage();
    press(" ", "Space");
    act(() => overNow());
    press("4", "Digit4");
    press("k", "KeyK");
    expect(sent.at(-1)).toEqual([
      { kind: "JUDGED", verdict: "ROUGH", told: null, tension: 4, seconds: null },
      undefined,
    ]);
    expect(result.current.tension).toBe(4);
  });

  it("is judged without tension where nothing was said of it, whatever was said before", () => {
    const { result, press } = stage(view({ last: { clientId: "before", verdict: "CLEAN", tension: 4, tempo: 58 } }));
    expect(result.current).toMatchObject({ tension: 4, raised: undefined });
    press(" ", "Space");
    act(() => overNow());
    expect(result.current).toMatchObject({ tension: null, raised: 4 });
    press("j", "KeyJ");
    expect(sent.at(-1)![0]).toMatchObject({ verdict: "CLEAN", tension: null });
  });

  it("asks once more after tension was raised, and not where it was said or was low", () => {
    const { result, press } = stage(view({ last: { clientId: "before", verdict: "CLEAN", tension: 3, tempo: 58 } }));
    press(" ", "Space");
    act(() => overNow());
    expect(result.current.raised).toBe(3);
    press("1", "Digit1");
    expect(result.current).toMatchObject({ tension: 1, raised: undefined });
    const low = stage();
    low.press(" ", "Space");
    act(() => overNow());
    expect(low.result.current.raised).toBeUndefined();
  });

  it("that needs no word takes the tension along that was said of it", () => {
    const { press } = stage(view({ last: null, step: { why: "", pass: { ...pass, ask: "NOTHING" }, rest: null } }));
    press(" ", "Space");
    press("4", "Digit4");
    act(() => overNow());
    expect(sent.at(-1)![0]).toMatchObject({ kind: "UNJUDGED", tension: 4 });
  });

  it("is not judged before it was played", () => {
    const { press } = stage();
    press("j", "KeyJ");
    expect(sent).toEqual([]);
  });

  it("is no clean pass while it has not gone to its end, unless the last beat is as good as over", () => {
    const { result, rerender, run, press } = stage();
    press(" ", "Space");
    rerender({ now: view(), here: run });
    playing.seconds = 2;
    press("j", "KeyJ");
    expect(sent).toEqual([]);
    expect(result.current.hint).toBe(say("run.aCleanPassGoesTo"));
    playing.seconds = 7.5;
    press("j", "KeyJ");
    expect(sent.at(-1)![0]).toMatchObject({ verdict: "CLEAN" });
  });

  it("whose sound is taken away counts for nothing, and waits for a hand", () => {
    const { result, rerender, run, press } = stage();
    press(" ", "Space");
    rerender({ now: view(), here: run });
    act(() => interruptedNow());
    expect(result.current).toMatchObject({ state: "ready", hint: say("run.soundInterrupted") });
    expect(sent).toEqual([]);
    press(" ", "Space");
    rerender({ now: view(), here: run });
    expect(result.current).toMatchObject({ state: "playing", hint: "" });
  });

  it("stays as it was answered until the next is there, and takes a tension, but no other answer", () => {
    const { result, rerender, run, press } = stage();
    press(" ", "Space");
    rerender({ now: view(), here: run });
    press("k", "KeyK");
    rerender({ now: view(), here: { ...run, deciding: true } as typeof run });
    expect(result.current.state).toBe("playing");
    press("l", "KeyL");
    press(" ", "Space");
    press("3", "Digit3");
    expect(sent.map(([event, correcting]) => [event, correcting])).toMatchObject([
      [{ verdict: "ROUGH", tension: null }, undefined],
      [{ verdict: "ROUGH", tension: 3 }, "id-1"],
    ]);
  });

  it("before it is begun lets the tension of the last answer be put right", () => {
    const { press } = stage();
    press("5", "Digit5");
    expect(sent).toEqual([[{ kind: "JUDGED", verdict: "CLEAN", told: null, tension: 5, seconds: null }, "before"]]);
  });

  it("takes a tension for the answer that is on its way", () => {
    const { rerender, run, press } = stage();
    press(" ", "Space");
    act(() => overNow());
    press("l", "KeyL");
    rerender({ now: view(), here: { ...run, settling: true } });
    press("3", "Digit3");
    expect(sent.at(-1)).toEqual([{ kind: "JUDGED", verdict: "BROKE", told: null, tension: 3, seconds: null }, "id-1"]);
  });

  it("is left with what was played of it", () => {
    const { result, rerender, run, press } = stage();
    press(" ", "Space");
    rerender({ now: view(), here: run });
    playing.seconds = 3.5;
    press("x", "KeyX");
    expect(result.current.open).toBe("symptom");
    press("j", "KeyJ");
    expect(sent).toEqual([]);
    act(() => result.current.end("SYMPTOM"));
    expect(sent).toEqual([[{ kind: "SYMPTOM", verdict: null, told: null, tension: null, seconds: 3.5 }, undefined]]);
    expect(result.current.open).toBeUndefined();
  });

  it.each([
    ["r", "REST_ASKED"],
    ["b", "BACKED_OFF"],
  ])("is put off by %s at no cost where it was not begun", (key, kind) => {
    const { press } = stage();
    press(key, `Key${key.toUpperCase()}`);
    expect(sent).toEqual([[{ kind, verdict: null, told: null, tension: null, seconds: 0 }, undefined]]);
  });

  it("begins unjudged after another", () => {
    const { result, rerender, run } = stage();
    act(() => overNow());
    expect(result.current.state).toBe("judge");
    rerender({ now: view({ ordinal: 4 }), here: run });
    expect(result.current.state).toBe("ready");
  });

  it("leaves a focused button its space bar", () => {
    const { result } = stage();
    const button = document.body.appendChild(document.createElement("button"));
    act(() => void fireEvent.keyDown(button, { key: " ", code: "Space" }));
    expect(result.current.state).toBe("ready");
    button.remove();
  });

  const quiet = view({ step: { why: "", pass: { ...pass, ask: "NOTHING" }, rest: null, ended: null } });
  const set = view({ step: { why: "", pass: { ...pass, ask: "SET", askOf: 3 }, rest: null, ended: null } });
  const UNJUDGED = { kind: "UNJUDGED", verdict: null, told: null, tension: null, seconds: null };

  it("goes on by itself where nothing need be said", () => {
    const { press } = stage(quiet);
    press(" ", "Space");
    expect(sent).toHaveLength(0);
    act(() => overNow());
    expect(sent.at(-1)).toEqual([UNJUDGED, undefined]);
  });

  it("says nothing of the next step when it comes while the last has just gone", () => {
    const { press, rerender } = stage(quiet);
    press(" ", "Space");
    act(() => overNow());
    const waiting = {
      settling: true,
      toHear: () => "{}",
      measuredLater: () => undefined,
      send: (event: object) => (sent.push([event, undefined]), "id"),
    };
    rerender({ now: quiet, here: waiting });
    playing.on = false;
    rerender({ now: { ...quiet, ordinal: 4 }, here: { ...waiting, settling: false } });
    expect(sent).toHaveLength(1);
  });

  it("says how many of a set were clean", () => {
    const { result, press } = stage(set);
    press(" ", "Space");
    act(() => overNow());
    press("k", "KeyK");
    expect(result.current.told.slips).toBe(1);
    press("j", "KeyJ");
    expect(sent.at(-1)).toEqual([{ kind: "JUDGED", verdict: null, told: 2, tension: null, seconds: null }, undefined]);
  });

  it("keeps going when it is told to: a silence is unjudged, and the next step begins", () => {
    vi.useFakeTimers();
    try {
      const { result, press, rerender, run } = stage();
      press("g", "KeyG");
      expect(result.current.keepsGoing).toBe(true);
      press(" ", "Space");
      act(() => overNow());
      expect(sent).toHaveLength(0);
      act(() => void vi.advanceTimersByTime(4_100));
      expect(sent.at(-1)).toEqual([UNJUDGED, undefined]);
      playing.on = false;
      rerender({ now: { ...view(), ordinal: 4 }, here: run });
      expect(playing.on).toBe(true);
      press("g", "KeyG");
      expect(result.current.keepsGoing).toBe(false);
    } finally {
      vi.useRealTimers();
    }
  });

  it("that the page opens at waits for a hand, and so does one that was stopped", () => {
    const { press, rerender, run } = stage();
    press("g", "KeyG");
    expect(playing.on).toBe(false);
    rerender({ now: view({ ordinal: 4 }), here: run });
    expect(playing.on).toBe(true);
    rerender({ now: view({ ordinal: 4 }), here: run });
    press(" ", "Space");
    rerender({ now: view({ ordinal: 4 }), here: run });
    expect(playing.on).toBe(false);
    press("g", "KeyG");
  });

  it("takes nothing that is written in a field for a key", () => {
    const { result } = stage();
    const field = document.body.appendChild(document.createElement("input"));
    act(() => void fireEvent.keyDown(field, { key: "x", code: "KeyX" }));
    expect(result.current.open).toBeUndefined();
    field.remove();
  });

  it("says by a sound that a rest is over, as far as that is wanted", () => {
    const { result } = stage(resting);
    playing.cues = 0;
    act(() => result.current.rested(15));
    expect(playing.cues).toBe(1);
    expect(sent.at(-1)![0]).toMatchObject({ kind: "RESTED", seconds: 15 });
  });
});

describe("a break that is due", () => {
  it("is said by a sound once", () => {
    playing.cues = 0;
    const due = view({ step: { why: "", pass: null, rest: { seconds: 300, reason: "BREAK" }, ended: null } });
    const { rerender, run } = stage();
    expect(playing.cues).toBe(0);
    rerender({ now: due, here: run });
    expect(playing.cues).toBe(1);
    rerender({ now: due, here: run });
    expect(playing.cues).toBe(1);
  });
});

describe("what is heard", () => {
  const measured = { verdict: "ROUGH", why: "SLIPPED", where: 4, transitions: [], missing: [] };
  const heard = (alone: object | null, suggested: object | null = { verdict: "ROUGH", told: null }) => ({
    heard: { takes: [{ measured, onsets: [], wrong: [] }], suggested, alone },
  });

  /** A pass that is played to its end and heard. */
  async function played(what: object, keepsGoing = false) {
    ears.is = "on";
    ears.heard = what;
    const one = stage();
    if (keepsGoing) one.press("g", "KeyG");
    one.press(" ", "Space");
    one.rerender({ now: view(), here: one.run });
    playing.on = false;
    act(() => overNow());
    one.rerender({ now: view(), here: one.run });
    expect(one.result.current.heard).toBe("measuring");
    await act(async () => ears.arrive());
    return one;
  }

  it("is suggested, and taken by one key with what was measured", async () => {
    const { result, press } = await played(heard(null));
    expect(result.current.suggested).toEqual({ verdict: "ROUGH", told: null });
    expect(sent).toEqual([]);
    press("Enter", "Enter");
    expect(sent.at(-1)![0]).toMatchObject({ kind: "JUDGED", verdict: "ROUGH", measured: [measured], taken: false });
  });

  it("is overruled by any verdict, and kept beside it", async () => {
    const { press } = await played(heard(null));
    press("j", "KeyJ");
    expect(sent.at(-1)![0]).toMatchObject({ verdict: "CLEAN", measured: [measured], taken: false });
  });

  it("asks once whether a word two steps away is meant, and waits for it", async () => {
    vi.useFakeTimers();
    const broke = { verdict: "BROKE", told: null };
    const { result, press } = await played(heard(broke, broke), true);
    press("j", "KeyJ");
    expect(sent).toEqual([]);
    expect(result.current.hint).toBe(say("heard.didYouMean", { heard: "BROKE" }));
    act(() => void vi.advanceTimersByTime(20_000));
    expect(sent).toEqual([]);
    press("j", "KeyJ");
    expect(sent.at(-1)![0]).toMatchObject({ verdict: "CLEAN", measured: [measured], taken: false });
  });

  it("is taken without a hand after a moment, where it keeps going", async () => {
    vi.useFakeTimers();
    await played(heard({ verdict: "ROUGH", told: null }), true);
    act(() => void vi.advanceTimersByTime(2_000));
    expect(sent).toEqual([]);
    act(() => void vi.advanceTimersByTime(1_000));
    expect(sent.at(-1)![0]).toMatchObject({ kind: "JUDGED", verdict: "ROUGH", taken: true });
  });

  it("counts as played and no more where it may not be taken alone", async () => {
    vi.useFakeTimers();
    await played(heard(null, { verdict: "CLEAN", told: null }), true);
    act(() => void vi.advanceTimersByTime(3_000));
    expect(sent.at(-1)![0]).toMatchObject({ kind: "UNJUDGED", verdict: null, measured: [measured] });
  });

  it("never says anything of tension", async () => {
    const { press } = await played(heard(null));
    press("Enter", "Enter");
    expect(sent.at(-1)![0]).toMatchObject({ tension: null });
  });

  it("goes after an answer that was given before it was measured", async () => {
    ears.is = "on";
    ears.heard = heard(null);
    const one = stage();
    one.press(" ", "Space");
    one.rerender({ now: view(), here: one.run });
    playing.on = false;
    act(() => overNow());
    one.rerender({ now: view(), here: one.run });
    one.press("k", "KeyK");
    expect(sent.at(-1)![0]).not.toHaveProperty("measured");
    one.rerender({ now: view({ ordinal: 4 }), here: one.run });
    await act(async () => ears.arrive());
    expect(sent.at(-1)).toMatchObject([{ verdict: "ROUGH", measured: [measured] }, "id-1"]);
  });
});

describe("with three pedals alone", () => {
  const pedal = (key: string) => [key, key] as const;
  const [ONE, TWO, THREE] = [pedal("PageDown"), pedal("PageUp"), pedal("ArrowDown")];

  it("a rest says that it was tenser", () => {
    const { press, result } = stage(resting);
    press(...TWO);
    expect(result.current.tension).toBe(3);
    expect(sent.at(-1)).toMatchObject([{ kind: "JUDGED", tension: 3 }, "before"]);
  });

  it("a pause goes on, ends, or is for a symptom", () => {
    const { press, result } = stage(resting);
    press(...THREE);
    expect(result.current.open).toBe("pause");
    press(...ONE);
    expect(result.current.open).toBeUndefined();
    press(...THREE);
    press(...TWO);
    expect(result.current.open).toBe("symptom");
    press(...THREE);
    expect(sent.at(-1)![0]).toMatchObject({ kind: "SYMPTOM" });
    press(...THREE);
    press(...THREE);
    expect(sent.at(-1)![0]).toMatchObject({ kind: "STOPPED" });
  });
});
