import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState, useRef } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import { api, given, Problem } from "../../api/client";
import { sentence, useChange, zone } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Field } from "../../ui/Field";
import { useArrival } from "../../ui/useArrival";
import { Mark } from "../../ui/Nav";
import { Landscape } from "./Landscape";
import * as touches from "../../api/touches";
import { upTo } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { Alert } from "../../ui/Alert";
import { LanguageChoice } from "../../words/LanguageChoice";
import { say } from "../../words/say";

/** So often it is looked how far the demo is, in milliseconds. */
const LOOKS_AGAIN_MS = 1_000;

/** The server has the whole rule; this only saves a round. */
const { name: NAME, password: PASSWORD } = RANGES.Credentials;
const LENGTH = say("welcome.aPasswordHasCharactersOr", { minLength: PASSWORD.minLength });

interface Credentials {
  name: string;
  password: string;
}

/** What is wrong with each field before it is sent. */
function wrong({ name, password }: Credentials, registering: boolean): Partial<Credentials> {
  const short = password.length < (registering ? PASSWORD.minLength : 1);
  return {
    ...(name === "" && { name: say("welcome.giveYourName") }),
    ...(short && { password: registering ? LENGTH : say("welcome.giveYourPassword") }),
  };
}

/** Before anyone is signed in. */
export default function Welcome({ register: registering = false, demo }: { register?: boolean; demo: boolean }) {
  useArrival(registering ? say("welcome.register") : say("welcome.signIn"));
  const navigate = useNavigate();
  const location = useLocation();
  const [typed, setTyped] = useState<Credentials>({ name: "", password: "" });
  const registered = useRef<{ name: string; id: string }>(undefined);
  const [errors, setErrors] = useState<Partial<Credentials>>({});
  const enter = useChange(async (wish: Credentials) => {
    const body = { ...wish, zone: zone() };
    // Sent again after an answer that never came, it is the same registration: it signs in.
    if (registered.current?.name !== wish.name) registered.current = { name: wish.name, id: crypto.randomUUID() };
    await given(
      registering
        ? api.POST("/api/account", { body: { ...body, clientId: registered.current.id } })
        : api.POST("/api/session", { body }),
    );
    if (registering) void navigate("/start", { replace: true });
    else if (location.pathname === "/register" || location.pathname === "/sign-in") void navigate("/");
  }, touches.everything);
  const openDemo = useChange(() => given(api.POST("/api/demo", { body: { zone: zone() } })), touches.everything);
  const problem = enter.error ?? openDemo.error;
  const nameError = problem instanceof Problem && problem.field === "name" ? problem.detail : undefined;
  const passwordError = problem instanceof Problem && problem.field === "password" ? problem.detail : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const wish = { ...typed, name: typed.name.trim() };
    const found = wrong(wish, registering);
    setErrors(found);
    if (Object.keys(found).length === 0) enter.mutate(wish);
  };
  return (
    <main className="mx-auto grid min-h-dvh max-w-[1180px] content-center items-center gap-x-16 gap-y-8 px-6 py-10 lg:grid-cols-[1.2fr_1fr]">
      <section>
        <p className="mb-6 flex items-center gap-2.5 text-2xl font-bold">
          <Mark /> {say("common.tachylim")}
        </p>
        <h1 className="max-w-[22ch] text-4xl">{say("welcome.howFastCanYouPlay")}</h1>
        <p className="mt-4 max-w-[52ch] text-lg text-soft">{say("welcome.speedWorkoutsForInstrumentalists")}</p>
        <Landscape />
      </section>
      <section aria-label={registering ? say("welcome.register") : say("welcome.signIn")} className="max-w-md">
        <h2 className="mb-4 text-2xl">{registering ? say("welcome.newHere") : say("welcome.signIn")}</h2>
        <form noValidate onSubmit={submit} className="grid gap-3">
          <Field
            label={say("welcome.name")}
            autoComplete="username"
            {...upTo(NAME)}
            value={typed.name}
            onChange={(event) => setTyped({ ...typed, name: event.target.value })}
            error={errors.name ?? nameError}
          />
          <Field
            label={say("welcome.password")}
            type="password"
            autoComplete={registering ? "new-password" : "current-password"}
            hint={registering ? say("welcome.atLeast10CharactersIn") : undefined}
            value={typed.password}
            onChange={(event) => setTyped({ ...typed, password: event.target.value })}
            error={errors.password ?? passwordError}
          />
          {problem && !nameError && !passwordError && <Alert className="font-semibold">{sentence(problem)}</Alert>}
          <div className="mt-1 flex flex-wrap items-center gap-3">
            <Button online kind="main" type="submit" disabled={enter.isPending}>
              {registering ? say("welcome.register") : say("welcome.signIn")}
            </Button>
            <Link
              to={registering ? "/sign-in" : "/register"}
              className="px-2 py-2 font-semibold text-spruce underline-offset-4 hover:underline"
            >
              {registering ? say("welcome.iHaveAnAccount") : say("welcome.iAmNewHere")}
            </Link>
          </div>
        </form>
        {demo && (
          <div className="mt-8 border-t border-rule pt-5">
            <Button online onClick={() => openDemo.mutate(undefined)} disabled={openDemo.isPending}>
              {openDemo.isPending ? say("welcome.openingOneMoment") : say("welcome.openTheDemo")}
            </Button>
            {openDemo.isPending && <DemoWriting />}
            <p className="mt-2 text-sm text-soft">{say("welcome.tenWeeksOfAMade")}</p>
          </div>
        )}
        <p className="mt-8">
          <LanguageChoice />
        </p>
        <p className="mt-8 max-w-[46ch] border-l-2 border-brass pl-3 text-sm text-soft">
          {say("welcome.thisPlansPracticeItIs")}
        </p>
      </section>
    </main>
  );
}

/** How far the demo's history is written, for whoever came before it was. */
function DemoWriting() {
  const progress = useQuery({
    queryKey: ["demo-progress"],
    queryFn: () => given(api.GET("/api/demo")),
    refetchInterval: LOOKS_AGAIN_MS,
    staleTime: 0,
  }).data;
  if (!progress || progress.share >= 1) return null;
  const { share, secondsLeft } = progress;
  const words = say("welcome.demoIsWritten", {
    share,
    seconds: secondsLeft === null ? "none" : Math.max(1, Math.round(secondsLeft)),
  });
  return (
    <div className="mt-2">
      <p role="status">{words}</p>
      <progress
        aria-label={words}
        value={share}
        className="mt-1 h-2 w-full max-w-sm appearance-none bg-rule [&::-moz-progress-bar]:bg-spruce [&::-webkit-progress-bar]:bg-rule [&::-webkit-progress-value]:bg-spruce"
      />
    </div>
  );
}
