import { type KeyboardEvent, useId, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { Heights } from "../../ui/Axis";
import { day as dayName, oneDecimal } from "../../ui/format";
import { drag } from "../../ui/drag";
import { useWidth } from "../../ui/useWidth";
import type { Pattern } from "./looks";
import { Patterns } from "./Patterns";
import { say } from "../../words/say";

type Day = Schemas["SeasonDayDto"];

interface Props {
  season: Schemas["SeasonView"];
  patterns: Map<number, Pattern>;
  chosen: string;
  onChoose: (day: string) => void;
  onMove: (from: string, to: string) => void;
}

const HEIGHT = 190;
const GROUND = HEIGHT - 1;
const FOOT = 46;
const GUTTER = 40;

/**
 * The days from two weeks ago to a week beyond the last date, as one ground: what was done in grey, what is planned by
 * passage, and over each day the line of what it may have. A day's practice is taken hold of and put on another.
 */
export function Strip({ season, patterns, chosen, onChoose, onMove }: Props) {
  const id = useId();
  const [frame, width] = useWidth<HTMLDivElement>();
  const [dragged, setDragged] = useState<{ from: string; over: string }>();
  const days = useRef(new Map<string, SVGGElement>());
  const past = pastDays(season);
  const count = past.length + season.days.length;
  const step = Math.max(4, (width - GUTTER - 4) / count);
  const x = (i: number) => GUTTER + i * step;
  const planned = (i: number) => x(past.length + i);
  const most = Math.max(
    10,
    ...season.days.map((day) => Math.max(day.minutes, Math.min(day.cap, 1.5 * Math.max(day.minutes, 20)))),
    ...past.map((day) => day.effort),
  );
  const y = (minutes: number) => GROUND - (Math.min(minutes, most) / most) * (HEIGHT - 34);
  const index = (iso: string) => season.days.findIndex((one) => one.day === iso);

  function key(event: KeyboardEvent, at: Day) {
    const way = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    const next = season.days[index(at.day) + way];
    if (way === 0 || !next) return;
    event.preventDefault();
    if (event.shiftKey) onMove(at.day, next.day);
    onChoose(next.day);
    days.current.get(next.day)?.focus();
  }

  const under = (x: number) => season.days[Math.floor((x - GUTTER) / step) - past.length]?.day;

  function drop() {
    if (dragged && dragged.from !== dragged.over) {
      onMove(dragged.from, dragged.over);
      onChoose(dragged.over);
      days.current.get(dragged.over)?.focus();
    }
    setDragged(undefined);
  }

  return (
    <div ref={frame} className="w-full">
      <svg width={width} height={HEIGHT + FOOT} className="block touch-pan-y overflow-visible select-none">
        <title>{say("season.minutesByDayAndPassage")}</title>
        <Patterns id={id} />
        <g aria-hidden="true">
          <Heights
            ticks={[most / 2, most]}
            y={y}
            from={GUTTER}
            to={width}
            label={(minutes) => `${Math.round(minutes)}`}
          />
        </g>
        {past.map((one, i) => (
          <rect
            key={one.day}
            x={x(i) + 1}
            width={Math.max(2, step - 2)}
            y={y(one.effort)}
            height={GROUND - y(one.effort)}
            className="fill-rule-strong/50"
          >
            <title>
              {say("season.effortMinutesPlayed", { day: dayName(one.day), effort: Math.round(one.effort) })}
            </title>
          </rect>
        ))}
        <line
          x1={planned(0)}
          x2={planned(0)}
          y1="8"
          y2={HEIGHT + 12}
          className="stroke-ink"
          strokeDasharray="2 3"
          aria-hidden="true"
        />
        <g role="listbox" aria-label={say("season.daysOfTheSeasonShift")}>
          {season.days.map((one, i) => (
            <g
              key={one.day}
              ref={(node) => {
                if (node) days.current.set(one.day, node);
                else days.current.delete(one.day);
              }}
              role="option"
              aria-selected={one.day === chosen}
              aria-label={said(one, season)}
              tabIndex={one.day === chosen ? 0 : -1}
              className={`group outline-none ${one.minutes > 0 ? "cursor-grab" : "cursor-pointer"}`}
              onKeyDown={(event) => key(event, one)}
              onFocus={() => onChoose(one.day)}
              {...drag({
                onTake: () => {
                  onChoose(one.day);
                  if (one.minutes > 0) setDragged({ from: one.day, over: one.day });
                  return one.minutes > 0;
                },
                onMove: ({ x }) => {
                  const over = under(x);
                  if (over) setDragged({ from: one.day, over });
                },
                onDrop: drop,
                onLose: () => setDragged(undefined),
              })}
            >
              <rect
                x={planned(i)}
                width={step}
                y="0"
                height={HEIGHT + FOOT}
                className={
                  dragged?.over === one.day && dragged.from !== one.day
                    ? "fill-brass-pale"
                    : one.day === chosen
                      ? "fill-spruce-pale/60"
                      : "fill-transparent"
                }
              />
              <Bar day={one} left={planned(i)} step={step} y={y} id={id} patterns={patterns} />
              {one.off ? (
                <path
                  d={`M${planned(i) + 1} ${GROUND + 3}h${Math.max(2, step - 2)}`}
                  className="stroke-rule-strong"
                  strokeWidth="2"
                  strokeDasharray="2 2"
                />
              ) : (
                <line
                  x1={planned(i)}
                  x2={planned(i) + step}
                  y1={y(one.cap)}
                  y2={y(one.cap)}
                  className="stroke-ink"
                  strokeWidth="1.5"
                />
              )}
              {one.asked && <circle cx={planned(i) + step / 2} cy={GROUND + 8} r="2.5" className="fill-brass-deep" />}
              {one.occasions.length > 0 && <Flag left={planned(i) + step / 2} />}
              <rect
                x={planned(i) + 0.5}
                width={Math.max(2, step - 1)}
                y="1"
                height={HEIGHT + FOOT - 2}
                className="fill-none stroke-transparent group-focus-visible:stroke-spruce"
                strokeWidth="2"
              />
            </g>
          ))}
        </g>
        <line x1={GUTTER} x2={width} y1={GROUND} y2={GROUND} className="stroke-ink" aria-hidden="true" />
        <Weeks days={[...past.map(({ day }) => day), ...season.days.map(({ day }) => day)]} x={x} step={step} />
      </svg>
    </div>
  );
}

/** A day's minutes, passage over passage. */
function Bar({
  day,
  left,
  step,
  y,
  id,
  patterns,
}: {
  day: Day;
  left: number;
  step: number;
  y: (minutes: number) => number;
  id: string;
  patterns: Map<number, Pattern>;
}) {
  let below = 0;
  const parts = day.shares.length > 0 ? day.shares : [{ passageId: 0, minutes: day.minutes }];
  return (
    <>
      {parts.map((share) => {
        const from = below;
        below += share.minutes;
        return (
          <rect
            key={share.passageId}
            x={left + 1}
            width={Math.max(2, step - 2)}
            y={y(below)}
            height={Math.max(0, y(from) - y(below))}
            fill={`url(#${id}-${patterns.get(share.passageId) ?? "pale"})`}
            stroke="var(--color-spruce)"
            strokeWidth="0.75"
          />
        );
      })}
    </>
  );
}

/** Something is performed or needed here. */
function Flag({ left }: { left: number }) {
  return (
    <path
      d={`M${left} 22V4l9 4.5-9 4.5`}
      className="fill-brass-deep stroke-brass-deep"
      strokeWidth="1.5"
      aria-hidden="true"
    />
  );
}

const DATE_WIDTH = 52;

/** Each Monday's date, as many as there is room for. */
function Weeks({ days, x, step }: { days: string[]; x: (i: number) => number; step: number }) {
  const every = Math.max(1, Math.ceil(58 / (7 * step)));
  let monday = -1;
  return (
    <g fontSize="12" className="fill-soft" aria-hidden="true">
      {days.map((one, i) => {
        if (new Date(`${one}T12:00:00`).getDay() !== 1 || ++monday % every > 0) return null;
        // The last one may have no room after its line.
        const last = (days.length - i) * step < DATE_WIDTH;
        return (
          <g key={one}>
            <line x1={x(i)} x2={x(i)} y1={GROUND} y2={GROUND + 18} className="stroke-rule-strong" />
            <text x={x(i) + (last ? -4 : 4)} y={GROUND + 30} textAnchor={last ? "end" : "start"}>
              {dayName(one)}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** The two weeks before today, with what was done on each day. */
function pastDays(season: Schemas["SeasonView"]) {
  const done = new Map(season.past.map((one) => [one.day, one.effort]));
  return Array.from({ length: 14 }, (_, i) => {
    const at = new Date(`${season.today}T12:00:00Z`);
    at.setUTCDate(at.getUTCDate() - 14 + i);
    const day = at.toISOString().slice(0, 10);
    return { day, effort: done.get(day) ?? 0 };
  });
}

function said(one: Day, season: Schemas["SeasonView"]) {
  const title = (passageId: number) => season.goals.find((goal) => goal.passageId === passageId)?.title ?? "";
  const parts = one.shares.map((share) => `${title(share.passageId)} ${share.minutes}`).join(", ");
  return [
    dayName(one.day, { weekday: "long", day: "numeric", month: "long" }),
    one.off ? say("season.dayOffMark") : say("season.minutesOfCap", { minutes: one.minutes, cap: oneDecimal(one.cap) }),
    parts,
    ...one.occasions.map((occasion) => say(occasion)),
  ]
    .filter(Boolean)
    .join("; ");
}
