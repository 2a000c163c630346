package potamos.server.batches;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.batch.Amendment;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.ChoreEvent;
import potamos.core.batch.Fact;
import potamos.core.batch.LookEvent;
import potamos.core.batch.Plan;
import potamos.core.batch.ShelfEvent;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.quantity.Refusal;
import potamos.server.Json;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.coldside.Shelf;
import potamos.server.devices.Devices;
import potamos.server.kitchen.Kitchens;
import potamos.server.larder.Boxes;
import potamos.server.larder.LeftOvers;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.problems.Forbidden;
import potamos.server.problems.NotFound;

/** Logs acts, and says how batches stand. Each act is one transaction: the event, what it changes in the tables made from events, and the note to the screens. */
@Service
public class Batches {

    private static final Duration CLOCKS_MAY_DIFFER = Duration.ofMinutes(2);
    private static final int MOST_EVENTS = 2000;

    private final BatchMapper mapper;
    private final Promises promises;
    private final Kitchens kitchens;
    private final Devices devices;
    private final Shelf shelf;
    private final Boxes boxes;
    private final LeftOvers leftOvers;
    private final KitchenAround kitchenAround;
    private final Drawings drawings;
    private final Changes changes;
    private final KitchenClock clock;
    private final Json json;
    private final Histories histories;

    Batches(
            BatchMapper mapper,
            Promises promises,
            Kitchens kitchens,
            Devices devices,
            Shelf shelf,
            Boxes boxes,
            LeftOvers leftOvers,
            KitchenAround kitchenAround,
            Drawings drawings,
            Changes changes,
            KitchenClock clock,
            Json json,
            Histories histories) {
        this.mapper = mapper;
        this.promises = promises;
        this.kitchens = kitchens;
        this.devices = devices;
        this.shelf = shelf;
        this.boxes = boxes;
        this.leftOvers = leftOvers;
        this.kitchenAround = kitchenAround;
        this.drawings = drawings;
        this.changes = changes;
        this.clock = clock;
        this.json = json;
        this.histories = histories;
    }

    /** A batch as it stands, for whoever needs no more. */
    public record Standing(Plan plan, BatchState state) {}

    /** An act that went in among others which happened after it: how the batch stood without it, and with it. */
    record Inserted(Instant at, BatchState before, BatchState after) {}

    /** A batch that somebody has to look after. */
    public record OpenBatch(String id, int number, Standing standing) {}

    /**
     * A batch as it stands, with its row and its record.
     *
     * @param accepted the plan as it was accepted
     * @param plan     the same with what was weighed since, which is what counts
     */
    record Loaded(
            BatchMapper.BatchRow row,
            Plan accepted,
            Plan plan,
            List<Logged> events,
            BatchState state,
            Optional<Devices.Device> probe) {}

    /**
     * Logs an act. A repeated sending of the same act changes nothing and answers as the first did.
     *
     * @throws Refusal   when it makes no sense, with field, reason and range
     * @throws Forbidden when this person may not do that
     */
    @Transactional
    public Optional<Inserted> log(Person person, String batchId, Act act) {
        BatchMapper.BatchRow row = hold(person, batchId);
        if (known(batchId, act.id())) {
            return Optional.empty();
        }
        List<Logged> logged = histories.of(row.id());
        BatchEvent event = act.event(person.initials(), Logged.events(logged), clock.instant());
        drawings.unlessPaired(logged, event);
        return take(person, row, logged, event);
    }

    /** The same for an act that is an event already. */
    @Transactional
    public void log(Person person, String batchId, BatchEvent event) {
        BatchMapper.BatchRow row = hold(person, batchId);
        if (!known(batchId, event.stamp().id())) {
            take(person, row, histories.of(row.id()), event);
        }
    }

    private BatchMapper.BatchRow hold(Person person, String batchId) {
        return mapper.hold(batchId, person.kitchenId()).orElseThrow(() -> new NotFound("batch"));
    }

    /** Whether this very act was taken before. */
    private boolean known(String batchId, String actId) {
        Optional<String> already = mapper.batchOfEvent(actId);
        if (already.isPresent() && !already.get().equals(batchId)) {
            throw new Conflict("id", "Another act has this id.");
        }
        return already.isPresent();
    }

    private Optional<Inserted> take(Person person, BatchMapper.BatchRow row, List<Logged> logged, BatchEvent told) {
        Instant now = clock.instant();
        Instant at = told.stamp().at();
        if (at.isAfter(now.plus(CLOCKS_MAY_DIFFER))) {
            throw Refusal.of("at", "that time has not come yet");
        }
        if (logged.size() >= MOST_EVENTS) {
            throw Refusal.outside(
                    "act", "this batch has more entries than a batch can have", 0, MOST_EVENTS, "entries");
        }
        Plan plan = histories.plan(row);
        boolean failed = told instanceof Amendment
                && Batch.replay(plan, Logged.events(logged), now).cooling().outcome() == CoolingVerdict.Outcome.FAILED;
        ActRights.require(person, told, logged, failed, now);
        BatchEvent event = told instanceof ChoreEvent.Took took
                ? leftOvers.known(row.kitchenId(), took)
                : drawings.known(row, told);
        Instant until = at.isAfter(now) ? at : now;
        kitchenAround.before(person, row, plan, logged, event, until);
        List<BatchEvent> events = new ArrayList<>(Logged.events(logged));
        Batch.Accepted accepted = Batch.accept(plan, events, event, until);
        events.add(event);
        Plan standing = Batch.standing(plan, events);
        kitchenAround.after(person, row, standing, event, accepted.state());
        Optional<Drawings.Elsewhere> elsewhere = drawings.elsewhere(row, plan, logged, event);
        mapper.insertEvent(new BatchMapper.EventRow(
                row.id(),
                logged.size() + 1,
                event.stamp().id(),
                EventView.kind(event),
                json.write(BatchEvent.class, event),
                at,
                now,
                person.id(),
                person.name()));
        project(row, plan, standing, events, accepted.state());
        changes.noteAct(person.kitchenId(), "batches", row.id(), event.stamp().id());
        elsewhere.ifPresent(other -> log(person, other.batchId(), other.event()));
        if (event instanceof ShelfEvent.Delivered delivered && !delivered.call().isEmpty()) {
            changes.note(person.kitchenId(), "calls", delivered.call());
        }
        if (tellsOfLitres(event)) {
            mapper.calls(row.id()).forEach(call -> changes.note(person.kitchenId(), "calls", call.callId()));
        }
        return accepted.before().map(before -> new Inserted(at, before, accepted.state()));
    }

    /** Whether a call may have become short, or whole again, by it: whoever waits is told at once. */
    private static boolean tellsOfLitres(BatchEvent event) {
        return !(event instanceof LookEvent || event instanceof ChoreEvent)
                || event instanceof ChoreEvent.WeighedIn
                || event instanceof ChoreEvent.Took
                || event instanceof ChoreEvent.Drew;
    }

    /** Everything that the tables tell of a batch beside its events. */
    private void project(
            BatchMapper.BatchRow row, Plan accepted, Plan standing, List<BatchEvent> events, BatchState state) {
        List<Fact> believed = Batch.believed(events);
        mapper.stands(row.id(), state.stage().name());
        promises.renew(row.id(), accepted, state, believed);
        boxes.rebuild(row.kitchenId(), row.id(), believed);
        leftOvers.rebuild(row.kitchenId(), row.id(), believed, standing.charge().contents());
        shelf.rebuild(
                row.kitchenId(),
                kitchens.of(row.kitchenId()).zone(),
                row.id(),
                row.number(),
                standing,
                believed,
                state);
    }

    /** Makes everything that can be rebuilt from the events anew. */
    @Transactional
    public void rebuild(String kitchenId, String batchId) {
        BatchMapper.BatchRow row = mapper.hold(batchId, kitchenId).orElseThrow(() -> new NotFound("batch"));
        Loaded loaded = loaded(row, Map.of());
        project(row, loaded.accepted(), loaded.plan(), Logged.events(loaded.events()), loaded.state());
    }

    /** How a batch stands now. */
    @Transactional(readOnly = true)
    public Standing load(Person person, String batchId) {
        Loaded loaded = whole(person, batchId);
        return new Standing(loaded.plan(), loaded.state());
    }

    /** How a batch stood when the last entry was made: the same however often, and by whomever, it is asked. */
    @Transactional(readOnly = true)
    Loaded asRecorded(Person person, String batchId) {
        person.require(Right.READ);
        BatchMapper.BatchRow row = mapper.byId(batchId, person.kitchenId()).orElseThrow(() -> new NotFound("batch"));
        List<Logged> logged = histories.of(row.id());
        Plan accepted = histories.plan(row);
        Plan plan = Batch.standing(accepted, Logged.events(logged));
        Instant last = logged.stream()
                .map(Logged::recordedAt)
                .max(Comparator.naturalOrder())
                .orElse(plan.accepted());
        return new Loaded(
                row, accepted, plan, logged, Batch.replay(plan, Logged.events(logged), last), Optional.empty());
    }

    @Transactional(readOnly = true)
    Loaded whole(Person person, String batchId) {
        person.require(Right.READ);
        return loaded(
                mapper.byId(batchId, person.kitchenId()).orElseThrow(() -> new NotFound("batch")),
                devices.probesByVessel(person.kitchenId()));
    }

    /** How the batch stands that a vessel is taken by, if one does. */
    @Transactional(readOnly = true)
    public Optional<Standing> inVessel(Person person, String vesselId) {
        person.require(Right.READ);
        return mapper.open(person.kitchenId()).stream()
                .filter(row -> row.vesselId().equals(vesselId))
                .map(row -> loaded(row, Map.of()))
                .filter(loaded -> loaded.state().stage().mayBeInTheVessel())
                .findFirst()
                .map(loaded -> new Standing(loaded.plan(), loaded.state()));
    }

    /** When anything was last recorded anywhere. */
    public Optional<Instant> latestEntry() {
        return Optional.ofNullable(mapper.latestEntry());
    }

    /** Batches that somebody still has to look after. */
    @Transactional(readOnly = true)
    List<Loaded> open(Person person) {
        person.require(Right.READ);
        Map<String, Devices.Device> probes = devices.probesByVessel(person.kitchenId());
        return loaded(mapper.open(person.kitchenId()), probes);
    }

    /** The same for whoever needs no more than how they stand. */
    @Transactional(readOnly = true)
    public List<OpenBatch> standing(Person person) {
        return open(person).stream()
                .map(l -> new OpenBatch(l.row().id(), l.row().number(), new Standing(l.plan(), l.state())))
                .toList();
    }

    @Transactional(readOnly = true)
    List<Loaded> latest(Person person, int before, String words, int most) {
        person.require(Right.READ);
        String sought = words.trim();
        int number = sought.matches("[0-9]{1,9}") ? Integer.parseInt(sought) : -1;
        return loaded(mapper.latest(person.kitchenId(), before, sought, number, most), Map.of());
    }

    private List<Loaded> loaded(List<BatchMapper.BatchRow> rows, Map<String, Devices.Device> probes) {
        Map<String, List<Logged>> logged =
                histories.of(rows.stream().map(BatchMapper.BatchRow::id).toList());
        return rows.stream()
                .map(row -> loaded(row, logged.get(row.id()), probes))
                .toList();
    }

    private Loaded loaded(BatchMapper.BatchRow row, Map<String, Devices.Device> probes) {
        return loaded(row, histories.of(row.id()), probes);
    }

    private Loaded loaded(BatchMapper.BatchRow row, List<Logged> logged, Map<String, Devices.Device> probes) {
        Plan accepted = histories.plan(row);
        Plan plan = Batch.standing(accepted, Logged.events(logged));
        BatchState state = Batch.replay(plan, Logged.events(logged), clock.instant());
        Optional<Devices.Device> probe =
                state.stage().mayBeInTheVessel() ? Optional.ofNullable(probes.get(row.vesselId())) : Optional.empty();
        return new Loaded(row, accepted, plan, logged, state, probe);
    }
}
