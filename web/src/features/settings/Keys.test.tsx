// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { keep } from "../../keep";
import { actionOf } from "../run/keys";
import { Keys } from "./Keys";
import { say } from "../../words/say";

afterEach(() => {
  cleanup();
  keep.removeItem("tachylim.keys");
});

const ask = (label: string) =>
  fireEvent.click(screen.getByRole("button", { name: say("settings.learnTheKeyFor", { label }) }));

describe("keys and pedals", () => {
  it("learn a key by its being pressed, and go back to the usual one", () => {
    render(<Keys />);
    ask(say("verdict.ROUGH"));
    fireEvent.keyDown(window, { key: "F14", code: "F14" });
    expect(screen.getByRole("status").textContent).toBe(
      say("settings.isForNow", { keyOf: "F14", label: say("verdict.ROUGH") }),
    );
    expect(actionOf({ key: "F14", code: "F14" })).toBe("rough");
    fireEvent.click(screen.getByText(say("settings.usual")));
    expect(actionOf({ key: "F14", code: "F14" })).toBeUndefined();
    expect(actionOf({ key: "k", code: "KeyK" })).toBe("rough");
  });

  it("say what a key does already, and wait for another", () => {
    render(<Keys />);
    ask(say("verdict.ROUGH"));
    fireEvent.keyDown(window, { key: "j", code: "KeyJ" });
    expect(screen.getByRole("status").textContent).toBe(
      say("settings.thatKeyIsForAlready", { label: say("verdict.CLEAN") }),
    );
    expect(actionOf({ key: "j", code: "KeyJ" })).toBe("clean");
    fireEvent.keyDown(window, { key: "u", code: "KeyU" });
    expect(actionOf({ key: "u", code: "KeyU" })).toBe("rough");
  });
});
