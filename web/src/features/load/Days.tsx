import { scaleLinear } from "d3-scale";
import type { Schemas } from "../../api/client";
import { Along, Heights, shortDay } from "../../ui/Axis";
import { clock, day, oneDecimal } from "../../ui/format";
import { useWidth } from "../../ui/useWidth";
import { say } from "../../words/say";

type Day = Schemas["DayDto"];

const HEIGHT = 196;
const BASE = HEIGHT - 26;
const SHOWN = 70;
const DAY_MS = 86_400_000;
const TENSE = 4;
const WEEKS = 10;
const WIDEST_DATE = 52;
const NAME_WIDTH = 120;
const ABOVE_MARKS = 24;

const at = (iso: string) => Date.parse(`${iso}T12:00:00`);

/** Effort day by day against today's cap; bursts and high tension marked on the days that had them. */
export function Days({ days, today, cap }: { days: Day[]; today: string; cap: number }) {
  const [frame, width] = useWidth<HTMLDivElement>(1100);
  const first = at(today) - (SHOWN - 1) * DAY_MS;
  const x = scaleLinear([first, at(today)], [52, width - 20]);
  const y = scaleLinear([0, Math.max(cap, ...days.map((d) => d.effort)) * 1.1], [BASE, 26]);
  const slot = (width - 72) / SHOWN;
  // The name of the cap stands above whatever lies under it.
  const near = days.filter((d) => at(d.day) > at(today) - (NAME_WIDTH / slot) * DAY_MS);
  const highest = Math.max(0, ...near.map((d) => d.effort));
  // A date under every week where there is room for it, else under every second or third.
  const every = Math.ceil(WIDEST_DATE / ((slot * SHOWN) / WEEKS));
  const weeks = Array.from({ length: Math.ceil(WEEKS / every) }, (_, i) => at(today) - i * every * 7 * DAY_MS);
  return (
    <div ref={frame} className="overflow-hidden">
      <svg width={width} height={HEIGHT} role="img" aria-label={describe(days)} className="block">
        <Heights ticks={y.ticks(4)} y={y} from={46} to={width - 8} />
        {days.map((d) => (
          <Hill key={d.day} d={d} x={x(at(d.day))} top={y(d.effort)} half={Math.max(2, slot * 0.46)} />
        ))}
        <line x1="46" x2={width - 8} y1={BASE} y2={BASE} className="stroke-ink" strokeWidth="1.5" />
        <line
          x1={x(at(today)) - slot / 2}
          x2={width - 8}
          y1={y(cap)}
          y2={y(cap)}
          className="stroke-ink"
          strokeWidth="2.5"
        />
        <text
          x={width - 8}
          y={highest > cap ? y(highest) - ABOVE_MARKS : y(cap) - 6}
          textAnchor="end"
          fontSize="12"
          className="fill-ink stroke-ground"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {say("load.todaysCap", { oneDecimal: oneDecimal(cap) })}
        </text>
        <Along ticks={weeks} x={x} y={BASE + 18} to={width - 8} label={shortDay} />
      </svg>
      <p className="text-right text-sm text-soft">{say("load.effortMinutesSpireFastPlaying", { TENSE })}</p>
    </div>
  );
}

function Hill({ d, x, top, half }: { d: Day; x: number; top: number; half: number }) {
  return (
    <g>
      <title>
        {say("load.effortMinutesOfFastPlaying", {
          day: day(d.day),
          effort: oneDecimal(d.effort),
          burstSeconds: clock(d.burstSeconds),
        })}
      </title>
      <path
        d={`M${x - half} ${BASE}L${x - half * 0.6} ${top}H${x + half * 0.6}L${x + half} ${BASE}z`}
        className="fill-spruce"
      />
      {d.burstSeconds > 0 && <path d={`M${x - 1.6} ${top}v-9l1.6 3 1.6 -3v9z`} className="fill-burst" />}
      {d.worstTension >= TENSE && (
        <circle cx={x} cy={top - 16} r="3.5" fill="none" className="stroke-ink" strokeWidth="1.75" />
      )}
    </g>
  );
}

function describe(days: Day[]) {
  const most = [...days].sort((a, b) => b.effort - a.effort)[0]!;
  return say("load.daysOfPlayingInTen", { days: days.length, day: day(most.day), effort: oneDecimal(most.effort) });
}
