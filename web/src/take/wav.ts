/** Sound of one channel, −1 to 1. */
export interface Sound {
  samples: Float32Array<ArrayBuffer>;
  rate: number;
}

const HEADER = 44;
const BYTES = 2;
const LOUDEST = 0x7fff;

/** The same in 16 bits, as it is kept: half as large. */
export function shorts(samples: Float32Array): Int16Array<ArrayBuffer> {
  const whole = new Int16Array(samples.length);
  for (let i = 0; i < whole.length; i++) whole[i] = Math.max(-1, Math.min(1, samples[i]!)) * LOUDEST;
  return whole;
}

/** Sound of 16 bits as a WAV file. */
export function wav(samples: Int16Array<ArrayBuffer>, rate: number): Blob {
  const view = new DataView(new ArrayBuffer(HEADER));
  const bytes = samples.length * BYTES;
  const write = (at: number, text: string) =>
    [...text].forEach((letter, i) => view.setUint8(at + i, letter.charCodeAt(0)));
  write(0, "RIFF");
  view.setUint32(4, HEADER + bytes - 8, true);
  write(8, "WAVEfmt ");
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * BYTES, true);
  view.setUint16(32, BYTES, true);
  view.setUint16(34, 8 * BYTES, true);
  write(36, "data");
  view.setUint32(40, bytes, true);
  return new Blob([view, samples], { type: "audio/wav" });
}

/** The sound of a file that {@link wav} has written. */
export async function soundOf(file: Blob): Promise<Sound> {
  const bytes = await file.arrayBuffer();
  const whole = new Int16Array(bytes, HEADER);
  const samples = new Float32Array(whole.length);
  for (let i = 0; i < samples.length; i++) samples[i] = whole[i]! / LOUDEST;
  return { samples, rate: new DataView(bytes).getUint32(24, true) };
}

const CLICK_HZ = 1320;
const CLICK_SECONDS = 0.05;
const CLICK_FADE = 0.012;
const CLICK_LEVEL = 0.35;

/** The same with clicks at some times, in seconds. */
export function withClicks({ samples, rate }: Sound, times: number[]): Sound {
  const all = samples.slice();
  for (const time of times) {
    const from = Math.round(time * rate);
    for (let i = 0; i < CLICK_SECONDS * rate; i++) {
      if (from + i < 0 || from + i >= all.length) continue;
      const seconds = i / rate;
      all[from + i]! += CLICK_LEVEL * Math.exp(-seconds / CLICK_FADE) * Math.sin(2 * Math.PI * CLICK_HZ * seconds);
    }
  }
  return { samples: all, rate };
}
