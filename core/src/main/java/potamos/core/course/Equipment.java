package potamos.core.course;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.charge.Charge;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.IceBin;
import potamos.core.cooling.Medium;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.LimitProfile;
import potamos.core.vessel.Vessel;

/**
 * Everything of a kitchen that a course goes by. Names tell things apart.
 *
 * @param strainerSets how many batches can be strained at once; 0 where nobody has told, and they are never short
 * @param chillers   that the kitchen has told of
 * @param unattended what goes on while nobody is there
 */
@RecordBuilder
public record Equipment(
        List<Vessel> vessels,
        List<Burner> burners,
        List<Oven> ovens,
        List<ContainerSplit.Owned> containers,
        int strainerSets,
        List<Chiller> chillers,
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
        chillers = List.copyOf(chillers);
        Refusal.unlessWithin("strainerSets", strainerSets, 0, MOST_STRAINER_SETS, "");
    }

    /** What nobody has told of is not reckoned with. */
    boolean neverShort(Use.Kind kind) {
        return kind == Use.Kind.STRAINERS && strainerSets == 0;
    }

    /** Its ice; nothing where it has told of none, and that is never short. */
    public Optional<IceBin> ice() {
        return IceBin.of(chillers);
    }

    /**
     * Where so many litres may be cooled, in the order in which a cook would: in an ice bath, then in each blast chiller that takes them. A kitchen that has told
     * of such a chiller and of no bath goes without a bath for what the chiller takes.
     *
     * @return chillers; nothing stands for a bath
     */
    public List<Optional<Chiller>> coolings(Volume litres) {
        List<Optional<Chiller>> blasts = chillers(Chiller.Kind.BLAST)
                .filter(chiller -> litres.litres() <= chiller.wholeLitres())
                .map(Optional::of)
                .toList();
        boolean bath =
                blasts.isEmpty() || chillers(Chiller.Kind.ICE_BATH).findAny().isPresent();
        return Stream.concat(Stream.of(Optional.<Chiller>empty()).filter(none -> bath), blasts.stream())
                .toList();
    }

    /** Stock that its cold stores take together; nothing where it has told of none, and they are never full. */
    public Optional<Volume> coldStore() {
        return chillers(Chiller.Kind.COLD_STORE)
                .map(Chiller::litres)
                .reduce(Double::sum)
                .map(Volume::ofLitres);
    }

    /** The most litres that a course cools at once: in a kitchen with a chiller and no bath what the largest takes. */
    double mostCooledL() {
        return chillers(Chiller.Kind.ICE_BATH).findAny().isPresent()
                ? Double.MAX_VALUE
                : chillers(Chiller.Kind.BLAST)
                        .mapToDouble(Chiller::wholeLitres)
                        .max()
                        .orElse(Double.MAX_VALUE);
    }

    private Stream<Chiller> chillers(Chiller.Kind kind) {
        return chillers.stream().filter(chiller -> chiller.kind() == kind);
    }

    /**
     * The best split of what a charge gives.
     *
     * @param in a chiller; nothing for an ice bath
     * @throws Refusal on {@code litres} where the containers do not hold them
     */
    public ContainerSplit cooled(Charge charge, Optional<Chiller> in) {
        Volume litres = charge.toCool();
        Medium medium = in.<Medium>map(chiller -> new Medium.Blast(chiller.name(), chiller.air()))
                .orElseGet(() -> Cooler.bath(litres, CoolingPlan.STRAINED, limits.coldest(), tap));
        return ContainerSplit.best(
                litres,
                CoolingPlan.STRAINED,
                containers,
                medium,
                charge.forecast().body().sets(),
                limits);
    }

    /** How many of a thing there are. */
    int there(Use.Kind kind, String name) {
        return switch (kind) {
            case VESSEL, BURNER -> 1;
            case OVEN -> traysOf(name);
            case STRAINERS -> strainerSets;
            // Nobody counts it: it is there, or it did not come.
            case BED -> 0;
            case CHILLER ->
                chillers(Chiller.Kind.BLAST)
                        .filter(chiller -> chiller.name().equals(name))
                        .mapToInt(Chiller::wholeLitres)
                        .sum();
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
