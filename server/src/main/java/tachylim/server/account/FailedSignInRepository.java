package tachylim.server.account;

import java.time.Instant;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface FailedSignInRepository extends JpaRepository<FailedSignIn, Long> {

    @Query("select count(f) from FailedSignIn f where f.name = :name and f.at > :since")
    long countOfName(String name, Instant since);

    @Query("select count(f) from FailedSignIn f where f.address = :address and f.at > :since")
    long countOfAddress(String address, Instant since);

    @Modifying
    @Query("delete from FailedSignIn f where f.name = :name or f.at < :before")
    void forget(String name, Instant before);
}
