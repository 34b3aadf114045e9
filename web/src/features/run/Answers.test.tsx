// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { Answers } from "./Answers";
import { type Code, say } from "../../words/say";

afterEach(cleanup);

const LAST = { clientId: "a", verdict: "ROUGH", tension: 2, tempo: 96.4 } as const;

function answers(part: Partial<Parameters<typeof Answers>[0]> = {}) {
  const onAct = vi.fn();
  render(<Answers state="ready" mayBeClean tension={1} last={LAST} sending={false} onAct={onAct} {...part} />);
  return onAct;
}

const button = (code: Code) => screen.getByRole<HTMLButtonElement>("button", { name: new RegExp(say(code)) });

describe("the answers", () => {
  it("say what the last one was until something is played", () => {
    answers();
    expect(screen.getByRole("status").textContent).toBe(
      say("run.lastAtTensionAFigure", { verdict: say("verdict.ROUGH"), tempo: 96, tension: 2 }),
    );
  });

  it("are open while playing and after, and clean only where nothing was cut short", async () => {
    const onAct = answers({ state: "judge", mayBeClean: false });
    expect(button("verdict.CLEAN").disabled).toBe(true);
    expect(button("verdict.ROUGH").disabled).toBe(false);
    await userEvent.click(button("verdict.BROKE"));
    expect(onAct).toHaveBeenCalledWith("broke");
    expect(screen.getByRole("status").textContent).toBe(say("run.howWasIt"));
  });

  it.each(["ready", "rest"] as const)("are closed when it is %s", (state) => {
    answers({ state });
    expect(
      [button("verdict.CLEAN"), button("verdict.ROUGH"), button("verdict.BROKE")].every((one) => one.disabled),
    ).toBe(true);
    expect(button("run.backOff").disabled).toBe(state === "rest");
  });

  it("wait while one is on its way", () => {
    answers({ state: "judge", sending: true });
    expect(button("verdict.ROUGH").disabled).toBe(true);
    expect(screen.getByRole("status").textContent).toBe(say("run.yourAnswerIsKeptAnd"));
  });

  it("show the tension as pressed", async () => {
    const onAct = answers({ tension: 4 });
    expect(button("run.gripping").getAttribute("aria-pressed")).toBe("true");
    await userEvent.click(button("run.loose"));
    expect(onAct).toHaveBeenCalledWith("tension-0");
  });
});
