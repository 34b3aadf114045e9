package tachylim.server.repertoire;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface PassageRepository extends JpaRepository<StoredPassage, Long> {

    Optional<StoredPassage> findByIdAndAccountIdAndPutAwayFalse(long id, long accountId);

    /** The days on which something is needed, from one to another. */
    @Query("""
            select distinct p.neededOn from StoredPassage p
            where p.accountId = :accountId and p.putAway = false and p.neededOn between :from and :to""")
    List<LocalDate> needed(long accountId, LocalDate from, LocalDate to);

    /** Takes note of a method that was chosen, or of none; whoever edits the passage meanwhile is not in its way. */
    @Modifying
    @Query(
            "update StoredPassage p set p.chosenSchool = :school, p.chosenOn = :day where p.id = :id and p.accountId = :accountId")
    void choose(long accountId, long id, String school, LocalDate day);

    long countByAccountId(long accountId);

    Optional<StoredPassage> findByAccountIdAndClientId(long accountId, String clientId);
}
