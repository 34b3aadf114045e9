import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

vi.mock("../keep", async (original) => ({
  ...(await original<typeof import("../keep")>()),
  keepOfWindow: {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  },
}));
const kept = vi.hoisted(() => new Map<string, string>());

describe("a part of the page that is missing", () => {
  const reload = vi.fn();
  let loadAnew: () => boolean;

  beforeEach(async () => {
    vi.resetModules();
    reload.mockClear();
    kept.clear();
    vi.stubEnv("PROD", true);
    vi.stubGlobal("window", { location: { reload }, dispatchEvent: vi.fn() });
    vi.stubGlobal("navigator", { onLine: true });
    ({ loadAnew } = await import("./build"));
  });
  afterEach(() => {
    vi.unstubAllEnvs();
    vi.unstubAllGlobals();
  });

  it("has the page loaded anew, once", async () => {
    expect(loadAnew()).toBe(true);
    expect(loadAnew()).toBe(true);
    expect(reload).toHaveBeenCalledTimes(1);
    vi.resetModules();
    expect((await import("./build")).loadAnew()).toBe(false);
  });

  it("is waited for where only the network is missing", () => {
    vi.stubGlobal("navigator", { onLine: false });
    expect(loadAnew()).toBe(false);
    expect(reload).not.toHaveBeenCalled();
  });

  it("takes the page away from nobody who plays", async () => {
    const { holdOpen: held } = await import("../outbox/atHand");
    const close = held("1");
    expect(loadAnew()).toBe(false);
    close();
    expect(loadAnew()).toBe(true);
  });
});
