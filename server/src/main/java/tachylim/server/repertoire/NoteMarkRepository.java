package tachylim.server.repertoire;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface NoteMarkRepository extends JpaRepository<NoteMark, Long> {

    List<NoteMark> findByAccountIdAndPassageIdAndSupersededFalseOrderById(long accountId, long passageId, Limit limit);

    long countByAccountIdAndPassageId(long accountId, long passageId);

    @Modifying
    @Query("update NoteMark m set m.superseded = true where m.accountId = :accountId and m.passageId = :passageId")
    void supersede(long accountId, long passageId);
}
