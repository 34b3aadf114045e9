import type { Recording } from "./heard";
import worklet from "./recorder.worklet?worker&url";

/** A pass that lasts longer is not measured: what it takes to keep it would be in the way of the page. */
export const MOST_SECONDS = 240;

interface Block {
  at: number;
  /** 16 bits each. */
  samples: Int16Array<ArrayBuffer>;
}

/** What is heard from one moment on, until it is wanted. */
export class Tape {
  private blocks: Block[] = [];
  private length = 0;

  constructor(
    private readonly rate: number,
    private readonly tapes: Set<Tape>,
  ) {
    tapes.add(this);
  }

  add(block: Block) {
    this.blocks.push(block);
    this.length += block.samples.length;
    if (this.length > MOST_SECONDS * this.rate) this.drop();
  }

  /** Nothing more is kept, and what was kept is forgotten. */
  drop() {
    this.tapes.delete(this);
    this.blocks = [];
  }

  /** What was recorded; nothing where that was too long, or nothing arrived. */
  end(): Recording | undefined {
    const { blocks, rate } = this;
    this.drop();
    const first = blocks[0];
    if (!first) return undefined;
    const last = blocks.at(-1)!;
    // A block that was lost leaves silence in its place: times stay true.
    const samples = new Int16Array(Math.round((last.at - first.at) * rate) + last.samples.length);
    for (const { at, samples: some } of blocks) samples.set(some, Math.max(0, Math.round((at - first.at) * rate)));
    return { samples, rate, from: first.at };
  }
}

/** Listens at an input. How loud it is is always known; what is heard is kept on tapes alone. */
export class Recorder {
  private readonly tapes = new Set<Tape>();
  /** The loudest of the last block, 0 to 1. */
  level = 0;

  private constructor(
    private readonly audio: AudioContext,
    private readonly node: AudioWorkletNode,
  ) {
    node.port.onmessage = ({ data }: MessageEvent<Block>) => {
      this.level = data.samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0) / 0x7fff;
      this.tapes.forEach((tape) => tape.add(data));
    };
  }

  static async at(audio: AudioContext): Promise<Recorder> {
    await audio.audioWorklet.addModule(worklet);
    return new Recorder(audio, new AudioWorkletNode(audio, "tachylim-recorder", { numberOfOutputs: 0 }));
  }

  /** Where sound goes in. */
  get input(): AudioNode {
    return this.node;
  }

  /** Keeps what is heard from now on. */
  tape(): Tape {
    return new Tape(this.audio.sampleRate, this.tapes);
  }

  close() {
    [...this.tapes].forEach((tape) => tape.drop());
    this.node.port.onmessage = null;
    this.node.disconnect();
  }
}
