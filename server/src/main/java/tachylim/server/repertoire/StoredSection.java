package tachylim.server.repertoire;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import tachylim.passage.Section;
import tachylim.server.ceiling.Subject;

/** A section of a passage. One that is cut anew is put away, so that what was played of it stays. */
@Entity
@Table(name = "piece")
public class StoredSection {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;

    @ManyToOne(fetch = FetchType.LAZY, optional = false)
    @JoinColumn(name = "passage_id")
    private StoredPassage passage;

    @Convert(converter = SectionKind.Name.class)
    @Column(columnDefinition = "varchar(10)")
    private SectionKind kind;

    private int place;
    private String name;
    private int firstNote;
    private int lastNote;
    private int difficulty;
    private boolean putAway;
    private int edition;
    private Long grownFrom;
    private double tempoRatio = 1;

    @Version
    private int version;

    protected StoredSection() {}

    StoredSection(long accountId, StoredPassage passage, SectionKind kind, String name, Section section) {
        this.accountId = accountId;
        this.passage = passage;
        this.kind = kind;
        this.place = section.firstNote();
        this.name = name;
        this.firstNote = section.firstNote();
        this.lastNote = section.lastNote();
        this.difficulty = 3;
        this.edition = passage.edition();
    }

    public Long id() {
        return id;
    }

    public Long accountId() {
        return accountId;
    }

    public StoredPassage passage() {
        return passage;
    }

    SectionKind kind() {
        return kind;
    }

    public String name() {
        return name;
    }

    /** Whether it is the whole passage, and has no name beside that of the passage. */
    boolean isWhole() {
        return name.equals(SectionNames.WHOLE);
    }

    /** Which part of its passage it is; empty for the whole. */
    public String part() {
        return isWhole() ? "" : name;
    }

    /** The same notes with what is known of them, as something else to the passage. */
    void become(SectionKind other) {
        this.kind = other;
    }

    public Section notes() {
        return new Section(firstNote, lastNote);
    }

    public Subject subject() {
        return new Subject(id, passage.guessBpm(), passage.guessPlayed(), grownFrom, tempoRatio);
    }

    /** Whether its notes are counted in an edition of the music. */
    boolean isOf(int other) {
        return edition == other;
    }

    public int difficulty() {
        return difficulty;
    }

    void change(String nameNow, int difficultyNow) {
        this.name = nameNow;
        this.difficulty = difficultyNow;
    }

    boolean isPutAway() {
        return putAway;
    }

    void putAway() {
        this.putAway = true;
    }

    void bringBack() {
        this.putAway = false;
    }

    /** The same notes, at another place in another edition of the music. */
    void move(Section now, int editionNow) {
        this.place = now.firstNote();
        this.firstNote = now.firstNote();
        this.lastNote = now.lastNote();
        this.edition = editionNow;
    }

    /** Says which section it took its notes over from, and its tempo over that section's at the same notes a second. */
    void growFrom(StoredSection other, double ratio) {
        this.grownFrom = other.id;
        this.tempoRatio = ratio;
    }
}
