package tachylim.server.count;

import io.swagger.v3.oas.annotations.tags.Tag;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;
import tachylim.server.count.CountDtos.CountsView;

@RestController
@RequestMapping("/api/passages/{id}/transitions/{transition}/changes")
@Tag(name = "count")
class TransitionCountController {

    private final CountService counts;

    TransitionCountController(CountService counts) {
        this.counts = counts;
    }

    /** Counts a transition of a passage from now on; its plan follows the slowest that is counted. */
    @PostMapping
    CountsView add(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @PathVariable int transition) {
        counts.add(who, id, transition);
        return counts.view(who);
    }
}
