package tachylim.server.ceiling;

/**
 * What a standing is about: a section, and what was guessed of it before it was played.
 *
 * @param sectionId the section
 * @param guessBpm where its ceiling was guessed to lie
 * @param guessPlayed whether it had been played at that tempo, or the guess is only a guess
 * @param grownFrom the section whose notes it mostly took over, null when there is none
 * @param tempoRatio its tempo over that section's at the same notes a second
 */
public record Subject(long sectionId, double guessBpm, boolean guessPlayed, Long grownFrom, double tempoRatio) {}
