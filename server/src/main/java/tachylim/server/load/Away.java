package tachylim.server.load;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import tachylim.load.AwayPractice;

/** Something that was played away from the screen, as it is told. */
public record Away(
        @NotNull(message = "refusal.away.sayWhatItWas") AwayPractice kind,

        @Min(value = 1, message = MINUTES) @Max(value = AwayPractice.MOST_MINUTES, message = MINUTES)
        int minutes,

        @NotNull @Size(max = LONGEST_NOTE, message = NOTE) String note) {

    public static final int LONGEST_NOTE = 200;
    public static final String NOTE = "refusal.note most=" + LONGEST_NOTE;
    public static final String MINUTES = "refusal.plan.minutes least=1 most=" + AwayPractice.MOST_MINUTES;
}
