package tachylim.server.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tachylim.passage.Readiness;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tools.jackson.databind.JsonNode;

/** What the practice sheet remembers from one day to the next: choices, breaks and readiness. */
class PracticeSheetOverDaysTest extends ServerTest {

    @Autowired
    private ChoiceService choices;

    @Autowired
    private TransitionService transitions;

    @Autowired
    private ReadinessService readiness;

    @Autowired
    private AccountService accounts;

    private Player odile;
    private SignedIn who;
    private LocalDate today;
    private long passage;
    private String at;

    @BeforeEach
    void aPassage() {
        odile = player();
        passage = Practice.newPassage(odile);
        at = "/api/passages/" + passage;
        who = signedIn(odile);
        today = accounts.today(who);
    }

    private void chooseAndMaybePlay(int days, boolean plays) {
        daysAgo(days, () -> {
            choices.choose(who, passage, 4);
            if (plays) {
                practiceSheet()
                        .path("today")
                        .forEach(one ->
                                choices.played(who, passage, one.path("id").asLong(), true));
            }
        });
    }

    private JsonNode practiceSheet() {
        return odile.get(at + "/practice-sheet").ok();
    }

    private static List<String> keys(JsonNode choices) {
        List<String> keys = new ArrayList<>();
        choices.forEach(choice -> keys.add(choice.path("variation").asString()));
        return keys;
    }

    private List<String> chosenOn(LocalDate day) {
        return sql.sql("select variant from chosen_variant where passage_id = ? and day = ?")
                .param(passage)
                .param(day)
                .query(String.class)
                .list();
    }

    @Test
    void todaysVariationsAreOthersThanYesterdays() {
        daysAgo(1, () -> choices.choose(who, passage, 2));
        List<String> yesterday = chosenOn(today.minusDays(1));
        assertThat(yesterday).isNotEmpty();
        odile.post(at + "/choice", Map.of("minutes", 2)).ok();
        assertThat(keys(practiceSheet().path("today"))).isNotEmpty().doesNotContainAnyElementsOf(yesterday);
    }

    @Test
    void choosingAgainOnTheSameDayReplacesWhatWasNotPlayed() {
        odile.post(at + "/choice", Map.of("minutes", 6)).ok();
        int many = practiceSheet().path("today").size();
        odile.post(at + "/choice", Map.of("minutes", 1)).ok();
        assertThat(practiceSheet().path("today").size()).isBetween(1, many - 1);
    }

    @Test
    void aTransitionCountsAsTrainedForAWeek() {
        chooseAndMaybePlay(9, true);
        assertThat(practiceSheet()
                        .path("transitions")
                        .path(0)
                        .path("trainedThisWeek")
                        .asBoolean())
                .isFalse();
        chooseAndMaybePlay(4, false);
        assertThat(practiceSheet()
                        .path("transitions")
                        .path(0)
                        .path("trainedThisWeek")
                        .asBoolean())
                .as("chosen, but not played")
                .isFalse();
        chooseAndMaybePlay(3, true);
        assertThat(practiceSheet()
                        .path("transitions")
                        .path(0)
                        .path("trainedThisWeek")
                        .asBoolean())
                .isTrue();
        assertThat(practiceSheet().path("today"))
                .as("nothing is chosen for today by that")
                .isEmpty();
    }

    @Test
    void aBreakWeighsLessAsTheDaysGoByAndIsForgottenAfterFourWeeks() {
        transitions.broke(who, passage, 4);
        daysAgo(7, () -> transitions.broke(who, passage, 10));
        daysAgo(40, () -> transitions.broke(who, passage, 20));
        JsonNode transitions = practiceSheet().path("transitions");
        double quiet = transitions.path(0).path("need").asDouble();
        double fresh = transitions.path(4).path("need").asDouble();
        double aWeekOld = transitions.path(10).path("need").asDouble();
        assertThat(fresh).isGreaterThan(aWeekOld);
        assertThat(aWeekOld).isGreaterThan(quiet);
        assertThat(fresh - quiet).isEqualTo(2 * (aWeekOld - quiet));
        assertThat(transitions.path(20).path("need").asDouble()).isEqualTo(quiet);
        assertThat(transitions.path(20).path("breaks").asInt()).isZero();
    }

    /** The first passes of a workout, which are slow, with these verdicts. */
    private void playSlowly(String... verdicts) {
        UUID window = UUID.randomUUID();
        JsonNode run = Practice.begin(odile, Practice.firstSection(odile, passage), window)
                .ok();
        for (String verdict : verdicts) {
            clock.pass(run.path("step").path("pass").path("seconds").asDouble());
            run = Practice.send(
                            odile, run, Practice.event(run, window, "JUDGED", Map.of("verdict", verdict, "tension", 1)))
                    .ok();
        }
    }

    private JsonNode item(Readiness wanted) {
        return practiceSheet().path("readiness").path(wanted.ordinal());
    }

    @Test
    void slowAndCleanIsLostWhenASlowPassBreaksLater() {
        daysAgo(2, () -> readiness.set(who, passage, Readiness.SLOW_AND_CLEAN, true));
        daysAgo(2, () -> readiness.set(who, passage, Readiness.FROM_MEMORY, true));
        assertThat(item(Readiness.SLOW_AND_CLEAN).path("reached").asBoolean()).isTrue();
        playSlowly("CLEAN", "BROKE");
        JsonNode lost = item(Readiness.SLOW_AND_CLEAN);
        assertThat(lost.path("reached").asBoolean()).isFalse();
        assertThat(lost.path("lostOn").asString()).isEqualTo(today.toString());
        assertThat(lost.path("reachedOn").asString())
                .as("the day it had been reached stays")
                .isEqualTo(today.minusDays(2).toString());
        assertThat(item(Readiness.FROM_MEMORY).path("reached").asBoolean())
                .as("the player's own word")
                .isTrue();
    }

    @Test
    void slowAndCleanStaysWhereSlowPassesAreClean() {
        daysAgo(2, () -> readiness.set(who, passage, Readiness.SLOW_AND_CLEAN, true));
        playSlowly("CLEAN", "CLEAN");
        assertThat(item(Readiness.SLOW_AND_CLEAN).path("reached").asBoolean()).isTrue();
    }

    @Test
    void whatWasReachedAfterTheBreakStands() {
        playSlowly("BROKE");
        readiness.set(who, passage, Readiness.SLOW_AND_CLEAN, true);
        assertThat(item(Readiness.SLOW_AND_CLEAN).path("reached").asBoolean()).isTrue();
    }
}
