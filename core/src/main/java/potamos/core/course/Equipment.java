package potamos.core.course;

import java.util.List;
import java.util.Optional;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.IceBin;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Temperature;
import potamos.core.safety.LimitProfile;
import potamos.core.vessel.Vessel;

/**
 * Everything of a kitchen that a course goes by. Names tell things apart.
 *
 * @param ice        where the kitchen has told of its bin; nothing where ice is never short
 * @param unattended what goes on while nobody is there
 */
public record Equipment(
        List<Vessel> vessels,
        List<Burner> burners,
        List<Oven> ovens,
        List<ContainerSplit.Owned> containers,
        Optional<IceBin> ice,
        Air air,
        Temperature tap,
        LimitProfile limits,
        Rota rota,
        Unattended unattended) {

    public Equipment {
        vessels = List.copyOf(vessels);
        burners = List.copyOf(burners);
        ovens = List.copyOf(ovens);
        containers = List.copyOf(containers);
    }

    /** The same with other people there. */
    public Equipment with(Rota others) {
        return new Equipment(vessels, burners, ovens, containers, ice, air, tap, limits, others, unattended);
    }

    /** How many of a container it has. */
    int owned(String container) {
        return containers.stream()
                .filter(owned -> owned.container().name().equals(container))
                .mapToInt(ContainerSplit.Owned::count)
                .sum();
    }
}
