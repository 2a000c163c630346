package potamos.server.batches;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.Expectation;
import potamos.core.batch.Outlook;
import potamos.core.batch.Plan;
import potamos.core.course.Lot;
import potamos.core.formula.Formula;
import potamos.core.quantity.Volume;
import potamos.core.safety.Keeping;
import potamos.server.KitchenClock;
import potamos.server.courses.Running;
import potamos.server.kitchen.Kitchens;

/** Open batches with their outlook, and what they are expected to give beyond the call that they are made for. */
@Component
class RunningBatches implements Running {

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

    @Override
    public List<Running.Standing> of(String kitchenId) {
        List<BatchMapper.BatchRow> rows = mapper.open(kitchenId);
        Map<String, List<Logged>> logged =
                histories.of(rows.stream().map(BatchMapper.BatchRow::id).toList());
        ZoneId zone = kitchens.of(kitchenId).zone();
        return rows.stream()
                .map(row -> running(row, Logged.events(logged.get(row.id())), zone))
                .toList();
    }

    private Running.Standing running(BatchMapper.BatchRow row, List<BatchEvent> events, ZoneId zone) {
        Plan plan = Batch.standing(histories.plan(row), events);
        BatchState state = Batch.replay(plan, events, clock.instant());
        Formula formula = plan.charge().formula();
        Outlook outlook = Outlook.of(plan, state);
        double expected = Expectation.litresOut(plan, state).mid();
        double spare = expected - (row.callId() == null ? 0 : plan.called().litres());
        Lot lot = new Lot(
                "batch " + row.number(),
                formula.slug(),
                Volume.ofLitres(Math.max(0, spare)),
                outlook.ready(),
                useBy(plan, outlook.ready(), zone),
                formula.allergens(),
                formula.allergensUnknown());
        boolean counted = spare >= LEAST_L
                && state.cooling().verdict().stream()
                        .noneMatch(verdict -> verdict.overall().fails());
        return new Running.Standing(
                row.id(),
                row.number(),
                plan.charge().run().vessel().name(),
                formula.name(),
                formula.family(),
                outlook.timeline(),
                expected,
                Optional.of(lot).filter(l -> counted));
    }

    private static Instant useBy(Plan plan, Instant ready, ZoneId zone) {
        LocalDate made = ready.atZone(zone).toLocalDate();
        return Keeping.coldUseBy(made, plan.charge().formula().coldDays(), plan.limits())
                .plusDays(1)
                .atStartOfDay(zone)
                .toInstant();
    }
}
