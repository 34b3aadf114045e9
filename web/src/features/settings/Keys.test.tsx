// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { keep } from "../../keep";
import { actionOf } from "../run/keys";
import { Keys } from "./Keys";

afterEach(() => {
  cleanup();
  keep.removeItem("tachylim.keys");
});

const ask = (label: string) => fireEvent.click(screen.getByRole("button", { name: `Learn the key for ${label}` }));

describe("keys and pedals", () => {
  it("learn a key by its being pressed, and go back to the usual one", () => {
    render(<Keys />);
    ask("slip");
    fireEvent.keyDown(window, { key: "F14", code: "F14" });
    expect(screen.getByRole("status").textContent).toContain("F14 is for “slip” now");
    expect(actionOf({ key: "F14", code: "F14" })).toBe("rough");
    fireEvent.click(screen.getByText("usual"));
    expect(actionOf({ key: "F14", code: "F14" })).toBeUndefined();
    expect(actionOf({ key: "k", code: "KeyK" })).toBe("rough");
  });

  it("say what a key does already, and wait for another", () => {
    render(<Keys />);
    ask("slip");
    fireEvent.keyDown(window, { key: "j", code: "KeyJ" });
    expect(screen.getByRole("status").textContent).toContain("for “clean” already");
    expect(actionOf({ key: "j", code: "KeyJ" })).toBe("clean");
    fireEvent.keyDown(window, { key: "u", code: "KeyU" });
    expect(actionOf({ key: "u", code: "KeyU" })).toBe("rough");
  });
});
