package tachylim.server.exchange;

import jakarta.persistence.EntityManager;
import jakarta.persistence.metamodel.EntityType;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import tachylim.server.account.Account;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.PlayedPass;
import tachylim.server.ceiling.StandingService;
import tachylim.server.load.LoadService;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StorageService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.run.Corrections;
import tachylim.server.run.StoredRun;
import tachylim.server.web.Refused;
import tachylim.server.workout.StoredWorkout;
import tachylim.task.PassKind;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/** Reads an account that came from a file by those who will read it later: what they cannot read is not kept. */
@Component
class ArchiveCheck {

    private static final int ROWS_AT_ONCE = 1_000;
    private static final int MOST_TENSION = 5;

    private final EntityManager entities;
    private final RepertoireService repertoire;
    private final Corrections runs;
    private final StandingService standings;
    private final LoadService load;
    private final AccountService accounts;
    private final StorageService storage;

    ArchiveCheck(
            EntityManager entities,
            RepertoireService repertoire,
            Corrections runs,
            StandingService standings,
            LoadService load,
            AccountService accounts,
            StorageService storage) {
        this.entities = entities;
        this.repertoire = repertoire;
        this.runs = runs;
        this.standings = standings;
        this.load = load;
        this.accounts = accounts;
        this.storage = storage;
    }

    void readsAgain(SignedIn who) {
        storage.checkRoom(who);
        if (storage.of(who).passages() > storage.of(who).mostPassages()) {
            throw Refused.field("file", Reason.of("refusal.archiveCheck.thisFileHoldsMorePassages"));
        }
        read("the account", () -> {
            Account account = entities.find(Account.class, who.accountId());
            account.home();
            account.minutes();
            account.routine();
            account.otherInstruments();
            load.today(who);
        });
        // The names of verdicts, kinds and methods are read as their rows are.
        for (EntityType<?> type : entities.getMetamodel().getEntities()) {
            if (type.getAttributes().stream().anyMatch(one -> one.getName().equals("accountId"))) {
                read(type.getName(), () -> everyRow(who, type.getName()));
            }
        }
        for (StoredPassage passage : all(who, StoredPassage.class)) {
            read("passage " + passage.title(), () -> {
                Tempo.of(passage.targetBpm());
                Tempo.of(passage.guessBpm());
                repertoire.music(passage);
            });
        }
        LocalDate today = accounts.today(who);
        for (StoredSection section : all(who, StoredSection.class)) {
            read("section " + section.name(), () -> {
                repertoire.checkNotes(section);
                standings.believed(who, section.subject(), today);
            });
        }
        List<Long> workouts = ids(who, StoredWorkout.class);
        for (long id : workouts) {
            read("workout of " + id, () -> {
                entities.find(StoredWorkout.class, id).workout(Map.of());
                entities.find(StoredWorkout.class, id).planned();
            });
            entities.clear();
        }
        for (long id : ids(who, StoredRun.class)) {
            read("workout", () -> runs.passes(who, entities.find(StoredRun.class, id)));
            entities.clear();
        }
    }

    private void everyRow(SignedIn who, String entity) {
        for (int from = 0; ; from += ROWS_AT_ONCE) {
            List<?> rows = entities.createQuery("from " + entity + " where accountId = :who")
                    .setParameter("who", who.accountId())
                    .setFirstResult(from)
                    .setMaxResults(ROWS_AT_ONCE)
                    .getResultList();
            rows.forEach(row -> {
                if (row instanceof PlayedPass pass) {
                    possible(pass);
                }
            });
            entities.clear();
            if (rows.size() < ROWS_AT_ONCE) {
                return;
            }
        }
    }

    private static void possible(PlayedPass pass) {
        pass.tempo();
        if (pass.tension().ordinal() > MOST_TENSION || pass.recovery() > 1 || pass.kind() == null) {
            throw Refusal.of("refusal.archiveCheck.aPassOf", "getSimpleName", PassKind.class.getSimpleName());
        }
    }

    private <T> List<T> all(SignedIn who, Class<T> type) {
        return entities.createQuery("from " + type.getSimpleName() + " where accountId = :who", type)
                .setParameter("who", who.accountId())
                .getResultList();
    }

    private List<Long> ids(SignedIn who, Class<?> type) {
        return entities.createQuery(
                        "select id from " + type.getSimpleName() + " where accountId = :who order by id", Long.class)
                .setParameter("who", who.accountId())
                .getResultList();
    }

    private static void read(String what, Runnable reading) {
        try {
            reading.run();
        } catch (RuntimeException unreadable) {
            throw Refused.field("file", Reason.of("refusal.archiveCheck.whatThisFileSaysOfCannotBe", "what", what));
        }
    }
}
