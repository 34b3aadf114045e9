package tachylim.server.season;

import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;
import tachylim.words.Reason;

@RestController
@RequestMapping("/api/learned")
@Tag(name = "learned")
class LearnedController {

    private final LearnedService learned;

    LearnedController(LearnedService learned) {
        this.learned = learned;
    }

    /** What is learned about a player. */
    enum What {
        /** What ten minutes on a passage add to its ceiling in a day. */
        GAIN,
        /** What a passage loses on a day without it, from the fourth on. */
        LOSS,
        /** How much slower a spent hand is. */
        TIRING
    }

    record LearnedDto(
            What what,

            @Schema(description = "in percent") double percent,

            @Schema(description = "the lower end of its 80% interval")
            double low,

            double high,

            @Schema(description = "whether enough was played for it to be the player's own")
            boolean learned,

            Reason from) {}

    @GetMapping
    List<LearnedDto> all(@AuthenticationPrincipal SignedIn who) {
        return learned.learned(who);
    }

    /** Forgets it, so that it is learned anew from today on. */
    @DeleteMapping("/{what}")
    List<LearnedDto> forget(@AuthenticationPrincipal SignedIn who, @PathVariable What what) {
        return learned.forget(who, what);
    }
}
