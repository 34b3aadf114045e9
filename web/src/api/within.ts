import { RANGES } from "./ranges";

/** The least and the most that the server takes, as an input wants them. */
export const within = (range: { minimum: number; maximum: number }) => ({ min: range.minimum, max: range.maximum });

/** The longest text that the server takes, as an input wants it. */
export const upTo = (range: { maxLength: number }) => ({ maxLength: range.maxLength });

/** A tempo, wherever one is asked for. */
export const TEMPO = RANGES.PassageWish.targetBpm;

export const isWithin = (value: number, range: { minimum: number; maximum: number }) =>
  value >= range.minimum && value <= range.maximum;
