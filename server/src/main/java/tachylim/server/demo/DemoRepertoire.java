package tachylim.server.demo;

import java.util.List;
import tachylim.passage.InstrumentFamily;
import tachylim.server.repertoire.PassageDtos.CutKind;

/** What Odile Marrane is preparing for Lantern Quay: four passages composed for the demo. */
final class DemoRepertoire {

    private DemoRepertoire() {}

    /** What a passage is needed for. */
    enum Occasion {
        CONCERT,
        AUDITION
    }

    /**
     * A passage, and how fast its player truly is: at the start of the ten weeks and at their end.
     *
     * @param neededFor what it is needed for; null for a study that is needed for nothing
     * @param cut how it is cut, and into sections of what size
     */
    record DemoPassage(
            String title,
            InstrumentFamily instrument,
            String abc,
            double target,
            double truthAtStart,
            double truthNow,
            Occasion neededFor,
            CutKind cut,
            int size) {}

    static final List<DemoPassage> PASSAGES = List.of(
            new DemoPassage(
                    "Kestrel Weather", InstrumentFamily.MALLET, """
                    M:4/4
                    L:1/16
                    K:F
                    DFAG FECD FGAc _BAGF | EDCD FDA,D CDEF GAGE |
                    FAcA _edcB AGFG ABcA | GFED C2A,2 D4 z4 |]
                    """, 110, 101, 127, Occasion.AUDITION, CutKind.BARS, 2),
            new DemoPassage(
                    "Tin Roof Toccata", InstrumentFamily.MALLET, """
                    M:3/4
                    L:1/16
                    K:G
                    [GB]dgd [GB]dgd [Ac]e^ce | [FA]dfd [EG]Bec (6:4:6dcBAGF |
                    GABc dedc BcBA | [DG]4 [DFA]4 [GBd]4 |]
                    """, 104, 80, 86, Occasion.AUDITION, CutKind.WHOLE, 1),
            new DemoPassage(
                    "Nine Lanterns", InstrumentFamily.MALLET, """
                    M:6/8
                    L:1/16
                    K:Bb
                    B,DFBdB FDFBAG | EGceGc AFDFEC | DFBDFB EGcEGc | B,2D2F2 B6 |]
                    """, 96, 84, 101, Occasion.CONCERT, CutKind.WHOLE, 1),
            new DemoPassage(
                    "Saltmarsh Study 3", InstrumentFamily.FREE_REED, """
                    M:2/4
                    L:1/16
                    K:D
                    A2|dfaf gfed|cdec A2AB|cdef gece|fdAd F2A2|Bcde fdBA|GFED D4|]
                    """, 112, 98, 118, null, CutKind.WHOLE, 1));
}
