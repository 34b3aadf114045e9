package tachylim.server.count;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;
import tachylim.server.count.CountDtos.ChangeWish;
import tachylim.server.count.CountDtos.CountWish;
import tachylim.server.count.CountDtos.CountsView;

@RestController
@RequestMapping("/api/changes")
@Tag(name = "count")
class CountController {

    private final CountService counts;

    CountController(CountService counts) {
        this.counts = counts;
    }

    @GetMapping
    CountsView view(@AuthenticationPrincipal SignedIn who) {
        return counts.view(who);
    }

    @PostMapping
    CountsView add(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody ChangeWish wish) {
        counts.add(who, wish);
        return counts.view(who);
    }

    /** Takes a change away, with all that was counted of it; what it cost stays with its days. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        counts.delete(who, id);
    }

    /** Keeps a count, once for each id of the browser's making. */
    @PostMapping("/{id}/counts")
    CountsView count(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody CountWish wish) {
        counts.count(who, id, wish);
        return counts.view(who);
    }
}
