package potamos.server.devices;

import jakarta.annotation.PreDestroy;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.stream.Collectors;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import potamos.core.probe.Sample;
import potamos.server.KitchenClock;
import potamos.server.problems.NotFound;
import potamos.server.problems.TooMany;

/**
 * Writes what many devices send at once together: whatever comes in during a moment, or while the last write is under way, goes with the
 * next. Two hundred probes that report every second so cost a few dozen writes a second and not four hundred. A caller has its answer when its readings are written, and not before.
 */
@Component
class Intake {

    private static final int MOST_WAITING = 1000;

    /** For others to come and go along. A write costs the same for one reading as for twenty, and nobody waits for a probe. */
    private static final long GATHERING_MS = 20;

    /** So many devices in one write; with the most readings of each it stays within what a statement may hold. */
    private static final int TOGETHER = 100;

    private static final int MOST_READINGS = 2 * Devices.MOST_READINGS;

    private final DeviceMapper mapper;
    private final TransactionTemplate transaction;
    private final KitchenClock clock;
    private final BlockingQueue<Delivery> waiting = new LinkedBlockingQueue<>(MOST_WAITING);
    private final Thread writer = new Thread(this::writeOn, "device-intake");

    /** Taken out of what waits, and not written yet. */
    private Delivery first;

    Intake(DeviceMapper mapper, PlatformTransactionManager transactions, KitchenClock clock) {
        this.clock = clock;
        this.mapper = mapper;
        this.transaction = new TransactionTemplate(transactions);
        writer.setDaemon(true);
        writer.start();
    }

    /** A reading with its device, as it is stored: to the millisecond. */
    record Reading(String deviceId, Instant at, double value) {}

    private record Delivery(String deviceId, List<Reading> readings, CompletableFuture<Integer> fresh) {}

    private record Key(String deviceId, Instant at) {}

    /**
     * Writes readings of a device; waits until they are.
     *
     * @return how many were new
     * @throws TooMany when more wait than could be written soon
     */
    int write(String deviceId, List<Sample> samples) {
        List<Reading> readings = samples.stream()
                .map(s -> new Reading(deviceId, s.at().truncatedTo(ChronoUnit.MILLIS), s.value()))
                .toList();
        Delivery delivery = new Delivery(deviceId, readings, new CompletableFuture<>());
        if (!waiting.offer(delivery)) {
            throw new TooMany("Too many readings at once; send them again in a moment.", 1);
        }
        try {
            return delivery.fresh().join();
        } catch (CompletionException failed) {
            if (failed.getCause() instanceof RuntimeException cause) {
                throw cause;
            }
            throw failed;
        }
    }

    @PreDestroy
    void stop() throws InterruptedException {
        writer.interrupt();
        writer.join();
    }

    private void writeOn() {
        try {
            while (true) {
                write(gathered());
            }
        } catch (InterruptedException stopped) {
            List<Delivery> left = new ArrayList<>();
            waiting.drainTo(left);
            Optional.ofNullable(first).ifPresent(left::add);
            left.forEach(d -> d.fresh().completeExceptionally(new TooMany("The server is stopping.", 5)));
        }
    }

    /** What waits a moment after the first of it came, as far as it fits into one write. */
    private List<Delivery> gathered() throws InterruptedException {
        if (first == null) {
            first = waiting.take();
        }
        Thread.sleep(GATHERING_MS);
        List<Delivery> together = new ArrayList<>();
        int readings = 0;
        while (first != null && together.size() < TOGETHER) {
            readings += first.readings().size();
            if (readings > MOST_READINGS && !together.isEmpty()) {
                break;
            }
            together.add(first);
            first = waiting.poll();
        }
        return together;
    }

    private void write(List<Delivery> together) {
        try {
            List<Delivery> ofDevicesInUse = inUse(together);
            if (ofDevicesInUse.isEmpty()) {
                return;
            }
            List<Integer> fresh = transaction.execute(status -> store(ofDevicesInUse));
            for (int i = 0; i < ofDevicesInUse.size(); i++) {
                ofDevicesInUse.get(i).fresh().complete(fresh.get(i));
            }
        } catch (DataIntegrityViolationException one) {
            // One of them cannot be written, as when its device has just gone; the others are not to suffer for it.
            if (together.size() == 1) {
                together.get(0).fresh().completeExceptionally(one);
            } else {
                together.forEach(delivery -> write(List.of(delivery)));
            }
        } catch (RuntimeException | Error failed) {
            // Whoever waits is told, and the next write is tried: a writer that ends would leave all devices waiting
            // for ever.
            together.forEach(delivery -> delivery.fresh().completeExceptionally(failed));
        }
    }

    /** Those of devices that nobody has taken out; the others are told. */
    private List<Delivery> inUse(List<Delivery> together) {
        Set<String> known =
                mapper.inUse(together.stream().map(Delivery::deviceId).collect(Collectors.toSet()));
        together.stream()
                .filter(delivery -> !known.contains(delivery.deviceId()))
                .forEach(delivery -> delivery.fresh().completeExceptionally(new NotFound("device")));
        return together.stream()
                .filter(delivery -> known.contains(delivery.deviceId()))
                .toList();
    }

    /** How many of each delivery were new. */
    private List<Integer> store(List<Delivery> together) {
        List<Reading> all =
                together.stream().flatMap(d -> d.readings().stream()).toList();
        Set<Key> known = new HashSet<>();
        mapper.known(all).forEach(r -> known.add(new Key(r.deviceId(), r.at())));
        List<Reading> toWrite = new ArrayList<>();
        Map<String, Reading> latest = new HashMap<>();
        List<Integer> fresh = new ArrayList<>();
        for (Delivery delivery : together) {
            int count = 0;
            for (Reading reading : delivery.readings()) {
                if (known.add(new Key(reading.deviceId(), reading.at()))) {
                    toWrite.add(reading);
                    count++;
                }
                latest.merge(reading.deviceId(), reading, (a, b) -> b.at().isAfter(a.at()) ? b : a);
            }
            fresh.add(count);
        }
        if (!toWrite.isEmpty()) {
            mapper.insertReadings(toWrite);
        }
        mapper.latest(List.copyOf(latest.values()), clock.instant().plus(Devices.CLOCKS_MAY_DIFFER));
        return fresh;
    }
}
