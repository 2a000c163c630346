package potamos.server.stations;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.charge.Needs;
import potamos.core.course.Course;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.schedule.Minimum;
import potamos.core.schedule.Standing;
import potamos.server.Joined;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.kitchen.Kitchens;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.problems.NotFound;

/** Calls that come back week by week. For the days ahead each becomes a call like any other, that can be taken back or planned by itself. */
@Service
public class StandingCalls {

    private static final int MOST_SKIPS = 60;

    private final StandingMapper mapper;
    private final Calls calls;
    private final Kitchens kitchens;
    private final OnHand onHand;
    private final Changes changes;
    private final KitchenClock clock;

    StandingCalls(
            StandingMapper mapper, Calls calls, Kitchens kitchens, OnHand onHand, Changes changes, KitchenClock clock) {
        this.onHand = onHand;
        this.mapper = mapper;
        this.calls = calls;
        this.kitchens = kitchens;
        this.changes = changes;
        this.clock = clock;
    }

    /**
     * One of them.
     *
     * @param onHand whether its litres are to stand in the cold, so that only what lacks is asked for
     * @param leftOut days ahead on which it would be wanted otherwise
     * @param next when it is wanted next; nothing where that is further off than anybody looks
     */
    public record Pattern(
            String id,
            String stationId,
            String stationName,
            String formulaName,
            double litres,
            Standing standing,
            List<LocalDate> leftOut,
            Needs needs,
            String note,
            boolean onHand,
            Optional<Instant> next) {}

    /** Those of a kitchen; a station sees only its own. */
    public List<Pattern> all(Person person) {
        person.requireALook();
        ZoneId zone = kitchens.of(person.kitchenId()).zone();
        Instant now = clock.instant();
        return mapper.all(person.kitchenId(), person.stationId()).stream()
                .map(row -> {
                    Standing standing = standing(row);
                    return new Pattern(
                            row.id(),
                            row.stationId(),
                            row.stationName(),
                            row.formulaName(),
                            row.litres(),
                            standing,
                            standing.leftOut(now, lastDay(now, zone).plusDays(MOST_SKIPS), zone),
                            Stations.needs(row.without(), row.needs()),
                            row.note(),
                            row.onHand(),
                            standing.from(now, lastDay(now, zone), zone).stream()
                                    .map(Standing.Wanted::by)
                                    .findFirst());
                })
                .toList();
    }

    /**
     * Asks for litres on some weekdays, from now on.
     *
     * @param id     made by the client; asking twice with the same one asks once
     * @param onHand whether so many are to stand in the cold, and only what lacks is asked for
     */
    @Transactional
    public void ask(
            Person person,
            String id,
            String stationId,
            String formulaSlug,
            double litres,
            Standing standing,
            Needs needs,
            String note,
            boolean onHand) {
        Calls.Asker asker = calls.mayAsk(person, stationId, formulaSlug, litres, needs, note);
        String station = asker.station().id();
        mapper.insert(
                new StandingMapper.Row(
                        id,
                        person.kitchenId(),
                        station,
                        "",
                        formulaSlug,
                        "",
                        litres,
                        Joined.written(standing.days()),
                        standing.by().toString(),
                        Joined.written(standing.skips()),
                        Joined.written(asker.needs().without()),
                        Joined.written(asker.needs().needs()),
                        note.trim(),
                        person.id(),
                        onHand),
                clock.instant());
        StandingMapper.Row row = mine(person, id);
        if (!row.stationId().equals(station)) {
            throw new Conflict("id", "Another call has this id.");
        }
        become(row);
    }

    /** Leaves a day out, or takes it in again. What is being made already stands. */
    @Transactional
    public void skip(Person person, String id, LocalDate day, boolean skipped) {
        person.require(Right.ASK);
        StandingMapper.Row row = mine(person, id);
        Instant now = clock.instant();
        LocalDate today = kitchens.of(row.kitchenId()).day(now);
        if (day.isBefore(today)) {
            throw Refusal.of("day", "that day is already past");
        }
        Standing after = standing(row).since(today).skipping(day, skipped);
        if (after.skips().size() > MOST_SKIPS) {
            throw Refusal.of("day", "at most " + MOST_SKIPS + " days are left out");
        }
        mapper.skip(id, Joined.written(after.skips()));
        if (skipped) {
            mapper.takeBack(id, day, now);
        } else {
            mapper.askAgain(id, day, now);
        }
        become(mine(person, id));
        changes.note(person.kitchenId(), "calls", id);
    }

    /** It comes back no more; what is being made for it already stands. */
    @Transactional
    public void end(Person person, String id) {
        person.require(Right.ASK);
        StandingMapper.Row row = mine(person, id);
        Instant now = clock.instant();
        mapper.end(row.id(), now);
        mapper.takeBack(row.id(), null, now);
        changes.note(person.kitchenId(), "calls", id);
    }

    /** Makes the calls of every kitchen that the days have come for. */
    @Transactional
    public void becomeAll() {
        mapper.kitchens().forEach(this::become);
    }

    /** The same of one kitchen. */
    void become(String kitchenId) {
        mapper.all(kitchenId, null).forEach(this::become);
    }

    private void become(StandingMapper.Row row) {
        if (row.onHand()) {
            fillUp(row);
        } else {
            becomeCalls(row);
        }
    }

    /** Asks for what lacks of what is to stand in the cold, for the first of its days that is far enough ahead and has not been asked for. */
    private void fillUp(StandingMapper.Row row) {
        ZoneId zone = kitchens.of(row.kitchenId()).zone();
        Instant now = clock.instant();
        if (mapper.stands(row.id(), now) > 0) {
            changes.note(row.kitchenId(), "calls", row.id());
        }
        Set<LocalDate> there = mapper.days(row.id());
        standing(row).from(now.plus(Minimum.AHEAD), lastDay(now, zone), zone).stream()
                .filter(wanted -> !there.contains(wanted.day()))
                .findFirst()
                .ifPresent(wanted -> {
                    Volume asks = new Minimum(Volume.ofLitres(row.litres()))
                            .asks(
                                    Volume.ofLitres(onHand.litres(row.kitchenId(), row.formulaSlug(), wanted.day())),
                                    Volume.ofLitres(mapper.coming(row.id())));
                    if (asks.litres() > 0) {
                        mapper.becomes(
                                row, asks.litres(), UUID.randomUUID().toString(), wanted.day(), wanted.by(), now);
                        changes.note(row.kitchenId(), "calls", row.id());
                    }
                });
    }

    private void becomeCalls(StandingMapper.Row row) {
        ZoneId zone = kitchens.of(row.kitchenId()).zone();
        Instant now = clock.instant();
        Set<LocalDate> there = mapper.days(row.id());
        List<Standing.Wanted> missing = standing(row).from(now, lastDay(now, zone), zone).stream()
                .filter(wanted -> !there.contains(wanted.day()))
                .toList();
        missing.forEach(wanted ->
                mapper.becomes(row, row.litres(), UUID.randomUUID().toString(), wanted.day(), wanted.by(), now));
        if (!missing.isEmpty()) {
            changes.note(row.kitchenId(), "calls", row.id());
        }
    }

    private static LocalDate lastDay(Instant now, ZoneId zone) {
        return now.atZone(zone).toLocalDate().plusDays(Course.MOST_DAYS);
    }

    private StandingMapper.Row mine(Person person, String id) {
        return mapper.byId(id, person.kitchenId())
                .filter(row -> person.stationId() == null || person.stationId().equals(row.stationId()))
                .orElseThrow(() -> new NotFound("standing call"));
    }

    private static Standing standing(StandingMapper.Row row) {
        return new Standing(
                Joined.read(row.days(), DayOfWeek::valueOf),
                LocalTime.parse(row.byTime()),
                Joined.read(row.skips(), LocalDate::parse));
    }
}
