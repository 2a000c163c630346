package potamos.server.batches;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.Outlook;
import potamos.core.batch.Plan;
import potamos.core.course.Use;
import potamos.core.flow.Run;
import potamos.server.KitchenClock;
import potamos.server.charges.UnderWay;
import potamos.server.kitchen.Kitchens;
import potamos.server.kitchen.Kitchens.Thing;

/** Open batches by what they have of the kitchen for the rest of their stages, which move with what really happened. */
@Component
class TakenByBatches implements UnderWay {

    private final BatchMapper mapper;
    private final Histories histories;
    private final Kitchens kitchens;
    private final KitchenClock clock;

    TakenByBatches(BatchMapper mapper, Histories histories, Kitchens kitchens, KitchenClock clock) {
        this.mapper = mapper;
        this.histories = histories;
        this.kitchens = kitchens;
        this.clock = clock;
    }

    @Override
    public List<Use> taken(String kitchenId) {
        List<BatchMapper.BatchRow> rows = mapper.open(kitchenId);
        Map<String, List<Logged>> logged =
                histories.of(rows.stream().map(BatchMapper.BatchRow::id).toList());
        Map<String, String> vessels = names(kitchens.vessels(kitchenId));
        Map<String, String> burners = names(kitchens.burners(kitchenId));
        List<Use> taken = new ArrayList<>();
        for (BatchMapper.BatchRow row : rows) {
            taken.addAll(of(row, logged.get(row.id()), vessels, burners));
        }
        return taken;
    }

    private List<Use> of(
            BatchMapper.BatchRow row, List<Logged> logged, Map<String, String> vessels, Map<String, String> burners) {
        List<BatchEvent> events = Logged.events(logged);
        Plan plan = Batch.standing(histories.plan(row), events);
        BatchState state = Batch.replay(plan, events, clock.instant());
        Optional<String> burner = Optional.ofNullable(row.burnerId()).map(burners::get);
        Optional<String> oven = plan.charge().run().heat() == Run.Heat.OVEN
                ? kitchens.ovens(row.kitchenId()).stream().findFirst().map(Thing::name)
                : Optional.empty();
        return Use.of(plan.charge(), Outlook.of(plan, state).timeline(), burner, oven).stream()
                .map(use -> use.kind() == Use.Kind.VESSEL
                        ? use.called(vessels.getOrDefault(row.vesselId(), use.name()))
                        : use)
                .toList();
    }

    private static <T> Map<String, String> names(List<Thing<T>> things) {
        return things.stream().collect(Collectors.toMap(Thing::id, Thing::name));
    }
}
