/** The colours of the relief, by day and on the dark run screen; what they are stands with all others in index.css. */
export interface Looks {
  ink: string;
  soft: string;
  rule: string;
  spruce: string;
  plum: string;
  brass: string;
  band: string;
  ground: string;
}

export const DAY: Looks = {
  ink: "var(--color-ink)",
  soft: "var(--color-soft)",
  rule: "var(--color-rule-faint)",
  spruce: "var(--color-spruce)",
  plum: "var(--color-plum)",
  brass: "var(--color-brass-deep)",
  band: "var(--color-brass)",
  ground: "var(--color-ground)",
};

export const NIGHT: Looks = {
  ink: "var(--color-night-ink)",
  soft: "var(--color-night-soft)",
  rule: "var(--color-night-rule-faint)",
  spruce: "var(--color-night-spruce)",
  plum: "var(--color-night-plum)",
  brass: "var(--color-night-brass-pale)",
  band: "var(--color-night-brass)",
  ground: "var(--color-night)",
};
