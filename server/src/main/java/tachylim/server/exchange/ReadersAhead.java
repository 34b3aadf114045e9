package tachylim.server.exchange;

import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import tachylim.notation.Format;

/** Gets the readers ready once the pages can be served, so that the first file of the day is read as quickly as the next. */
@Component
class ReadersAhead {

    @EventListener(ApplicationReadyEvent.class)
    void prepare() {
        Thread behind = new Thread(Format::prepare, "readers-ahead");
        behind.setDaemon(true);
        behind.setPriority(Thread.MIN_PRIORITY);
        behind.start();
    }
}
