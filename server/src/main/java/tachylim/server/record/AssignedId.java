package tachylim.server.record;

import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Transient;
import org.springframework.data.domain.Persistable;

/** A row whose id is another row's: whether it is new cannot be told by the id, so it is remembered. */
@MappedSuperclass
public abstract class AssignedId<I> implements Persistable<I> {

    @Transient
    private boolean fresh = true;

    @Override
    public boolean isNew() {
        return fresh;
    }

    @PostLoad
    @PostPersist
    void kept() {
        fresh = false;
    }
}
