package potamos.server.devices;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.probe.Sample;
import potamos.core.probe.Thinning;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.accounts.Secrets;
import potamos.server.kitchen.Kitchens;
import potamos.server.problems.NotFound;

/** Devices of a kitchen: making them, taking in what they report, and what the latest of it is. */
@Service
public class Devices {

    private static final int MOST_DEVICES = 250;
    static final int MOST_READINGS = 600;

    /** A device that has not reported for so long is said to be silent. */
    private static final Duration SILENT_AFTER = Duration.ofSeconds(90);

    static final Duration CLOCKS_MAY_DIFFER = Duration.ofMinutes(2);
    /** A device without a connection may keep its readings for long, and one without a battery begins at the beginning of time. */
    private static final Duration LONGEST_AGO = Duration.ofDays(366);

    private static final int DELETED_AT_ONCE = 500;

    private final DeviceMapper mapper;
    private final Intake intake;
    private final Kitchens kitchens;
    private final KitchenClock clock;

    /** A device reports every second, and its token changes hardly ever. */
    private final Cache<String, Optional<Caller>> callers = Caffeine.newBuilder()
            .maximumSize(2000)
            .expireAfterWrite(Duration.ofSeconds(20))
            .build();

    Devices(DeviceMapper mapper, Intake intake, Kitchens kitchens, KitchenClock clock) {
        this.mapper = mapper;
        this.intake = intake;
        this.kitchens = kitchens;
        this.clock = clock;
    }

    /** What a device measures, in what, and between which figures it can be believed. */
    public enum Kind {
        PROBE(-40, 130, "°C"),
        SCALE(0, 600, "kg");

        private final double low;
        private final double high;
        private final String unit;

        Kind(double low, double high, String unit) {
            this.low = low;
            this.high = high;
            this.unit = unit;
        }
    }

    /** Which device calls. */
    record Caller(String deviceId, Kind kind) {}

    /** A device with its latest reading. */
    public record Device(
            String id, String name, Kind kind, Optional<String> vesselId, Optional<Sample> latest, boolean silent) {}

    /** A device just made, and its token, told this once. */
    record Made(String id, String token) {}

    /** A reading that was not taken: its place in what was sent, and why. */
    record NotTaken(int index, String reason, double low, double high, String unit) {}

    /**
     * What became of what was sent.
     *
     * @param taken    new
     * @param known    there already
     * @param notTaken each with its reason
     */
    record Taken(int taken, int known, List<NotTaken> notTaken) {}

    /** Makes a device; its token is told this once. */
    @Transactional
    Made make(Person person, String name, Kind kind, String vesselId) {
        String token = Secrets.fresh();
        return new Made(keep(person, name, kind, vesselId, token), token);
    }

    /** Keeps a device whose token is known beforehand, as the demo's. */
    @Transactional
    public String keep(Person person, String name, Kind kind, String vesselId, String token) {
        person.require(Right.SET_UP);
        if (name == null || name.isBlank() || name.length() > 40) {
            throw Refusal.outside("name", "too short or too long", 1, 40, "characters");
        }
        if (mapper.all(person.kitchenId()).size() >= MOST_DEVICES) {
            throw Refusal.outside("name", "too many devices; take one out first", 0, MOST_DEVICES, "devices");
        }
        own(person, vesselId);
        String id = UUID.randomUUID().toString();
        mapper.insert(new DeviceMapper.DeviceRow(
                id,
                person.kitchenId(),
                name.trim(),
                kind.name(),
                vesselId,
                Secrets.hash(token),
                clock.instant(),
                null,
                null));
        return id;
    }

    private void own(Person person, String vesselId) {
        boolean known = vesselId == null
                || kitchens.vessels(person.kitchenId()).stream().anyMatch(v -> v.id().equals(vesselId));
        if (!known) {
            throw new NotFound("vessel");
        }
    }

    /** Puts a device into another vessel, or into none. */
    @Transactional
    void attach(Person person, String id, String vesselId) {
        person.require(Right.ACT);
        own(person, vesselId);
        if (mapper.attach(id, person.kitchenId(), vesselId) == 0) {
            throw new NotFound("device");
        }
    }

    @Transactional
    void revoke(Person person, String id) {
        person.require(Right.SET_UP);
        if (mapper.revoke(id, person.kitchenId(), clock.instant()) == 0) {
            throw new NotFound("device");
        }
        callers.invalidateAll();
    }

    public List<Device> all(Person person) {
        person.require(Right.READ);
        return ofKitchen(person.kitchenId());
    }

    List<Device> ofKitchen(String kitchenId) {
        Instant now = clock.instant();
        return mapper.all(kitchenId).stream()
                .map(row -> new Device(
                        row.id(),
                        row.name(),
                        Kind.valueOf(row.kind()),
                        Optional.ofNullable(row.vesselId()),
                        Optional.ofNullable(row.lastAt()).map(at -> new Sample(at, row.lastValue())),
                        row.lastAt() == null || row.lastAt().isBefore(now.minus(SILENT_AFTER))))
                .toList();
    }

    /** The probe of each vessel that has one. */
    public Map<String, Device> probesByVessel(String kitchenId) {
        Map<String, Device> probes = new HashMap<>();
        for (Device device : ofKitchen(kitchenId)) {
            if (device.kind() == Kind.PROBE && device.latest().isPresent()) {
                device.vesselId().ifPresent(vessel -> probes.putIfAbsent(vessel, device));
            }
        }
        return probes;
    }

    /** Whose token this is; empty when nobody's, or taken out. */
    Optional<Caller> caller(String token) {
        return callers.get(
                Secrets.hash(token),
                hash -> mapper.byHash(hash).map(row -> new Caller(row.id(), Kind.valueOf(row.kind()))));
    }

    /**
     * Takes readings in: late ones, out of their order, and some that were sent before. What cannot be is not taken, and the rest is.
     *
     * @param samples up to 600
     */
    Taken take(Caller caller, List<Sample> samples) {
        Refusal.unlessWithin("readings", samples.size(), 1, MOST_READINGS, "readings");
        Instant latest = clock.instant().plus(CLOCKS_MAY_DIFFER);
        Instant earliest = clock.instant().minus(LONGEST_AGO);
        Kind kind = caller.kind();
        List<Sample> good = new ArrayList<>();
        List<NotTaken> notTaken = new ArrayList<>();
        Set<Instant> moments = new HashSet<>();
        for (int i = 0; i < samples.size(); i++) {
            Sample sample = samples.get(i);
            if (!(sample.value() >= kind.low && sample.value() <= kind.high)) {
                notTaken.add(new NotTaken(i, "no such thing is read in a kitchen", kind.low, kind.high, kind.unit));
            } else if (sample.at().isAfter(latest)) {
                notTaken.add(new NotTaken(i, "that time has not come yet: set the device's clock", 0, 0, ""));
            } else if (sample.at().isBefore(earliest)) {
                notTaken.add(new NotTaken(i, "longer ago than a year: set the device's clock", 0, 0, ""));
            } else if (moments.add(sample.at())) {
                good.add(sample);
            }
        }
        if (good.isEmpty()) {
            return new Taken(0, samples.size() - notTaken.size(), notTaken);
        }
        int fresh = written(caller, good);
        return new Taken(fresh, samples.size() - notTaken.size() - fresh, notTaken);
    }

    /** A device may have been taken out on another instance since it was last looked up here. */
    private int written(Caller caller, List<Sample> samples) {
        try {
            return intake.write(caller.deviceId(), samples);
        } catch (NotFound gone) {
            callers.invalidateAll();
            throw gone;
        }
    }

    /** Takes a reading in from a device of this very program. */
    public void report(String deviceId, Kind kind, Sample sample) {
        take(new Caller(deviceId, kind), List.of(sample));
    }

    /** Readings of a device over a stretch of time, oldest first. */
    List<Sample> readings(Person person, String id, Instant from, Instant to) {
        person.require(Right.READ);
        if (from.isAfter(to)
                || from.isBefore(to.minus(LONGEST_AGO))
                || to.isAfter(clock.instant().plus(LONGEST_AGO))) {
            throw Refusal.of("from", "up to a year, before its end");
        }
        return mapper.readings(mapper.own(id, person.kitchenId()).orElseThrow(() -> new NotFound("device")), from, to);
    }

    /**
     * Thins what is older than two hours, back to a day before; see {@link Thinning}.
     *
     * @return how many readings went
     */
    @Transactional
    int thin(String deviceId) {
        Instant to = Thinning.wholeSince(clock.instant());
        List<Sample> old = mapper.readings(deviceId, to.minus(Duration.ofDays(1)), to);
        Set<Sample> kept = new HashSet<>(Thinning.keep(old, Thinning.STRETCH));
        List<Instant> gone =
                old.stream().filter(s -> !kept.contains(s)).map(Sample::at).toList();
        for (int i = 0; i < gone.size(); i += DELETED_AT_ONCE) {
            mapper.delete(deviceId, gone.subList(i, Math.min(gone.size(), i + DELETED_AT_ONCE)));
        }
        return gone.size();
    }

    List<String> everyId() {
        return mapper.everyId();
    }
}
