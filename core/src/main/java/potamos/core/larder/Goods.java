package potamos.core.larder;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.formula.Beds;
import potamos.core.formula.Item;
import potamos.core.formula.Pantry;
import potamos.core.vessel.BedKind;

/**
 * Something that a larder can hold: a kind of bed, or an item of the pantry.
 *
 * @param id       stable name in data, the same as in a formula
 * @param name     for people
 * @param bed      whether it is a bed; else a part
 * @param raw      whether it is raw meat, fish or shell: its temperature is taken at the door, and frozen it is thawed before it is used
 * @param kgPerL   as it lies
 */
public record Goods(String id, String name, boolean bed, boolean raw, double kgPerL) {

    /** Made in the kitchen and used at once, or come out of a pot: nobody delivers them. */
    private static final List<BedKind> NOT_BOUGHT =
            List.of(Beds.SPENT_BONES, Beds.SPENT_KELP_FLAKES, Beds.ROASTED_VEGETABLES);

    private static final List<BedKind> OF_THE_FIELD = List.of(Beds.MIXED_VEGETABLES, Beds.KELP, Beds.FLAKES);

    private static final List<Goods> ALL = Stream.concat(
                    Beds.all().stream()
                            .filter(kind -> !NOT_BOUGHT.contains(kind))
                            .map(kind -> new Goods(
                                    kind.id(), kind.name(), true, !OF_THE_FIELD.contains(kind), kind.bulkKgPerL())),
                    Pantry.items().stream().map(Goods::part))
            .toList();

    private static Goods part(Item item) {
        return new Goods(item.id(), item.name(), false, false, item.kgPerL());
    }

    /** Everything that can be delivered, beds first. */
    public static List<Goods> all() {
        return ALL;
    }

    /** What something is called that a formula is made of, whether it can be delivered or not. */
    public static String nameOf(String id) {
        return find(id).map(Goods::name)
                .or(() -> Beds.find(id).map(BedKind::name))
                .orElse(id);
    }

    public static Optional<Goods> find(String id) {
        return ALL.stream().filter(goods -> goods.id().equals(id)).findFirst();
    }
}
