import { afterEach, describe, expect, it } from "vitest";
import english from "../../../words/en.json";
import german from "../../../words/de.json";
import { NOTHING, reason } from "../test/reasons";
import { say, speak, speakTo } from "./say";

afterEach(() => {
  speak("en", english);
  speakTo({ instrument: "OTHER" });
});

describe("a reason", () => {
  const gap = reason("standing.gap", { measured: "true", ceiling: 100, target: 1440, days: 28 });

  it("is said with its numbers, and with the reasons that are part of it", () => {
    expect(say(reason("chosen.next", { standing: gap }))).toBe(
      "The ceiling is 100 BPM; you want 1,440 in 28 days: the next most pressing.",
    );
  });

  it("is said by the rules of the language", () => {
    speak("de", german);
    expect(say(reason("cap.usualDay", { usual: 21.3 }))).toContain("Das Anderthalbfache der 21,3 Belastungsminuten");
    expect(say(gap)).toContain("1.440");
  });

  it("lists its parts as the language does", () => {
    const open = reason("readiness.open", {
      missing: [reason("readiness.COUNTED"), reason("readiness.SLOW_AND_CLEAN")],
    });
    const both = `${say("readiness.COUNTED")} and ${say("readiness.SLOW_AND_CLEAN")}`;
    expect(say(open)).toContain(both);
  });

  it("says nothing where there is nothing to say, or where a newer server speaks", () => {
    expect(say(NOTHING)).toBe("");
    expect(say(reason("unheard.of", { tempo: 96 }))).toBe("");
    expect(say(reason("standing.gap", { measured: "true" }))).toBe("");
  });

  it("speaks of a body as players of the instrument do", () => {
    expect(say(reason("rest.change"))).toMatch(/^Arms loose/);
    speakTo({ instrument: "WIND" });
    expect(say(reason("rest.change"))).toMatch(/^Lips and jaw loose/);
    speakTo({ instrument: "BOWED" });
    expect(say("run.restArmsLoose")).toContain("bow arm");
  });
});
