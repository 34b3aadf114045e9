package tachylim.server.repertoire;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface SectionRepository extends JpaRepository<StoredSection, Long> {

    @EntityGraph(attributePaths = "passage")
    List<StoredSection> findByAccountIdAndKindAndPutAwayFalseAndPassagePutAwayFalseOrderByPassageIdAscPlaceAsc(
            long accountId, SectionKind kind, Limit limit);

    List<StoredSection> findByAccountIdAndPassageIdAndPutAwayFalseOrderByPlace(long accountId, long passageId);

    List<StoredSection> findByAccountIdAndPassageIdAndEditionOrderByPlace(long accountId, long passageId, int edition);

    /** A section, put away or not, and its passage. */
    record Cut(Long sectionId, Long passageId) {}

    @Query("""
            select new tachylim.server.repertoire.SectionRepository$Cut(p.id, p.passage.id) from StoredSection p
            where p.accountId = :accountId and p.passage.id in :passageIds""")
    List<Cut> everCut(long accountId, Collection<Long> passageIds);

    @EntityGraph(attributePaths = "passage")
    Optional<StoredSection> findByIdAndAccountIdAndPutAwayFalseAndPassagePutAwayFalse(long id, long accountId);

    @EntityGraph(attributePaths = "passage")
    List<StoredSection> findByAccountIdAndIdInAndPutAwayFalseAndPassagePutAwayFalse(long accountId, List<Long> ids);

    @EntityGraph(attributePaths = "passage")
    List<StoredSection> findByAccountIdAndIdIn(long accountId, List<Long> ids);
}
