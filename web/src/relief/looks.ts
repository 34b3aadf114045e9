/** The colours of the relief, by day and on the dark run screen. */
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
  ink: "#14211d",
  soft: "#4d5a55",
  rule: "#dde3df",
  spruce: "#0e5a4b",
  plum: "#9c1f63",
  brass: "#7a4e0c",
  band: "#b7791f",
  ground: "#f5f7f4",
};

export const NIGHT: Looks = {
  ink: "#e9efeb",
  soft: "#a9b8b1",
  rule: "#22302a",
  spruce: "#4fb59a",
  plum: "#f07fb8",
  brass: "#e3b56c",
  band: "#d9a552",
  ground: "#0d1613",
};
