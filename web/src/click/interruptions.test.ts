import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { onInterruption } from "./interruptions";

/** What is plugged in, as far as the page may know. */
class Devices extends EventTarget {
  outputs = ["", "speakers", "headphones"];
  known = true;
  enumerateDevices() {
    const some = this.outputs.map((one) => ({ kind: "audiooutput", deviceId: one, groupId: one }));
    return Promise.resolve(this.known ? some : [{ kind: "audiooutput", deviceId: "", groupId: "" }]);
  }
  async become(outputs: string[]) {
    await vi.advanceTimersByTimeAsync(0);
    this.outputs = outputs;
    this.dispatchEvent(new Event("devicechange"));
    await vi.advanceTimersByTimeAsync(0);
  }
}

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
  let devices: Devices;
  const heard = (sound: Sound) => onInterruption(sound as unknown as AudioContext, () => told++);
  const runs = (sound: Sound, seconds: number) => {
    for (let i = 0; i < seconds * 2; i++) {
      sound.currentTime += 0.5;
      vi.advanceTimersByTime(500);
    }
  };

  beforeEach(() => {
    told = 0;
    devices = new Devices();
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

  it("is told when headphones are pulled", async () => {
    heard(new Sound());
    await devices.become(["", "speakers"]);
    expect(told).toBe(1);
  });

  it("is none when something is plugged in", async () => {
    heard(new Sound());
    await devices.become(["", "speakers", "headphones", "desk"]);
    expect(told).toBe(0);
  });

  it("is told of any change where the page may not know of what", async () => {
    devices.known = false;
    heard(new Sound());
    await devices.become(["", "speakers", "headphones", "desk"]);
    expect(told).toBe(1);
  });

  it("is told once when the sound goes together with what it comes out of", async () => {
    const sound = new Sound();
    heard(sound);
    devices.addEventListener("devicechange", () => sound.becomes("interrupted"));
    await devices.become(["", "speakers"]);
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

  it("is not told of what is over", async () => {
    const sound = new Sound();
    heard(sound)();
    sound.becomes("suspended");
    await devices.become([]);
    vi.advanceTimersByTime(60_000);
    expect(told).toBe(0);
  });
});
