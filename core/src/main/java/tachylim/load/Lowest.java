package tachylim.load;

import java.util.Optional;

/**
 * The lowest that today's caps have been so far. Whatever is taken back, deleted or chosen otherwise during a day, its caps only
 * move down; up they move from the next day on. This class is immutable.
 *
 * @param effort the cap of effort; empty where no rule but the player's own minutes and a symptom set one: these have
 *     their own ways of changing
 * @param bursts the cap of fast playing
 */
public record Lowest(Optional<Cap> effort, Limit bursts) {}
