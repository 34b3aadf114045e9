package tachylim.server.sheet;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface ChosenVariationRepository extends JpaRepository<ChosenVariation, Long> {

    List<ChosenVariation> findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByDayAscPlaceAsc(
            long accountId, long passageId, LocalDate since, Limit limit);

    List<ChosenVariation> findByAccountIdAndPassageIdInAndDayAndPlayedFalseOrderByPlaceAsc(
            long accountId, Collection<Long> passageIds, LocalDate day, Limit limit);

    List<ChosenVariation> findByIdAndAccountIdAndPassageId(long id, long accountId, long passageId);

    void deleteByAccountIdAndPassageIdAndDayAndPlayedFalse(long accountId, long passageId, LocalDate day);
}
