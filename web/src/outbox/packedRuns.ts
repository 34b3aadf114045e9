const PACKED = /^packed-(\d+)$/;

/** How a run is called in addresses that was begun from a packed workout: the server has no number for it yet. */
export const packedRun = (workout: string | number) => `packed-${workout}`;

/** The packed workout that a run was begun from; nothing where the server began it. */
export const workoutOf = (run: string): number | undefined => {
  const [, workout] = PACKED.exec(run) ?? [];
  return workout === undefined ? undefined : Number(workout);
};
