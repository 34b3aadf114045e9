/** The colours of the timeline, by day and on the dark run screen; what they are stands with all others in index.css. */
export interface Looks {
  ink: string;
  soft: string;
  rule: string;
  spruce: string;
  burst: string;
  brass: string;
  band: string;
  ground: string;
}

export const DAY: Looks = {
  ink: "var(--color-ink)",
  soft: "var(--color-soft)",
  rule: "var(--color-rule-faint)",
  spruce: "var(--color-spruce)",
  burst: "var(--color-burst)",
  brass: "var(--color-brass-deep)",
  band: "var(--color-brass)",
  ground: "var(--color-ground)",
};

export const NIGHT: Looks = {
  ink: "var(--color-night-ink)",
  soft: "var(--color-night-soft)",
  rule: "var(--color-night-rule-faint)",
  spruce: "var(--color-night-spruce)",
  burst: "var(--color-night-burst)",
  brass: "var(--color-night-brass-pale)",
  band: "var(--color-night-brass)",
  ground: "var(--color-night)",
};
