import { KeyGround } from "../../ui/KeyGround";
import { type KeyboardEvent, useState } from "react";
import { api, given, Problem, type Schemas } from "../../api/client";
import { sentence, useChange } from "../../api/queries";
import { Button, KeyCap } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { INPUT } from "../../ui/Field";
import { day } from "../../ui/format";
import { useNoteKeys } from "./useNoteKeys";
import * as touches from "../../api/touches";
import { upTo } from "../../api/within";
import { RANGES } from "../../api/ranges";
import { say } from "../../words/say";

type Kind = Schemas["MarkDto"]["kind"];
type Wish = Schemas["MarkWish"];

/** The keys of each kind of mark, with what they write. */
const KEYS: Record<Kind, Record<string, string>> = {
  FINGERING: Object.fromEntries([..."0123456789tpimacx"].map((key) => [key, key.toUpperCase()])),
  STICKING: Object.fromEntries([..."rl123456"].map((key) => [key, key.toUpperCase()])),
  STROKE: { d: "down", u: "up" },
  BREATH: { ",": "breath", b: "breath" },
};

const NAMES: Record<Kind, string> = {
  FINGERING: say("sheet.fingers"),
  STICKING: say("sheet.sticks"),
  STROKE: say("sheet.bowOrPick"),
  BREATH: say("sheet.breaths"),
};

const FIRST: Record<Schemas["PassageDto"]["instrument"], Kind> = {
  WIND: "BREATH",
  BRASS: "BREATH",
  BOWED: "STROKE",
  PLUCKED: "STROKE",
  KEYBOARD: "FINGERING",
  MALLET: "STICKING",
  FREE_REED: "FINGERING",
  OTHER: "FINGERING",
};

interface Props {
  detail: Schemas["PassageDetail"];
  practiceSheet: Schemas["PracticeSheetDto"];
  cursor: number | undefined;
  onCursor: (note: number) => void;
}

/** Marks over the notes, a key each; the cursor goes on to the next note by itself. */
export function MarksPanel({ detail, practiceSheet, cursor, onCursor }: Props) {
  const { passage, reading } = detail;
  const [kind, setKind] = useState<Kind>(FIRST[passage.instrument]);
  const [why, setWhy] = useState("");
  const [failure, setFailure] = useState<unknown>();
  const [asked, setAsked] = useState<{ wish: Wish; question: string }>();
  const mark = useChange(
    (wish: Wish) => given(api.PUT("/api/passages/{id}/marks", { params: { path: { id: passage.id } }, body: wish })),
    touches.marks(passage.id),
  );
  const note = cursor ?? 0;
  const send = (wish: Wish) => {
    setFailure(undefined);
    // The next key belongs to the next note, however long the server takes; what is not kept is gone back to.
    if (wish.value) onCursor(Math.min(reading.notes - 1, wish.note + 1));
    mark.mutateAsync(wish).catch((error: unknown) => {
      onCursor(wish.note);
      if (error instanceof Problem && error.code === "mark-decided") setAsked({ wish, question: error.detail });
      else setFailure(error);
    });
  };
  const write = (value: string) => send({ note, kind, value, why, confirmed: false });
  const move = useNoteKeys({
    notes: reading.notes,
    cursor: note,
    setCursor: onCursor,
    onKey: (key) => {
      const value = KEYS[kind][key];
      if (value) write(value);
    },
  });
  const keys = (event: KeyboardEvent) => {
    if (event.key === "Backspace" || event.key === "Delete") {
      event.preventDefault();
      write("");
    } else {
      move(event);
    }
  };
  const here = practiceSheet.notes[note];
  return (
    <div className="grid gap-x-12 gap-y-6 lg:grid-cols-[1fr_22rem]">
      <div>
        <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
          <label className="flex items-center gap-2 text-soft">
            {say("sheet.write")}
            <select
              aria-label={say("sheet.kindOfMark")}
              value={kind}
              onChange={(event) => setKind(event.target.value as Kind)}
              className={`${INPUT} !w-auto`}
            >
              {Object.entries(NAMES).map(([name, words]) => (
                <option key={name} value={name}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <KeyGround
            label={say("sheet.writeAKeyWritesOver", { kind: NAMES[kind] })}
            onKeyDown={keys}
            className="flex min-h-11 flex-1 items-center gap-3 rounded-[5px] border border-spruce bg-white px-3"
          >
            <span className="font-semibold">{say("sheet.note", { note: note + 1 })}</span>
            <span className="text-soft">
              {here?.onBeat ? say("sheet.onTheBeat") : say("sheet.betweenBeats")}
              {here && here.marks.length > 0 && ` · ${here.marks.map((one) => one.value).join(" · ")}`}
            </span>
          </KeyGround>
        </div>
        <div className="mt-3 flex flex-wrap items-center gap-2">
          {Object.entries(KEYS[kind]).map(([key, value]) => (
            <button
              key={key}
              type="button"
              onClick={() => write(value)}
              className="flex min-h-11 min-w-11 items-center justify-center gap-1.5 rounded-[5px] border border-rule-strong px-2.5 hover:border-ink"
              aria-label={say("sheet.mark", { value })}
            >
              <KeyCap>{key}</KeyCap>
              {value.length > 1 && value}
            </button>
          ))}
          <Button kind="quiet" onClick={() => write("")}>
            <KeyCap>⌫</KeyCap> {say("sheet.takeAway")}
          </Button>
        </div>
        <label className="mt-4 block">
          <span className="text-soft">{say("sheet.whyIfItIsWorth")}</span>
          <input
            value={why}
            {...upTo(RANGES.MarkWish.why)}
            dir="auto"
            onChange={(event) => setWhy(event.target.value)}
            className={INPUT}
            placeholder={say("sheet.crossingIsQuieterThisWay")}
          />
        </label>
        {failure !== undefined && <p className="mt-2 text-danger">{sentence(failure)}</p>}
        <p className="mt-3 text-sm text-soft">{say("sheet.aFullTriangleUnderA")}</p>
      </div>
      <section aria-label={say("sheet.whatWasDecided")}>
        <h2>{say("sheet.whatWasDecided")}</h2>
        {practiceSheet.decisions.length === 0 ? (
          <p className="text-soft">{say("sheet.nothingYet")}</p>
        ) : (
          <ol className="max-h-72 divide-y divide-rule overflow-y-auto border-y border-rule text-sm">
            {[...practiceSheet.decisions].reverse().map((one, i) => (
              <li key={i} className="flex gap-3 py-1.5">
                <span className="w-16 shrink-0 text-soft">{day(one.at.slice(0, 10))}</span>
                <span>
                  {say("sheet.markOfNote", {
                    note: one.note + 1,
                    oneIs: one.value === "" ? "yes" : "no",
                    kind: NAMES[one.kind],
                    one: one.value,
                  })}
                  {one.why && (
                    <span className="text-soft" dir="auto">
                      , {one.why}
                    </span>
                  )}
                </span>
              </li>
            ))}
          </ol>
        )}
      </section>
      <Dialog title={say("sheet.changeWhatWasDecided")} open={asked !== undefined} onClose={() => setAsked(undefined)}>
        <p className="mb-5">{asked?.question}</p>
        <div className="flex gap-3">
          <Button
            kind="danger"
            onClick={() => {
              if (asked) send({ ...asked.wish, confirmed: true });
              setAsked(undefined);
            }}
          >
            {say("sheet.changeIt")}
          </Button>
          <Button onClick={() => setAsked(undefined)}>{say("common.cancel")}</Button>
        </div>
      </Dialog>
    </div>
  );
}
