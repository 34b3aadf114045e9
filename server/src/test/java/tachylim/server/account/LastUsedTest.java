package tachylim.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.MapSession;
import org.springframework.session.Session;
import org.springframework.transaction.support.TransactionOperations;

/** That a session was used is written after the answer, and must not make an error of it; that one begins must be kept. */
class LastUsedTest {

    private static final Instant NOW = Instant.parse("2026-03-02T09:00:00Z");

    @SuppressWarnings("unchecked")
    private final FindByIndexNameSessionRepository<Session> kept = mock(FindByIndexNameSessionRepository.class);

    private final LastUsed sessions = new LastUsed(kept, TransactionOperations.withoutTransaction());

    private LastUsed.Looked used(Instant before, Instant now) {
        MapSession session = new MapSession("one");
        session.setLastAccessedTime(before);
        when(kept.findById("one")).thenReturn(session);
        LastUsed.Looked found = sessions.findById("one");
        found.setLastAccessedTime(now);
        return found;
    }

    @Test
    void withinAMinuteNothingIsWritten() {
        sessions.save(used(NOW, NOW.plusSeconds(59)));
        verify(kept, never()).save(any());
    }

    @Test
    void afterAMinuteItIs() {
        sessions.save(used(NOW, NOW.plusSeconds(60)));
        verify(kept).save(any());
    }

    @Test
    void thatItCouldNotBeWrittenIsNoError() {
        doThrow(new DataAccessResourceFailureException("away")).when(kept).save(any());
        LastUsed.Looked session = used(NOW, NOW.plusSeconds(90));
        assertThatCode(() -> sessions.save(session)).doesNotThrowAnyException();
    }

    @Test
    void whatLostAgainstAnotherIsWrittenAgain() {
        doThrow(new CannotAcquireLockException("lost")).doNothing().when(kept).save(any());
        sessions.save(used(NOW, NOW.plusSeconds(90)));
        verify(kept, times(2)).save(any());
    }

    @Test
    void aSessionThatBeginsIsKeptOrRefused() {
        when(kept.createSession()).thenReturn(new MapSession("new"));
        doThrow(new DataAccessResourceFailureException("away")).when(kept).save(any());
        LastUsed.Looked begun = sessions.createSession();
        assertThatThrownBy(() -> sessions.save(begun)).isInstanceOf(DataAccessResourceFailureException.class);
    }

    @Test
    void soIsWhateverWasPutIntoIt() {
        doThrow(new DataAccessResourceFailureException("away")).when(kept).save(any());
        LastUsed.Looked session = used(NOW, NOW);
        session.setAttribute("who", "odile");
        assertThatThrownBy(() -> sessions.save(session)).isInstanceOf(DataAccessResourceFailureException.class);
    }

    @Test
    void whatARequestHasLookedUpIsNotAskedAgainAfterItsAnswer() throws Exception {
        when(kept.findById("one"))
                .thenReturn(new MapSession("one"))
                .thenThrow(new DataAccessResourceFailureException("away"));
        new LastUsed.OnceARequest().doFilter(null, null, (request, response) -> {
            assertThat(sessions.findById("one")).isNotNull();
            assertThat(sessions.findById("one")).isNotNull();
        });
        assertThatThrownBy(() -> sessions.findById("one"))
                .as("the next request asks anew")
                .isInstanceOf(DataAccessResourceFailureException.class);
    }

    @Test
    void whatWasEndedInARequestIsNotThereForTheRestOfIt() throws Exception {
        when(kept.findById("one")).thenReturn(new MapSession("one"));
        new LastUsed.OnceARequest().doFilter(null, null, (request, response) -> {
            assertThat(sessions.findById("one")).isNotNull();
            sessions.deleteById("one");
            assertThat(sessions.findById("one")).isNull();
        });
    }
}
