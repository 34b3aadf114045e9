/** Why nothing is heard. */
export type Deaf = "refused" | "absent" | "taken" | "insecure" | "failed" | "unplugged" | "noKeys" | "keysRefused";

/** Where sound comes from. */
export interface Input {
  node: AudioNode;
  /** Whether it is one of those that hear too little to tell small things, as over Bluetooth. */
  coarse: boolean;
  close: () => void;
}

/** The input at which a made-up player plays, for trying it out without an instrument. */
export const MADE_UP = "made-up";

/** The same at a keyboard that tells what is struck. */
export const MADE_UP_KEYS = "made-up keys";

/** All instruments that tell what is struck; one of them is this and its id. */
export const KEYS = "keys:";

export const areKeys = (input: string) => input === MADE_UP_KEYS || input.startsWith(KEYS);

/** The microphone that the browser would choose. */
export const USUAL = "";

/** Nothing may improve what is heard: what suppresses noise suppresses notes. */
const AS_IT_IS = { echoCancellation: false, noiseSuppression: false, autoGainControl: false };

const WHY: Record<string, Deaf> = {
  NotAllowedError: "refused",
  SecurityError: "refused",
  NotFoundError: "absent",
  OverconstrainedError: "absent",
  NotReadableError: "taken",
  AbortError: "taken",
};

/** A microphone, or another input, that cannot be had. */
export class NoInput extends Error {
  constructor(readonly why: Deaf) {
    super(why);
  }
}

const SLOW_RATE = 16_000;
const BLUETOOTH = /bluetooth|airpods|hands-?free|headset/i;

/**
 * Opens a microphone.
 *
 * @param onLost told when it is unplugged, or taken away
 */
export async function microphone(audio: AudioContext, device: string, onLost: (why: Deaf) => void): Promise<Input> {
  // Only a page of this machine, or one that is protected, may listen.
  if (!navigator.mediaDevices) throw new NoInput("insecure");
  let stream: MediaStream;
  try {
    stream = await navigator.mediaDevices.getUserMedia({
      audio: { ...AS_IT_IS, ...(device && { deviceId: { exact: device } }) },
    });
  } catch (error) {
    throw new NoInput(WHY[error instanceof DOMException ? error.name : ""] ?? "failed");
  }
  const [track] = stream.getAudioTracks();
  const node = audio.createMediaStreamSource(stream);
  track?.addEventListener("ended", () => onLost("unplugged"));
  return {
    node,
    coarse: (track?.getSettings().sampleRate ?? Infinity) <= SLOW_RATE || BLUETOOTH.test(track?.label ?? ""),
    close: () => {
      node.disconnect();
      stream.getTracks().forEach((one) => one.stop());
    },
  };
}

/** The microphones there are; their names are told only once one may be listened to. */
export async function microphones(): Promise<{ id: string; name: string }[]> {
  const all = (await navigator.mediaDevices?.enumerateDevices()) ?? [];
  return all
    .filter(({ kind, deviceId }) => kind === "audioinput" && deviceId !== "default" && deviceId !== "communications")
    .map(({ deviceId, label }) => ({ id: deviceId, name: label }));
}
