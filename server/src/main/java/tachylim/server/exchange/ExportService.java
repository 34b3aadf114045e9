package tachylim.server.exchange;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.notation.Format;
import tachylim.notation.score.Movement;
import tachylim.server.account.SignedIn;
import tachylim.server.sheet.VariationService;
import tachylim.server.sheet.VariationService.Stretch;
import tachylim.server.web.Refused;
import tachylim.server.words.Words;
import tachylim.tempo.Tempo;
import tachylim.variation.Catalogue;
import tachylim.variation.Variation;

/** Writes passages, sections and variations as files. */
@Service
class ExportService {

    private final VariationService variations;

    ExportService(VariationService variations) {
        this.variations = variations;
    }

    record Written(String name, byte[] content) {}

    @Transactional(readOnly = true)
    public Written write(
            SignedIn who, long id, Format as, String variation, boolean sheet, Integer first, Integer last) {
        Stretch stretch = sheet ? variations.forSheet(who, id, first, last) : variations.stretch(who, id, first, last);
        String title = stretch.passage().title();
        Words words = Words.spoken();
        List<Movement> movements = new ArrayList<>();
        if (sheet) {
            movements.add(new Movement(words.say("sheet.asWritten"), stretch.music()));
            Catalogue.of(stretch.music())
                    .forEach(
                            (one, rendering) -> movements.add(new Movement(words.say(one.title()), rendering.music())));
        } else if (variation != null && !variation.isEmpty()) {
            Variation one = Refused.unlessValid("variation", () -> Catalogue.parse(variation));
            movements.add(new Movement(
                    title + ", " + words.say(one.title()),
                    Refused.unlessValid("variation", () -> one.of(stretch.music()))
                            .music()));
        } else {
            movements.add(new Movement(title, stretch.music()));
        }
        byte[] content = as.write(title, movements, Tempo.of(stretch.passage().targetBpm()));
        return new Written(fileName(title, variation, sheet) + "." + as.ending(), content);
    }

    private static String fileName(String title, String variation, boolean sheet) {
        String plain = Normalizer.normalize(title, Normalizer.Form.NFKD)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
        String name = plain.isEmpty() ? "passage" : plain.length() > 60 ? plain.substring(0, 60) : plain;
        return sheet
                ? name + "-variations"
                : variation == null || variation.isEmpty()
                        ? name
                        : name + "-" + variation.replaceAll("[^a-z0-9-]", "-");
    }
}
