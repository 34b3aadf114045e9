package tachylim.server.load;

import org.springframework.data.jpa.repository.JpaRepository;

interface StoredConditionRepository extends JpaRepository<StoredCondition, Long> {}
