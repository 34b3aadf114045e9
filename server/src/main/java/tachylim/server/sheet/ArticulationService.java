package tachylim.server.sheet;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.passage.InstrumentFamily;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.words.Words;

/** The player's articulations, in order, and the one wanted at speed. */
@Service
public class ArticulationService {

    private static final Limit MOST = Limit.of(50);

    private final StoredArticulationRepository articulations;
    private final RepertoireService repertoire;

    ArticulationService(StoredArticulationRepository articulations, RepertoireService repertoire) {
        this.articulations = articulations;
        this.repertoire = repertoire;
    }

    /** The list of an instrument family: the player's own, else the usual one. */
    @Transactional(readOnly = true)
    public List<String> list(SignedIn who, InstrumentFamily instrument) {
        List<String> own =
                articulations.findByAccountIdAndInstrumentOrderByPlace(who.accountId(), instrument, MOST).stream()
                        .map(StoredArticulation::name)
                        .toList();
        return own.isEmpty()
                ? instrument.usualArticulations().stream()
                        .map(Words.spoken()::say)
                        .toList()
                : own;
    }

    @Transactional
    void change(SignedIn who, InstrumentFamily instrument, List<String> names) {
        articulations.deleteByAccountIdAndInstrument(who.accountId(), instrument);
        int place = 0;
        for (String name : names.stream().map(String::strip).distinct().toList()) {
            articulations.save(new StoredArticulation(who.accountId(), instrument, place++, name));
        }
    }

    @Transactional
    public void want(SignedIn who, long passageId, String articulation) {
        StoredPassage passage = repertoire.passage(who, passageId);
        passage.wantedArticulation(articulation.strip());
    }
}
