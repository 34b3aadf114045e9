// @vitest-environment jsdom
import { act, cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { useTyped } from "./useTyped";

afterEach(cleanup);

const meant = { note: vi.fn(), cause: vi.fn(), missing: vi.fn() };
afterEach(() => Object.values(meant).forEach((one) => one.mockReset()));

function Typed({ beatOf }: { beatOf: number[] }) {
  return <p data-testid="said">{useTyped(beatOf, true, meant).said}</p>;
}

const press = (key: string) => {
  const event = new KeyboardEvent("keydown", { key, code: key === "w" ? "KeyW" : "", bubbles: true, cancelable: true });
  act(() => void document.body.dispatchEvent(event));
  return event;
};
const said = () => screen.getByTestId("said").textContent;

describe("where it broke, by keys", () => {
  it("is the beat, then the note, then why", () => {
    render(<Typed beatOf={[0, 0, 1, 1, 1, 2]} />);
    expect(press("2").defaultPrevented).toBe(false);
    press("w");
    expect(said()).toBe("Beat …");
    expect(press("2").defaultPrevented).toBe(true);
    expect(said()).toBe("Beat 2, note …");
    press("3");
    expect(meant.note).toHaveBeenCalledWith(4);
    press("1");
    expect(meant.cause).toHaveBeenCalledWith(0);
    expect(press("4").defaultPrevented).toBe(false);
  });

  it("waits for a second figure where there may be one", () => {
    render(<Typed beatOf={Array.from({ length: 24 }, (_, i) => Math.floor(i / 2))} />);
    press("w");
    press("1");
    expect(said()).toBe("Beat 1");
    press("2");
    expect(said()).toBe("Beat 12, note …");
    press("1");
    expect(meant.note).toHaveBeenCalledWith(22);
  });

  it("says when there is no such note, and is left with Escape", () => {
    render(<Typed beatOf={[0, 0, 2, 2]} />);
    press("w");
    press("2");
    press("1");
    expect(meant.missing).toHaveBeenCalled();
    press("w");
    press("Escape");
    expect(press("3").defaultPrevented).toBe(false);
    expect(meant.note).not.toHaveBeenCalled();
  });
});
