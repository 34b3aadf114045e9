import type { Struck } from "./heard";
import { type Deaf, KEYS, NoInput } from "./inputs";

const NOTE_ON = 0x90;
const KIND = 0xf0;
const CHANNEL = 0x0f;
const MS = 1000;

/** What an instrument tells, with the time on the clock of the page, in milliseconds. */
export type Message = { data: Uint8Array | null; timeStamp: number };

/** A key that was struck; nothing where a message tells of something else. A key struck at no speed is one let go. */
export function struckBy({ data, timeStamp }: Message): Struck | undefined {
  const [status = 0, pitch = 0, velocity = 0] = data ?? [];
  if ((status & KIND) !== NOTE_ON || velocity === 0) return undefined;
  return { seconds: timeStamp / MS, pitch, velocity, channel: status & CHANNEL };
}

async function access(): Promise<MIDIAccess> {
  if (!navigator.requestMIDIAccess) throw new NoInput("noKeys");
  try {
    return await navigator.requestMIDIAccess();
  } catch {
    throw new NoInput("keysRefused");
  }
}

const connected = (given: MIDIAccess) => [...given.inputs.values()].filter(({ state }) => state !== "disconnected");

/** The instruments there are, once one may be listened to. */
export async function keyboards(): Promise<{ id: string; name: string }[]> {
  return connected(await access()).map(({ id, name }) => ({ id: KEYS + id, name: name ?? "" }));
}

/**
 * Listens to one instrument or to all of them; one that is plugged in later is heard as well.
 *
 * @param onLost told when the last of them is unplugged
 * @returns how to stop
 */
export async function keyboard(
  input: string,
  onStruck: (one: Struck) => void,
  onLost: (why: Deaf) => void,
): Promise<() => void> {
  const given = await access();
  const mine = () => connected(given).filter(({ id }) => input === KEYS || input === KEYS + id);
  if (mine().length === 0) throw new NoInput("absent");
  const heard = (message: MIDIMessageEvent) => {
    const one = struckBy(message);
    if (one) onStruck(one);
  };
  const listen = () => mine().forEach((one) => (one.onmidimessage = heard));
  listen();
  given.onstatechange = () => {
    if (mine().length === 0) onLost("unplugged");
    else listen();
  };
  return () => {
    given.onstatechange = null;
    given.inputs.forEach((one) => (one.onmidimessage = null));
  };
}

/** A moment of the page's clock on that of the audio, as it is heard. */
export function onAudioClock(audio: AudioContext, seconds: number): number {
  const { contextTime, performanceTime } = audio.getOutputTimestamp();
  return contextTime && performanceTime
    ? contextTime + seconds - performanceTime / MS
    : audio.currentTime - audio.outputLatency + seconds - performance.now() / MS;
}
