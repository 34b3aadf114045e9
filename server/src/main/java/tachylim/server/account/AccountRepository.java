package tachylim.server.account;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface AccountRepository extends JpaRepository<Account, Long> {

    Optional<Account> findByName(String name);

    /** Locks an account until the transaction is over. */
    @Query(nativeQuery = true, value = "select id from account where id = :id for update")
    Long lock(long id);
}
