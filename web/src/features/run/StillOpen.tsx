import { Failure } from "../../ui/Alert";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { say } from "../../words/say";
import { useOpenWorkout } from "./useOpenWorkout";

interface Props {
  runId: number;
  onGoOn: () => void;
  /** Ends the open one and begins what was wanted. */
  onInstead: () => void;
  onClose: () => void;
}

/** Asks what is to become of a workout that is still open when another is begun. */
export function StillOpen({ runId, onGoOn, onInstead, onClose }: Props) {
  const name = useOpenWorkout(runId).name;
  return (
    <Dialog title={say("open.title")} open onClose={onClose}>
      <p dir="auto">{say("open.which", { name })}</p>
      <p className="mt-2 text-soft">{say("open.kept")}</p>
      <div className="mt-5 flex flex-wrap gap-3">
        <Button kind="main" onClick={onInstead}>
          {say("open.endAndBegin")}
        </Button>
        <Button onClick={onGoOn}>{say("open.goOn")}</Button>
        <Button onClick={onClose}>{say("common.cancel")}</Button>
      </div>
    </Dialog>
  );
}

/** Says on a page that a workout is open, and ends it there. */
export function StillOpenHere({ runId }: { runId: number }) {
  const { name, end } = useOpenWorkout(runId);
  return (
    <div className="mb-4 border-l-2 border-brass pl-3">
      <p className="flex flex-wrap items-center gap-x-4 gap-y-1" dir="auto">
        {say("open.stillOpen", { name })}
        <Button online disabled={end.isPending} onClick={() => end.mutate(undefined)}>
          {say("open.end")}
        </Button>
      </p>
      <Failure of={end} className="font-semibold" />
    </div>
  );
}
