package tachylim.server.repertoire;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface NoteMarkRepository extends JpaRepository<NoteMark, Long> {

    List<NoteMark> findByAccountIdAndPassageIdAndSupersededFalseOrderById(long accountId, long passageId, Limit limit);

    long countByAccountIdAndPassageId(long accountId, long passageId);
}
