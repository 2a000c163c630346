package potamos.server;

import java.util.Map;
import java.util.stream.Stream;
import potamos.core.batch.Amendment;
import potamos.core.batch.EventKind;
import potamos.core.cooling.Medium;
import potamos.core.formula.Part;
import potamos.core.formula.PhaseKind;
import potamos.core.formula.WaterRule;
import potamos.core.vessel.Shape;

/**
 * The names under which members of the core's families are stored and published. They are written out: a class may be called otherwise tomorrow, and what
 * was stored yesterday is still read.
 */
final class StoredNames {

    private static final Map<Class<?>, String> NAMES = Map.ofEntries(
            Map.entry(Amendment.Corrected.class, Amendment.Corrected.NAME),
            Map.entry(Amendment.Withdrawn.class, Amendment.Withdrawn.NAME),
            Map.entry(Shape.Cylinder.class, "cylinder"),
            Map.entry(Shape.Pan.class, "pan"),
            Map.entry(Shape.Kettle.class, "kettle"),
            Map.entry(Medium.IceBath.class, "ice-bath"),
            Map.entry(Medium.IcePaddle.class, "ice-paddle"),
            Map.entry(Medium.ColdStore.class, "cold-store"),
            Map.entry(Medium.Blast.class, "blast"),
            Map.entry(WaterRule.PerKgBed.class, "per-kg-bed"),
            Map.entry(WaterRule.OverTheBed.class, "over-the-bed"),
            Map.entry(WaterRule.ToTheLine.class, "to-the-line"),
            Map.entry(WaterRule.ForTheYield.class, "for-the-yield"),
            Map.entry(Part.Amount.PercentOfBed.class, "percent-of-bed"),
            Map.entry(Part.Amount.GramsPerKgBed.class, "grams-per-kg-bed"),
            Map.entry(Part.Amount.GramsPerLitre.class, "grams-per-litre"),
            Map.entry(Part.When.WithTheBed.class, "with-the-bed"),
            Map.entry(Part.When.BeforeTheEnd.class, "before-the-end"),
            Map.entry(Part.When.IntoTheSimmer.class, "into-the-simmer"));

    private StoredNames() {}

    /** @throws IllegalArgumentException for what has no name to be stored under */
    static String of(Class<?> member) {
        String name = NAMES.get(member);
        if (name != null) {
            return name;
        }
        Stream<String> events =
                EventKind.all().stream().filter(kind -> kind.type() == member).map(EventKind::storedAs);
        Stream<String> phases =
                PhaseKind.all().stream().filter(kind -> kind.type() == member).map(PhaseKind::name);
        return Stream.concat(events, phases)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(member + " has no name to be stored under"));
    }
}
