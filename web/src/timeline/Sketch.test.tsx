// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { Sketch } from "./Sketch";

afterEach(cleanup);

const pass = (
  kind: "CONTROLLED" | "BURST" | "WARM_UP",
  tempo: number,
  verdict: "CLEAN" | "BROKE" | null = "CLEAN",
) => ({
  kind,
  tempo,
  seconds: 10,
  verdict,
});

const steps = () => [...document.querySelectorAll("rect")].map((one) => Number(one.getAttribute("height")));

describe("the small picture of a workout", () => {
  it("has a step for each pass, the faster the higher, and a notch where it broke", () => {
    render(
      <Sketch passes={[pass("WARM_UP", 60), pass("CONTROLLED", 80), pass("BURST", 120, "BROKE")]} label="3 passes" />,
    );
    const [warm, slow, burst, notch] = steps();
    expect(warm).toBeLessThan(slow!);
    expect(slow).toBeLessThan(burst!);
    expect(notch).toBe(3.5);
    expect(screen.getByRole("img", { name: "3 passes" })).toBeTruthy();
  });

  it("of one tempo is level, and of nothing is nothing", () => {
    const { container, rerender } = render(
      <Sketch passes={[pass("CONTROLLED", 80), pass("CONTROLLED", 80)]} label="two" />,
    );
    expect(new Set(steps()).size).toBe(1);
    rerender(<Sketch passes={[]} label="none" />);
    expect(container.innerHTML).toBe("");
  });
});
