import "../../take/words";
import { useEffect, useRef, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { api, given, type Schemas } from "../../api/client";
import { useChange, usePassages } from "../../api/queries";
import * as touches from "../../api/touches";
import { sleep } from "../../take/ear";
import { ACCEPTED, CannotHear, madeUpRecording, MOST_MEGABYTES, MOST_MINUTES, passesOf } from "../../take/files";
import { HandsChoice } from "../../take/HandsChoice";
import type { ToHear } from "../../take/heard";
import { type KeptTake, keepTakes, takesIn } from "../../take/kept";
import TakePlayer from "../../take/TakePlayer";
import { PLAIN } from "../../take/useEars";
import { Failure } from "../../ui/Alert";
import { Button } from "../../ui/Button";
import { Field, INPUT, Labelled } from "../../ui/Field";
import { clock } from "../../ui/format";
import { Failed, Page, Waiting } from "../../ui/Page";
import { say } from "../../words/say";
import { takeDropped } from "./dropped";

type Said = Schemas["RecordedPass"]["said"];
type Section = { passage: Schemas["PassageDto"]; section: Schemas["SectionDto"] };

/** What was found, each pass with what is said of it: that it went like that, nothing, or that it is none. */
interface Found {
  /** The section and the tempo that it was listened to for, whatever the form says by now. */
  of: number;
  tempo: number;
  takes: KeptTake[];
  starts: number[];
  said: (Said | "NONE")[];
}

const VERDICTS = ["CLEAN", "ROUGH", "BROKE"] as const;
const SLOW = 0.6;

/** A recording that was made elsewhere: its passes are found, judged and put into the log at their day. */
export default function Recording({ me }: { me: Schemas["Me"] }) {
  const passages = usePassages();
  const [query] = useSearchParams();
  if (passages.isPending) return <Waiting />;
  if (passages.isError) return <Failed error={passages.error} again={() => void passages.refetch()} />;
  const sections = passages.data.flatMap((passage) => passage.sections.map((section) => ({ passage, section })));
  return (
    <Page title={say("recording.title")}>
      {sections.length === 0 ? (
        <p className="text-soft">{say("recording.noPassage")}</p>
      ) : (
        <Listened me={me} sections={sections} first={Number(query.get("section"))} />
      )}
    </Page>
  );
}

function Listened({ me, sections, first }: { me: Schemas["Me"]; sections: Section[]; first: number }) {
  const navigate = useNavigate();
  const [of, setOf] = useState(() => (sections.find(({ section }) => section.id === first) ?? sections[0]!).section.id);
  const { passage } = sections.find(({ section }) => section.id === of)!;
  const [tempo, setTempo] = useState(Math.round(passage.targetBpm * SLOW));
  const [day, setDay] = useState(me.today);
  const [minutes, setMinutes] = useState(1);
  const [apart, setApart] = useState(PLAIN.apart);
  const [state, setState] = useState<"empty" | "listening" | Found | CannotHear>("empty");
  const [problem, setProblem] = useState<unknown>();
  const clientId = useRef(crypto.randomUUID());
  const [file, setFile] = useState<File | undefined>(takeDropped);
  useEffect(() => sleep, []);

  async function listen(madeUp: boolean) {
    setState("listening");
    setProblem(undefined);
    try {
      const about = await given(
        api.GET("/api/takes/sections/{sectionId}", { params: { path: { sectionId: of }, query: { tempo } } }),
      );
      const toHear = about.toHear as ToHear;
      const { found, sound } = madeUp
        ? await madeUpRecording(toHear, about.instrument)
        : await passesOf(file!, toHear, about.instrument, apart);
      const { passageId, passage: title, section } = about;
      const takes = takesIn(
        sound,
        found,
        toHear,
        { account: me.name, runId: null, ordinal: 0, passageId, passage: title, section, metronome: tempo },
        Date.now(),
      );
      clientId.current = crypto.randomUUID();
      setMinutes(Math.max(1, Math.ceil(sound.samples.length / sound.rate / 60)));
      setState({
        of,
        tempo,
        takes,
        starts: found.map(({ seconds }) => seconds),
        said: takes.map(({ take }) => (take.measured.verdict === "CANNOT_TELL" ? null : take.measured.verdict)),
      });
    } catch (error) {
      if (error instanceof CannotHear) return setState(error);
      setState("empty");
      setProblem(error);
    }
  }

  const log = useChange((found: Found) => {
    const passes = found.takes.flatMap(({ take }, i) => {
      const said = found.said[i];
      return said === "NONE" || said === undefined ? [] : [{ measured: take.measured, said }];
    });
    return given(
      api.POST("/api/takes/recordings", {
        body: { clientId: clientId.current, sectionId: found.of, day, tempo: found.tempo, minutes, passes },
      }),
    );
  }, touches.away);

  const found = typeof state === "object" && !(state instanceof CannotHear) ? state : undefined;
  const counted = found?.said.filter((said) => said !== "NONE").length ?? 0;
  const keys = /\.midi?$/i.test(file?.name ?? "");
  return (
    <>
      <p className="mb-3 max-w-[70ch] text-soft">
        {say("recording.what", { minutes: MOST_MINUTES, megabytes: MOST_MEGABYTES })}
      </p>
      <form
        noValidate
        className="grid max-w-4xl gap-x-4 gap-y-1 sm:grid-cols-2 lg:grid-cols-[2fr_1fr_1fr]"
        onSubmit={(event) => {
          event.preventDefault();
          void listen(false);
        }}
      >
        <Labelled label={say("recording.section")}>
          {({ id }) => (
            <select
              id={id}
              className={INPUT}
              value={of}
              onChange={(event) => {
                setOf(Number(event.target.value));
                setState("empty");
              }}
            >
              {sections.map(({ passage: one, section }) => (
                <option key={section.id} value={section.id}>
                  {one.title}
                  {section.whole ? "" : `, ${section.name}`}
                </option>
              ))}
            </select>
          )}
        </Labelled>
        <Field
          label={say("recording.tempo")}
          type="number"
          min={1}
          value={Number.isNaN(tempo) ? "" : tempo}
          onChange={(event) => {
            setTempo(event.target.valueAsNumber);
            setState("empty");
          }}
        />
        <Field
          label={say("log.day")}
          type="date"
          max={me.today}
          value={day}
          onChange={(event) => setDay(event.target.value)}
        />
        <Labelled label={say("recording.file")} hint={file?.name}>
          {({ id, describedBy }) => (
            <input
              id={id}
              aria-describedby={describedBy}
              type="file"
              accept={ACCEPTED}
              className={INPUT}
              onChange={(event) => {
                setFile(event.target.files?.[0]);
                setState("empty");
              }}
            />
          )}
        </Labelled>
        {keys && <HandsChoice className={INPUT} apart={apart} onChange={setApart} />}
        <div className="flex flex-wrap items-center gap-3 sm:col-span-2 lg:col-span-3">
          <Button online kind="main" type="submit" disabled={!file || Number.isNaN(tempo) || state === "listening"}>
            {say("recording.listen")}
          </Button>
          <Button disabled={Number.isNaN(tempo) || state === "listening"} onClick={() => void listen(true)}>
            {say("recording.madeUp")}
          </Button>
        </div>
      </form>
      {state === "listening" && (
        <p role="status" className="mt-4 text-lg">
          {say("recording.listening")}
        </p>
      )}
      {state instanceof CannotHear && (
        <p role="alert" className="mt-4 max-w-[70ch] font-semibold">
          {say(`unheard.${state.why}`, { minutes: MOST_MINUTES, megabytes: MOST_MEGABYTES })}
        </p>
      )}
      {problem !== undefined && <Failed error={problem} again={() => setProblem(undefined)} />}
      {found && (
        <section className="mt-5" aria-label={say("recording.found", { passes: found.takes.length })}>
          <h2>{say("recording.found", { passes: found.takes.length })}</h2>
          {found.takes.length === 0 ? (
            <p className="max-w-[70ch]">{say("recording.nothing")}</p>
          ) : (
            <>
              <ol className="mt-2 space-y-4">
                {found.takes.map((kept, i) => (
                  <li key={kept.id} className="grid gap-x-6 gap-y-1 border-t border-rule pt-2 lg:grid-cols-[1fr_13rem]">
                    <TakePlayer
                      kept={kept}
                      title={say("recording.pass", { number: i + 1, at: clock(found.starts[i]!) })}
                    />
                    <Labelled label={say("recording.said", { number: i + 1 })}>
                      {({ id }) => (
                        <select
                          id={id}
                          className={INPUT}
                          value={found.said[i] ?? ""}
                          onChange={(event) =>
                            setState({
                              ...found,
                              said: found.said.map((one, at) =>
                                at === i ? ((event.target.value || null) as Said | "NONE") : one,
                              ),
                            })
                          }
                        >
                          {VERDICTS.map((verdict) => (
                            <option key={verdict} value={verdict}>
                              {say(`verdict.${verdict}`)}
                            </option>
                          ))}
                          <option value="">{say("recording.nothingSaid")}</option>
                          <option value="NONE">{say("recording.none")}</option>
                        </select>
                      )}
                    </Labelled>
                  </li>
                ))}
              </ol>
              <div className="mt-4 flex flex-wrap items-end gap-4">
                <Field
                  label={say("recording.minutes")}
                  type="number"
                  min={1}
                  className="w-28"
                  value={Number.isNaN(minutes) ? "" : minutes}
                  onChange={(event) => setMinutes(event.target.valueAsNumber)}
                />
                <Button
                  kind="main"
                  className="mb-6"
                  disabled={log.isPending || counted === 0 || Number.isNaN(minutes)}
                  onClick={() =>
                    log.mutate(found, {
                      onSuccess: () => {
                        // A browser that keeps no takes has put the figures into the log all the same.
                        void keepTakes(found.takes.filter((_, at) => found.said[at] !== "NONE")).catch(() => undefined);
                        void navigate("/log/month");
                      },
                    })
                  }
                >
                  {say("recording.log", { passes: counted })}
                </Button>
              </div>
              <p className="max-w-[70ch] text-soft">{say("recording.counts")}</p>
              <Failure of={log} className="mt-2" />
            </>
          )}
        </section>
      )}
    </>
  );
}
