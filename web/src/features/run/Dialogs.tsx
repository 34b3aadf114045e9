import { Button, KeyCap } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { ACTIONS, type Action, keyOf } from "./keys";
import { useRestHours } from "../../api/queries";
import { say } from "../../words/say";

interface Props {
  open: boolean;
  onClose: () => void;
}

const LIGHT = "border-night-soft text-night-ink hover:border-night-ink";

export function PauseDialog({ open, onClose, onLeave, onEnd }: Props & { onLeave: () => void; onEnd: () => void }) {
  return (
    <Dialog dark title={say("run.paused")} open={open} onClose={onClose}>
      <p className="mb-5 text-night-soft">{say("run.theWorkoutStaysAtThis")}</p>
      <div className="flex flex-wrap gap-3">
        <Button kind="main" onClick={onClose} autoFocus>
          {say("run.goOn")}
        </Button>
        <Button className={LIGHT} onClick={onLeave}>
          {say("run.leaveItOpen")}
        </Button>
        <Button className={LIGHT} onClick={onEnd}>
          {say("run.endItHere")}
        </Button>
      </div>
    </Dialog>
  );
}

export function SymptomDialog({ open, onClose, onConfirm }: Props & { onConfirm: () => void }) {
  const hours = useRestHours();
  return (
    <Dialog dark title={say("run.stoppedPainNumbnessOrTingling")} open={open} onClose={onClose}>
      <p className="mb-5 text-night-soft">{say("run.ifYesThisWorkoutEnds", { hours })}</p>
      <div className="flex flex-wrap gap-3">
        <Button kind="main" onClick={onConfirm} autoFocus>
          {say("run.yesStopForHours", { hours })}
        </Button>
        <Button className={LIGHT} onClick={onClose}>
          {say("run.noGoOn")}
        </Button>
      </div>
    </Dialog>
  );
}

export function KeysDialog({ open, onClose }: Props) {
  return (
    <Dialog dark title={say("run.keys")} open={open} onClose={onClose}>
      {open && <Keys />}
      <p className="mb-5 text-night-soft">{say("run.aPedalWorksAsThe")}</p>
      <Button kind="main" onClick={onClose} autoFocus>
        {say("common.close")}
      </Button>
    </Dialog>
  );
}

function Keys() {
  return (
    <dl className="mb-5 grid grid-cols-[auto_1fr_auto_1fr] items-center gap-x-4 gap-y-2">
      {(Object.keys(ACTIONS) as Action[]).map((action) => (
        <div key={action} className="contents">
          <dt>
            <KeyCap>{keyOf(action)}</KeyCap>
          </dt>
          <dd>{ACTIONS[action].label}</dd>
        </div>
      ))}
    </dl>
  );
}
