// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { keep } from "../keep";
import { ClickPanel } from "./ClickPanel";
import { wishes } from "./wishes";

afterEach(() => {
  cleanup();
  keep.removeItem("tachylim.click.cello");
});

describe("the click of an instrument", () => {
  it("is kept as soon as anything of it is changed", () => {
    render(<ClickPanel instrument="cello" />);
    fireEvent.change(screen.getByLabelText("Sound"), { target: { value: "bell" } });
    fireEvent.change(screen.getByLabelText("Volume"), { target: { value: "35" } });
    fireEvent.change(screen.getByLabelText("Count in"), { target: { value: "2" } });
    fireEvent.change(screen.getByLabelText("Clicks"), { target: { value: "3-1" } });
    fireEvent.click(screen.getByLabelText("visual only, no sound"));
    expect(wishes("cello")).toMatchObject({ sound: "bell", level: 0.35, bars: 2, silence: "3-1", seen: true });
    expect(wishes("flute").sound).toBe("block");
  });
});
