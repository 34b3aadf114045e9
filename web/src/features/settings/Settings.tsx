import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, given, type Schemas } from "../../api/client";
import { sentence, useChange, usePassages } from "../../api/queries";
import { ClickPanel } from "../../click/ClickPanel";
import { Button, ButtonLink } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Dialog } from "../../ui/Dialog";
import { Field, INPUT, Labelled } from "../../ui/Field";
import { families, family } from "../../ui/format";
import { Caution, Page } from "../../ui/Page";
import { useToast } from "../../ui/Toasts";
import { fieldError } from "../sheet/PassageFields";
import { Browsers } from "./Browsers";
import { Files } from "./Files";
import { Home } from "./Home";
import { Keys } from "./Keys";
import { Room } from "./Room";
import { OnAnother, WarmUp } from "./WarmUp";
import * as touches from "../../api/touches";
import { waiting } from "../../outbox/waiting";
import { within } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { LanguageChoice } from "../../words/LanguageChoice";
import { say } from "../../words/say";

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
  const [asks, setAsks] = useState(false);
  const out = () => signOut.mutate(undefined, { onSuccess: () => void leave() });
  return (
    <Page
      title={me.name}
      above={say("settings.settings")}
      aside={
        <Button online onClick={() => (waiting() > 0 ? setAsks(true) : out())}>
          {say("settings.signOut")}
        </Button>
      }
    >
      <Dialog title={say("settings.signOutNow")} open={asks} onClose={() => setAsks(false)}>
        <p>{say("settings.signOutWaiting", { waiting: waiting() })}</p>
        <div className="mt-5 flex flex-wrap gap-3">
          <Button kind="main" onClick={() => setAsks(false)}>
            {say("settings.stay")}
          </Button>
          <Button online onClick={out}>
            {say("settings.signOutAllTheSame")}
          </Button>
        </div>
      </Dialog>
      <div className="grid gap-x-16 gap-y-10 lg:grid-cols-2">
        <Habits me={me} />
        <WarmUp me={me} />
        <OtherInstruments me={me} />
        <Password />
        <Home me={me} />
        <Browsers />
        <section>
          <h2 className="text-lg">{say("settings.theClick")}</h2>
          <p className="mb-3 text-soft">{say("settings.forInThisBrowser", { instrument: family(me.instrument) })}</p>
          <ClickPanel key={me.instrument} instrument={me.instrument} />
        </section>
        <Keys />
        <section>
          <h2 className="mb-2 text-lg">{say("common.language")}</h2>
          <LanguageChoice />
          <p className="mt-2 text-soft">{say("settings.languageOfThisBrowser")}</p>
        </section>
        <section>
          <h2 className="mb-2 text-lg">{say("learned.title")}</h2>
          <ButtonLink to="/learned">{say("learned.look")}</ButtonLink>
        </section>
        <Files />
        <Room />
        <Farewell name={me.name} onGone={() => void leave()} />
      </div>
    </Page>
  );
}

/** What is usual on each other instrument that there are passages for. */
function OtherInstruments({ me }: { me: Schemas["Me"] }) {
  const passages = usePassages().data ?? [];
  const others = [...new Set(passages.map(({ instrument }) => instrument))].filter((one) => one !== me.instrument);
  return others.map((instrument) => (
    <OnAnother
      key={instrument}
      instrument={instrument}
      usual={me.others.find((one) => one.instrument === instrument) ?? { minutes: me.usualMinutes, warmUp: me.warmUp }}
    />
  ));
}

function Habits({ me }: { me: Schemas["Me"] }) {
  const toast = useToast();
  const [instrument, setInstrument] = useState(me.instrument);
  const [usualMinutes, setMinutes] = useState(me.minutesTomorrow ?? me.usualMinutes);
  const [roughCounts, setRoughCounts] = useState(me.roughCounts);
  const [looseOnly, setLooseOnly] = useState(me.looseOnly);
  const [felt, setFelt] = useState(me.felt);
  // As is usual on the instrument until it is said.
  const [rests, setRests] = useState<boolean>();
  const change = useChange(
    () =>
      given(
        api.PUT("/api/account/habits", {
          body: { instrument, usualMinutes, roughCounts, looseOnly, restsAsPlayed: rests ?? null, felt },
        }),
      ),
    touches.habits,
  );
  const raised = usualMinutes > me.usualMinutes;
  return (
    <form
      noValidate
      aria-label={say("settings.practice")}
      className="grid max-w-md content-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate(undefined, {
          onSuccess: (now) =>
            toast(
              now.minutesTomorrow
                ? say("settings.fromTomorrowMinutes", { minutesTomorrow: now.minutesTomorrow })
                : say("settings.kept"),
            ),
        });
      }}
    >
      <h2 className="text-lg">{say("settings.practice")}</h2>
      <Labelled label={say("common.instrument")}>
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
        label={say("settings.minutesOnAUsualDay")}
        type="number"
        {...within(RANGES.Habits.usualMinutes)}
        hint={
          me.minutesTomorrow
            ? say("settings.todayFromTomorrow", { usualMinutes: me.usualMinutes, minutesTomorrow: me.minutesTomorrow })
            : say("settings.yourDailyCapComesFrom")
        }
        value={usualMinutes || ""}
        error={fieldError(change.error, "usualMinutes")}
        onChange={(event) => setMinutes(Number(event.target.value))}
      />
      {raised && <Caution>{say("settings.raiseTheDailyAmountIn")}</Caution>}
      <Choice
        label={say("settings.aSmallSlipThatWas")}
        value={roughCounts ? "counts" : "holds"}
        columns="grid-cols-2"
        onChange={(school) => setRoughCounts(school === "counts")}
        options={[
          { value: "holds", label: say("settings.holdsTheTempo"), hint: say("settings.neverUpOnASlip") },
          { value: "counts", label: say("settings.countsAsClean"), hint: say("settings.butNotInBursts") },
        ]}
      />
      <Choice
        label={say("common.tension")}
        value={looseOnly ? "loose" : "edge"}
        columns="grid-cols-2"
        onChange={(policy) => setLooseOnly(policy === "loose")}
        options={[
          { value: "edge", label: say("settings.upToTheEdge"), hint: say("settings.at3TheTempoHolds") },
          { value: "loose", label: say("settings.looseOnly"), hint: say("settings.at2ItHoldsAt") },
        ]}
      />
      <Choice
        label={say("settings.rests")}
        value={(rests ?? me.restsAsPlayed) ? "played" : "needed"}
        columns="grid-cols-2"
        onChange={(policy) => setRests(policy === "played")}
        options={[
          { value: "needed", label: say("settings.restsAsNeeded"), hint: say("settings.restsAsNeededHint") },
          { value: "played", label: say("settings.restsAsPlayed"), hint: say("settings.restsAsPlayedHint") },
        ]}
      />
      <Choice
        label={say("settings.effortIsCounted")}
        value={felt ? "felt" : "played"}
        columns="grid-cols-2"
        onChange={(school) => setFelt(school === "felt")}
        options={[
          { value: "played", label: say("settings.byTempoAndTension"), hint: say("settings.ofEachPass") },
          { value: "felt", label: say("settings.byHowHardItFelt"), hint: say("settings.askedOnceAtTheEnd") },
        ]}
      />
      <div>
        <Button online kind="main" type="submit" disabled={change.isPending}>
          {say("settings.keep")}
        </Button>
      </div>
    </form>
  );
}

function Password() {
  const toast = useToast();
  const [oldPassword, setOld] = useState("");
  const [newPassword, setNew] = useState("");
  const change = useChange(
    () => given(api.PUT("/api/account/password", { body: { oldPassword, newPassword } })),
    touches.browsers,
  );
  return (
    <form
      noValidate
      aria-label={say("settings.password")}
      className="grid max-w-md content-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate(undefined, {
          onSuccess: () => {
            setOld("");
            setNew("");
            toast(say("settings.thePasswordIsChangedOther"));
          },
        });
      }}
    >
      <h2 className="text-lg">{say("settings.password")}</h2>
      <Field
        label={say("settings.presentPassword")}
        type="password"
        autoComplete="current-password"
        value={oldPassword}
        error={fieldError(change.error, "oldPassword")}
        onChange={(event) => setOld(event.target.value)}
      />
      <Field
        label={say("settings.newPassword")}
        type="password"
        autoComplete="new-password"
        hint={say("settings.n10To200CharactersIn")}
        value={newPassword}
        error={fieldError(change.error, "newPassword")}
        onChange={(event) => setNew(event.target.value)}
      />
      <div>
        <Button online type="submit" disabled={change.isPending}>
          {say("settings.changeThePassword")}
        </Button>
      </div>
    </form>
  );
}

function Farewell({ name, onGone }: { name: string; onGone: () => void }) {
  const [open, setOpen] = useState(false);
  const [password, setPassword] = useState("");
  const remove = useChange(async () => {
    const gone = await given(api.POST("/api/account/farewell", { body: { password } }));
    // What a microphone recorded lies in this browser alone, and goes as well; where it kept nothing, nothing is there.
    await import("../../take/kept").then((kept) => kept.forgetAll(name)).catch(() => undefined);
    return gone;
  }, touches.nothing);
  return (
    <section className="max-w-md">
      <h2 className="mb-2 text-lg">{say("settings.deleteTheAccount")}</h2>
      <p className="mb-3 text-soft">{say("settings.everythingGoesPassagesWorkouts")}</p>
      <Button kind="danger" onClick={() => setOpen(true)}>
        {say("settings.deleteEverything")}
      </Button>
      <Dialog title={say("settings.deleteThisAccountAndAll")} open={open} onClose={() => setOpen(false)}>
        <form
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            remove.mutate(undefined, { onSuccess: onGone });
          }}
        >
          <Field
            label={say("settings.yourPassword")}
            type="password"
            value={password}
            error={remove.isError ? sentence(remove.error) : undefined}
            onChange={(event) => setPassword(event.target.value)}
          />
          <div className="mt-4 flex gap-3">
            <Button online kind="danger" type="submit" disabled={remove.isPending}>
              {say("settings.deleteEverything")}
            </Button>
            <Button onClick={() => setOpen(false)}>{say("common.cancel")}</Button>
          </div>
        </form>
      </Dialog>
    </section>
  );
}
