package tachylim.notation.midi;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.notation.score.Deadline;
import tachylim.notation.score.Grid;
import tachylim.notation.score.Line;
import tachylim.notation.score.LineBuilder;
import tachylim.notation.score.Omissions;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.notation.score.Wishes;
import tachylim.passage.Direction;
import tachylim.passage.Inflection;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Pitch;
import tachylim.words.Reason;

/**
 * Reads a MIDI file: a line for each track and channel, its onsets and lengths drawn to a grid.
 *
 * <p>Notes that fall on one place of the grid are a chord; a note that would last into the next one is
 * ended there. Loudness, controllers and sounds have no place in a passage and are counted.
 */
final class MidiReader {

    /** Each event takes some thirty times its bytes once it is laid out, so a file is looked at before it is. */
    private static final int MOST_BYTES = 3 * 1024 * 1024;

    private static final int MOST_EVENTS = 2_000_000;
    private static final String TOO_LARGE = "refusal.midiReader.tooLarge";
    private static final int MOST_NOTES = 100_000;

    /** A file of a few bytes can say that it lasts for years: how long is looked at before anything is laid out. */
    private static final long MOST_QUARTERS = 20_000;

    private static final int SIXTEENTHS = 4;
    private static final int MOST_CHANGES = 5_000;
    private static final int HIGHEST_KEY = 127;
    private static final int MARKER = 0x06;
    private static final int TEMPO = 0x51;
    private static final int METER = 0x58;
    private static final int KEY = 0x59;
    private static final int TRACK_NAME = 0x03;
    private static final int LYRIC = 0x05;
    private static final double MICROSECONDS_PER_MINUTE = 60_000_000;

    private final Wishes wishes;
    private final Omissions omissions = new Omissions();
    private final Map<String, List<Struck>> lines = new LinkedHashMap<>();
    private final Map<String, String> names = new HashMap<>();
    private final TreeMap<Long, Meter> meters = new TreeMap<>();
    private final TreeMap<Long, Key> keys = new TreeMap<>();
    private final TreeMap<Long, Double> tempos = new TreeMap<>();
    private final TreeSet<Long> markers = new TreeSet<>();
    private int resolution;
    private long pickup;
    private int notes;

    private MidiReader(Wishes wishes) {
        this.wishes = wishes;
    }

    /** A key that was held, in ticks. */
    record Struck(long from, long to, int key, int velocity) {}

    /** A key that is down. */
    private record Down(long since, int velocity) {}

    static Score read(byte[] file, Wishes wishes) {
        Sequence sequence;
        if (file.length > MOST_BYTES) {
            throw new ScoreException(Reason.of(TOO_LARGE));
        }
        try {
            sequence = MidiSystem.getSequence(new ByteArrayInputStream(file));
        } catch (InvalidMidiDataException | IOException | RuntimeException broken) {
            throw new ScoreException(Reason.of("refusal.midiReader.thisMidiFileIsDamagedOr"));
        }
        if (sequence.getDivisionType() != Sequence.PPQ || sequence.getResolution() < 1) {
            throw new ScoreException(Reason.of("refusal.midiReader.thisMidiFileCountsFilm"));
        }
        try {
            return new MidiReader(wishes).score(sequence);
        } catch (ArithmeticException tooFine) {
            throw new ScoreException(Reason.of("refusal.midiReader.thisMidiFileIsTooLongOrIts"));
        }
    }

    private Score score(Sequence sequence) {
        resolution = sequence.getResolution();
        long events = 0;
        for (Track track : sequence.getTracks()) {
            if (track.ticks() / resolution > MOST_QUARTERS) {
                throw new ScoreException(
                        Reason.of("refusal.midiReader.thisMidiFileLastsForMore", "mostQuarters", MOST_QUARTERS));
            }
            events += track.size();
            if (events > MOST_EVENTS) {
                throw new ScoreException(Reason.of(TOO_LARGE));
            }
        }
        int number = 0;
        for (Track track : sequence.getTracks()) {
            track(track, ++number);
        }
        if (lines.isEmpty()) {
            throw new ScoreException(Reason.of("refusal.midiReader.thisMidiFileHoldsNoNote"));
        }
        if (meters.size() + keys.size() + tempos.size() > MOST_CHANGES) {
            throw new ScoreException(
                    Reason.of("refusal.midiReader.thisMidiFileChangesMeter", "mostChanges", MOST_CHANGES));
        }
        Grid grid = wishes.grid() != null ? wishes.grid() : Grid.fitting(onsetsInBeats());
        MidiPickup found = new MidiPickup(resolution, meters, keys.keySet(), markers, struck());
        pickup = wishes.pickup() != null ? (long) wishes.pickup() * resolution / SIXTEENTHS : found.ticks();
        List<Line> read = new ArrayList<>();
        lines.forEach((name, struck) -> read.add(line(name, struck, grid)));
        List<Reason> warnings = new ArrayList<>(List.of(Reason.of("read.drawn", "grid", grid.title())));
        if (wishes.pickup() == null && pickup > 0) {
            warnings.add(found.reason());
        }
        Wishes drawn = new Wishes(grid, (int) Math.min(Wishes.MOST_PICKUP, pickup * SIXTEENTHS / resolution));
        return new Score("", read, omissions.list(), List.of(), warnings, drawn);
    }

    private List<Struck> struck() {
        return lines.values().stream().flatMap(List::stream).toList();
    }

    private List<Double> onsetsInBeats() {
        return lines.values().stream()
                .flatMap(List::stream)
                .limit(20_000)
                .map(struck -> (double) struck.from / resolution)
                .toList();
    }

    private void track(Track track, int number) {
        String name = "Track " + number;
        Map<Integer, Down> open = new HashMap<>();
        for (int i = 0; i < track.size(); i++) {
            Deadline.check();
            MidiEvent event = track.get(i);
            if (event.getMessage() instanceof MetaMessage meta) {
                if (meta.getType() == TRACK_NAME && meta.getData().length > 0 && meta.getData().length < 120) {
                    String said = new String(meta.getData(), StandardCharsets.UTF_8).strip();
                    name = said.isEmpty() ? name : said;
                } else {
                    meta(meta, event.getTick());
                }
            } else if (event.getMessage() instanceof ShortMessage message) {
                message(message, event.getTick(), "T" + number, name, open);
            }
        }
    }

    private void message(ShortMessage message, long tick, String track, String name, Map<Integer, Down> open) {
        boolean on = message.getCommand() == ShortMessage.NOTE_ON && message.getData2() > 0;
        boolean off =
                message.getCommand() == ShortMessage.NOTE_OFF || message.getCommand() == ShortMessage.NOTE_ON && !on;
        int held = message.getChannel() << 7 | message.getData1();
        if (on || off) {
            if (message.getData1() > HIGHEST_KEY) {
                omissions.add(Reason.of("omitted.keys"));
                return;
            }
            Down down = open.remove(held);
            if (down != null && tick > down.since) {
                String line = track + "." + message.getChannel();
                names.putIfAbsent(line, name);
                lines.computeIfAbsent(line, key -> new ArrayList<>())
                        .add(new Struck(down.since, tick, message.getData1(), down.velocity));
                if (++notes > MOST_NOTES) {
                    throw new ScoreException(
                            Reason.of("refusal.midiReader.thisMidiFileHasMoreThan", "mostNotes", MOST_NOTES));
                }
            }
            if (on) {
                open.put(held, new Down(tick, message.getData2()));
            }
        } else {
            omissions.add(
                    switch (message.getCommand()) {
                        case ShortMessage.CONTROL_CHANGE -> Reason.of("omitted.controllers");
                        case ShortMessage.PROGRAM_CHANGE -> Reason.of("omitted.sounds");
                        case ShortMessage.PITCH_BEND -> Reason.of("omitted.pitchBends");
                        default -> Reason.of("omitted.messages");
                    });
        }
    }

    private void meta(MetaMessage meta, long tick) {
        byte[] data = meta.getData();
        if (meta.getType() == TEMPO && data.length >= 3) {
            int perBeat = (data[0] & 0xff) << 16 | (data[1] & 0xff) << 8 | data[2] & 0xff;
            double bpm = perBeat == 0 ? 0 : Math.round(100 * MICROSECONDS_PER_MINUTE / perBeat) / 100.0;
            if (bpm >= 1 && bpm <= 1000) {
                tempos.put(tick, bpm);
            }
        } else if (meta.getType() == METER && data.length >= 2) {
            if (data[0] >= 1 && data[0] <= 32 && data[1] >= 0 && data[1] <= 5) {
                meters.put(tick, new Meter(data[0], 1 << data[1]));
            }
        } else if (meta.getType() == KEY && data.length >= 1 && Math.abs(data[0]) <= 7) {
            keys.put(tick, new Key(data[0]));
        } else if (meta.getType() == MARKER) {
            markers.add(tick);
        } else if (meta.getType() == LYRIC) {
            omissions.add(Reason.of("omitted.words"));
        }
    }

    private Line line(String name, List<Struck> struck, Grid grid) {
        LineBuilder builder = new LineBuilder(omissions);
        struck.sort(Comparator.comparingLong(Struck::from).thenComparingInt(Struck::key));
        Fraction end = Fraction.ZERO;
        for (Struck one : struck) {
            Fraction onset = grid.place(one.from, resolution);
            Fraction until = grid.place(one.to, resolution);
            Fraction least = grid.step(resolution);
            Fraction duration = until.compareTo(onset) > 0 ? until.subtract(onset) : least;
            Pitch pitch = Pitch.ofMidi(one.key, keyAt(one.from));
            if (builder.strikesAt(onset, pitch)) {
                omissions.add(Reason.of("omitted.gridNotes"));
            }
            builder.add(onset, duration, List.of(pitch), Inflection.PLAIN);
            end = onset.add(duration).compareTo(end) > 0 ? onset.add(duration) : end;
        }
        List<Fraction> barLines = new ArrayList<>();
        List<Direction> directions = new ArrayList<>();
        Fraction length = bars(end, grid, barLines, directions);
        Meter meter = firstMeter();
        Key key = keys.isEmpty() || keys.firstKey() > 0
                ? Key.NONE
                : keys.firstEntry().getValue();
        keys.tailMap(1L)
                .forEach((tick, later) -> directions.add(new Direction.KeyChange(grid.place(tick, resolution), later)));
        tempos.forEach((tick, bpm) ->
                directions.add(new Direction.TempoMark(grid.place(tick, resolution), Fraction.of(1, 4), bpm)));
        String channel = name.substring(name.indexOf('.') + 1);
        long sharing = lines.keySet().stream()
                .filter(other -> other.startsWith(name.substring(0, name.indexOf('.') + 1)))
                .count();
        return builder.line(
                names.get(name),
                sharing > 1 ? "channel " + (Integer.parseInt(channel) + 1) : "",
                meter,
                key,
                barLines,
                List.of(),
                length,
                directions.stream()
                        .filter(direction -> direction.at().compareTo(length) < 0)
                        .toList(),
                false);
    }

    private Key keyAt(long tick) {
        Map.Entry<Long, Key> entry = keys.floorEntry(tick);
        return entry == null ? Key.NONE : entry.getValue();
    }

    /** The meter of bar one; a meter that a pickup has for itself is no meter of the music. */
    private Meter firstMeter() {
        Map.Entry<Long, Meter> entry = meters.floorEntry(pickup);
        return entry == null ? MidiPickup.USUAL : entry.getValue();
    }

    /** Lays bar lines from bar one on by the meters, up to the bar in which the music ends. */
    private Fraction bars(Fraction end, Grid grid, List<Fraction> barLines, List<Direction> directions) {
        Meter now = firstMeter();
        Fraction place = grid.place(pickup, resolution);
        if (place.compareTo(Fraction.ZERO) > 0) {
            if (place.compareTo(end) >= 0) {
                return place;
            }
            barLines.add(place);
        }
        List<Map.Entry<Long, Meter>> changes =
                new ArrayList<>(meters.tailMap(pickup + 1).entrySet());
        while (true) {
            Deadline.check();
            Fraction next = place.add(now.bar());
            if (!changes.isEmpty()
                    && grid.place(changes.get(0).getKey(), resolution).compareTo(next) <= 0) {
                next = grid.place(changes.get(0).getKey(), resolution);
                now = changes.remove(0).getValue();
                directions.add(new Direction.MeterChange(next, now));
            }
            if (next.compareTo(end) >= 0) {
                return next;
            }
            if (next.compareTo(place) > 0) {
                barLines.add(next);
            }
            place = next;
        }
    }
}
