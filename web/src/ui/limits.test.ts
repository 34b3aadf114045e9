import { reason } from "../test/reasons";
import { say } from "../words/say";
import { describe, expect, it } from "vitest";
import { counted, figure, type Limit, reachedFirst } from "./limits";

const effort: Limit = {
  kind: "EFFORT",
  inSeconds: false,
  cap: 8,
  used: 1.6,
  left: 6.4,
  why: reason("cap.own", { minutes: 40 }),
};
const fast: Limit = { ...effort, kind: "BURST_SECONDS", inSeconds: true };

describe("a limit in words", () => {
  it("counts minutes as figures and seconds as a clock does", () => {
    expect(`${figure(effort, 6.4)} ${counted(effort)}`).toBe("6.4 effort minutes");
    expect(`${figure(fast, 95)} ${counted(fast)}`).toBe("1:35 of fast playing");
  });

  it("says whether it lies ahead or is reached", () => {
    expect(reachedFirst(effort)).toBe(`You'll reach this limit first. ${say(effort.why)}`);
    expect(reachedFirst({ ...effort, left: 0 })).toBe(`You have reached this limit first. ${say(effort.why)}`);
  });
});
