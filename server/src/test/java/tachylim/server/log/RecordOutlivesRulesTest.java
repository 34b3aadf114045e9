package tachylim.server.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mockStatic;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.mockito.MockedStatic;
import org.mockito.invocation.InvocationOnMock;
import org.springframework.beans.factory.annotation.Autowired;
import tachylim.load.Effort;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tachylim.server.account.SignedIn;
import tachylim.server.run.RunService;
import tachylim.server.run.StoredRun;
import tachylim.server.workout.PlanService;
import tachylim.workout.Run;
import tachylim.workout.Totals;
import tools.jackson.databind.JsonNode;

/** The past is read from its record: another rule changes what will be played, and nothing that was. */
class RecordOutlivesRulesTest extends ServerTest {

    @Autowired
    private LogService log;

    @Autowired
    private RunService runs;

    @Autowired
    private PlanService plans;

    @Test
    void aChangedConstantChangesNoPastSession() {
        Player odile = player();
        UUID window = UUID.randomUUID();
        JsonNode run = Practice.playOn(odile, Practice.newRun(odile, window), window, 12);
        Practice.send(odile, run, Practice.event(run, window, "STOPPED", java.util.Map.of()))
                .ok();
        SignedIn who = signedIn(odile);
        long id = run.path("id").asLong();
        LogController.LoggedWorkout before = log.workout(who, id);
        StoredRun stored = runs.get(who, id);
        double planned = effortByTheRules(who, stored);
        try (MockedStatic<Effort> otherRule =
                mockStatic(Effort.class, RecordOutlivesRulesTest::littleWhateverIsPlayed)) {
            assertThat(effortByTheRules(who, stored))
                    .as("the other rule is in force")
                    .isNotEqualTo(planned);
            assertThat(log.workout(who, id)).isEqualTo(before);
        }
    }

    private static Object littleWhateverIsPlayed(InvocationOnMock asked) throws Throwable {
        return asked.getMethod().getName().equals("of") ? new Effort(0.01) : asked.callRealMethod();
    }

    private double effortByTheRules(SignedIn who, StoredRun stored) {
        return Totals.of(Run.start(plans.begun(plans.get(who, stored.workoutId())))
                        .ahead())
                .effort()
                .minutes();
    }
}
