// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { type Asked, pretendServer, show } from "../../test/server";

vi.mock("../../notation/Engraving", () => ({ Engraving: ({ abc }: { abc: string }) => <p>{abc}</p> }));

const { StepMusic } = await import("./StepMusic");

let asked: Asked[];

beforeEach(() => {
  sessionStorage.clear();
  ({ asked } = pretendServer({
    "POST /api/readings/strokes": (one) => ({
      body: { abc: `heard ${(one.body as { strokes: string[] }).strokes.join(" ")}`, notes: 2, grid: null },
    }),
  }));
});
afterEach(cleanup);

const ground = () => screen.getByRole("group", { name: /Enter notes/ });
const type = (keys: string[]) => keys.forEach((key) => fireEvent.keyDown(ground(), { key }));

describe("notes entered a key at a time", () => {
  it("are heard in the order they were typed, with the usual value before them", async () => {
    show(<StepMusic onTake={vi.fn()} />);
    type(["c", "E", "q", "4", "d"]);
    await screen.findByText("heard v8 c +e v4 d");
  });

  it("are taken back and brought again", async () => {
    show(<StepMusic onTake={vi.fn()} />);
    type(["c", "d", "Backspace"]);
    await screen.findByText("heard v8 c");
    fireEvent.keyDown(ground(), { key: "z", ctrlKey: true, shiftKey: true });
    await screen.findByText("heard v8 c d");
    await userEvent.click(screen.getByRole("button", { name: "Start over" }));
    await screen.findByText(/Click here and type letters/);
  });

  it("are kept in this window until they are taken", async () => {
    show(<StepMusic onTake={vi.fn()} />);
    type(["g"]);
    await screen.findByText("heard v8 g");
    cleanup();
    const onTake = vi.fn();
    show(<StepMusic onTake={onTake} />);
    await screen.findByText("heard v8 g");
    await userEvent.click(screen.getByRole("button", { name: "Use these notes" }));
    expect(onTake).toHaveBeenCalledWith("heard v8 g", "");
  });

  it("ask for nothing while there is no note", async () => {
    show(<StepMusic onTake={vi.fn()} />);
    type(["4", "t"]);
    await waitFor(() =>
      expect(screen.getByRole("button", { name: /quarter/ }).getAttribute("aria-pressed")).toBe("true"),
    );
    expect(asked).toHaveLength(0);
    expect(screen.getByRole("button", { name: "Use these notes" })).toHaveProperty("disabled", true);
  });

  it("get a tapped rhythm once it is drawn", async () => {
    show(<StepMusic onTake={vi.fn()} />);
    type(["c", "d"]);
    const tap = screen.getByRole("button", { name: "Tap the rhythm" });
    fireEvent.pointerDown(tap);
    fireEvent.pointerDown(tap);
    await userEvent.click(screen.getByRole("button", { name: "Snap to the beat" }));
    await waitFor(() => expect((asked.at(-1)!.body as { taps: number[] }).taps).toHaveLength(2));
    expect(screen.getByRole("button", { name: "Tap the rhythm" })).toBeTruthy();
  });
});
