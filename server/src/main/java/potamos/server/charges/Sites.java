package potamos.server.charges;

import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;
import potamos.core.cooling.ContainerSplit;
import potamos.core.course.Busy;
import potamos.core.course.Rota;
import potamos.core.vessel.BedKind;
import potamos.server.kitchen.Kitchens;
import potamos.server.kitchen.Kitchens.Thing;
import potamos.server.kitchen.Outages;
import potamos.server.larder.Boxes;
import potamos.server.live.BetweenChanges;
import potamos.server.live.Changes;

/** Looks at what stands in a kitchen. */
@Component
class Sites {

    private static final double SMALLEST_BAIN_L = 5;

    private final Kitchens kitchens;
    private final Boxes boxes;
    private final UnderWay underWay;
    private final Outages outages;

    /** A finger that drags asks many times a second. */
    private final BetweenChanges<Site> seen;

    Sites(Kitchens kitchens, Boxes boxes, UnderWay underWay, Outages outages, Changes changes) {
        this.kitchens = kitchens;
        this.boxes = boxes;
        this.underWay = underWay;
        this.outages = outages;
        this.seen = new BetweenChanges<>(changes, Duration.ofSeconds(2));
    }

    /** As it stood at the latest change, for a look at what could be. */
    Site glance(String kitchenId) {
        return seen.of(kitchenId, () -> of(kitchenId));
    }

    /** As it stands in this transaction, for what is going to be. */
    Site of(String kitchenId) {
        return of(kitchenId, Supposing.NOTHING);
    }

    /** As it would stand. */
    Site of(String kitchenId, Supposing supposing) {
        Map<String, BedKind> beds = new HashMap<>();
        kitchens.beds(kitchenId).forEach(kind -> beds.put(kind.id(), kind));
        List<Outages.Outage> outages = this.outages.of(kitchenId);
        Busy busy = underWay.busy(kitchenId, supposing)
                .and(outages.stream()
                        .map(Outages.Outage::use)
                        .flatMap(Optional::stream)
                        .toList());
        List<Rota.Away> away = outages.stream()
                .map(Outages.Outage::away)
                .flatMap(Optional::stream)
                .toList();
        Kitchens.Kitchen kitchen = kitchens.of(kitchenId);
        return new Site(
                kitchen.withRota(kitchen.rota().with(away)),
                kitchens.vessels(kitchenId),
                kitchens.burners(kitchenId),
                kitchens.containers(kitchenId).stream()
                        .map(Thing::figures)
                        .filter(c -> c.container().holds().litres() >= SMALLEST_BAIN_L)
                        .map(c -> new ContainerSplit.Owned(c.container(), c.owned()))
                        .toList(),
                kitchens.chillers(kitchenId).stream().map(Thing::figures).toList(),
                kitchens.ovens(kitchenId).stream().map(Thing::figures).toList(),
                SingletonSupplier.of(() -> boxes.larder(kitchenId)),
                beds,
                busy);
    }
}
