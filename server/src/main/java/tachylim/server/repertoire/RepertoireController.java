package tachylim.server.repertoire;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.PassageDtos.CutWish;
import tachylim.server.repertoire.PassageDtos.ExtraWish;
import tachylim.server.repertoire.PassageDtos.PassageDetail;
import tachylim.server.repertoire.PassageDtos.PassageDto;
import tachylim.server.repertoire.PassageDtos.PassageWish;
import tachylim.server.repertoire.PassageDtos.Reading;
import tachylim.server.repertoire.PassageDtos.SectionDto;
import tachylim.server.repertoire.PassageDtos.SectionWish;
import tachylim.server.repertoire.StorageService.Storage;
import tachylim.server.web.ChangesNoCap;

@RestController
@RequestMapping("/api")
@Tag(name = "repertoire")
class RepertoireController {

    private final RepertoireService repertoire;
    private final PassageEditor editor;
    private final StorageService storage;

    RepertoireController(RepertoireService repertoire, PassageEditor editor, StorageService storage) {
        this.repertoire = repertoire;
        this.editor = editor;
        this.storage = storage;
    }

    /** How much room the account takes, of how much. */
    @GetMapping("/storage")
    Storage storage(@AuthenticationPrincipal SignedIn who) {
        return storage.of(who);
    }

    /** Reads music that is being typed; nothing is kept. */
    @ChangesNoCap("nothing is kept")
    @PostMapping("/readings")
    Reading read(@Valid @RequestBody MusicText music) {
        return repertoire.read(music);
    }

    @GetMapping("/passages")
    List<PassageDto> list(@AuthenticationPrincipal SignedIn who) {
        return repertoire.list(who);
    }

    @PostMapping("/passages")
    @ResponseStatus(HttpStatus.CREATED)
    PassageDetail create(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody PassageWish wish) {
        return repertoire.detail(who, editor.create(who, wish));
    }

    @GetMapping("/passages/{id}")
    PassageDetail get(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        return repertoire.detail(who, id);
    }

    @PutMapping("/passages/{id}")
    PassageDetail change(
            @AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody PassageWish wish) {
        editor.change(who, id, wish);
        return repertoire.detail(who, id);
    }

    /** Out of sight; what was played of it stays in the log and in the load. */
    @DeleteMapping("/passages/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void putAway(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        editor.putAway(who, id);
    }

    @PutMapping("/passages/{id}/sections")
    PassageDetail cut(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody CutWish wish) {
        editor.cut(who, id, wish);
        return repertoire.detail(who, id);
    }

    /** A join or a transition to be played on its own; the one there is already is given when it is the same. */
    @PostMapping("/passages/{id}/extras")
    SectionDto addExtra(
            @AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody ExtraWish wish) {
        return editor.addExtra(who, id, wish);
    }

    @PutMapping("/sections/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changeSection(
            @AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody SectionWish wish) {
        editor.changeSection(who, id, wish);
    }
}
