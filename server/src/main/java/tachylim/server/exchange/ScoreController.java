package tachylim.server.exchange;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tachylim.notation.Format;
import tachylim.notation.abc.AbcWriter;
import tachylim.notation.entry.StepEntry;
import tachylim.notation.entry.TappedRhythm;
import tachylim.notation.score.Grid;
import tachylim.notation.score.Line;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.notation.score.Wishes;
import tachylim.passage.Direction;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.passage.Unrolling;
import tachylim.server.exchange.ExchangeDtos.ChosenDto;
import tachylim.server.exchange.ExchangeDtos.DrawnDto;
import tachylim.server.exchange.ExchangeDtos.Entered;
import tachylim.server.exchange.ExchangeDtos.FormatDto;
import tachylim.server.exchange.ExchangeDtos.LineDto;
import tachylim.server.exchange.ExchangeDtos.ScoreView;
import tachylim.server.exchange.ExchangeDtos.Strokes;
import tachylim.server.web.ChangesNoCap;
import tachylim.server.web.Refused;
import tachylim.server.words.Words;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** Reads files and strokes into music; nothing is kept until it is made a passage. */
@RestController
@RequestMapping("/api")
@Tag(name = "exchange")
class ScoreController {

    private static final int FIRST_BARS = 8;
    private static final String TOO_FINE = "refusal.score.tooFine";
    private static final int LONGEST_NUMBER = 40;

    private final ReadingRoom room;

    ScoreController(ReadingRoom room) {
        this.room = room;
    }

    /** The kinds of file there are. */
    @GetMapping("/formats")
    List<FormatDto> formats() {
        return Arrays.stream(Format.values())
                .map(format -> new FormatDto(format, format.title(), format.words(), format.endings()))
                .toList();
    }

    /** A file of music, and what of it is wanted. Without a choice the first line's first bars with notes are given. */
    @ChangesNoCap("nothing is kept")
    @PostMapping(path = "/scores", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE,
                            schema = @Schema(type = "string", format = "binary")))
    ScoreView read(
            @Parameter(hidden = true) HttpServletRequest request,
            @RequestParam(required = false) Integer line,
            @RequestParam(required = false) String firstBar,
            @RequestParam(required = false) String lastBar,
            @RequestParam(defaultValue = "false") boolean unrolled,
            @RequestParam(required = false) Integer grid,
            @RequestParam(required = false) Integer pickup) {
        Wanted wanted = new Wanted(line == null ? 0 : line, bar(firstBar), bar(lastBar), unrolled, grid, pickup);
        return room.read(() -> view(request.getInputStream().readAllBytes(), wanted));
    }

    /** What of a score is wanted; null for what is usual. */
    private record Wanted(int line, String firstBar, String lastBar, boolean unrolled, Integer grid, Integer pickup) {}

    private static String bar(String number) {
        return number == null || number.length() <= LONGEST_NUMBER ? number : number.substring(0, LONGEST_NUMBER);
    }

    private static ScoreView view(byte[] file, Wanted wanted) {
        try {
            Format format = Format.of(file);
            Score score = Format.read(file, wishes(wanted));
            if (wanted.line < 0 || wanted.line >= score.lines().size()) {
                throw Refused.field(
                        "line",
                        Reason.of(
                                "refusal.scoreController.thisFileHasLinesThereIsNo",
                                "lines",
                                score.lines().size(),
                                "line",
                                wanted.line + 1));
            }
            List<LineDto> lines = score.lines().stream()
                    .map(one -> new LineDto(one.part(), one.voice(), one.notes().size(), one.firstBar(), one.lastBar()))
                    .toList();
            Wishes drawn = score.drawn();
            return new ScoreView(
                    format,
                    format.title(),
                    score.title(),
                    lines,
                    chosen(score.lines().get(wanted.line), wanted),
                    score.leftOut(),
                    score.unread().stream().map(Words.spoken()::say).toList(),
                    score.warnings(),
                    drawn == null ? null : new DrawnDto(drawn.grid().perQuarter(), drawn.pickup()));
        } catch (ScoreException unreadable) {
            throw Refused.field("file", unreadable.reason());
        }
    }

    private static Wishes wishes(Wanted wanted) {
        Grid grid = wanted.grid == null ? null : Refused.unlessValid("grid", () -> new Grid(wanted.grid));
        return Refused.unlessValid("pickup", () -> new Wishes(grid, wanted.pickup));
    }

    /** A stretch that makes no passage is said, and the rest of the file stays open to choose from. */
    private static ChosenDto chosen(Line line, Wanted wanted) {
        String first = wanted.firstBar == null ? line.barOfFirstNote() : wanted.firstBar;
        String last = wanted.lastBar == null ? line.barAfter(first, FIRST_BARS - 1) : wanted.lastBar;
        try {
            Passage written = line.passage(first, last, null);
            boolean repeats = written.directions().stream().anyMatch(Direction.RepeatSign.class::isInstance);
            Passage music = wanted.unrolled ? Unrolling.of(written) : written;
            return chosen(
                    line,
                    wanted,
                    first,
                    last,
                    new Stretch(AbcWriter.write(music), music.notes().size(), repeats, music.meter(), ""));
        } catch (IllegalArgumentException none) {
            return chosen(
                    line,
                    wanted,
                    first,
                    last,
                    new Stretch("", 0, false, line.meter(), Words.spoken().say(Refused.reason(none))));
        } catch (ArithmeticException tooFine) {
            return chosen(
                    line,
                    wanted,
                    first,
                    last,
                    new Stretch("", 0, false, line.meter(), Words.spoken().say(TOO_FINE)));
        }
    }

    private record Stretch(String abc, int notes, boolean repeats, Meter meter, String problem) {}

    private static ChosenDto chosen(Line line, Wanted wanted, String first, String last, Stretch stretch) {
        return new ChosenDto(
                wanted.line,
                first,
                last,
                line.barNumbers().stream().distinct().toList(),
                wanted.unrolled,
                wanted.grid,
                wanted.pickup,
                stretch.abc,
                stretch.notes,
                stretch.repeats,
                stretch.meter.toString(),
                stretch.problem);
    }

    /** Notes entered a stroke at a time, with a tapped rhythm if there is one. */
    @ChangesNoCap("nothing is kept")
    @PostMapping("/readings/strokes")
    Entered strokes(@Valid @RequestBody Strokes entered) {
        return room.read(() -> heard(entered));
    }

    private static Entered heard(Strokes entered) {
        Meter meter = Refused.unlessValid("meter", () -> {
            String[] figures = entered.meter().split("/");
            return new Meter(Integer.parseInt(figures[0]), Integer.parseInt(figures[1]));
        });
        Key key = new Key(entered.fifths());
        if (entered.taps().isEmpty()) {
            Passage music = Refused.unlessValid("strokes", () -> StepEntry.of(entered.strokes(), meter, key));
            return new Entered(AbcWriter.write(music), music.notes().size(), null);
        }
        List<List<Pitch>> pitches = new ArrayList<>();
        if (!entered.strokes().isEmpty()) {
            Refused.unlessValid("strokes", () -> StepEntry.of(entered.strokes(), meter, key)).notes().stream()
                    .map(Note::pitches)
                    .forEach(pitches::add);
        }
        Grid grid = entered.grid() == null ? null : new Grid(entered.grid());
        TappedRhythm.Drawn drawn = Refused.unlessValid(
                "taps", () -> TappedRhythm.of(entered.taps(), Tempo.of(entered.tapBpm()), meter, key, grid, pitches));
        return new Entered(
                AbcWriter.write(drawn.music()),
                drawn.music().notes().size(),
                drawn.grid().perQuarter());
    }
}
