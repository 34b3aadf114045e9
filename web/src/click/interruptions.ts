/** So long the clock of the sound may stand still, in milliseconds, before it is taken to have gone. */
const STANDS_MS = 10_000;

const LOOKS_EVERY_MS = 500;

/**
 * Tells once when the sound is taken away: by a call, by headphones that are pulled, or because its clock stands still. Returns
 * how to let that be.
 */
export function onInterruption(audio: AudioContext, tell: () => void): () => void {
  const gone = () => {
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
  const timer = setInterval(look, LOOKS_EVERY_MS);
  audio.addEventListener("statechange", changed);
  devices?.addEventListener("devicechange", gone);
  const letBe = () => {
    clearInterval(timer);
    audio.removeEventListener("statechange", changed);
    devices?.removeEventListener("devicechange", gone);
  };
  return letBe;
}
