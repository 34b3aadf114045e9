import { Trash2 } from "lucide-react";
import { useState } from "react";
import { api, given } from "../../api/client";
import { sentence, useChange, useTemplates } from "../../api/queries";
import { RANGES } from "../../api/ranges";
import * as touches from "../../api/touches";
import { upTo } from "../../api/within";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Field } from "../../ui/Field";
import { useToast } from "../../ui/Toasts";
import { fieldError } from "../sheet/PassageFields";
import { fitted, type Wish } from "./blocks";
import { Alert } from "../../ui/Alert";
import { say } from "../../words/say";

interface Props {
  /** The workout as it is now, with its blocks. */
  wish: Wish;
  onTake: (wish: Wish) => void;
}

/** Workouts that were kept, to be had for the sections at hand; and a way to keep this one. */
export function Templates({ wish, onTake }: Props) {
  const templates = useTemplates();
  const toast = useToast();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState("");
  const keep = useChange(() => given(api.PUT("/api/templates", { body: { name, wish } })), touches.templates);
  const away = useChange(
    (id: number) => given(api.DELETE("/api/templates/{id}", { params: { path: { id } } })),
    touches.templates,
  );
  const all = templates.data ?? [];
  return (
    <>
      <Button onClick={() => setOpen(true)}>{say("plan.templates")}</Button>
      <Dialog title={say("plan.templates")} open={open} onClose={() => setOpen(false)}>
        {all.length === 0 ? (
          <p className="mb-4 text-soft">{say("plan.nothingIsKeptYetA")}</p>
        ) : (
          <ul className="mb-5 divide-y divide-rule border-y border-rule">
            {all.map((template) => (
              <li key={template.id} className="flex items-center gap-2 py-1.5">
                <span className="mr-auto">
                  <b>{template.name}</b>{" "}
                  <span className="text-soft">
                    {say("plan.minBlocks", { minutes: template.wish.minutes, blocks: template.wish.blocks.length })}
                  </span>
                </span>
                <Button
                  aria-label={say("plan.use", { name: template.name })}
                  onClick={() => {
                    onTake(fitted(template.wish, wish));
                    setOpen(false);
                  }}
                >
                  {say("plan.useThis")}
                </Button>
                <Button
                  aria-label={say("plan.delete", { name: template.name })}
                  onClick={() => away.mutate(template.id)}
                >
                  <Trash2 size={16} aria-hidden="true" />
                </Button>
              </li>
            ))}
          </ul>
        )}
        <form
          noValidate
          className="grid gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            keep.mutate(undefined, {
              onSuccess: () => {
                toast(say("plan.savedAs", { name: name.trim() }));
                setName("");
              },
            });
          }}
        >
          <Field
            label={say("plan.saveThisWorkoutAs")}
            {...upTo(RANGES.TemplateWish.name)}
            value={name}
            error={fieldError(keep.error, "name")}
            onChange={(event) => setName(event.target.value)}
          />
          {(away.isError || (keep.isError && !fieldError(keep.error, "name"))) && (
            <Alert>{sentence(away.error ?? keep.error)}</Alert>
          )}
          <div className="flex gap-2">
            <Button online type="submit" kind="main" disabled={keep.isPending}>
              {say("common.save")}
            </Button>
            <Button onClick={() => setOpen(false)}>{say("common.close")}</Button>
          </div>
        </form>
      </Dialog>
    </>
  );
}
