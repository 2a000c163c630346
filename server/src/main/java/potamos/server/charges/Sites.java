package potamos.server.charges;

import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import potamos.core.cooling.ContainerSplit;
import potamos.core.vessel.BedKind;
import potamos.server.kitchen.Kitchens;
import potamos.server.kitchen.Kitchens.Thing;
import potamos.server.live.BetweenChanges;
import potamos.server.live.Changes;
import potamos.server.trim.TrimBox;

/** Looks at what stands in a kitchen. */
@Component
class Sites {

    private static final double SMALLEST_BAIN_L = 5;

    private final Kitchens kitchens;
    private final TrimBox trim;
    private final VesselsInUse inUse;

    /** A finger that drags asks many times a second. */
    private final BetweenChanges<Site> seen;

    Sites(Kitchens kitchens, TrimBox trim, VesselsInUse inUse, Changes changes) {
        this.kitchens = kitchens;
        this.trim = trim;
        this.inUse = inUse;
        this.seen = new BetweenChanges<>(changes, Duration.ofSeconds(2));
    }

    /** As it stood at the latest change, for a look at what could be. */
    Site glance(String kitchenId) {
        return seen.of(kitchenId, () -> of(kitchenId));
    }

    /** As it stands in this transaction, for what is going to be. */
    Site of(String kitchenId) {
        Map<String, BedKind> beds = new HashMap<>();
        kitchens.beds(kitchenId).forEach(kind -> beds.put(kind.id(), kind));
        return new Site(
                kitchens.of(kitchenId),
                kitchens.vessels(kitchenId),
                kitchens.burners(kitchenId),
                kitchens.containers(kitchenId).stream()
                        .map(Thing::figures)
                        .filter(c -> c.container().holds().litres() >= SMALLEST_BAIN_L)
                        .map(c -> new ContainerSplit.Owned(c.container(), c.owned()))
                        .toList(),
                kitchens.ovens(kitchenId).stream().map(Thing::figures).toList(),
                trim.deposits(kitchenId),
                beds,
                inUse.of(kitchenId),
                inUse.burners(kitchenId));
    }
}
