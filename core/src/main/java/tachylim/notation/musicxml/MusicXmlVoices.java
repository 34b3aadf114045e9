package tachylim.notation.musicxml;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.notation.score.LineBuilder;
import tachylim.notation.score.Omissions;
import tachylim.passage.Inflection;
import tachylim.passage.Pitch;
import tachylim.words.Reason;

/**
 * The voices of a part, each kept to one line. A measure is gathered whole and then laid down in order of time, since a
 * file writes one voice after another and a tie may go from any of them to any other.
 */
final class MusicXmlVoices {

    private final Omissions omissions;
    private final Map<String, LineBuilder> lines = new LinkedHashMap<>();
    private final Map<String, List<Pitch>> graces = new HashMap<>();
    private final List<Head> measure = new ArrayList<>();

    /** Notes whose ties are open: their voices, by pitch and by where they end. */
    private final Map<Held, String> held = new HashMap<>();

    MusicXmlVoices(Omissions omissions) {
        this.omissions = omissions;
    }

    /** A note head as it is written. */
    record Head(
            String voice,
            Pitch pitch,
            Fraction onset,
            Fraction duration,
            boolean tieStops,
            boolean tieStarts,
            Inflection over,
            List<Pitch> grace) {

        Fraction end() {
            return onset.add(duration);
        }
    }

    private record Held(Pitch pitch, Fraction until) {}

    /** A voice there is, also one that only rests. */
    void know(String voice) {
        lines.computeIfAbsent(voice, name -> new LineBuilder(omissions));
    }

    void grace(String voice, Pitch pitch) {
        graces.computeIfAbsent(voice, name -> new ArrayList<>()).add(pitch);
    }

    void sound(
            String voice,
            Pitch pitch,
            Fraction onset,
            Fraction duration,
            boolean stops,
            boolean starts,
            Inflection over) {
        List<Pitch> grace = graces.remove(voice);
        measure.add(new Head(voice, pitch, onset, duration, stops, starts, over, grace == null ? List.of() : grace));
    }

    /** Lays down what the measure holds. */
    void endMeasure() {
        measure.sort(Comparator.comparing(Head::onset));
        int at = 0;
        while (at < measure.size()) {
            Map<String, List<Head>> together = new LinkedHashMap<>();
            Fraction onset = measure.get(at).onset;
            for (; at < measure.size() && measure.get(at).onset.equals(onset); at++) {
                together.computeIfAbsent(measure.get(at).voice, name -> new ArrayList<>())
                        .add(measure.get(at));
            }
            // Ties are looked at before any of what starts here can take their place.
            Map<Head, String> tied = new HashMap<>();
            together.values()
                    .forEach(chord -> chord.forEach(head -> {
                        String from = head.tieStops ? from(head) : null;
                        if (from != null) {
                            tied.put(head, from);
                        }
                    }));
            together.forEach((voice, chord) -> lay(voice, chord, tied));
            together.values()
                    .forEach(chord -> chord.stream()
                            .filter(Head::tieStarts)
                            .forEach(head -> held.put(new Held(head.pitch, head.end()), head.voice)));
        }
        measure.clear();
    }

    /** The voice a tie comes from; null where none is open. */
    private String from(Head head) {
        return held.remove(new Held(head.pitch, head.onset));
    }

    private void lay(String voice, List<Head> chord, Map<Head, String> tied) {
        know(voice);
        LineBuilder line = lines.get(voice);
        long held = chord.stream().filter(tied::containsKey).count();
        if (held == chord.size()) {
            chord.forEach(head -> hold(head, lines.get(tied.get(head))));
            return;
        }
        // A line has one length for all notes of a chord: where one of them is struck, all are.
        for (Head head : chord) {
            if (tied.containsKey(head)) {
                omissions.add(Reason.of("omitted.chordTies"));
            }
            head.grace.forEach(line::grace);
            line.add(head.onset, head.duration, List.of(head.pitch), head.over);
        }
    }

    private void hold(Head head, LineBuilder from) {
        if (from.holdsUntil(head.onset, head.pitch)) {
            from.hold(head.duration, head.over);
        } else if (!from.soundsAt(head.onset, head.pitch)) {
            omissions.add(Reason.of("omitted.brokenTies"));
        }
    }

    /** The voices with a note in them, in the order in which they came. */
    Map<String, LineBuilder> sounding() {
        Map<String, LineBuilder> sounding = new LinkedHashMap<>();
        lines.forEach((voice, line) -> {
            if (line.size() > 0) {
                sounding.put(voice, line);
            }
        });
        return sounding;
    }

    /** How many voices there are, silent ones too. */
    int count() {
        return lines.size();
    }
}
