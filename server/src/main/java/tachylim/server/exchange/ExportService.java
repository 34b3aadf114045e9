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
import tachylim.server.bench.VariantService;
import tachylim.server.bench.VariantService.Stretch;
import tachylim.server.web.Refused;
import tachylim.tempo.Tempo;
import tachylim.variant.Catalogue;
import tachylim.variant.Variant;

/** Writes passages, sections and variants as files. */
@Service
class ExportService {

    private final VariantService variants;

    ExportService(VariantService variants) {
        this.variants = variants;
    }

    record Written(String name, byte[] content) {}

    @Transactional(readOnly = true)
    public Written write(SignedIn who, long id, Format as, String variant, boolean sheet, Integer first, Integer last) {
        Stretch stretch = sheet ? variants.forSheet(who, id, first, last) : variants.stretch(who, id, first, last);
        String title = stretch.passage().title();
        List<Movement> movements = new ArrayList<>();
        if (sheet) {
            movements.add(new Movement("As written", stretch.music()));
            Catalogue.of(stretch.music())
                    .forEach((one, rendering) -> movements.add(new Movement(one.title(), rendering.music())));
        } else if (variant != null && !variant.isEmpty()) {
            Variant one = Refused.unlessValid("variant", () -> Catalogue.parse(variant));
            movements.add(new Movement(
                    title + ", " + one.title(),
                    Refused.unlessValid("variant", () -> one.of(stretch.music()))
                            .music()));
        } else {
            movements.add(new Movement(title, stretch.music()));
        }
        byte[] content = as.write(title, movements, Tempo.of(stretch.passage().targetBpm()));
        return new Written(fileName(title, variant, sheet) + "." + as.ending(), content);
    }

    private static String fileName(String title, String variant, boolean sheet) {
        String plain = Normalizer.normalize(title, Normalizer.Form.NFKD)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
        String name = plain.isEmpty() ? "passage" : plain.length() > 60 ? plain.substring(0, 60) : plain;
        return sheet
                ? name + "-variants"
                : variant == null || variant.isEmpty() ? name : name + "-" + variant.replaceAll("[^a-z0-9-]", "-");
    }
}
