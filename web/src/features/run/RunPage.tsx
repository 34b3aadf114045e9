import "../../take/words";
import { type ReactNode, useEffect } from "react";
import { useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { Button, ButtonLink } from "../../ui/Button";
import { Ended } from "./Ended";
import { Stage } from "./Stage";
import { useRun } from "./useRun";
import { say, speakTo } from "../../words/say";

/** A workout being played: full window, dark, one key at a time. */
export default function RunPage({ me }: { me: Schemas["Me"] }) {
  const { id } = useParams();
  const run = useRun(id!);
  const { view, link } = run;
  // A player of two instruments is spoken to in the words of the one at hand.
  if (view) speakTo(view);
  useEffect(() => () => speakTo(me), [me]);
  return (
    <main id="main" className="flex min-h-dvh flex-col bg-night text-night-ink">
      {link === "gone" && (
        <Message title={say("run.thisWorkoutIsNotHere")}>
          <ButtonLink kind="main" to="/">
            {say("run.toToday")}
          </ButtonLink>
        </Message>
      )}
      {link === "elsewhere" && (
        <Message title={say("run.thisWorkoutGoesOnIn")}>
          <p className="mb-5 text-night-soft">{say("run.onlyOneWindowAtA")}</p>
          <Button kind="main" onClick={() => void run.takeOver()}>
            {say("run.takeOverHere")}
          </Button>
        </Message>
      )}
      {link === "signed-out" && (
        <Message title={say("run.youAreSignedOut")}>
          <p className="mb-5 text-night-soft">{say("run.yourAnswersAreKeptIn")}</p>
          <Button kind="main" onClick={() => window.location.reload()}>
            {say("run.signIn")}
          </Button>
        </Message>
      )}
      {!view && link !== "gone" && link !== "signed-out" && (
        <p role="status" className="m-auto text-xl text-night-soft">
          {link === "offline" ? say("run.noConnectionToTachylimTrying") : say("run.oneMoment")}
        </p>
      )}
      {view &&
        (link === "ok" || link === "offline") &&
        (view.step.ended ? (
          <Ended view={view} settled={run.waiting === 0} />
        ) : (
          <Stage run={run} view={view} speed={me.speed} instrument={view.instrument} account={me.name} />
        ))}
    </main>
  );
}

function Message({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div role="alert" className="m-auto max-w-lg p-8 text-center">
      <h1 className="mb-4">{title}</h1>
      {children}
    </div>
  );
}
