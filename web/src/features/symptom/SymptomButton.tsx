import { useState } from "react";
import { useNavigate } from "react-router";
import { useRestHours, useTouch } from "../../api/queries";
import * as touches from "../../api/touches";
import { keep } from "../../keep";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { useSay } from "../../ui/Toasts";
import { noteSymptom, sendSymptoms } from "../../outbox/symptoms";

/** Pain, numbness or tingling can be reported from every page. */
export function SymptomButton() {
  const [open, setOpen] = useState(false);
  const touch = useTouch();
  const hours = useRestHours();
  const navigate = useNavigate();
  const say = useSay();
  const report = async () => {
    setOpen(false);
    noteSymptom(keep);
    try {
      await sendSymptoms(keep);
      say(`Kept. No playing for ${hours} hours.`);
      await touch([...touches.symptoms, ...touches.run]);
      void navigate("/");
    } catch {
      say("Kept here, and sent as soon as Tachylim answers. Put the instrument down.");
    }
  };
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="flex min-h-11 items-center self-center rounded-[5px] border border-danger px-1.5 font-semibold sm:px-3 text-danger hover:bg-danger hover:text-white"
      >
        Symptom
      </button>
      <Dialog title="Pain, numbness or tingling?" open={open} onClose={() => setOpen(false)}>
        <p className="mb-5 text-soft">
          If yes, a workout that is open ends and nothing is planned for {hours} hours. If it stays, see a physician or
          a licensed therapist who knows musicians; what they say goes before anything here.
        </p>
        <div className="flex flex-wrap gap-3">
          <Button kind="main" onClick={() => void report()} autoFocus>
            Yes, rest for {hours} hours
          </Button>
          <Button onClick={() => setOpen(false)}>No</Button>
        </div>
      </Dialog>
    </>
  );
}
