import { say } from "../../words/say";
/** The timeline in small: what a workout looks like, before there is one. */
export function Landscape() {
  const spires = [300, 352, 404, 456];
  return (
    <svg
      viewBox="0 0 640 190"
      className="mt-8 w-full max-w-[640px]"
      role="img"
      aria-label={say("welcome.aWorkoutDrawnAsLand")}
    >
      <rect x="0" y="52" width="640" height="26" className="fill-brass" opacity="0.28" />
      <text x="6" y="70" fontSize="13" fontWeight="700" className="fill-brass-deep">
        {say("welcome.ceiling")}
      </text>
      <path d="M8 165l16-40h60l10 18 14-28h60l10 16 14-26h56l6 60z" className="fill-spruce" />
      {spires.map((x) => (
        <g key={x}>
          <path d={`M${x - 40} 165l6 -38h22l4 38z`} className="fill-spruce" />
          <path d={`M${x - 5} 165l2 -140 3 5 3 -5 2 140z`} className="fill-burst" />
        </g>
      ))}
      <path d="M490 165l14-44h50l8 14 12-22h50l8 52z" className="fill-spruce" />
      <path
        d={
          `M0 165H${spires[0]! + 6}` +
          spires
            .slice(1)
            .map((x) => `M${x - 42} 165H${x + 6}`)
            .join("") +
          "M486 165H640"
        }
        className="stroke-ink"
        strokeWidth="2"
      />
      {spires.map((x) => (
        <text key={x} x={x + 8} y="180" fontSize="11" className="fill-soft font-mono">
          15
        </text>
      ))}
    </svg>
  );
}
