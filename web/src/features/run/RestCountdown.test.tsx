// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { keep } from "../../keep";
import { RestCountdown } from "./RestCountdown";

const over = vi.fn();
const rest = (mayEnd: boolean) =>
  render(<RestCountdown run="7" ordinal={3} seconds={60} speed={1} mayEnd={mayEnd} onOver={over} />);
const press = (key: string, code: string) => fireEvent.keyDown(window, { key, code });

beforeEach(() => over.mockReset());
afterEach(() => {
  cleanup();
  keep.removeItem("tachylim.run.7.rest");
});

describe("a rest", () => {
  it("cannot be cut short by a key, nor by anything on the page", () => {
    rest(false);
    press(" ", "Space");
    press("PageDown", "PageDown");
    expect(screen.queryByRole("button")).toBeNull();
    expect(over).not.toHaveBeenCalled();
  });

  it("away from the instrument is over when the player says so, with the seconds it took", () => {
    rest(true);
    press("k", "KeyK");
    expect(over).not.toHaveBeenCalled();
    press("PageDown", "PageDown");
    expect(over).toHaveBeenCalledOnce();
    expect(over.mock.calls[0]![0]).toBeLessThan(5);
    fireEvent.click(screen.getByRole("button", { name: /done/ }));
    expect(over).toHaveBeenCalledTimes(2);
  });

  it("keeps the key that ends it from whatever listens after it", () => {
    rest(true);
    const other = vi.fn();
    window.addEventListener("keydown", other);
    press(" ", "Space");
    window.removeEventListener("keydown", other);
    expect(over).toHaveBeenCalledOnce();
    expect(other).not.toHaveBeenCalled();
  });
});
