package potamos.server.stations;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.core.safety.Allergen;
import potamos.core.schedule.Planner;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.formulas.Formulas;
import potamos.server.kitchen.Kitchens;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.problems.NotFound;

/** What stations ask for, and what has become of it. */
@Service
public class Calls {

    private static final Duration LOOK_BACK = Duration.ofDays(2);
    private static final double LEAST_L = 0.5;
    private static final double MOST_L = 300;

    /** A jug is not read finer than this, so a call short by less is met. */
    private static final double NEAR_L = 0.05;

    private final CallMapper mapper;
    private final Formulas formulas;
    private final Kitchens kitchens;
    private final Changes changes;
    private final KitchenClock clock;

    Calls(CallMapper mapper, Formulas formulas, Kitchens kitchens, Changes changes, KitchenClock clock) {
        this.mapper = mapper;
        this.formulas = formulas;
        this.kitchens = kitchens;
        this.changes = changes;
        this.clock = clock;
    }

    /** What has become of a call. */
    public enum Status {
        OPEN,
        PLANNED,
        PARTLY_MET,
        MET,
        WITHDRAWN
    }

    /** A call. */
    public record Call(
            String id,
            String stationId,
            String stationName,
            String formulaSlug,
            String formulaName,
            double litres,
            Instant readyBy,
            Set<Allergen> without,
            String note,
            String askedBy,
            Instant askedAt,
            double deliveredL,
            Optional<String> batchId,
            Status status) {

        /** Litres still owed. */
        public double openL() {
            return Math.max(0, litres - deliveredL);
        }
    }

    /**
     * Asks for litres.
     *
     * @param id        made by the client; asking twice with the same one asks once
     * @param stationId for a person of a station always their own
     */
    @Transactional
    public void ask(
            Person person,
            String id,
            String stationId,
            String formulaSlug,
            double litres,
            Instant readyBy,
            Set<Allergen> without,
            String note) {
        person.require(Role.Right.ASK);
        if (person.stationId() != null
                && stationId != null
                && !person.stationId().equals(stationId)) {
            throw new NotFound("station");
        }
        String station = person.stationId() != null ? person.stationId() : stationId;
        if (station == null) {
            throw Refusal.of("stationId", "which station is it for");
        }
        kitchens.station(person.kitchenId(), station);
        Formula formula = formulas.of(person.kitchenId(), formulaSlug);
        Refusal.unlessWithin("litres", litres, LEAST_L, MOST_L, "L");
        Instant now = clock.instant();
        if (!readyBy.isAfter(now)) {
            throw Refusal.of("readyBy", "that time is already past");
        }
        Planner.unlessFarAhead("readyBy", readyBy, now);
        if (note.length() > 300) {
            throw Refusal.outside("note", "too long", 0, 300, "characters");
        }
        formula.refusedWithout(without).ifPresent(reason -> {
            throw Refusal.of("without", reason);
        });
        // Sent twice, also at once, it is asked once; the second finds the first.
        mapper.insert(
                id,
                person.kitchenId(),
                station,
                formulaSlug,
                litres,
                readyBy,
                without.stream().map(Enum::name).sorted().collect(Collectors.joining(",")),
                note.trim(),
                person.id(),
                now);
        mapper.byId(id, person.kitchenId())
                .filter(row -> row.stationId().equals(station))
                .orElseThrow(() -> new Conflict("id", "Another call has this id."));
        changes.note(person.kitchenId(), "calls", id);
    }

    /** Calls from two days ago on; a station sees only its own. */
    public List<Call> all(Person person) {
        person.requireALook();
        return mapper
                .since(person.kitchenId(), person.stationId(), clock.instant().minus(LOOK_BACK))
                .stream()
                .map(Calls::call)
                .toList();
    }

    /** One call, if it is this person's to see. */
    public Call of(Person person, String id) {
        person.requireALook();
        return mapper.byId(id, person.kitchenId())
                .filter(row -> person.stationId() == null || person.stationId().equals(row.stationId()))
                .map(Calls::call)
                .orElseThrow(() -> new NotFound("call"));
    }

    @Transactional
    public void withdraw(Person person, String id) {
        person.require(Role.Right.ASK);
        Call call = of(person, id);
        if (call.status() != Status.OPEN && call.status() != Status.WITHDRAWN) {
            throw new Conflict("call", "It is being made already. Speak to the stock cook.");
        }
        mapper.withdraw(id, clock.instant());
        changes.note(person.kitchenId(), "calls", id);
    }

    private static Call call(CallMapper.CallRow row) {
        Set<Allergen> without = Arrays.stream(row.without().split(","))
                .filter(word -> !word.isEmpty())
                .map(Allergen::valueOf)
                .collect(Collectors.toSet());
        return new Call(
                row.id(),
                row.stationId(),
                row.stationName(),
                row.formulaSlug(),
                row.formulaName(),
                row.litres(),
                row.readyBy(),
                without,
                row.note(),
                row.askedBy(),
                row.askedAt(),
                row.deliveredL(),
                Optional.ofNullable(row.batchId()),
                status(row));
    }

    private static Status status(CallMapper.CallRow row) {
        if (row.withdrawnAt() != null) {
            return Status.WITHDRAWN;
        }
        if (row.deliveredL() >= row.litres() - NEAR_L) {
            return Status.MET;
        }
        if (row.deliveredL() > 0) {
            return Status.PARTLY_MET;
        }
        return row.batchId() == null ? Status.OPEN : Status.PLANNED;
    }
}
