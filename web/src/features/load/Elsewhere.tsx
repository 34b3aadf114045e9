import { Trash2 } from "lucide-react";
import { useRef, useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import * as touches from "../../api/touches";
import { Button } from "../../ui/Button";
import { day, minutes, oneDecimal } from "../../ui/format";
import { useToast } from "../../ui/Toasts";
import { Alert } from "../../ui/Alert";
import { say } from "../../words/say";

type View = Schemas["LoadView"];
type Kind = Schemas["ElsewhereWish"]["kind"];

const MINUTES = [15, 30, 45, 60, 90, 120, 180];

/** What was played elsewhere, in two taps: what, and for how long. */
export function Elsewhere({ view }: { view: View }) {
  const toast = useToast();
  const [kind, setKind] = useState<Kind>();
  // One id for each entry, however often it has to be sent.
  const clientId = useRef(crypto.randomUUID());
  const add = useChange(
    (wish: { kind: Kind; minutes: number }) =>
      given(api.POST("/api/load/elsewhere", { body: { ...wish, clientId: clientId.current } })),
    touches.load,
  );
  const away = useChange(
    (id: number) => given(api.DELETE("/api/load/elsewhere/{id}", { params: { path: { id } } })),
    touches.load,
  );
  const chosen = view.kinds.find((one) => one.kind === kind);
  return (
    <section aria-label={say("load.playedElsewhere")} className="grid content-start gap-3">
      <h2>{say("load.playedElsewhereToday")}</h2>
      <div className="flex flex-wrap gap-2">
        {view.kinds.map((one) => (
          <Button
            key={one.kind}
            aria-pressed={one.kind === kind}
            className={one.kind === kind ? "border-spruce bg-spruce-pale" : ""}
            onClick={() => setKind(one.kind === kind ? undefined : one.kind)}
          >
            {say(`away.${one.kind}`)}
          </Button>
        ))}
      </div>
      {chosen && (
        <div className="flex flex-wrap gap-2">
          {MINUTES.map((length) => (
            <Button
              key={length}
              disabled={add.isPending}
              aria-label={say("load.minutes", { title: say(`away.${chosen.kind}`), length })}
              onClick={() =>
                add.mutate(
                  { kind: chosen.kind, minutes: length },
                  {
                    onSuccess: () => {
                      clientId.current = crypto.randomUUID();
                      setKind(undefined);
                      toast(say("load.minCounted", { title: say(`away.${chosen.kind}`), length }));
                    },
                  },
                )
              }
            >
              {say("load.min", { length })}
            </Button>
          ))}
        </div>
      )}
      {(add.isError || away.isError) && <Alert>{sentence(add.error ?? away.error)}</Alert>}
      {view.elsewhere.length > 0 && (
        <ul className="divide-y divide-rule border-y border-rule">
          {view.elsewhere.map((one) => (
            <li key={one.id} className="flex min-h-11 items-center gap-3 py-1">
              <span className="mr-auto">
                {day(one.day)} · {say(`away.${one.kind}`)}, {minutes(one.seconds)}
              </span>
              <span className="text-soft">{say("load.effort", { effort: oneDecimal(one.effort) })}</span>
              {one.day === view.today.day && (
                <Button
                  aria-label={say("load.takeBack", { title: say(`away.${one.kind}`) })}
                  onClick={() => away.mutate(one.id)}
                >
                  <Trash2 size={16} aria-hidden="true" />
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      <p className="text-sm text-soft">
        {say("load.effortMinutesThatAMinute", {
          kinds: view.kinds.map((one) => `${say(`away.${one.kind}`)} ${oneDecimal(one.perMinute)}`).join(", "),
        })}
      </p>
    </section>
  );
}
