package tachylim.server.run;

import java.util.List;
import tachylim.workout.Run;

/**
 * A run that can be played on: the fold of its events, each under what today allowed when its step was told.
 *
 * @param stored the run as it is kept
 * @param kept its events, in order
 * @param run where it stood when its step was told
 */
record SoFar(StoredRun stored, List<RunEvent> kept, Run run) {}
