import type { Schemas } from "../api/client";
import { clock, oneDecimal } from "./format";
import { say } from "../words/say";

export type Limit = Schemas["LimitDto"];

/** A figure of a limit: as a clock shows it where it counts seconds. */
export const figure = (limit: Limit, value: number) => (limit.inSeconds ? clock(value) : oneDecimal(value));

/** What a figure of a limit counts, behind it. */
export const counted = (limit: Limit) => say(`counted.${limit.kind}`);

/** Said of the limit that is reached before the others, with its reason. */
export const reachedFirst = (limit: Limit) =>
  say("common.thisLimitFirst", { leftIs: limit.left > 0 ? "yes" : "no", why: say(limit.why) });
