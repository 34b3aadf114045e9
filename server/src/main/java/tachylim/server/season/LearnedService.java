package tachylim.server.season;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Moments;
import tachylim.ceiling.Percent;
import tachylim.ceiling.Tiring;
import tachylim.season.Gains;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.StandingService;
import tachylim.server.season.LearnedController.LearnedDto;
import tachylim.server.season.LearnedController.What;
import tachylim.words.Reason;

/** What was learned about a player from what they played, what it changes, and how it is forgotten. */
@Service
class LearnedService {

    /** Gains are said to be learned from so many days on which anything was measured. */
    private static final int LEAST_DAYS = 10;

    /** A day for which a gain is told, in minutes. */
    private static final double TOLD_MINUTES = 10;

    private final GainsService gains;
    private final StandingService standings;
    private final AccountService accounts;

    LearnedService(GainsService gains, StandingService standings, AccountService accounts) {
        this.gains = gains;
        this.standings = standings;
        this.accounts = accounts;
    }

    @Transactional(readOnly = true)
    List<LearnedDto> learned(SignedIn who) {
        Gains learned = gains.learned(who, accounts.today(who)).gains();
        Tiring tiring = standings.tiring(who);
        boolean enough = learned.days() >= LEAST_DAYS;
        double day = Gains.dose(TOLD_MINUTES);
        return List.of(
                told(What.GAIN, learned.usual(), day, enough, learned.days()),
                told(What.LOSS, learned.loss(), 1, enough, learned.days()),
                told(What.TIRING, tiring.moments(), 1, tiring.passages() > 0, tiring.passages()));
    }

    private static LearnedDto told(What what, Moments of, double times, boolean learned, int from) {
        Percent percent = Percent.of(of, times);
        return new LearnedDto(
                what,
                percent.middle(),
                percent.low(),
                percent.high(),
                learned,
                Reason.of("learned." + what + (learned ? ".from" : ".usual"), "from", from));
    }

    @Transactional
    List<LearnedDto> forget(SignedIn who, What what) {
        switch (what) {
            case GAIN, LOSS -> accounts.gainsSince(who, accounts.today(who));
            case TIRING -> standings.forgetTiring(who);
        }
        return learned(who);
    }
}
