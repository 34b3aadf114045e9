// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { heard, isCutOff, useLastReached } from "./connection";
import { KEPT } from "./seen";

const fresh = () => heard(new Response("{}"));
const kept = (date: string) => heard(new Response("{}", { headers: { [KEPT]: date } }));

const MORNING = "Wed, 02 Dec 2026 08:00:00 GMT";
const NOON = "Wed, 02 Dec 2026 12:00:00 GMT";

describe("the connection", () => {
  afterEach(fresh);

  it("is there until an answer is one that was seen before, and back with the first that is not", () => {
    const { result } = renderHook(() => useLastReached());
    act(fresh);
    expect(isCutOff()).toBe(false);
    act(() => kept(NOON));
    expect(result.current).toBe(NOON);
    expect(isCutOff()).toBe(true);
    act(fresh);
    expect(result.current).toBeUndefined();
  });

  it("was there when the newest of what is shown was given", () => {
    const { result } = renderHook(() => useLastReached());
    act(() => kept(MORNING));
    act(() => kept(NOON));
    act(() => kept(MORNING));
    expect(result.current).toBe(NOON);
  });
});
