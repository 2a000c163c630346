package potamos.server.charges;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import potamos.core.charge.Charge;
import potamos.core.charge.Pot;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.IceBin;
import potamos.core.course.Busy;
import potamos.core.course.Course;
import potamos.core.course.Equipment;
import potamos.core.course.Use;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.larder.Larder;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.vessel.BedKind;
import potamos.core.vessel.Vessel;
import potamos.server.kitchen.Kitchens;
import potamos.server.kitchen.Kitchens.Thing;
import potamos.server.problems.NotFound;

/**
 * One look at everything that stands in a kitchen, for all the charges of a request.
 *
 * @param larder looked into only by whoever asks what a charge is made of
 */
record Site(
        Kitchens.Kitchen kitchen,
        List<Thing<Vessel>> vessels,
        List<Thing<Burner>> burners,
        List<ContainerSplit.Owned> containers,
        List<Chiller> chillers,
        List<Oven> ovens,
        Supplier<Larder> larder,
        Map<String, BedKind> beds,
        Busy busy) {

    private static final int MOST_BURNERS = 3;

    /**
     * How the litres are to be cooled.
     *
     * @param split    over the containers
     * @param enough   whether the kitchen has as many containers
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
        return pot(vessel, burner, ovens);
    }

    /** The same with some of the ovens. */
    Pot pot(Thing<Vessel> vessel, Optional<Thing<Burner>> burner, List<Oven> ovens) {
        Burner under = burner.map(Thing::figures)
                .or(() -> Burner.own(vessel.figures()))
                .orElseThrow(() -> Refusal.of("burnerId", "this kitchen has no burner yet"));
        return new Pot(vessel.figures(), under, kitchen.air(), Optional.empty(), ovens, kitchen.tap());
    }

    /** The one asked for; else those that differ in strength, free ones before those that another vessel stands on then, the strongest first; nothing where there is none. */
    List<Optional<Thing<Burner>>> burnersFor(String id, Instant from, Instant to) {
        if (id != null) {
            return List.of(Optional.of(burners.stream()
                    .filter(b -> b.id().equals(id))
                    .findFirst()
                    .orElseThrow(() -> new NotFound("burner"))));
        }
        List<Optional<Thing<Burner>>> all = burners.stream()
                .sorted(Comparator.comparing((Thing<Burner> b) -> !free(Use.Kind.BURNER, b.name(), from, to))
                        .thenComparing(b -> -b.figures().delivered().watts()))
                .limit(MOST_BURNERS)
                .map(Optional::of)
                .toList();
        return all.isEmpty() ? List.of(Optional.empty()) : all;
    }

    boolean free(Use.Kind kind, String name, Instant from, Instant to) {
        return busy.uses().stream()
                .noneMatch(use -> use.kind() == kind && use.name().equals(name) && use.within(from, to));
    }

    /** The kitchen as a plan of one batch goes by it, with what is under way. */
    Course begun(Instant now, Instant until) {
        return new Course(equipment(), now, until, List.of(), List.of(), busy, List.of(), List.of());
    }

    private Equipment equipment() {
        return new Equipment(
                vessels.stream().map(Thing::figures).toList(),
                burners.stream().map(Thing::figures).toList(),
                ovens,
                containers,
                kitchen.strainerSets(),
                chillers,
                kitchen.air(),
                kitchen.tap(),
                kitchen.limits(),
                kitchen.rota(),
                kitchen.unattended());
    }

    /** The chillers in which a charge may be cooled, as a cook would take them; nothing stands for an ice bath. */
    List<Optional<Chiller>> coolings(Charge charge) {
        return equipment().coolings(charge.toCool());
    }

    /** Containers that nobody has at any time of a stretch. */
    List<ContainerSplit.Owned> free(Instant from, Instant to) {
        return containers.stream()
                .map(owned -> new ContainerSplit.Owned(
                        owned.container(),
                        Math.max(0, owned.count() - taken(owned.container().name(), from, to))))
                .toList();
    }

    private int taken(String container, Instant from, Instant to) {
        return busy.uses().stream()
                .filter(use -> use.kind() == Use.Kind.CONTAINER && use.name().equals(container) && use.within(from, to))
                .mapToInt(Use::amount)
                .sum();
    }

    /**
     * The best way to cool what a charge gives.
     *
     * @param owned containers to choose from
     * @param in    a chiller; nothing for an ice bath
     */
    Cooling cooling(Charge charge, List<ContainerSplit.Owned> owned, Optional<Chiller> in) {
        if (containers.isEmpty()) {
            throw Refusal.of("container", "this kitchen has no container of 5 L or more yet");
        }
        Volume litres = charge.toCool();
        boolean enough = litres.litres() <= room(owned);
        List<ContainerSplit.Owned> into =
                enough ? owned : borrowed(containers, Math.max(1, litres.litres() / room(containers)));
        return new Cooling(equipment().withContainers(into).cooled(charge, in), enough, Mass.ofKg(0));
    }

    /** The same with what its bath lacks of ice at its hour. */
    Cooling withIce(Cooling cooling, Instant now, Instant at) {
        double wants = cooling.split().ice().kg();
        double lacks = IceBin.of(chillers)
                .map(there -> wants - there.spare(now, busy.ice(), at).kg())
                .orElse(0.0);
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
