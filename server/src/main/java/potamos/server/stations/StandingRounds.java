package potamos.server.stations;

import net.javacrumbs.shedlock.spring.annotation.SchedulerLock;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Standing calls become calls as the days come. */
@Component
public class StandingRounds {

    private final StandingCalls standing;

    StandingRounds(StandingCalls standing) {
        this.standing = standing;
    }

    @SchedulerLock(name = "standing-calls")
    @Scheduled(cron = "30 */5 * * * *")
    public void goRound() {
        standing.becomeAll();
    }
}
