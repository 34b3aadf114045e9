package tachylim.server.repertoire;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import tachylim.method.School;
import tachylim.passage.InstrumentFamily;
import tachylim.passage.Joining;
import tachylim.season.Importance;

/** A passage as it is kept: what the player typed, from which the notes are read again. */
@Entity
@Table(name = "passage")
public class StoredPassage {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private String title;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(20)")
    private InstrumentFamily instrument;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(10)")
    private Source source;

    private String meter;
    private String beatUnit;

    @Column(columnDefinition = "mediumtext")
    private String text;

    private int bars;

    @Column(name = "wanted_mode")
    private String wantedArticulation = "";

    @Enumerated(EnumType.STRING)
    @Column(name = "stitching", columnDefinition = "varchar(20)")
    private Joining.Order joining = Joining.Order.FIRST_TO_LAST;

    @Column(name = "stitching_link")
    private int joiningTransition;

    private double targetBpm;
    private LocalDate neededOn;
    private double guessBpm;
    private boolean guessPlayed;
    private boolean putAway;

    /** The method that the player chose against the advice, by its word, and when; null where they follow it. */
    private String chosenSchool;

    private LocalDate chosenOn;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(10)")
    private Importance matters = Importance.USUAL;

    private int edition = 1;
    private String clientId;
    private Instant createdAt;

    @Version
    private int version;

    protected StoredPassage() {}

    StoredPassage(long accountId, String clientId, double guessBpm, boolean guessPlayed, Instant createdAt) {
        this.accountId = accountId;
        this.clientId = clientId;
        this.guessBpm = guessBpm;
        this.guessPlayed = guessPlayed;
        this.createdAt = createdAt;
    }

    public Long id() {
        return id;
    }

    public long accountId() {
        return accountId;
    }

    public String title() {
        return title;
    }

    public InstrumentFamily instrument() {
        return instrument;
    }

    /** The method that the player chose against the advice. */
    public record Chosen(School school, LocalDate on) {

        private static final int DAYS = 7;

        /** For how many days more it holds on a day, that one counted in; 0 where it no longer does. */
        public long daysLeft(LocalDate day) {
            return Math.max(0, DAYS - ChronoUnit.DAYS.between(on, day));
        }
    }

    /** What was chosen and still holds on a day. */
    public Optional<Chosen> chosen(LocalDate day) {
        return chosenSchool == null
                ? Optional.empty()
                : Optional.of(new Chosen(School.of(chosenSchool), chosenOn)).filter(one -> one.daysLeft(day) > 0);
    }

    Source source() {
        return source;
    }

    String meter() {
        return meter;
    }

    String beatUnit() {
        return beatUnit;
    }

    String text() {
        return text;
    }

    int bars() {
        return bars;
    }

    public double targetBpm() {
        return targetBpm;
    }

    public LocalDate neededOn() {
        return neededOn;
    }

    /** How much it matters beside the others. */
    public Importance matters() {
        return matters;
    }

    void matters(Importance now) {
        this.matters = now;
    }

    public double guessBpm() {
        return guessBpm;
    }

    public boolean guessPlayed() {
        return guessPlayed;
    }

    /** The first guess for other music, or for the same counted otherwise. */
    void guess(double bpm, boolean played) {
        this.guessBpm = bpm;
        this.guessPlayed = played;
    }

    /** Which edition of the music this is: it changes with the notes. */
    public int edition() {
        return edition;
    }

    void nextEdition() {
        edition++;
    }

    int version() {
        return version;
    }

    void title(String now) {
        this.title = now;
    }

    void instrument(InstrumentFamily now) {
        this.instrument = now;
    }

    void aim(double bpm, LocalDate date) {
        this.targetBpm = bpm;
        this.neededOn = date;
    }

    void music(MusicText music) {
        this.source = music.source();
        this.meter = music.meter();
        this.beatUnit = music.beatUnit();
        this.text = music.text();
        this.bars = music.bars();
    }

    MusicText music() {
        return new MusicText(source, meter, beatUnit, text, bars);
    }

    /** The articulation wanted at speed; empty while it is open. */
    public String wantedArticulation() {
        return wantedArticulation;
    }

    public void wantedArticulation(String now) {
        this.wantedArticulation = now;
    }

    public Joining.Order joining() {
        return joining;
    }

    /** The transition from which the sections are put together outward. */
    public int joiningTransition() {
        return joiningTransition;
    }

    public void joining(Joining.Order now, int transition) {
        this.joining = now;
        this.joiningTransition = transition;
    }

    void putAway() {
        this.putAway = true;
    }
}
