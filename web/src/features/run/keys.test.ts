import { describe, expect, it } from "vitest";
import { ACTIONS, actionOf } from "./keys";

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
});
