package tachylim.server.load;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface WorkoutRatingRepository extends JpaRepository<WorkoutRating, Long> {

    /** What the rated workouts of a day come to, both ways. */
    record Felt(LocalDate day, double felt, double counted) {}

    @Query("""
            select new tachylim.server.load.WorkoutRatingRepository$Felt(r.day, sum(r.felt), sum(r.counted))
            from WorkoutRating r where r.accountId = :accountId and r.day between :from and :to group by r.day""")
    List<Felt> days(long accountId, LocalDate from, LocalDate to);
}
