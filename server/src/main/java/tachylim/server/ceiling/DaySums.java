package tachylim.server.ceiling;

import java.time.LocalDate;

/** One day's sums of what was played in runs. */
public interface DaySums {
    LocalDate getDay();

    Double getEffort();

    Double getPlaySeconds();

    Double getBurstSeconds();

    Integer getWorstTension();

    Long getPasses();
}
