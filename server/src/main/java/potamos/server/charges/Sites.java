package potamos.server.charges;

import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.ContainerSplit;
import potamos.core.quantity.Mass;
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
    private final ColdPromised cold;

    /** A finger that drags asks many times a second. */
    private final BetweenChanges<Site> seen;

    Sites(Kitchens kitchens, TrimBox trim, VesselsInUse inUse, ColdPromised cold, Changes changes) {
        this.kitchens = kitchens;
        this.trim = trim;
        this.inUse = inUse;
        this.cold = cold;
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
        ColdPromised.Promised promised = cold.of(kitchenId);
        return new Site(
                kitchens.of(kitchenId),
                kitchens.vessels(kitchenId),
                kitchens.burners(kitchenId),
                kitchens.containers(kitchenId).stream()
                        .map(Thing::figures)
                        .filter(c -> c.container().holds().litres() >= SMALLEST_BAIN_L)
                        .map(c -> new ContainerSplit.Owned(c.container(), c.owned()))
                        .toList(),
                promised.containers(),
                ice(kitchenId, promised),
                kitchens.ovens(kitchenId).stream().map(Thing::figures).toList(),
                trim.deposits(kitchenId),
                beds,
                inUse.of(kitchenId),
                inUse.burners(kitchenId));
    }

    /** Ice that is at hand and promised to nobody; nothing where the kitchen has told of none. */
    private Optional<Mass> ice(String kitchenId, ColdPromised.Promised promised) {
        double there = kitchens.chillers(kitchenId).stream()
                .map(Thing::figures)
                .filter(chiller -> chiller.kind() == Chiller.Kind.ICE_BATH)
                .mapToDouble(Chiller::iceKg)
                .sum();
        return there == 0 ? Optional.empty() : Optional.of(Mass.ofKg(Math.max(0, there - promised.iceKg())));
    }
}
