import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { answering, Beside } from "./beside";

/** A worker that answers when a test lets it. */
class Slow {
  static made: Slow[] = [];
  onmessage?: (event: object) => void;
  onerror?: () => void;
  asked: { id: number; question: string }[] = [];
  gone = false;
  constructor() {
    Slow.made.push(this);
  }
  postMessage(asked: { id: number; question: string }) {
    this.asked.push(asked);
  }
  answers(data: { told?: string; failed?: string }) {
    this.onmessage!({ data: { id: this.asked.shift()!.id, ...data } });
  }
  terminate() {
    this.gone = true;
  }
}

const begun = () => new Beside<string, string>(() => new Slow() as unknown as Worker);

describe("what works beside the page", () => {
  beforeEach(() => {
    Slow.made = [];
    vi.useFakeTimers();
  });
  afterEach(() => void vi.useRealTimers());

  it("is begun once, and answers each question by itself", async () => {
    const beside = begun();
    const [one, other] = [beside.ask("one", 100), beside.ask("other", 100)];
    const [worker] = Slow.made;
    worker!.answers({ told: "1" });
    worker!.answers({ failed: "no such thing" });
    await expect(one).resolves.toBe("1");
    await expect(other).rejects.toThrow("no such thing");
    expect(Slow.made).toHaveLength(1);
  });

  it("is let go when it takes too long, and another is begun by the next question", async () => {
    const beside = begun();
    const [first, second] = [beside.ask("one", 100), beside.ask("other", 1000)];
    const failed = Promise.allSettled([first, second]);
    vi.advanceTimersByTime(100);
    expect((await failed).map(({ status }) => status)).toEqual(["rejected", "rejected"]);
    expect(Slow.made[0]!.gone).toBe(true);
    const third = beside.ask("again", 100);
    Slow.made[1]!.answers({ told: "3" });
    await expect(third).resolves.toBe("3");
    vi.advanceTimersByTime(10_000);
    expect(Slow.made[1]!.gone, "nobody waits any more").toBe(false);
  });

  it("tells whoever waits when it breaks", async () => {
    const one = begun().ask("one", 100);
    Slow.made[0]!.onerror!();
    await expect(one).rejects.toThrow();
  });
});

describe("its other side", () => {
  it("answers, and says why it cannot", async () => {
    const told: unknown[] = [];
    vi.stubGlobal("postMessage", (reply: unknown) => told.push(reply));
    answering((question: string) => {
      if (question === "?") throw new Error("what?");
      return question.length;
    });
    const ask = onmessage as unknown as (event: object) => Promise<void>;
    await ask({ data: { id: 1, question: "four" } });
    await ask({ data: { id: 2, question: "?" } });
    expect(told).toEqual([
      { id: 1, told: 4 },
      { id: 2, failed: "Error: what?" },
    ]);
  });
});
