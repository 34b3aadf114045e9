import { afterEach, describe, expect, it } from "vitest";
import { keep } from "../keep";
import { heardLate, usuallyLate } from "./latency";

describe("how late an input hears", () => {
  afterEach(() => keep.removeItem("tachylim.latency.lapel"));

  it("is not known before it heard a click", () => expect(usuallyLate("lapel")).toBeUndefined());

  it("is the median of its last takes, whatever one of them said", () => {
    [0.05, 0.06, 0.4, 0.055, 0.06].forEach((late) => heardLate("lapel", late));
    expect(usuallyLate("lapel")).toBe(0.06);
    for (let take = 0; take < 15; take++) heardLate("lapel", 0.1);
    expect(usuallyLate("lapel")).toBe(0.1);
    expect(usuallyLate("another")).toBeUndefined();
  });

  it("is not known from what is no list", () => {
    keep.setItem("tachylim.latency.lapel", "{");
    expect(usuallyLate("lapel")).toBeUndefined();
    heardLate("lapel", 0.07);
    expect(usuallyLate("lapel")).toBe(0.07);
  });
});
