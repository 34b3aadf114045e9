package tachylim.server.take;

import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.load.AwayPractice;
import tachylim.server.account.SignedIn;
import tachylim.server.load.Away;
import tachylim.server.load.AwayService;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.take.TakeDtos.RecordingWish;
import tachylim.server.take.TakeDtos.SectionToHear;
import tachylim.shown.ToHearDto;

/** Recordings that were made elsewhere: what is to be heard in them, and what was, kept as practice away from the screen. */
@Service
class RecordingService {

    private final RepertoireService repertoire;
    private final AwayService away;
    private final TakeService takes;

    RecordingService(RepertoireService repertoire, AwayService away, TakeService takes) {
        this.repertoire = repertoire;
        this.away = away;
        this.takes = takes;
    }

    /** What is to be heard of a section that was played once through at a tempo. */
    @Transactional(readOnly = true)
    public SectionToHear toHear(SignedIn who, long sectionId, double tempo) {
        StoredSection section = repertoire.section(who, sectionId);
        StoredPassage passage = section.passage();
        return new SectionToHear(
                passage.id(),
                passage.title(),
                section.name(),
                passage.instrument(),
                ToHearDto.once(repertoire.music(section), tempo));
    }

    /** Keeps the passes of a recording, once for each id of the browser's making; it counts for its day as any practice away. */
    @Transactional
    public void keep(SignedIn who, RecordingWish wish) {
        StoredSection section = repertoire.section(who, wish.sectionId());
        StoredPassage passage = section.passage();
        if (!away.takenOver(who, List.of(wish.clientId())).isEmpty()) {
            return;
        }
        LocalDate day = wish.day();
        String note = passage.title();
        away.elsewhere(
                who,
                wish.clientId(),
                day,
                new Away(
                        AwayPractice.PRACTICE,
                        wish.minutes(),
                        note.substring(0, Math.min(Away.LONGEST_NOTE, note.length()))));
        MeasuredPlace place = new MeasuredPlace(
                null,
                0,
                section.id(),
                passage.id(),
                passage.edition(),
                day,
                passage.instrument(),
                section.notes().firstNote(),
                section.notes().size(),
                "",
                wish.tempo());
        wish.passes()
                .forEach(pass -> takes.keep(
                        who,
                        place,
                        List.of(pass.measured()),
                        pass.said() == null ? List.of() : List.of(pass.said()),
                        true));
    }
}
