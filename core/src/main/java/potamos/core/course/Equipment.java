package potamos.core.course;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.IceBin;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.safety.LimitProfile;
import potamos.core.vessel.Vessel;

/**
 * Everything of a kitchen that a course goes by. Names tell things apart.
 *
 * @param strainerSets how many batches can be strained at once; 0 where nobody has told, and they are never short
 * @param ice        where the kitchen has told of its bin; nothing where ice is never short
 * @param unattended what goes on while nobody is there
 */
@RecordBuilder
public record Equipment(
        List<Vessel> vessels,
        List<Burner> burners,
        List<Oven> ovens,
        List<ContainerSplit.Owned> containers,
        int strainerSets,
        Optional<IceBin> ice,
        Air air,
        Temperature tap,
        LimitProfile limits,
        Rota rota,
        Unattended unattended)
        implements EquipmentBuilder.With {

    public static final int MOST_STRAINER_SETS = 20;

    public Equipment {
        vessels = List.copyOf(vessels);
        burners = List.copyOf(burners);
        ovens = List.copyOf(ovens);
        containers = List.copyOf(containers);
        Refusal.unlessWithin("strainerSets", strainerSets, 0, MOST_STRAINER_SETS, "");
    }

    /** What nobody has told of is not reckoned with. */
    boolean neverShort(Use.Kind kind) {
        return kind == Use.Kind.STRAINERS && strainerSets == 0;
    }

    /** How many of a thing there are. */
    int there(Use.Kind kind, String name) {
        return switch (kind) {
            case VESSEL, BURNER -> 1;
            case OVEN -> traysOf(name);
            case STRAINERS -> strainerSets;
            // Nobody counts it: it is there, or it did not come.
            case BED -> 0;
            case CONTAINER ->
                containers.stream()
                        .filter(owned -> owned.container().name().equals(name))
                        .mapToInt(ContainerSplit.Owned::count)
                        .sum();
        };
    }

    /** Trays that an oven has; those of any oven where the kitchen has not said which it has. */
    public int traysOf(String oven) {
        return ovens.stream()
                .filter(one -> one.name().equals(oven))
                .mapToInt(Oven::trays)
                .findFirst()
                .orElse(Oven.book().trays());
    }
}
