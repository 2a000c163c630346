package potamos.server;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Component;

/** The time that the application goes by: the machine's, moved by an offset only in the demo. */
@Component
public class KitchenClock extends Clock {

    private final AtomicReference<Duration> machineOffset = new AtomicReference<>(Duration.ZERO);
    private final AtomicReference<Duration> offset = new AtomicReference<>(Duration.ZERO);

    /** Moves the clock so that it now shows a moment. */
    public void show(Instant moment) {
        offset.set(Duration.between(Instant.now(), moment));
    }

    /** Moves the clock on. */
    public void advance(Duration by) {
        offset.updateAndGet(before -> before.plus(by));
    }

    /** Now, to the millisecond, as the database keeps it. */
    @Override
    public Instant instant() {
        return Instant.ofEpochMilli(Instant.now().plus(offset.get()).toEpochMilli());
    }

    /** The machine's own time, by which sessions end, whatever the demo's clock shows. */
    public Instant machine() {
        return Instant.ofEpochMilli(Instant.now().plus(machineOffset.get()).toEpochMilli());
    }

    /** Sets the machine's own time off from what it is, as a wrong clock would. */
    public void setMachineOff(Duration by) {
        machineOffset.set(by);
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return Clock.offset(Clock.system(zone), offset.get());
    }
}
