package potamos.server.live;

import net.javacrumbs.shedlock.spring.annotation.SchedulerLock;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** What was told a day ago nobody asks for any more. */
@Component
public class OldChanges {

    private final Changes changes;

    OldChanges(Changes changes) {
        this.changes = changes;
    }

    @SchedulerLock(name = "forget-old-changes")
    @Scheduled(cron = "0 30 3 * * *")
    public void forget() {
        changes.forgetOld();
    }
}
