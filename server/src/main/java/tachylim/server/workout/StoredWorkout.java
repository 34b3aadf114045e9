package tachylim.server.workout;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import tachylim.ceiling.Posterior;
import tachylim.record.SegmentCodec;
import tachylim.record.WorkoutCodec;
import tachylim.server.record.Documents;
import tachylim.shown.PlanOutline;
import tachylim.workout.Run;
import tachylim.workout.Segment;
import tachylim.workout.Workout;

/** A planned workout, as it was when it was begun. */
@Entity
@Table(name = "workout")
public class StoredWorkout {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;

    @Column(name = "piece_id")
    private Long sectionId;

    private LocalDate day;
    private Instant createdAt;
    private int minutes;
    private String focus;

    /** The word of the method that was chosen; null of those from before it was kept. */
    private String school;

    @Column(columnDefinition = "mediumtext")
    private String plan;

    @Column(columnDefinition = "mediumtext")
    private String planned;

    protected StoredWorkout() {}

    StoredWorkout(long accountId, long sectionId, LocalDate day, Instant createdAt, int minutes, Workout workout) {
        this.accountId = accountId;
        this.sectionId = sectionId;
        this.day = day;
        this.createdAt = createdAt;
        this.minutes = minutes;
        this.focus = workout.brief().choices().focus();
        this.school = workout.brief().choices().school().word();
        this.plan = Documents.write(WorkoutCodec.WORKOUT, workout);
        this.planned =
                Documents.write(SegmentCodec.SEGMENT.list(), Run.start(workout).ahead());
    }

    public Long id() {
        return id;
    }

    public Long sectionId() {
        return sectionId;
    }

    public LocalDate day() {
        return day;
    }

    public int minutes() {
        return minutes;
    }

    public String focus() {
        return focus;
    }

    /** What is shown of the plan. */
    public PlanOutline outline() {
        return PlanOutline.read(Documents.tree(plan));
    }

    /**
     * The workout, to be played on.
     *
     * @param beliefs what was believed of its sections when it was begun, as far as that is still kept
     */
    public Workout workout(Map<Integer, Posterior> beliefs) {
        return Documents.read(WorkoutCodec.workout(beliefs), plan);
    }

    /** Its steps as they were told when it was begun. */
    public List<Segment> planned() {
        return Documents.read(SegmentCodec.SEGMENT.list(), planned);
    }
}
