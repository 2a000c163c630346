package potamos.server.devices;

import net.javacrumbs.shedlock.spring.annotation.SchedulerLock;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Thins old readings, device by device, so that no transaction is long. */
@Component
public class Thinner {

    private final Devices devices;

    Thinner(Devices devices) {
        this.devices = devices;
    }

    @SchedulerLock(name = "thin-readings")
    @Scheduled(cron = "0 */10 * * * *")
    public void thin() {
        devices.everyId().forEach(devices::thin);
    }
}
