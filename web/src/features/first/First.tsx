import { useMutation } from "@tanstack/react-query";
import { useRef } from "react";
import { Link } from "react-router";
import { api, given, type Schemas } from "../../api/client";
import { queryClient, sentence, useReading } from "../../api/queries";
import { Engraving } from "../../notation/Engraving";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Field } from "../../ui/Field";
import { families, family } from "../../ui/format";
import { Mark } from "../../ui/Nav";
import { Caution } from "../../ui/Page";
import { CleanAt } from "../sheet/CleanAt";
import { FIRST_PAPER, PaperPattern } from "../sheet/PaperPattern";
import { fieldError } from "../sheet/PassageFields";
import { useDebounced } from "../sheet/useDebounced";
import { useDraft } from "../sheet/useDraft";
import { useBegin } from "../run/useBegin";
import { TEMPO, upTo, within } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { Alert } from "../../ui/Alert";
import { useArrival } from "../../ui/useArrival";
import { say } from "../../words/say";

const FIRST_WORKOUT_MINUTES = 10;

const TITLES = [say("first.whatDoYouPlay"), say("first.whichPassageShouldBeFaster"), say("first.howFastIsItToday")];

/** From nothing to the first click, in three steps and without any syntax. */
export default function First({ me }: { me: Schemas["Me"] }) {
  const [draft, setDraft, forget] = useDraft("first", {
    step: 1,
    instrument: me.instrument,
    minutes: me.usualMinutes,
    title: "",
    paper: FIRST_PAPER,
    targetBpm: 120,
    cleanAt: null as number | null,
    played: true,
  });
  const set = (part: Partial<typeof draft>) => setDraft((now) => ({ ...now, ...part }));
  const { step } = draft;
  useArrival(TITLES[step - 1] ?? TITLES[0]!);
  const setStep = (next: number) => set({ step: next });
  const music: Schemas["MusicText"] = { source: "PAPER", ...draft.paper };
  const reading = useReading(useDebounced(music));
  const begin = useBegin();
  const clientId = useRef(crypto.randomUUID());
  const finish = useMutation({
    mutationFn: async () => {
      const made = await given(
        api.POST("/api/passages", {
          body: {
            title: draft.title.trim() || "My first passage",
            instrument: draft.instrument,
            music,
            targetBpm: draft.targetBpm,
            neededOn: null,
            cleanAt: draft.cleanAt,
            played: draft.played && draft.cleanAt !== null,
            version: 0,
            confirmed: null,
            clientId: clientId.current,
          },
        }),
      );
      const sectionId = made.passage.sections[0]!.id;
      const usual = await given(api.GET("/api/sections/{id}/plan", { params: { path: { id: sectionId } } }));
      forget();
      await begin.beginNow({ ...usual.wish, minutes: Math.min(FIRST_WORKOUT_MINUTES, draft.minutes) });
    },
    retry: false,
  });
  const habits = useMutation({
    mutationFn: () =>
      given(
        api.PUT("/api/account/habits", {
          body: {
            instrument: draft.instrument,
            usualMinutes: draft.minutes,
            roughCounts: false,
            looseOnly: false,
            restsAsPlayed: null,
            felt: null,
          },
        }),
      ),
    onSuccess: () => {
      void queryClient.invalidateQueries({ queryKey: ["greeting"] });
      setStep(2);
    },
    retry: false,
  });

  return (
    <main id="main" className="mx-auto max-w-2xl px-5 py-8">
      <p className="mb-6 flex items-center gap-2 text-lg font-bold">
        <Mark /> {say("common.tachylim")}
      </p>
      <p className="text-soft">{say("first.stepOf3", { step })}</p>
      {begin.ask}
      {step === 1 && (
        <form
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            habits.mutate();
          }}
        >
          <h1 className="mb-5">{TITLES[0]}</h1>
          <Choice
            label={say("common.instrument")}
            value={draft.instrument}
            onChange={(instrument) => set({ instrument })}
            options={families.map((key) => ({ value: key as typeof draft.instrument, label: family(key) }))}
          />
          <div className="mt-5 max-w-60">
            <Field
              label={say("first.minutesOnAUsualDay")}
              type="number"
              {...within(RANGES.Habits.usualMinutes)}
              hint={say("first.yourFirstDailyLimitChange")}
              value={draft.minutes || ""}
              error={fieldError(habits.error, "usualMinutes")}
              onChange={(event) => set({ minutes: Number(event.target.value) })}
            />
          </div>
          <Steps problem={habits.error} pending={habits.isPending} next={say("first.nextThePassage")} />
        </form>
      )}
      {step === 2 && (
        <form
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            if (reading.data) setStep(3);
          }}
        >
          <h1 className="mb-5">{TITLES[1]}</h1>
          <div className="grid gap-4">
            <Field
              label={say("first.title")}
              dir="auto"
              {...upTo(RANGES.PassageWish.title)}
              placeholder={say("first.myFirstPassage")}
              value={draft.title}
              onChange={(event) => set({ title: event.target.value })}
            />
            <PaperPattern
              value={draft.paper}
              onChange={(paper) => set({ paper })}
              error={reading.isError ? sentence(reading.error) : undefined}
            />
            <div className="min-h-24 border-y border-rule py-1">
              {reading.data && (
                <Engraving abc={reading.data.abc} label={say("first.theRhythmOfThePassage")} scale={1} />
              )}
            </div>
            <div className="max-w-60">
              <Field
                label={say("first.targetTempo")}
                type="number"
                {...within(TEMPO)}
                hint={say("first.beatsAMinuteAsMarked")}
                value={draft.targetBpm || ""}
                onChange={(event) => set({ targetBpm: Number(event.target.value) })}
              />
            </div>
          </div>
          <Steps back={() => setStep(1)} next={say("first.nextHowFastToday")} pending={!reading.data} />
        </form>
      )}
      {step === 3 && (
        <form
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            finish.mutate();
          }}
        >
          <h1 className="mb-5">{TITLES[2]}</h1>
          <CleanAt played={draft.played} cleanAt={draft.cleanAt} onChange={set} />
          <p className="mt-5 mb-3">
            {say("first.theFirstWorkoutTakesAbout", {
              FIRST_WORKOUT_MINUTES: Math.min(FIRST_WORKOUT_MINUTES, draft.minutes),
            })}
          </p>
          <Caution />
          <Steps
            back={() => setStep(2)}
            problem={finish.error}
            pending={finish.isPending}
            next={say("first.beginTheFirstWorkout")}
          />
        </form>
      )}
      <p className="mt-10 text-sm text-soft">
        {say("first.leaveThisAndLookAround", {
          link: (words) => (
            <Link to="/" className="underline underline-offset-4">
              {words}
            </Link>
          ),
        })}
      </p>
    </main>
  );
}

function Steps({
  back,
  next,
  pending,
  problem,
}: {
  back?: () => void;
  next: string;
  pending: boolean;
  problem?: unknown;
}) {
  return (
    <>
      {problem != null && <Alert className="mt-4 font-semibold">{sentence(problem)}</Alert>}
      <div className="mt-6 flex gap-3">
        {back && <Button onClick={back}>{say("first.back")}</Button>}
        <Button online kind="main" type="submit" disabled={pending}>
          {next}
        </Button>
      </div>
    </>
  );
}
