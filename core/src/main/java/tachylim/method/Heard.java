package tachylim.method;

import tachylim.task.Tension;
import tachylim.task.Verdict;

/**
 * An answer as a method hears it, by the player's own {@link Strictness}: what is said stays as it was said, only what follows
 * from it differs. This class is immutable.
 *
 * @param verdict how it went; null where only tension was said
 * @param tension how tense it was, not null
 * @param told the figure that was asked for, or {@link tachylim.task.Answer#NOTHING_TOLD}
 * @param holds whether nothing is faster after it
 * @param lowers whether what follows is slower; whatever lowers holds too
 */
public record Heard(Verdict verdict, Tension tension, double told, boolean holds, boolean lowers) {}
