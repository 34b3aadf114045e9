import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { onInterruption } from "./interruptions";

/** A sound whose clock goes as a test says. */
class Sound extends EventTarget {
  state = "running";
  currentTime = 0;
  becomes(state: string) {
    this.state = state;
    this.dispatchEvent(new Event("statechange"));
  }
}

describe("an interruption", () => {
  let told: number;
  let devices: EventTarget;
  const heard = (sound: Sound) => onInterruption(sound as unknown as AudioContext, () => told++);
  const runs = (sound: Sound, seconds: number) => {
    for (let i = 0; i < seconds * 2; i++) {
      sound.currentTime += 0.5;
      vi.advanceTimersByTime(500);
    }
  };

  beforeEach(() => {
    told = 0;
    devices = new EventTarget();
    vi.stubGlobal("navigator", { mediaDevices: devices });
    vi.useFakeTimers();
  });
  afterEach(() => void vi.useRealTimers());

  it("is none while the sound goes on, and when it is resumed by the key that starts it", () => {
    const sound = new Sound();
    sound.state = "suspended";
    heard(sound);
    sound.becomes("suspended");
    sound.becomes("running");
    runs(sound, 60);
    expect(told).toBe(0);
  });

  it("is told once when a call takes the sound away", () => {
    const sound = new Sound();
    heard(sound);
    sound.becomes("interrupted");
    sound.becomes("running");
    sound.becomes("suspended");
    expect(told).toBe(1);
  });

  it("is told when headphones are pulled", () => {
    heard(new Sound());
    devices.dispatchEvent(new Event("devicechange"));
    expect(told).toBe(1);
  });

  it("is told when the clock of the sound stands still", () => {
    const sound = new Sound();
    heard(sound);
    runs(sound, 20);
    vi.advanceTimersByTime(9_000);
    expect(told).toBe(0);
    vi.advanceTimersByTime(3_000);
    expect(told).toBe(1);
  });

  it("is not told of what is over", () => {
    const sound = new Sound();
    heard(sound)();
    sound.becomes("suspended");
    devices.dispatchEvent(new Event("devicechange"));
    vi.advanceTimersByTime(60_000);
    expect(told).toBe(0);
  });
});
