import { Trash2 } from "lucide-react";
import { useState } from "react";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import { RANGES } from "../../api/ranges";
import * as touches from "../../api/touches";
import { upTo } from "../../api/within";
import { Button } from "../../ui/Button";
import { Field } from "../../ui/Field";
import { day } from "../../ui/format";
import { fieldError } from "../sheet/PassageFields";
import { Alert } from "../../ui/Alert";
import { say } from "../../words/say";

/** Performances and auditions: the days before them have less, and no bursts at the end. */
export function Performances({ season }: { season: Schemas["SeasonView"] }) {
  const [name, setName] = useState("");
  const [on, setOn] = useState("");
  const add = useChange(() => given(api.POST("/api/season/performances", { body: { name, day: on } })), touches.season);
  const away = useChange(
    (id: number) => given(api.DELETE("/api/season/performances/{id}", { params: { path: { id } } })),
    touches.season,
  );
  return (
    <section aria-label={say("season.performances")} className="grid content-start gap-2">
      <h2>{say("season.performances")}</h2>
      {season.performances.length > 0 && (
        <ul className="divide-y divide-rule border-y border-rule">
          {season.performances.map((one) => (
            <li key={one.id} className="flex min-h-11 items-center gap-3">
              <span className="mr-auto">
                <b>{one.name}</b> · {day(one.day)}
              </span>
              <Button
                online
                aria-label={say("season.takeOut", { name: one.name })}
                disabled={away.isPending}
                onClick={() => away.mutate(one.id)}
              >
                <Trash2 size={16} aria-hidden="true" />
              </Button>
            </li>
          ))}
        </ul>
      )}
      <form
        noValidate
        className="grid gap-1"
        onSubmit={(event) => {
          event.preventDefault();
          add.mutate(undefined, { onSuccess: () => setName("") });
        }}
      >
        <Field
          label={say("season.name")}
          {...upTo(RANGES.PerformanceWish.name)}
          value={name}
          error={fieldError(add.error, "name")}
          onChange={(event) => setName(event.target.value)}
        />
        <Field
          label={say("season.day")}
          type="date"
          min={season.today}
          value={on}
          error={fieldError(add.error, "day")}
          onChange={(event) => setOn(event.target.value)}
        />
        {(away.isError || (add.isError && !fieldError(add.error, "name") && !fieldError(add.error, "day"))) && (
          <Alert>{sentence(away.error ?? add.error)}</Alert>
        )}
        <div>
          <Button online type="submit" disabled={add.isPending || !name.trim() || !on}>
            {say("season.addIt")}
          </Button>
        </div>
      </form>
    </section>
  );
}
