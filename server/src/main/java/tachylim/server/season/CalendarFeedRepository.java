package tachylim.server.season;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface CalendarFeedRepository extends JpaRepository<CalendarFeed, Long> {

    Optional<CalendarFeed> findByDigest(byte[] digest);
}
