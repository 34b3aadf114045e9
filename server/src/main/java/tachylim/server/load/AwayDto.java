package tachylim.server.load;

import java.time.LocalDate;
import tachylim.load.AwayPractice;

/** Something that was played away from the screen, as it is kept. */
public record AwayDto(long id, LocalDate day, AwayPractice kind, double seconds, double effort, String note) {

    static AwayDto of(UnmeasuredPractice one) {
        return new AwayDto(one.id(), one.day(), one.elsewhere(), one.playSeconds(), one.effort(), one.note());
    }
}
