package potamos.server.batches;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.Expectation;
import potamos.core.batch.NotYet;
import potamos.core.batch.Outlook;
import potamos.core.batch.Plan;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.Roasting;
import potamos.core.cooling.IceBin;
import potamos.core.course.Attendance;
import potamos.core.course.Busy;
import potamos.core.course.Lot;
import potamos.core.course.Unattended;
import potamos.core.course.Use;
import potamos.core.flow.Run;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;
import potamos.core.safety.Keeping;
import potamos.server.KitchenClock;
import potamos.server.charges.Supposing;
import potamos.server.charges.UnderWay;
import potamos.server.courses.Running;
import potamos.server.kitchen.Kitchens;
import potamos.server.kitchen.Kitchens.Thing;

/**
 * Open batches as whatever is planned beside them has to take them, with their outlook as replayed: what they have of the kitchen for the rest of their
 * stages, and what they are expected to give beyond the call that they are made for.
 */
@Component
class RunningBatches implements Running, UnderWay {

    private static final double LEAST_L = 0.25;

    private final BatchMapper mapper;
    private final Histories histories;
    private final Kitchens kitchens;
    private final KitchenClock clock;

    RunningBatches(BatchMapper mapper, Histories histories, Kitchens kitchens, KitchenClock clock) {
        this.mapper = mapper;
        this.histories = histories;
        this.kitchens = kitchens;
        this.clock = clock;
    }

    /** A batch, and how it stands. */
    private record Open(BatchMapper.BatchRow row, Plan plan, BatchState state, Outlook outlook) {}

    private List<Open> open(String kitchenId, Supposing supposing) {
        List<BatchMapper.BatchRow> rows = mapper.open(kitchenId).stream()
                .filter(row -> !supposing.aside().contains(row.id()))
                .toList();
        Map<String, List<Logged>> logged =
                histories.of(rows.stream().map(BatchMapper.BatchRow::id).toList());
        Instant now = clock.instant();
        return rows.stream()
                .map(row -> {
                    List<BatchEvent> events = Logged.events(logged.get(row.id()));
                    Plan plan = Batch.standing(histories.plan(row), events);
                    Optional<Duration> longer =
                            Optional.ofNullable(supposing.longer().get(row.id()));
                    BatchState state = Batch.replay(
                            plan,
                            longer.map(by -> NotYet.supposed(events, now, by)).orElse(events),
                            now);
                    return new Open(row, plan, state, Outlook.of(plan, state));
                })
                .toList();
    }

    @Override
    public Busy busy(String kitchenId, Supposing supposing) {
        Map<String, String> vessels = names(kitchens.vessels(kitchenId));
        Map<String, String> burners = names(kitchens.burners(kitchenId));
        Optional<String> oven = kitchens.ovens(kitchenId).stream().findFirst().map(Thing::name);
        Unattended unattended = kitchens.of(kitchenId).unattended();
        List<Open> all = open(kitchenId, supposing);
        return new Busy(
                all.stream()
                        .flatMap(open -> taken(open, vessels, burners, oven))
                        .toList(),
                all.stream().flatMap(open -> ice(open).stream()).toList(),
                all.stream()
                        .flatMap(open ->
                                Attendance.of(
                                        open.plan().charge().formula(),
                                        open.outlook().timeline(),
                                        unattended)
                                        .stream())
                        .toList(),
                List.of());
    }

    /** By the names that things have today. */
    private static Stream<Use> taken(
            Open open, Map<String, String> vessels, Map<String, String> burners, Optional<String> anyOven) {
        Charge charge = open.plan().charge();
        Optional<String> burner = Optional.ofNullable(open.row().burnerId()).map(burners::get);
        Optional<String> oven = anyOven.filter(name -> charge.run().heat() == Run.Heat.OVEN);
        Timeline ahead = open.outlook().timeline();
        return Stream.concat(
                        Use.of(charge, ahead, burner, oven).stream(),
                        Use.cooled(open.plan().into(), open.plan().cooling().medium(), ahead).stream())
                .map(use -> use.kind() == Use.Kind.VESSEL
                        ? use.called(vessels.getOrDefault(open.row().vesselId(), use.name()))
                        : use);
    }

    /** For baths that are not made ready yet. */
    private static Optional<IceBin.Use> ice(Open open) {
        return open.outlook()
                .timeline()
                .step(Stage.COOL)
                .filter(cool -> open.state().cooling().began().isEmpty())
                .flatMap(cool -> open.plan().ice().map(ice -> new IceBin.Use(cool.from(), ice)));
    }

    private static <T> Map<String, String> names(List<Thing<T>> things) {
        return things.stream().collect(Collectors.toMap(Thing::id, Thing::name));
    }

    @Override
    public List<Running.Standing> of(String kitchenId, Supposing supposing) {
        ZoneId zone = kitchens.of(kitchenId).zone();
        Map<String, Map<String, Double>> promised = mapper.promisedOpen(kitchenId).stream()
                .collect(Collectors.groupingBy(
                        BatchMapper.PromisedRow::batchId,
                        Collectors.toMap(BatchMapper.PromisedRow::callId, BatchMapper.PromisedRow::litres)));
        return open(kitchenId, supposing).stream()
                .map(open -> running(open, promised.getOrDefault(open.row().id(), Map.of()), zone))
                .toList();
    }

    private static Running.Standing running(Open open, Map<String, Double> promised, ZoneId zone) {
        BatchMapper.BatchRow row = open.row();
        Plan plan = open.plan();
        BatchState state = open.state();
        Formula formula = plan.charge().formula();
        Instant ready = open.outlook().ready();
        // What is put away of it already stands on the shelf, and serves its calls first.
        double putAway = state.shelf().left().litres();
        double expected = state.shelf().lots().isEmpty()
                ? Expectation.litresOut(plan, state).mid()
                : Expectation.notPutAway(state).litres();
        double calls = promised.values().stream().mapToDouble(litres -> litres).sum();
        double spare = expected - Math.max(0, calls - putAway);
        Lot lot = new Lot(
                Running.Standing.lot(row.number()),
                formula.slug(),
                Volume.ofLitres(Math.max(0, spare)),
                ready,
                Keeping.coldUntil(ready, formula.coldDays(), plan.limits(), zone),
                plan.charge().contents());
        boolean counted = spare >= LEAST_L
                && state.cooling().verdict().stream()
                        .noneMatch(verdict -> verdict.overall().fails());
        Optional<Running.Place> place = state.path().isEmpty()
                ? Optional.of(new Running.Place(
                        row.vesselId(),
                        Optional.ofNullable(row.burnerId()),
                        plan.charge().roasting().map(Roasting::oven),
                        open.outlook().timeline().start(),
                        plan.readyBy()))
                : Optional.empty();
        return new Running.Standing(
                row.id(),
                row.number(),
                plan.charge().run().vessel().name(),
                formula,
                open.outlook().timeline(),
                expected,
                plan.cooling().chiller(),
                promised,
                Optional.of(lot).filter(l -> counted),
                place);
    }
}
