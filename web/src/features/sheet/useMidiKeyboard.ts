import { useEffect, useRef } from "react";
import { keyboardStroke } from "./strokes";

/** A MIDI keyboard, where the browser and the machine have one. */
export function useMidiKeyboard(onStroke: (stroke: string) => void) {
  const latest = useRef(onStroke);
  useEffect(() => {
    latest.current = onStroke;
  });
  useEffect(() => {
    let access: MIDIAccess | undefined;
    let gone = false;
    let before: number | undefined;
    const heard = (event: MIDIMessageEvent) => {
      const [status = 0, key = 0, loudness = 0] = event.data ?? [];
      if ((status & 0xf0) !== 0x90 || loudness === 0) return;
      const at = event.timeStamp / 1000;
      latest.current(keyboardStroke(key, at, before));
      before = at;
    };
    const listen = () => access?.inputs.forEach((input) => (input.onmidimessage = heard));
    void navigator.requestMIDIAccess?.().then(
      (given) => {
        if (gone) return;
        access = given;
        access.onstatechange = listen;
        listen();
      },
      () => undefined,
    );
    return () => {
      gone = true;
      access?.inputs.forEach((input) => (input.onmidimessage = null));
    };
  }, []);
}
