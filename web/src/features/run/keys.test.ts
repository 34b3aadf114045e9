// @vitest-environment jsdom
import { afterEach, describe, expect, it } from "vitest";
import { keep } from "../../keep";
import { ACTIONS, actionOf, keyOf, learn, pedalled, takenBy } from "./keys";

afterEach(() => keep.removeItem("tachylim.keys"));

describe("the keys of a run", () => {
  it("follow the letter typed", () => {
    expect(actionOf({ key: "j", code: "KeyJ" })).toBe("clean");
    expect(actionOf({ key: "L", code: "KeyL" })).toBe("broke");
    expect(actionOf({ key: "?", code: "Minus" })).toBe("keys");
    expect(actionOf({ key: " ", code: "Space" })).toBe("start");
  });

  it("follow the place on layouts with other letters, and the number block", () => {
    expect(actionOf({ key: "à", code: "Digit0" })).toBe("tension-0");
    expect(actionOf({ key: "4", code: "Numpad4" })).toBe("tension-4");
    expect(actionOf({ key: "о", code: "KeyJ" })).toBe("clean");
  });

  it("leave all others alone", () => {
    expect(actionOf({ key: "q", code: "KeyQ" })).toBeUndefined();
    expect(actionOf({ key: "Tab", code: "Tab" })).toBeUndefined();
  });

  it("are all different", () => {
    const keys = Object.values(ACTIONS).map((action) => action.key);
    expect(new Set(keys).size).toBe(keys.length);
  });

  it("are learned anew by pressing them, and are the usual ones again when they are forgotten", () => {
    const pedal = { key: "F13", code: "F13" };
    expect(actionOf(pedal)).toBeUndefined();
    learn("pedal-1", pedal);
    expect(actionOf(pedal)).toBe("pedal-1");
    expect(keyOf("pedal-1")).toBe("F13");
    expect(actionOf({ key: "PageDown", code: "PageDown" })).toBeUndefined();
    learn("pedal-1", undefined);
    expect(actionOf(pedal)).toBeUndefined();
    expect(actionOf({ key: "PageDown", code: "PageDown" })).toBe("pedal-1");
  });

  it("say what a key does already", () => {
    expect(takenBy({ key: "j", code: "KeyJ" }, "pedal-2")).toBe("clean");
    expect(takenBy({ key: "j", code: "KeyJ" }, "clean")).toBeUndefined();
    learn("rough", { key: "m", code: "KeyM" });
    expect(takenBy({ key: "m", code: "KeyM" }, "broke")).toBe("rough");
    expect(takenBy({ key: "k", code: "KeyK" }, "broke")).toBeUndefined();
  });

  it("broken in the browser's storage are the usual ones", () => {
    keep.setItem("tachylim.keys", "{nonsense");
    expect(actionOf({ key: "j", code: "KeyJ" })).toBe("clean");
  });
});

describe("three pedals", () => {
  it("do what the step wants", () => {
    expect(pedalled("pedal-1", "ready")).toBe("start");
    expect(pedalled("pedal-1", "judge")).toBe("clean");
    expect(pedalled("pedal-2", "judge")).toBe("rough");
    expect(pedalled("pedal-2", "ready")).toBe("rest");
    expect(pedalled("pedal-3", "playing")).toBe("start");
    expect(pedalled("pedal-3", "ready")).toBe("back-off");
    expect(pedalled("pedal-1", "rest")).toBeUndefined();
    expect(pedalled("pedal-2", "rest")).toBe("tenser");
    expect(pedalled("pedal-3", "rest")).toBe("pause");
    expect(pedalled("pedal-2", "pause")).toBe("symptom");
    expect(pedalled("pedal-3", "pause")).toBe("end");
    expect(pedalled("pedal-1", "symptom")).toBe("close");
    expect(pedalled("pedal-3", "symptom")).toBe("end");
    expect(pedalled("rough", "ready")).toBe("rough");
  });
});
