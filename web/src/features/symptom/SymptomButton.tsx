import { useState } from "react";
import { useNavigate } from "react-router";
import { useRestHours, useTouch } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { useToast } from "../../ui/Toasts";
import { noteSymptom, sendSymptoms } from "../../outbox/symptoms";
import { say } from "../../words/say";

/** Pain, numbness or tingling can be reported from every page. */
export function SymptomButton() {
  const [open, setOpen] = useState(false);
  const touch = useTouch();
  const hours = useRestHours();
  const navigate = useNavigate();
  const toast = useToast();
  const report = async () => {
    setOpen(false);
    noteSymptom();
    try {
      await sendSymptoms();
      toast(say("symptom.keptNoPlayingForHours", { hours }));
      await touch([...touches.symptoms, ...touches.run]);
      void navigate("/");
    } catch {
      toast(say("symptom.keptHereAndSentAs"));
    }
  };
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="flex min-h-11 items-center self-center rounded-[5px] border border-danger px-1.5 font-semibold sm:px-3 text-danger hover:bg-danger hover:text-white"
      >
        {say("symptom.symptom")}
      </button>
      <Dialog title={say("symptom.painNumbnessOrTingling")} open={open} onClose={() => setOpen(false)}>
        <p className="mb-5 text-soft">{say("symptom.ifYesAWorkoutThat", { hours })}</p>
        <div className="flex flex-wrap gap-3">
          <Button kind="main" onClick={() => void report()} autoFocus>
            {say("symptom.yesRestForHours", { hours })}
          </Button>
          <Button onClick={() => setOpen(false)}>{say("symptom.no")}</Button>
        </div>
      </Dialog>
    </>
  );
}
