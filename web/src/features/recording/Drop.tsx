import { useEffect } from "react";
import { useNavigate } from "react-router";
import { drop } from "./dropped";

const RECORDING = /^audio\/|\.(midi?|wav|mp3|og[ga]|opus|m4a|flac)$/i;

const isRecording = ({ type, name }: File) => RECORDING.test(type) || RECORDING.test(name);

/** A recording may be let fall on any page: it is listened to on its own. */
export function Drop() {
  const navigate = useNavigate();
  useEffect(() => {
    const over = (event: DragEvent) => {
      if (event.dataTransfer?.types.includes("Files")) event.preventDefault();
    };
    const fell = (event: DragEvent) => {
      // A page with a place of its own for files has taken it.
      if (event.defaultPrevented) return;
      const file = [...(event.dataTransfer?.files ?? [])].find(isRecording);
      if (!file) return;
      event.preventDefault();
      drop(file);
      void navigate(`/recording?dropped=${Date.now()}`);
    };
    window.addEventListener("dragover", over);
    window.addEventListener("drop", fell);
    return () => {
      window.removeEventListener("dragover", over);
      window.removeEventListener("drop", fell);
    };
  }, [navigate]);
  return null;
}
