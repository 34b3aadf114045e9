// @vitest-environment jsdom
import { QueryClient, QueryClientProvider, useQueries } from "@tanstack/react-query";
import { act, cleanup, renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, describe, expect, it } from "vitest";
import { useChange } from "./queries";
import * as touches from "./touches";

afterEach(cleanup);

/** Some questions, each counting how often it is asked, and a change that touches some of them. */
function asking(keys: unknown[][], touched: touches.Touches, change: () => Promise<unknown> = () => Promise.resolve()) {
  const times = new Map<string, number>();
  const client = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(
    () => {
      useQueries({
        queries: keys.map((key) => ({
          queryKey: key,
          queryFn: () => {
            times.set(key.join("/"), (times.get(key.join("/")) ?? 0) + 1);
            return "answered";
          },
        })),
      });
      return useChange(change, touched);
    },
    { wrapper },
  );
  return { times, change: () => act(() => result.current.mutateAsync(undefined).catch(() => undefined)) };
}

describe("a change", () => {
  it("asks anew only for what it touched", async () => {
    const keys = [["practiceSheet", 7], ["practiceSheet", 8], ["load"], ["log", undefined], ["today", 30, false]];
    const { times, change } = asking(keys, touches.practice(7));
    await waitFor(() => expect([...times.values()]).toEqual([1, 1, 1, 1, 1]));
    await change();
    await waitFor(() => expect(times.get("practiceSheet/7")).toBe(2));
    expect(times.get("load")).toBe(2);
    expect(times.get("today/30/false")).toBe(2);
    expect(times.get("practiceSheet/8")).toBe(1);
    expect(times.get("log/")).toBe(1);
  });

  it("of who is here asks for everything", async () => {
    const { times, change } = asking(
      [
        ["practiceSheet", 7],
        ["log", undefined],
      ],
      touches.everything,
    );
    await waitFor(() => expect(times.size).toBe(2));
    await change();
    await waitFor(() => expect([...times.values()]).toEqual([2, 2]));
  });

  it("that fails asks for nothing", async () => {
    const { times, change } = asking([["practiceSheet", 7]], touches.practiceSheet(7), () =>
      Promise.reject(new Error("no")),
    );
    await waitFor(() => expect(times.size).toBe(1));
    await change();
    expect(times.get("practiceSheet/7")).toBe(1);
  });
});
