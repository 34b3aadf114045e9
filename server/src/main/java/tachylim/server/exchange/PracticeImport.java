package tachylim.server.exchange;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Evidence;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Standing;
import tachylim.server.ceiling.StandingService;
import tachylim.server.exchange.ExchangeDtos.PracticePreview;
import tachylim.server.exchange.ExchangeDtos.PracticeProblem;
import tachylim.server.exchange.ExchangeDtos.PracticeRow;
import tachylim.server.load.Away;
import tachylim.server.load.AwayService;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.words.Words;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Takes practice over from a notebook: minutes count for their days, and a tempo that was reached says where a ceiling stood.
 * All of a file or nothing; read twice it counts once.
 */
@Service
class PracticeImport {

    private static final int SHOWN = 20;

    private final AccountService accounts;
    private final RepertoireService repertoire;
    private final StandingService standings;
    private final AwayService away;

    PracticeImport(AccountService accounts, RepertoireService repertoire, StandingService standings, AwayService away) {
        this.accounts = accounts;
        this.repertoire = repertoire;
        this.standings = standings;
        this.away = away;
    }

    /** What a file holds and what is wrong with it; where nothing is, and it is wanted, all of it is kept. */
    @Transactional
    public PracticePreview read(SignedIn who, byte[] file, boolean keep) {
        LocalDate today = accounts.today(who);
        PracticeRows read = PracticeRows.of(file, today);
        Map<String, List<StoredSection>> sections = repertoire.sections(who).stream()
                .collect(
                        Collectors.groupingBy(section -> plain(section.passage().title())));
        Map<Long, Standing> known = standings.standings(
                who,
                sections.values().stream()
                        .flatMap(List::stream)
                        .map(StoredSection::subject)
                        .toList(),
                today);
        List<PracticeProblem> problems = new ArrayList<>(read.problems());
        read.rows().forEach(row -> problem(row, sections, known).ifPresent(problems::add));
        problems.sort(Comparator.comparingInt(PracticeProblem::row));
        List<Known> rows = known(who, read.rows());
        int kept = 0;
        if (keep && problems.isEmpty()) {
            kept = keep(who, rows, sections);
        }
        return new PracticePreview(
                read.rows().size() + read.problems().size(),
                (int) rows.stream().filter(Known::isHere).count(),
                rows.stream().limit(SHOWN).map(PracticeImport::dto).toList(),
                problems,
                kept);
    }

    private static String plain(String title) {
        return title.strip().toLowerCase(Locale.ROOT);
    }

    private static Optional<PracticeProblem> problem(
            PracticeRows.Row row, Map<String, List<StoredSection>> sections, Map<Long, Standing> known) {
        if (row.passage().isEmpty()) {
            return Optional.empty();
        }
        List<StoredSection> named = sections.getOrDefault(plain(row.passage()), List.of());
        if (named.isEmpty()) {
            return wrong(row, "passage", Reason.of("import.noPassage"));
        }
        if (row.tempo().isEmpty()) {
            return Optional.empty();
        }
        if (named.size() > 1) {
            return wrong(row, "tempo", Reason.of("import.cut"));
        }
        LocalDate played = known.get(named.get(0).id()).lastPlayed();
        return played != null && played.isAfter(row.date())
                ? wrong(row, "tempo", Reason.of("import.late"))
                : Optional.empty();
    }

    private static Optional<PracticeProblem> wrong(PracticeRows.Row row, String column, Reason problem) {
        return Optional.of(new PracticeProblem(row.row(), column, Words.spoken().say(problem)));
    }

    /**
     * A row, and whether it was taken over before.
     *
     * @param id what it is known by: its day, its passage, its minutes, and which of several such rows it is
     */
    private record Known(PracticeRows.Row row, String id, boolean isHere) {}

    /** Rows are known by what they say, wherever in a file they stand and whatever was added around them. */
    private List<Known> known(SignedIn who, List<PracticeRows.Row> rows) {
        Map<String, Integer> alike = new HashMap<>();
        List<String> ids = rows.stream()
                .map(row -> {
                    String says = String.join(
                            "|", row.date() + "", plain(row.passage()), row.minutes() + "", row.what() + "");
                    return UUID.nameUUIDFromBytes(
                                    (says + "|" + alike.merge(says, 1, Integer::sum)).getBytes(StandardCharsets.UTF_8))
                            .toString();
                })
                .toList();
        Set<String> here = away.takenOver(who, ids);
        return IntStream.range(0, rows.size())
                .mapToObj(i -> new Known(rows.get(i), ids.get(i), here.contains(ids.get(i))))
                .toList();
    }

    private int keep(SignedIn who, List<Known> rows, Map<String, List<StoredSection>> sections) {
        List<Known> fresh = rows.stream()
                .filter(row -> !row.isHere())
                .sorted(Comparator.comparing(known -> known.row().date()))
                .toList();
        away.takeOver(
                who,
                fresh.stream()
                        .map(one -> new AwayService.Noted(
                                one.id(),
                                one.row().date(),
                                new Away(one.row().what(), one.row().minutes(), note(one.row()))))
                        .toList());
        fresh.forEach(one -> one.row()
                .tempo()
                .ifPresent(tempo ->
                        learn(who, sections.get(plain(one.row().passage())).get(0), one.row(), tempo)));
        return fresh.size();
    }

    private static String note(PracticeRows.Row row) {
        return row.passage().isEmpty() || row.note().contains(row.passage())
                ? row.note()
                : shortened(row.passage()
                        + row.tempo().map(tempo -> " at " + tempo).orElse("")
                        + (row.note().isEmpty() ? "" : ": " + row.note()));
    }

    private static String shortened(String note) {
        return note.length() > 200 ? note.substring(0, 200) : note;
    }

    private void learn(SignedIn who, StoredSection section, PracticeRows.Row row, Tempo tempo) {
        standings.learn(who, section.subject(), row.date(), List.of(Evidence.of(tempo, row.verdict())));
    }

    private static PracticeRow dto(Known known) {
        PracticeRows.Row row = known.row();
        return new PracticeRow(
                row.row(),
                row.date(),
                row.what(),
                row.minutes(),
                row.passage(),
                row.tempo().map(Tempo::bpm).orElse(null),
                row.tempo().isPresent() ? row.verdict() : null,
                row.note(),
                known.isHere());
    }
}
