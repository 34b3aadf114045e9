package tachylim.server.sheet;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import tachylim.passage.InstrumentFamily;

interface StoredArticulationRepository extends JpaRepository<StoredArticulation, Long> {

    List<StoredArticulation> findByAccountIdAndInstrumentOrderByPlace(
            long accountId, InstrumentFamily instrument, Limit limit);

    void deleteByAccountIdAndInstrument(long accountId, InstrumentFamily instrument);
}
