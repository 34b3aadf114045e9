// @vitest-environment jsdom
import { cleanup, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { useWakefulScreen } from "./useWakefulScreen";

const release = vi.fn(() => Promise.resolve());
const request = vi.fn(() => Promise.resolve({ release }));

function shown(state: DocumentVisibilityState) {
  vi.spyOn(document, "visibilityState", "get").mockReturnValue(state);
  document.dispatchEvent(new Event("visibilitychange"));
}

beforeEach(() => {
  vi.clearAllMocks();
  Object.defineProperty(navigator, "wakeLock", { value: { request }, configurable: true });
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  Reflect.deleteProperty(navigator, "wakeLock");
});

describe("the screen while a workout is open", () => {
  it("is kept on, and again when the page is back", () => {
    renderHook(() => useWakefulScreen());
    expect(request).toHaveBeenCalledTimes(1);
    shown("hidden");
    expect(request).toHaveBeenCalledTimes(1);
    shown("visible");
    expect(request).toHaveBeenCalledTimes(2);
  });

  it("may go dark when the workout is left, also where that was asked for a moment before", async () => {
    const { unmount } = renderHook(() => useWakefulScreen());
    unmount();
    await vi.waitFor(() => expect(release).toHaveBeenCalledTimes(1));
    shown("visible");
    expect(request).toHaveBeenCalledTimes(1);
  });
});
