import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import { ClickPanel } from "../../click/ClickPanel";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Dialog } from "../../ui/Dialog";
import { Field, INPUT, Labelled } from "../../ui/Field";
import { families, family } from "../../ui/format";
import { Caution, Page } from "../../ui/Page";
import { useSay } from "../../ui/Toasts";
import { fieldError } from "../sheet/PassageFields";
import { Browsers } from "./Browsers";
import { Files } from "./Files";
import { Home } from "./Home";
import { Keys } from "./Keys";
import { Room } from "./Room";
import { WarmUp } from "./WarmUp";
import * as touches from "../../api/touches";
import { within } from "../../api/within";
import { RANGES } from "../../api/ranges";

/** Instrument and daily minutes, where the day is counted, password and browsers, and the way out. */
export default function Settings({ me }: { me: Schemas["Me"] }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const leave = async () => {
    client.clear();
    await navigate("/sign-in", { replace: true });
    window.location.reload();
  };
  const signOut = useChange(() => given(api.DELETE("/api/session")), touches.nothing);
  return (
    <Page
      title={me.name}
      above="Settings"
      aside={<Button onClick={() => signOut.mutate(undefined, { onSuccess: () => void leave() })}>Sign out</Button>}
    >
      <div className="grid gap-x-16 gap-y-10 lg:grid-cols-2">
        <Habits me={me} />
        <WarmUp me={me} />
        <Password />
        <Home me={me} />
        <Browsers />
        <section>
          <h2 className="text-lg">The click</h2>
          <p className="mb-3 text-soft">For {family(me.instrument)}, in this browser.</p>
          <ClickPanel key={me.instrument} instrument={me.instrument} />
        </section>
        <Keys />
        <Files />
        <Room />
        <Farewell onGone={() => void leave()} />
      </div>
    </Page>
  );
}

function Habits({ me }: { me: Schemas["Me"] }) {
  const say = useSay();
  const [instrument, setInstrument] = useState(me.instrument);
  const [usualMinutes, setMinutes] = useState(me.minutesTomorrow ?? me.usualMinutes);
  const [roughCounts, setRoughCounts] = useState(me.roughCounts);
  const [looseOnly, setLooseOnly] = useState(me.looseOnly);
  const [felt, setFelt] = useState(me.felt);
  const change = useChange(
    () => given(api.PUT("/api/account/habits", { body: { instrument, usualMinutes, roughCounts, looseOnly, felt } })),
    touches.habits,
  );
  const raised = usualMinutes > me.usualMinutes;
  return (
    <form
      noValidate
      aria-label="Practice"
      className="grid max-w-md content-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate(undefined, {
          onSuccess: (now) => say(now.minutesTomorrow ? `From tomorrow: ${now.minutesTomorrow} minutes.` : "Kept."),
        });
      }}
    >
      <h2 className="text-lg">Practice</h2>
      <Labelled label="Instrument">
        {({ id }) => (
          <select
            id={id}
            className={INPUT}
            value={instrument}
            onChange={(event) => setInstrument(event.target.value as typeof instrument)}
          >
            {families.map((key) => (
              <option key={key} value={key}>
                {family(key)}
              </option>
            ))}
          </select>
        )}
      </Labelled>
      <Field
        label="Minutes on a usual day"
        type="number"
        {...within(RANGES.Habits.usualMinutes)}
        hint={
          me.minutesTomorrow
            ? `Today ${me.usualMinutes}; from tomorrow ${me.minutesTomorrow}.`
            : "Your daily cap comes from this. Lowering it holds now, raising it from tomorrow."
        }
        value={usualMinutes || ""}
        error={fieldError(change.error, "usualMinutes")}
        onChange={(event) => setMinutes(Number(event.target.value))}
      />
      {raised && (
        <Caution>
          Raise the daily amount in small steps: the classic injury is a jump from a little to hours. The new cap holds
          from tomorrow.
        </Caution>
      )}
      <Choice
        label="A small slip that was played on from"
        value={roughCounts ? "counts" : "holds"}
        columns="grid-cols-2"
        onChange={(school) => setRoughCounts(school === "counts")}
        options={[
          { value: "holds", label: "Holds the tempo", hint: "never up on a slip" },
          { value: "counts", label: "Counts as clean", hint: "but not in bursts" },
        ]}
      />
      <Choice
        label="Tension"
        value={looseOnly ? "loose" : "edge"}
        columns="grid-cols-2"
        onChange={(policy) => setLooseOnly(policy === "loose")}
        options={[
          { value: "edge", label: "Up to the edge", hint: "at 3 the tempo holds" },
          { value: "loose", label: "Loose only", hint: "at 2 it holds, at 3 it goes down" },
        ]}
      />
      <Choice
        label="Effort is counted"
        value={felt ? "felt" : "played"}
        columns="grid-cols-2"
        onChange={(school) => setFelt(school === "felt")}
        options={[
          { value: "played", label: "By tempo and tension", hint: "of each pass" },
          { value: "felt", label: "By how hard it felt", hint: "asked once at the end; from tomorrow" },
        ]}
      />
      <div>
        <Button kind="main" type="submit" disabled={change.isPending}>
          Keep
        </Button>
      </div>
    </form>
  );
}

function Password() {
  const say = useSay();
  const [oldPassword, setOld] = useState("");
  const [newPassword, setNew] = useState("");
  const change = useChange(
    () => given(api.PUT("/api/account/password", { body: { oldPassword, newPassword } })),
    touches.browsers,
  );
  return (
    <form
      noValidate
      aria-label="Password"
      className="grid max-w-md content-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate(undefined, {
          onSuccess: () => {
            setOld("");
            setNew("");
            say("The password is changed. Other windows are signed out.");
          },
        });
      }}
    >
      <h2 className="text-lg">Password</h2>
      <Field
        label="Present password"
        type="password"
        autoComplete="current-password"
        value={oldPassword}
        error={fieldError(change.error, "oldPassword")}
        onChange={(event) => setOld(event.target.value)}
      />
      <Field
        label="New password"
        type="password"
        autoComplete="new-password"
        hint="10 to 200 characters in any script; not a common one, nor your name."
        value={newPassword}
        error={fieldError(change.error, "newPassword")}
        onChange={(event) => setNew(event.target.value)}
      />
      <div>
        <Button type="submit" disabled={change.isPending}>
          Change the password
        </Button>
      </div>
    </form>
  );
}

function Farewell({ onGone }: { onGone: () => void }) {
  const [open, setOpen] = useState(false);
  const [password, setPassword] = useState("");
  const remove = useChange(() => given(api.POST("/api/account/farewell", { body: { password } })), touches.nothing);
  return (
    <section className="max-w-md">
      <h2 className="mb-2 text-lg">Delete the account</h2>
      <p className="mb-3 text-soft">Everything goes: passages, workouts, every pass. It cannot be brought back.</p>
      <Button kind="danger" onClick={() => setOpen(true)}>
        Delete everything
      </Button>
      <Dialog title="Delete this account and all its data?" open={open} onClose={() => setOpen(false)}>
        <form
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            remove.mutate(undefined, { onSuccess: onGone });
          }}
        >
          <Field
            label="Your password"
            type="password"
            value={password}
            error={remove.isError ? sentence(remove.error) : undefined}
            onChange={(event) => setPassword(event.target.value)}
          />
          <div className="mt-4 flex gap-3">
            <Button kind="danger" type="submit" disabled={remove.isPending}>
              Delete everything
            </Button>
            <Button onClick={() => setOpen(false)}>Cancel</Button>
          </div>
        </form>
      </Dialog>
    </section>
  );
}
