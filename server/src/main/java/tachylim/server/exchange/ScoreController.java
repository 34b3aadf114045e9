package tachylim.server.exchange;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tachylim.notation.AbcWriter;
import tachylim.notation.Grid;
import tachylim.notation.Line;
import tachylim.notation.Score;
import tachylim.notation.ScoreException;
import tachylim.notation.ScoreReader;
import tachylim.notation.StepEntry;
import tachylim.notation.TappedRhythm;
import tachylim.passage.Direction;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.passage.Unrolling;
import tachylim.server.exchange.ExchangeDtos.ChosenDto;
import tachylim.server.exchange.ExchangeDtos.Entered;
import tachylim.server.exchange.ExchangeDtos.LineDto;
import tachylim.server.exchange.ExchangeDtos.ScoreView;
import tachylim.server.exchange.ExchangeDtos.Strokes;
import tachylim.server.web.Refused;
import tachylim.tempo.Tempo;

/** Reads files and strokes into music; nothing is kept until it is made a passage. */
@RestController
@RequestMapping("/api")
@Tag(name = "exchange")
class ScoreController {

    private static final int FIRST_BARS = 8;
    private static final int MOST_LINES = 500;

    private final ReadingRoom room;

    ScoreController(ReadingRoom room) {
        this.room = room;
    }

    /** A file of music, and what of it is wanted. Without a choice the first line's first bars with notes are given. */
    @PostMapping(path = "/scores", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ScoreView read(
            @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content =
                                    @Content(
                                            mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE,
                                            schema = @Schema(type = "string", format = "binary")))
                    @RequestBody(required = false)
                    byte[] file,
            @RequestParam(required = false) Integer line,
            @RequestParam(required = false) Integer firstBar,
            @RequestParam(required = false) Integer lastBar,
            @RequestParam(defaultValue = "false") boolean unrolled,
            @RequestParam(required = false) Integer grid) {
        return room.read(() -> view(file == null ? new byte[0] : file, line, firstBar, lastBar, unrolled, grid));
    }

    private static ScoreView view(
            byte[] file, Integer line, Integer firstBar, Integer lastBar, boolean unrolled, Integer grid) {
        Score score = score(file, grid);
        List<LineDto> lines = score.lines().stream()
                .limit(MOST_LINES)
                .map(one -> new LineDto(
                        one.part(), one.voice(), one.notes().size(), one.firstBarNumber(), one.lastBarNumber()))
                .toList();
        int chosen = line == null ? 0 : line;
        if (chosen < 0 || chosen >= lines.size()) {
            throw Refused.field(
                    "line", "This file has " + lines.size() + " lines; there is no line " + (chosen + 1) + ".");
        }
        return new ScoreView(
                score.kind(),
                score.title(),
                lines,
                chosen(score.lines().get(chosen), chosen, firstBar, lastBar, unrolled, grid),
                score.leftOut(),
                score.warnings());
    }

    private static Score score(byte[] file, Integer grid) {
        Grid drawn = grid == null ? null : Refused.unlessValid("grid", () -> new Grid(grid));
        try {
            return ScoreReader.read(file, drawn);
        } catch (ScoreException unreadable) {
            throw Refused.field("file", unreadable.getMessage() + ".");
        }
    }

    /** A stretch that makes no passage is said, and the rest of the file stays open to choose from. */
    private static ChosenDto chosen(
            Line line, int number, Integer firstBar, Integer lastBar, boolean unrolled, Integer grid) {
        int first = firstBar == null ? line.barOfFirstNote() : firstBar;
        int last = lastBar == null ? Math.min(line.lastBarNumber(), first + FIRST_BARS - 1) : lastBar;
        try {
            Passage written = line.passage(first, last, null);
            boolean repeats = written.directions().stream().anyMatch(Direction.RepeatSign.class::isInstance);
            Passage music = unrolled ? Unrolling.of(written) : written;
            return new ChosenDto(
                    number,
                    first,
                    last,
                    unrolled,
                    grid,
                    AbcWriter.write(music),
                    music.notes().size(),
                    repeats,
                    music.meter().toString(),
                    "");
        } catch (IllegalArgumentException none) {
            return new ChosenDto(
                    number,
                    first,
                    last,
                    unrolled,
                    grid,
                    "",
                    0,
                    false,
                    line.meter().toString(),
                    none.getMessage() + ".");
        }
    }

    /** Notes entered a stroke at a time, with a tapped rhythm if there is one. */
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
