package tachylim.server.account;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tachylim.load.DailyMinutes;
import tachylim.load.DayBoundary;
import tachylim.method.Strictness;
import tachylim.method.WarmUpRoutine;
import tachylim.passage.InstrumentFamily;
import tachylim.server.record.Documents;

/** A player's account; everything else belongs to one. */
@Entity
public class Account {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private String name;
    private String passwordHash;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "varchar(20)")
    private InstrumentFamily instrument;

    private int usualMinutes;
    private Integer nextMinutes;
    private LocalDate nextMinutesFrom;
    private String zone;
    private String nextZone;
    private Instant nextZoneFrom;
    private LocalDate zoneAskedOn;
    private Instant zoneAskedAt;
    private LocalDate openedOn;
    private boolean roughCounts;
    private boolean looseOnly;

    /** Null where nothing was said of it. */
    private Boolean restsAsPlayed;

    private String routine = "";

    /** Null where they play one. */
    private String otherInstruments;

    private int daysOff;
    private boolean felt;
    private LocalDate feltFrom;
    private LocalDate gainsSince;

    @Column(columnDefinition = "char(36)")
    private String calendarName;

    private Instant createdAt;

    /** What the browser called its registration, so that one whose answer was lost can be sent again. */
    @Column(columnDefinition = "char(36)")
    private String clientId;

    protected Account() {}

    Account(
            String name,
            String passwordHash,
            InstrumentFamily instrument,
            int usualMinutes,
            ZoneId zone,
            Instant createdAt) {
        this.name = name;
        this.passwordHash = passwordHash;
        this.instrument = instrument;
        this.usualMinutes = usualMinutes;
        this.zone = zone.getId();
        this.createdAt = createdAt;
        this.openedOn = home().day(createdAt);
    }

    /** The same as a browser's registration. */
    Account registeredAs(String client) {
        this.clientId = client;
        return this;
    }

    boolean isRegisteredAs(String client) {
        return client != null && client.equals(clientId);
    }

    public Long id() {
        return id;
    }

    public String name() {
        return name;
    }

    String passwordHash() {
        return passwordHash;
    }

    void passwordHash(String hash) {
        this.passwordHash = hash;
    }

    public InstrumentFamily instrument() {
        return instrument;
    }

    void instrument(InstrumentFamily family) {
        this.instrument = family;
    }

    /** The lines of the player's own warm-up; none when it is large, easy movement. */
    public List<WarmUpRoutine.Item> routine() {
        return WarmUpRoutine.items(routine);
    }

    void routine(List<WarmUpRoutine.Item> lines) {
        routine = WarmUpRoutine.text(lines);
    }

    /** What they are used to on instruments beside their first. */
    public List<OtherInstrument> otherInstruments() {
        return otherInstruments == null ? List.of() : Documents.read(OtherInstrument.CODEC, otherInstruments);
    }

    /** What they are used to on one of them; empty on their first, and where nothing was said of it. */
    Optional<OtherInstrument> on(InstrumentFamily other) {
        return otherInstruments().stream()
                .filter(one -> one.instrument() == other && other != instrument)
                .findFirst();
    }

    void on(OtherInstrument other) {
        List<OtherInstrument> all = Stream.concat(
                        otherInstruments().stream().filter(one -> one.instrument() != other.instrument()),
                        Stream.of(other))
                .toList();
        otherInstruments = Documents.write(OtherInstrument.CODEC, all);
    }

    /** The lines of the warm-up on an instrument. */
    public List<WarmUpRoutine.Item> routine(InstrumentFamily on) {
        return on(on).map(OtherInstrument::routine).orElse(routine());
    }

    /** How strict the player is with slips and tension. */
    public Strictness strictness() {
        return new Strictness(roughCounts, looseOnly);
    }

    /** Whether the player rests as long as they play; as is usual on the instrument where they have not said. */
    public boolean restsAsPlayed(InstrumentFamily on) {
        return restsAsPlayed == null ? on == InstrumentFamily.BRASS : restsAsPlayed;
    }

    void restsAsPlayed(boolean now) {
        restsAsPlayed = now;
    }

    void strictness(Strictness now) {
        roughCounts = now.roughCounts();
        looseOnly = now.looseOnly();
    }

    /** Whether effort is counted by how hard sessions felt on a day. */
    public boolean isFeltOn(LocalDate day) {
        return feltFrom != null && day.isBefore(feltFrom) ? !felt : felt;
    }

    /** Whether it is from tomorrow, if nothing else is said. */
    boolean isFelt() {
        return felt;
    }

    /** Another way to count holds from the day after: the caps of a day are not counted anew in its middle. */
    void felt(boolean now, LocalDate today) {
        if (now != felt) {
            boolean back = feltFrom != null && today.isBefore(feltFrom);
            felt = now;
            feltFrom = back ? null : today.plusDays(1);
        }
    }

    /** The days of the week without practice. */
    /** The first day that gains are learned from; empty where it is the first of all. */
    public Optional<LocalDate> gainsSince() {
        return Optional.ofNullable(gainsSince);
    }

    void gainsSince(LocalDate day) {
        gainsSince = day;
    }

    public Set<DayOfWeek> daysOff() {
        return Arrays.stream(DayOfWeek.values())
                .filter(day -> (daysOff & bit(day)) != 0)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(DayOfWeek.class)));
    }

    void daysOff(Collection<DayOfWeek> days) {
        daysOff = days.stream().distinct().mapToInt(Account::bit).sum();
    }

    private static int bit(DayOfWeek day) {
        return 1 << day.ordinal();
    }

    /** What its days are named by in calendars: the same for good, so that a day read twice is one day. */
    public String calendarName() {
        if (calendarName == null) {
            calendarName = UUID.randomUUID().toString();
        }
        return calendarName;
    }

    /** Where the player lives, and so when their day turns. */
    public DayBoundary home() {
        return new DayBoundary(
                ZoneId.of(zone), nextZone == null ? null : ZoneId.of(nextZone), nextZoneFrom, zoneAskedOn, zoneAskedAt);
    }

    void home(DayBoundary moved) {
        this.zone = moved.zone().getId();
        this.nextZone = moved.next() == null ? null : moved.next().getId();
        this.nextZoneFrom = moved.nextFrom();
        this.zoneAskedOn = moved.askedOn();
        this.zoneAskedAt = moved.askedAt();
    }

    /** The player's day at {@code now}. */
    public LocalDate day(Instant now) {
        return home().day(now);
    }

    /** The minutes a day, and those asked for. */
    public DailyMinutes minutes() {
        return new DailyMinutes(usualMinutes, nextMinutes, nextMinutesFrom, openedOn);
    }

    void minutes(DailyMinutes now) {
        usualMinutes = now.minutes();
        nextMinutes = now.next();
        nextMinutesFrom = now.from();
    }
}
