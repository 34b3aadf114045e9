package tachylim.server.season;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

/** Where calendars read: whoever holds the secret in the address sees the days, and nothing else. */
@Hidden
@RestController
class FeedController {

    private final SeasonService season;
    private final Feeds feeds;

    FeedController(SeasonService season, Feeds feeds) {
        this.season = season;
        this.feeds = feeds;
    }

    @GetMapping("/calendar/{secret}.ics")
    ResponseEntity<byte[]> feed(@PathVariable String secret) {
        return SeasonController.feed(season.calendar(feeds.by(secret)
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.feedController.thisCalendarIsNotHere")))));
    }
}
