// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { Answers } from "./Answers";

afterEach(cleanup);

const LAST = { clientId: "a", verdict: "ROUGH", tension: 2, tempo: 96.4 } as const;

function answers(part: Partial<Parameters<typeof Answers>[0]> = {}) {
  const onAct = vi.fn();
  render(<Answers state="ready" mayBeClean tension={1} last={LAST} sending={false} onAct={onAct} {...part} />);
  return onAct;
}

const button = (name: RegExp) => screen.getByRole<HTMLButtonElement>("button", { name });

describe("the answers", () => {
  it("say what the last one was until something is played", () => {
    answers();
    expect(screen.getByRole("status").textContent).toBe(
      "Last: slip at 96, tension 2. A figure puts the tension right.",
    );
  });

  it("are open while playing and after, and clean only where nothing was cut short", async () => {
    const onAct = answers({ state: "judge", mayBeClean: false });
    expect(button(/clean/).disabled).toBe(true);
    expect(button(/slip/).disabled).toBe(false);
    await userEvent.click(button(/broke down/));
    expect(onAct).toHaveBeenCalledWith("broke");
    expect(screen.getByRole("status").textContent).toBe("How was it?");
  });

  it.each(["ready", "rest"] as const)("are closed when it is %s", (state) => {
    answers({ state });
    expect([button(/clean/), button(/slip/), button(/broke down/)].every((one) => one.disabled)).toBe(true);
    expect(button(/back off/).disabled).toBe(state === "rest");
  });

  it("wait while one is on its way", () => {
    answers({ state: "judge", sending: true });
    expect(button(/slip/).disabled).toBe(true);
    expect(screen.getByRole("status").textContent).toContain("on its way");
  });

  it("show the tension as pressed", async () => {
    const onAct = answers({ tension: 4 });
    expect(button(/gripping/).getAttribute("aria-pressed")).toBe("true");
    await userEvent.click(button(/loose/));
    expect(onAct).toHaveBeenCalledWith("tension-0");
  });
});
