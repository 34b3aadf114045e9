package tachylim.server.repertoire;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import tachylim.passage.Piece;
import tachylim.server.ceiling.Subject;

/** A piece of a passage. One that is cut anew is put away, so that what was played of it stays. */
@Entity
@Table(name = "piece")
public class StoredPiece {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;

    @ManyToOne(fetch = FetchType.LAZY, optional = false)
    @JoinColumn(name = "passage_id")
    private StoredPassage passage;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(10)")
    private PieceKind kind;

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

    protected StoredPiece() {}

    StoredPiece(long accountId, StoredPassage passage, PieceKind kind, String name, Piece piece) {
        this.accountId = accountId;
        this.passage = passage;
        this.kind = kind;
        this.place = piece.firstNote();
        this.name = name;
        this.firstNote = piece.firstNote();
        this.lastNote = piece.lastNote();
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

    PieceKind kind() {
        return kind;
    }

    public String name() {
        return name;
    }

    /** Whether it is the whole passage, and has no name beside that of the passage. */
    boolean isWhole() {
        return name.equals(PieceNames.WHOLE);
    }

    /** Which part of its passage it is; empty for the whole. */
    public String part() {
        return isWhole() ? "" : name;
    }

    public Piece notes() {
        return new Piece(firstNote, lastNote);
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
    void move(Piece now, int editionNow) {
        this.place = now.firstNote();
        this.firstNote = now.firstNote();
        this.lastNote = now.lastNote();
        this.edition = editionNow;
    }

    /** Says which piece it took its notes over from, and its tempo over that piece's at the same notes a second. */
    void growFrom(StoredPiece other, double ratio) {
        this.grownFrom = other.id;
        this.tempoRatio = ratio;
    }
}
