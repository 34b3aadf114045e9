import type { Schemas } from "../../api/client";
import type { Layout, Spot } from "../../notation/Score";
import { say } from "../../words/say";

interface Props {
  layout: Layout;
  transitions: Schemas["TransitionDto"][];
  chosen: number | undefined;
  onChoose: (transition: number) => void;
}

const GAP = 7;

/** An arc over each transition, on the noteheads themselves: heavy where it breaks, dashed while it has not been trained this week. */
export function TransitionLine({ layout, transitions, chosen, onChoose }: Props) {
  const most = Math.max(1.5, ...transitions.map((transition) => transition.need));
  return (
    <g fill="none">
      {transitions.map((transition, i) => {
        const from = layout.spots[i];
        const to = layout.spots[i + 1];
        if (!from || !to) return null;
        const trouble = transition.need > 1.2 && transition.need >= most * 0.8;
        const tone =
          i === chosen
            ? "stroke-brass-deep"
            : trouble
              ? "stroke-danger"
              : transition.trainedToday > 0
                ? "stroke-spruce"
                : "stroke-rule-strong";
        return (
          <g key={i}>
            {arcs(from, to, layout.width).map((path) => (
              <g key={path}>
                <path
                  d={path}
                  className={tone}
                  strokeWidth={Math.min(6, 1.4 + (transition.need - 1) * 1.8) + (i === chosen ? 1.5 : 0)}
                  strokeDasharray={transition.trainedThisWeek ? undefined : "4 3"}
                  strokeLinecap="round"
                />
                <path
                  d={path}
                  stroke="transparent"
                  strokeWidth={13}
                  className="pointer-events-auto cursor-pointer"
                  data-transition={i}
                  onClick={() => onChoose(i)}
                >
                  <title>
                    {say("sheet.transitionDescribed", { i: i + 1, i2: i + 2, describe: describe(transition) })}
                  </title>
                </path>
              </g>
            ))}
          </g>
        );
      })}
    </g>
  );
}

export function describe(transition: Schemas["TransitionDto"]) {
  const broken =
    (transition.breaks === 0 ? "" : say("sheet.breaksBrokeOnceInFour", { breaks: transition.breaks })) +
    (transition.heardToSlip ? say("sheet.heardToSlip") : "");
  const trained =
    transition.trainedToday > 0
      ? say("sheet.trainedByTodaysChoice", { trainedToday: transition.trainedToday })
      : say("sheet.notInTodaysChoice");
  return say("sheet.transitionStands", {
    broken,
    trained,
    trainedThisWeekIs: transition.trainedThisWeek ? "yes" : "no",
  });
}

/** On the side away from the stems; over a line's end it goes out at the right and comes in at the left. */
function arcs(from: Spot, to: Spot, width: number): string[] {
  const below = from.stemUp && to.stemUp;
  if (from.line !== to.line) {
    return [
      half(from, Math.min(width - 6, from.x + 26), below),
      half({ ...to, x: Math.max(6, to.x - 26) }, to.x, below, to.y),
    ];
  }
  const side = below ? 1 : -1;
  const lift = Math.max(9, (to.x - from.x) * 0.3);
  const middle = (below ? Math.max(from.y, to.y) : Math.min(from.y, to.y)) + side * (GAP + lift);
  const x = (from.x + to.x) / 2;
  return [
    `M${round(from.x)} ${round(from.y + side * GAP)}Q${round(x)} ${round(middle)} ${round(to.x)} ${round(to.y + side * GAP)}`,
  ];
}

function half(from: Spot, toX: number, below: boolean, y = from.y) {
  const side = below ? 1 : -1;
  return `M${round(from.x)} ${round(y + side * GAP)}Q${round((from.x + toX) / 2)} ${round(y + side * (GAP + 12))} ${round(toX)} ${round(y + side * GAP)}`;
}

const round = (value: number) => Math.round(value * 10) / 10;
