package potamos.server.charges;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.charge.Charge;
import potamos.core.charge.Pot;
import potamos.core.charge.TrimBank;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.IceBin;
import potamos.core.cooling.Medium;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.LimitProfile;
import potamos.core.vessel.BedKind;
import potamos.core.vessel.Vessel;
import potamos.server.kitchen.Kitchens;
import potamos.server.kitchen.Kitchens.Thing;
import potamos.server.problems.NotFound;

/** One look at everything that stands in a kitchen, for all the charges of a request. */
record Site(
        Kitchens.Kitchen kitchen,
        List<Thing<Vessel>> vessels,
        List<Thing<Burner>> burners,
        List<ContainerSplit.Owned> containers,
        Map<String, Integer> promised,
        Optional<IceBin> bin,
        List<IceBin.Use> iceUses,
        List<Oven> ovens,
        List<TrimBank.Deposit> trim,
        Map<String, BedKind> beds,
        List<String> taken,
        List<String> takenBurners) {

    /**
     * How the litres are to be cooled.
     *
     * @param split    over the containers
     * @param enough   whether the kitchen has as many containers that no other batch is going to need
     * @param iceShort ice that its bath wants, and that is not there or promised to others
     */
    public record Cooling(ContainerSplit split, boolean enough, Mass iceShort) {
        ContainerSplit.Group slowest() {
            return split.slowestGroup();
        }
    }

    /**
     * A vessel as it would be cooked in.
     *
     * @param burner under it; a vessel with heat of its own needs none
     */
    Pot pot(Thing<Vessel> vessel, Optional<Thing<Burner>> burner) {
        Burner under = burner.map(Thing::figures)
                .or(() -> vessel.figures().own().map(heat -> new Burner(vessel.name(), heat, 1)))
                .orElseThrow(() -> Refusal.of("burnerId", "this kitchen has no burner yet"));
        return new Pot(vessel.figures(), under, kitchen.air(), Optional.empty(), ovens, kitchen.tap());
    }

    /** The one asked for; else the strongest, a free one before one that a vessel stands on. */
    Optional<Thing<Burner>> burner(String id) {
        if (id == null) {
            return burners.stream()
                    .max(Comparator.comparing((Thing<Burner> b) -> free(b))
                            .thenComparing(b -> b.figures().delivered().watts()));
        }
        return Optional.of(
                burners.stream().filter(b -> b.id().equals(id)).findFirst().orElseThrow(() -> new NotFound("burner")));
    }

    boolean free(Thing<Burner> burner) {
        return !takenBurners.contains(burner.id());
    }

    /** The best way to cool what a charge gives, in the containers that stand here. */
    Cooling cooling(Charge charge) {
        if (containers.isEmpty()) {
            throw Refusal.of("container", "this kitchen has no container of 5 L or more yet");
        }
        Volume litres = charge.toCool();
        Temperature from = CoolingPlan.STRAINED;
        LimitProfile limits = kitchen.limits();
        Medium bath = Cooler.bath(litres, from, limits.coldest(), kitchen.tap());
        List<ContainerSplit.Owned> free = containers.stream()
                .map(c -> new ContainerSplit.Owned(
                        c.container(),
                        Math.max(
                                0,
                                c.count() - promised.getOrDefault(c.container().name(), 0))))
                .toList();
        boolean enough = litres.litres() <= room(free);
        List<ContainerSplit.Owned> owned =
                enough ? free : borrowed(containers, Math.max(1, litres.litres() / room(containers)));
        boolean sets = charge.forecast().body().sets();
        ContainerSplit split = ContainerSplit.best(litres, from, owned, bath, sets, limits);
        return new Cooling(split, enough, Mass.ofKg(0));
    }

    /** The same with what its bath lacks of ice at its hour. */
    Cooling withIce(Cooling cooling, Instant now, Instant at) {
        double wants =
                cooling.slowest().plan().bath().map(bath -> bath.ice().kg()).orElse(0.0);
        double lacks = bin.map(there -> wants - there.at(now, iceUses, at).kg()).orElse(0.0);
        return new Cooling(cooling.split(), cooling.enough(), Mass.ofKg(Math.max(0, lacks)));
    }

    private static double room(List<ContainerSplit.Owned> containers) {
        return containers.stream()
                .mapToDouble(c -> c.count() * c.container().holds().litres())
                .sum();
    }

    /** As if there were as many containers as it takes, so that a plan can be seen before more are found. */
    private static List<ContainerSplit.Owned> borrowed(List<ContainerSplit.Owned> owned, double times) {
        return owned.stream()
                .map(o -> new ContainerSplit.Owned(o.container(), (int) Math.min(500, Math.ceil(o.count() * times))))
                .toList();
    }
}
