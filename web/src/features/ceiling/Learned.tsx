import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange, useLearned } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { twoDigits } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { say } from "../../words/say";

type Item = Schemas["LearnedDto"];

/** What was learned about the player: each figure with its interval, what it changes, and how it is forgotten. */
export default function Learned() {
  const learned = useLearned();
  const [asked, setAsked] = useState<Item["what"]>();
  const forget = useChange(
    (what: Item["what"]) => given(api.DELETE("/api/learned/{what}", { params: { path: { what } } })),
    touches.learned,
  );
  if (learned.isPending) return <Waiting />;
  if (learned.isError) return <Failed error={learned.error} again={() => void learned.refetch()} />;
  return (
    <Page title={say("learned.title")}>
      <p className="mb-6 max-w-prose text-soft">{say("learned.from.intro")}</p>
      <ul className="max-w-3xl divide-y divide-rule border-y border-rule">
        {learned.data.map((item) => (
          <li key={item.what} className="grid gap-x-8 gap-y-2 py-5 sm:grid-cols-[15rem_1fr_auto]">
            <div>
              <h2>{say(`learned.${item.what}`)}</h2>
              <p className={`text-3xl font-bold ${item.learned ? "" : "text-soft"}`}>
                {say("learned.percent", { percent: twoDigits(item.percent) })}
              </p>
              <p className="text-soft">
                {say("learned.interval", { low: twoDigits(item.low), high: twoDigits(item.high) })}
              </p>
              <p>{say(`learned.${item.what}.unit`)}</p>
            </div>
            <div>
              <p>{say(item.from)}</p>
              <p className="mt-2">
                <b>{say("learned.changes")}</b> {say(`learned.${item.what}.changes`)}
              </p>
            </div>
            <div>
              {item.learned && (
                <Button
                  aria-label={say("learned.forgetThis", { what: say(`learned.${item.what}`) })}
                  disabled={forget.isPending}
                  onClick={() => setAsked(item.what)}
                >
                  {say("learned.forget")}
                </Button>
              )}
            </div>
          </li>
        ))}
      </ul>
      {forget.isError && (
        <p role="alert" className="mt-3 font-semibold text-danger">
          {sentence(forget.error)}
        </p>
      )}
      <Dialog
        title={asked ? say(`learned.${asked}`) : ""}
        open={asked !== undefined}
        onClose={() => setAsked(undefined)}
      >
        <p className="mb-4">{asked === "TIRING" ? say("learned.sure") : say("learned.sureDays")}</p>
        <div className="flex flex-wrap gap-3">
          <Button
            kind="main"
            onClick={() => {
              if (asked) forget.mutate(asked);
              setAsked(undefined);
            }}
          >
            {say("learned.forget")}
          </Button>
          <Button onClick={() => setAsked(undefined)}>{say("learned.keep")}</Button>
        </div>
      </Dialog>
    </Page>
  );
}
