import type { Schemas } from "../../api/client";

/** The piece to name first of a passage: the whole goes no faster than its slowest part. */
export function weakest(passage: Schemas["PassageDto"]) {
  return [...passage.pieces].sort((a, b) => a.estimate.ceiling.middle - b.estimate.ceiling.middle)[0];
}
