/** What the scope of an audio worklet has; the types of pages do not know it. */
declare const currentTime: number;
declare const sampleRate: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void;

const BLOCK = 2048;
const LOUDEST = 0x7fff;

/** Hands on what is heard in blocks of 16 bits, each with the time of its first sample; several channels as one. */
class Recorder extends AudioWorkletProcessor {
  private block = new Int16Array(BLOCK);
  private filled = 0;
  private at = 0;

  process([channels = []]: Float32Array[][]) {
    const length = channels[0]?.length ?? 0;
    for (let i = 0; i < length; i++) {
      if (this.filled === 0) this.at = currentTime + i / sampleRate;
      let sum = 0;
      for (const channel of channels) sum += channel[i]!;
      this.block[this.filled++] = Math.max(-1, Math.min(1, sum / channels.length)) * LOUDEST;
      if (this.filled === BLOCK) {
        this.port.postMessage({ at: this.at, samples: this.block }, [this.block.buffer]);
        this.block = new Int16Array(BLOCK);
        this.filled = 0;
      }
    }
    return true;
  }
}

registerProcessor("tachylim-recorder", Recorder);
