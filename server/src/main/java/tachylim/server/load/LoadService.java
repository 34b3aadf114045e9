package tachylim.server.load;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.load.DayLoad;
import tachylim.load.Guardrails;
import tachylim.method.Tension;
import tachylim.server.account.Account;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.standing.PlayedPassRepository;
import tachylim.server.standing.PlayedPassRepository.DaySums;

/** What was played, day by day, and what may still be. */
@Service
public class LoadService {

    private final AccountService accounts;
    private final PlayedPassRepository passes;
    private final SymptomRepository symptoms;

    LoadService(AccountService accounts, PlayedPassRepository passes, SymptomRepository symptoms) {
        this.accounts = accounts;
        this.passes = passes;
        this.symptoms = symptoms;
    }

    @Transactional(readOnly = true)
    public Today today(SignedIn who, Instant now) {
        Account account = accounts.get(who);
        LocalDate day = account.day(now);
        DayLoad done = days(who, day, day).stream().findFirst().map(LoadService::load).orElse(DayLoad.NONE);
        Instant symptom = symptoms.findFirstByAccountIdOrderByAtDesc(who.accountId()).map(Symptom::at).orElse(null);
        Guardrails guardrails = new Guardrails(account.usualMinutes(day), symptom);
        return new Today(day, done, guardrails.today(done, now), guardrails.restsUntil(now).orElse(null));
    }

    static DayLoad load(DaySums sums) {
        return new DayLoad(sums.getEffort(), sums.getBurstSeconds(), sums.getPlaySeconds(), Tension.of(sums.getWorstTension()));
    }

    @Transactional(readOnly = true)
    List<DaySums> days(SignedIn who, LocalDate from, LocalDate to) {
        return passes.days(who.accountId(), from, to);
    }

    @Transactional
    public void symptom(SignedIn who, Instant at) {
        symptoms.save(new Symptom(who.accountId(), at));
    }
}
