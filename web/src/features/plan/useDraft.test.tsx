// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, cleanup, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Wish } from "./blocks";

const told = vi.hoisted(() => ({ bodies: [] as unknown[], arrive: [] as (() => void)[] }));
vi.mock("../../api/client", () => ({
  api: {
    PUT: (_path: string, { body }: { body: unknown }) => {
      told.bodies.push(body);
      return new Promise<void>((arrived) => told.arrive.push(() => arrived()));
    },
  },
  given: (call: Promise<unknown>) => call,
}));

const { useDraft } = await import("./useDraft");

const wish = (minutes: number) => ({ minutes, sectionId: 1 }) as Wish;
const wrapper = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
);

function drafting() {
  return renderHook(({ now }) => useDraft(now, true), { initialProps: { now: wish(10) }, wrapper });
}

beforeEach(() => {
  vi.useFakeTimers();
  told.bodies = [];
  told.arrive = [];
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

describe("a plan that is changed", () => {
  it("is begun only when all that was stored of it has arrived", async () => {
    const { result, rerender } = drafting();
    rerender({ now: wish(20) });
    await act(() => vi.advanceTimersByTimeAsync(500));
    expect(told.bodies).toEqual([wish(20)]);
    const begun = vi.fn();
    void result.current.now().then(begun);
    await act(() => vi.advanceTimersByTimeAsync(500));
    expect(begun).not.toHaveBeenCalled();
    told.arrive[0]!();
    await act(() => vi.advanceTimersByTimeAsync(0));
    expect(begun).toHaveBeenCalled();
  });

  it("is stored at once when the page is left, whatever is on its way", async () => {
    const { rerender, unmount } = drafting();
    rerender({ now: wish(20) });
    await act(() => vi.advanceTimersByTimeAsync(500));
    rerender({ now: wish(30) });
    unmount();
    expect(told.bodies).toEqual([wish(20), wish(30)]);
  });
});
