// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { noteCount } from "./counts";
import { counts } from "./shelf";
import { useWaiting } from "./waiting";

describe("what waits to be sent", () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => {
    vi.useRealTimers();
    counts.clear();
  });

  it("is said once it has waited for a moment, until it is gone", () => {
    const { result } = renderHook(() => useWaiting());
    act(() => noteCount(3, 60, 40));
    expect(result.current).toBe(0);
    act(() => void vi.advanceTimersByTime(1_000));
    expect(result.current).toBe(1);
    act(() => noteCount(3, 60, 42));
    expect(result.current).toBe(2);
    act(() => counts.all().forEach(({ id }) => counts.remove(id)));
    expect(result.current).toBe(0);
  });
});
