// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from "vitest";
import english from "../../../words/en.json";
import german from "../../../words/de.json";
import { keep } from "../keep";
import { language, learnToSpeak } from "./language";
import { locale, say, speak, speakTo } from "./say";

async function spoken(search: string, browser: string[]) {
  history.replaceState(null, "", `/${search}`);
  vi.spyOn(navigator, "languages", "get").mockReturnValue(browser);
  vi.stubGlobal("fetch", async (file: string) => new Response(JSON.stringify(file.includes("de") ? german : english)));
  await learnToSpeak();
  return [language(), locale()];
}

afterEach(() => {
  keep.removeItem("tachylim.language");
  vi.restoreAllMocks();
  speak("en", english);
});

describe("words that were said before", () => {
  const reason = { code: "free.begin", values: {} };

  it("are others for another instrument and in another language", () => {
    speakTo({ instrument: "BRASS" });
    expect([say("free.begin"), say(reason)]).toEqual(Array(2).fill("Easy air, until lips and jaw are loose."));
    speakTo({ instrument: "BOWED" });
    expect([say("free.begin"), say(reason)]).toEqual(Array(2).fill("Long, easy bows, until everything is loose."));
    speak("de", german);
    expect(say("free.begin")).toContain("Striche");
    expect(say(reason)).toBe(say("free.begin"));
  });
});

describe("the language of the page", () => {
  it("is the first of the browser's that is known, with its region", async () => {
    expect(await spoken("", ["fr-FR", "de-AT", "en-US"])).toEqual(["de", "de-AT"]);
    expect(say("common.today")).toBe("Heute");
    expect(await spoken("", ["fr-FR"])).toEqual(["en", "en"]);
  });

  it("is what was chosen in this browser, and before that what a link asks for", async () => {
    keep.setItem("tachylim.language", "de");
    expect(await spoken("", ["en-GB"])).toEqual(["de", "de"]);
    expect(await spoken("?lang=en", ["en-GB"])).toEqual(["en", "en-GB"]);
  });

  it("is one that there is, whatever a link or a browser names", async () => {
    expect(await spoken("?lang=constructor", ["en-US@posix"])).toEqual(["en", "en"]);
  });
});
