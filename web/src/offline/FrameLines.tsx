import type { ReactNode } from "react";
import { keep } from "../keep";
import { lastsOnlyHere } from "../outbox/shelf";
import { useWaiting } from "../outbox/waiting";
import { Button } from "../ui/Button";
import { moment } from "../ui/format";
import { say } from "../words/say";
import { putOff, renew, useNewer } from "./build";
import { useLastReached } from "./connection";

/** What is to be known on every page: that the server cannot be reached, what waits for it, and that it has been renewed. */
export function FrameLines() {
  const waiting = useWaiting();
  const lastReached = useLastReached();
  const newer = useNewer();
  return (
    <>
      {lastReached !== undefined && <Line>{say("offline.cutOff", { since: moment(lastReached) })}</Line>}
      {waiting > 0 && <Line>{say("outbox.waitingToBeSent", { waiting })}</Line>}
      {(keep.onlyHere || lastsOnlyHere()) && <Line>{say("common.thisBrowserKeepsNothingFor")}</Line>}
      {newer && (
        <Line>
          {say("offline.newer")}{" "}
          <span className="ml-3 inline-flex gap-3">
            <Button onClick={() => void renew()}>{say("offline.reload")}</Button>
            <Button kind="quiet" onClick={putOff}>
              {say("offline.later")}
            </Button>
          </span>
        </Line>
      )}
    </>
  );
}

function Line({ children }: { children: ReactNode }) {
  return (
    <div role="status" className="border-b border-brass px-4 py-2 sm:px-9 print:hidden">
      {children}
    </div>
  );
}
