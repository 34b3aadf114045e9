/** So long the clock of the sound may stand still, in milliseconds, before it is taken to have gone. */
const STANDS_MS = 10_000;

const LOOKS_EVERY_MS = 500;

/** What sounds come out of; nothing where the browser does not say which. */
async function outputs(devices: MediaDevices): Promise<string[] | undefined> {
  const all = (await devices.enumerateDevices()).filter(({ kind }) => kind === "audiooutput");
  return all.some(({ deviceId }) => deviceId) ? all.map(({ deviceId, groupId }) => deviceId + groupId) : undefined;
}

/**
 * Tells once when the sound is taken away: by a call, by headphones that are pulled, or because its clock stands still. Returns
 * how to let that be.
 */
export function onInterruption(audio: AudioContext, tell: () => void): () => void {
  let over = false;
  const gone = () => {
    if (over) return;
    letBe();
    tell();
  };
  // What is resumed by the key that started it runs a moment later.
  let ran = audio.state === "running";
  const changed = () => {
    if (audio.state === "running") ran = true;
    else if (ran) gone();
  };
  let moved = { to: audio.currentTime, at: performance.now() };
  const look = () => {
    const now = performance.now();
    if (audio.currentTime !== moved.to) moved = { to: audio.currentTime, at: now };
    else if (now - moved.at > STANDS_MS) gone();
  };
  const devices = (navigator as Partial<Navigator>).mediaDevices;
  const known = devices && outputs(devices).catch(() => undefined);
  const plugged = async () => {
    const [before, now] = await Promise.all([known, outputs(devices!).catch(() => undefined)]);
    // A camera, or one more thing to hear by, takes nothing away; where it is not told what it was, it may be the headphones.
    if (!before || !now || before.some((one) => !now.includes(one))) gone();
  };
  const timer = setInterval(look, LOOKS_EVERY_MS);
  audio.addEventListener("statechange", changed);
  devices?.addEventListener("devicechange", plugged);
  const letBe = () => {
    over = true;
    clearInterval(timer);
    audio.removeEventListener("statechange", changed);
    devices?.removeEventListener("devicechange", plugged);
  };
  return letBe;
}
