package potamos.server.batches;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import potamos.core.batch.Plan;
import potamos.core.batch.Stage;
import potamos.core.cooling.IceBin;
import potamos.server.charges.ColdPromised;
import potamos.server.charges.Supposing;

/** What the plans of open batches promise to their cooling. */
@Component
class ColdUnderWay implements ColdPromised {

    private final BatchMapper mapper;
    private final Histories histories;

    ColdUnderWay(BatchMapper mapper, Histories histories) {
        this.mapper = mapper;
        this.histories = histories;
    }

    @Override
    public Promised of(String kitchenId, Supposing supposing) {
        List<IceBin.Use> ice = new ArrayList<>();
        Map<String, Integer> containers = new HashMap<>();
        for (BatchMapper.BatchRow row : mapper.open(kitchenId)) {
            Stage stage = Stage.valueOf(row.stage());
            if (stage.compareTo(Stage.COOL) > 0 || supposing.aside().contains(row.id())) {
                continue;
            }
            Plan plan = histories.plan(row);
            plan.into().forEach(filled -> containers.merge(filled.container(), filled.count(), Integer::sum));
            if (stage != Stage.COOL) {
                plan.timeline()
                        .step(Stage.COOL)
                        .ifPresent(step -> plan.cooling()
                                .bath()
                                .ifPresent(bath -> ice.add(new IceBin.Use(step.from(), bath.ice()))));
            }
        }
        return new Promised(ice, containers);
    }
}
