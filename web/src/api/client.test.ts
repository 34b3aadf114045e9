// @vitest-environment jsdom
import { afterEach, expect, it, vi } from "vitest";
import { api } from "./client";

afterEach(() => vi.restoreAllMocks());

it("waits long for what is put together, and not for what is read", async () => {
  const timeout = vi.spyOn(AbortSignal, "timeout");
  vi.spyOn(globalThis, "fetch").mockImplementation(() => Promise.resolve(new Response("{}")));
  const waited = async (ask: () => Promise<unknown>) => {
    await ask();
    return timeout.mock.lastCall?.[0];
  };
  const id = { params: { path: { id: 1 } } };
  expect(await waited(() => api.GET("/api/passages"))).toBe(10_000);
  expect(await waited(() => api.GET("/api/runs/{id}/score", id))).toBe(10_000);
  const body = {} as never;
  expect(await waited(() => api.POST("/api/passages", { body }))).toBe(180_000);
  expect(await waited(() => api.POST("/api/runs", { body }))).toBe(180_000);
  expect(await waited(() => api.POST("/api/plans", { body }))).toBe(180_000);
});
