import { Button } from "../ui/Button";
import { say } from "../words/say";
import { roundOf, told } from "./reasons";
import type { ToHear } from "./heard";
import { TakePicture } from "./TakePicture";
import type { useLine } from "./useLine";

interface Props {
  line: ReturnType<typeof useLine>;
  onPlay: () => void;
  className: string;
}

/** One line, played to see what is heard. */
export function Line({ line: { state, stop }, onPlay, className }: Props) {
  const caught = typeof state === "object" ? state : undefined;
  const take = caught?.heard.takes[0];
  const asked = caught && (JSON.parse(caught.listened.toHear) as ToHear);
  return (
    <div>
      <Button className={className} onClick={state === "playing" ? stop : onPlay}>
        {say(state === "playing" ? "take.stop" : "heard.line.play")}
      </Button>
      <p role="status" className="mt-2">
        {state === "playing" && say("heard.line.playing")}
        {state === "unheard" && say("heard.line.nothing")}
        {take && asked && say("heard.line.this", { heard: told(caught.heard, roundOf(asked)) })}
      </p>
      {take && asked && <TakePicture dark take={take} notes={asked.notes} round={asked.notes} />}
    </div>
  );
}
