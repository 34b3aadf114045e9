package tachylim.server.bench;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.passage.InstrumentFamily;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;

/** The player's modes of articulation and movement, in order, and the one wanted at speed. */
@Service
public class ModeService {

    private static final Limit MOST = Limit.of(50);

    private final StoredModeRepository modes;
    private final RepertoireService repertoire;

    ModeService(StoredModeRepository modes, RepertoireService repertoire) {
        this.modes = modes;
        this.repertoire = repertoire;
    }

    /** The list of an instrument family: the player's own, else the usual one. */
    @Transactional(readOnly = true)
    public List<String> list(SignedIn who, InstrumentFamily instrument) {
        List<String> own = modes.findByAccountIdAndInstrumentOrderByPlace(who.accountId(), instrument, MOST).stream()
                .map(StoredMode::name)
                .toList();
        return own.isEmpty() ? instrument.usualModes() : own;
    }

    @Transactional
    void change(SignedIn who, InstrumentFamily instrument, List<String> names) {
        modes.deleteByAccountIdAndInstrument(who.accountId(), instrument);
        int place = 0;
        for (String name : names.stream().map(String::strip).distinct().toList()) {
            modes.save(new StoredMode(who.accountId(), instrument, place++, name));
        }
    }

    @Transactional
    public void want(SignedIn who, long passageId, String mode) {
        StoredPassage passage = repertoire.passage(who, passageId);
        passage.wantedMode(mode.strip());
    }
}
