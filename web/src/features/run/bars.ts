/** Which bar is played at a beat of a pass, where its music goes round and round; the first while counting in. */
export function barAt(beat: number, bars: number[], roundBeats: number): number {
  if (beat < 0 || roundBeats <= 0) return 0;
  const inRound = beat % roundBeats;
  return Math.max(
    0,
    bars.findLastIndex((from) => from <= inRound + 1e-6),
  );
}

/** The note that is meant by its beat and its place in it, both from 1; nothing where there is none. */
export function noteAt(beatOf: number[], beat: number, place: number): number | undefined {
  const first = beatOf.indexOf(beat - 1);
  const note = first + place - 1;
  return first >= 0 && place >= 1 && beatOf[note] === beat - 1 ? note : undefined;
}
