package tachylim.server.season;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface AskedDayRepository extends JpaRepository<AskedDay, AskedDay.Key> {

    List<AskedDay> findByAccountIdAndDayBetween(long accountId, LocalDate from, LocalDate to);
}
