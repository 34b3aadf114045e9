import { Button, KeyCap } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { ACTIONS, type Action, keyOf } from "./keys";
import { useRestHours } from "../../api/queries";

interface Props {
  open: boolean;
  onClose: () => void;
}

const LIGHT = "border-night-soft text-night-ink hover:border-night-ink";

export function PauseDialog({ open, onClose, onLeave, onEnd }: Props & { onLeave: () => void; onEnd: () => void }) {
  return (
    <Dialog dark title="Paused" open={open} onClose={onClose}>
      <p className="mb-5 text-night-soft">
        The workout stays at this step, also if you leave the page. By pedal: the first goes on, the second is for a
        symptom, the third ends it.
      </p>
      <div className="flex flex-wrap gap-3">
        <Button kind="main" onClick={onClose} autoFocus>
          Go on
        </Button>
        <Button className={LIGHT} onClick={onLeave}>
          Leave it open
        </Button>
        <Button className={LIGHT} onClick={onEnd}>
          End it here
        </Button>
      </div>
    </Dialog>
  );
}

export function SymptomDialog({ open, onClose, onConfirm }: Props & { onConfirm: () => void }) {
  const hours = useRestHours();
  return (
    <Dialog dark title="Stopped. Pain, numbness or tingling?" open={open} onClose={onClose}>
      <p className="mb-5 text-night-soft">
        If yes, this workout ends and nothing is planned for {hours} hours. If it stays, see a physician or a licensed
        therapist who knows musicians; what they say goes before anything here.
      </p>
      <div className="flex flex-wrap gap-3">
        <Button kind="main" onClick={onConfirm} autoFocus>
          Yes, stop for {hours} hours
        </Button>
        <Button className={LIGHT} onClick={onClose}>
          No, go on
        </Button>
      </div>
    </Dialog>
  );
}

export function KeysDialog({ open, onClose }: Props) {
  return (
    <Dialog dark title="Keys" open={open} onClose={onClose}>
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
      <p className="mb-5 text-night-soft">A pedal works as the key that it sends. Keys are learned anew in Settings.</p>
      <Button kind="main" onClick={onClose} autoFocus>
        Close
      </Button>
    </Dialog>
  );
}
