package potamos.core.larder;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.formula.Beds;
import potamos.core.formula.Item;
import potamos.core.formula.Leftover;
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

    /** Left over of a stock that was strained; nobody delivers it. */
    private static final List<Goods> LEFT = List.of(
            left(Beds.SPENT_BONES, "Spent bones"),
            left(Beds.SPENT_KELP_FLAKES, "Spent kelp and flakes"),
            new Goods(Leftover.PICKED_MEAT.goods().orElseThrow(), "Picked meat", false, false, 0.9),
            new Goods(Leftover.FAT.goods().orElseThrow(), "Rendered fat", false, false, 0.92),
            new Goods(Leftover.RELISH.goods().orElseThrow(), "Relish of kelp and flakes", false, false, 1.0),
            new Goods(Leftover.PUREE.goods().orElseThrow(), "Vegetable purée", false, false, 1.0));

    /** What rendered fat is taken for, beside what is called so. */
    private static final String OIL = "oil";

    private static Goods left(BedKind kind, String name) {
        return new Goods(kind.id(), name, true, false, kind.bulkKgPerL());
    }

    private static Goods part(Item item) {
        return new Goods(item.id(), item.name(), false, false, item.kgPerL());
    }

    /** Everything that can be delivered, beds first. */
    public static List<Goods> all() {
        return ALL;
    }

    /** What something is called that a formula is made of, whether it can be delivered or not. */
    public static String nameOf(String id) {
        return any(id).map(Goods::name)
                .or(() -> Beds.find(id).map(BedKind::name))
                .orElse(id);
    }

    /** Of what can be delivered. */
    public static Optional<Goods> find(String id) {
        return ALL.stream().filter(goods -> goods.id().equals(id)).findFirst();
    }

    /** Of what can lie in the larder, whether it was delivered or left over. */
    public static Optional<Goods> any(String id) {
        return Stream.concat(ALL.stream(), LEFT.stream())
                .filter(goods -> goods.id().equals(id))
                .findFirst();
    }

    /** Whether something that a formula is made of is left over of another stock, and delivered by nobody. */
    public static boolean leftOver(String id) {
        return LEFT.stream().anyMatch(goods -> goods.id().equals(id));
    }

    /** Whether it may be taken for a part: what is called so, and for oil the fat of the kitchen's own stocks. */
    public boolean serves(String part) {
        return id.equals(part) || id.equals(Leftover.FAT.goods().orElseThrow()) && part.equals(OIL);
    }
}
