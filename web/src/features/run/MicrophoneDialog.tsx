import { useEffect, useState } from "react";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { say } from "../../words/say";
import { PLAYERS } from "../../take/madeUp";
import { HandsChoice } from "../../take/HandsChoice";
import { areKeys, KEYS, MADE_UP, MADE_UP_KEYS, microphones, USUAL } from "../../take/inputs";
import { keyboards } from "../../take/keyboard";
import { Line } from "../../take/Line";
import type { useLine } from "../../take/useLine";
import { lastInput, PLAIN, type useEars } from "../../take/useEars";

interface Props {
  open: boolean;
  onClose: () => void;
  ears: ReturnType<typeof useEars>;
  /** A line that is played to see what is heard, and how it is begun; nothing where there is none to play. */
  line: ReturnType<typeof useLine>;
  onLine: (() => void) | undefined;
  /** Whether musical time is that of the clock, so that anything can be heard. */
  mayListen: boolean;
}

const LIGHT = "border-night-soft text-night-ink hover:border-night-ink";
const SELECT = "mt-1 min-h-11 w-full rounded-[5px] border border-night-soft bg-night px-3 text-night-ink";

/** Which input is listened to, how loud it is there, and what becomes of what is heard. */
export function MicrophoneDialog({ open, onClose, ears, line, onLine, mayListen }: Props) {
  const [input, setInput] = useState(() => lastInput() ?? USUAL);
  const [player, setPlayer] = useState("even");
  const [apart, setApart] = useState(PLAIN.apart);
  const [known, setKnown] = useState<{ id: string; name: string }[]>([]);
  const [keys, setKeys] = useState<{ id: string; name: string }[]>([]);
  useEffect(() => {
    if (open) void microphones().then(setKnown, () => setKnown([]));
  }, [open, ears.is]);
  // Whether a page may listen to instruments is asked only where one is wanted.
  const wantsKeys = input.startsWith(KEYS);
  useEffect(() => {
    if (open && wantsKeys && ears.is === "on") void keyboards().then(setKeys, () => setKeys([]));
  }, [open, wantsKeys, ears.is]);
  const on = (device: string, how: string, hands = apart) =>
    void ears.on(device, { player: PLAYERS[how as keyof typeof PLAYERS], apart: hands });
  const choose = (device: string) => {
    setInput(device);
    if (ears.is === "on") on(device, player);
  };
  return (
    <Dialog dark title={say("heard.dialog.title")} open={open} onClose={onClose}>
      <div className="space-y-3">
        <p>{say("heard.dialog.what")}</p>
        <p className="text-night-soft">{say("heard.dialog.where")}</p>
        <p className="text-night-soft">{say("heard.dialog.headphones")}</p>
        {!mayListen && <p role="alert">{say("heard.dialog.needsLocal")}</p>}
        <label className="block font-semibold">
          {say("heard.dialog.input")}
          <select className={SELECT} value={input} onChange={(event) => choose(event.target.value)}>
            <option value={USUAL}>{say("heard.dialog.usual")}</option>
            {known
              .filter(({ id }) => id !== "")
              .map(({ id, name }, i) => (
                <option key={id} value={id}>
                  {name || say("heard.dialog.unnamed", { number: i + 1 })}
                </option>
              ))}
            <option value={KEYS}>{say("heard.dialog.allKeys")}</option>
            {keys.map(({ id, name }, i) => (
              <option key={id} value={id}>
                {say("heard.dialog.keys", { name: name || String(i + 1) })}
              </option>
            ))}
            <option value={MADE_UP}>{say("heard.dialog.madeUp")}</option>
            <option value={MADE_UP_KEYS}>{say("heard.dialog.madeUpKeys")}</option>
          </select>
        </label>
        {areKeys(input) && (
          <HandsChoice
            className={SELECT}
            apart={apart}
            onChange={(hands) => {
              setApart(hands);
              if (ears.is === "on") on(input, player, hands);
            }}
          />
        )}
        {(input === MADE_UP || input === MADE_UP_KEYS) && (
          <label className="block font-semibold">
            {say("heard.player.how")}
            <select
              className={SELECT}
              value={player}
              onChange={(event) => {
                setPlayer(event.target.value);
                if (ears.is === "on") on(input, event.target.value);
              }}
            >
              {Object.keys(PLAYERS).map((how) => (
                <option key={how} value={how}>
                  {say(`madeUp.${how as "even"}`)}
                </option>
              ))}
            </select>
          </label>
        )}
        {ears.is === "on" && input !== MADE_UP && input !== MADE_UP_KEYS && <Level level={ears.level} />}
        {ears.is === "on" && onLine && <Line line={line} onPlay={onLine} className={LIGHT} />}
        {ears.why && <p role="alert">{say(`deaf.${ears.why}`)}</p>}
        {ears.is === "on" && ears.coarse && <p>{say("heard.coarse")}</p>}
      </div>
      <div className="mt-5 flex flex-wrap gap-3">
        {ears.is === "on" ? (
          <>
            <Button kind="main" onClick={onClose} autoFocus>
              {say("run.goOn")}
            </Button>
            <Button className={LIGHT} onClick={ears.off}>
              {say("heard.dialog.switchOff")}
            </Button>
          </>
        ) : (
          <>
            <Button
              kind="main"
              disabled={ears.is === "asking" || !mayListen}
              onClick={() => on(input, player)}
              autoFocus
            >
              {say("heard.dialog.switchOn")}
            </Button>
            <Button className={LIGHT} onClick={onClose}>
              {say("common.close")}
            </Button>
          </>
        )}
      </div>
    </Dialog>
  );
}

/** How loud it is at the input, as it goes. */
function Level({ level }: { level: () => number }) {
  const [now, setNow] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setNow(level()), 80);
    return () => clearInterval(timer);
  }, [level]);
  return (
    <label className="block font-semibold">
      {say("heard.dialog.level")}
      <meter className="mt-1 block h-3 w-full" min={0} max={1} value={Math.min(1, Math.sqrt(now))} />
    </label>
  );
}
