package potamos.core.formula;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.safety.Keeping;
import potamos.core.safety.LimitProfile;
import potamos.core.vessel.BedKind;

/** What can be made of the solids, and of the fat, once a stock is strained off them. */
public enum Leftover {
    /** Bones that have more to give. */
    SECOND_WETTING(Beds.SPENT_BONES.id(), 1),
    /** Kelp and flakes, steeped once more. */
    SECOND_STEEP(Beds.SPENT_KELP_FLAKES.id(), 1),
    PICKED_MEAT("picked-meat", 3),
    /** Strained off, to brown and roast in. */
    FAT("rendered-fat", 14),
    /** Kelp and flakes, cut fine and cooked down. */
    RELISH("relish", 7),
    /** Of the vegetables. */
    PUREE("puree", 3),
    COMPOST("", 0);

    /** Bones that give half of what they have sooner than this are spent by one stock. */
    private static final double GIVES_TWICE_H = 2.5;

    /** Less fat than this of a kilogram of bed is not worth a strainer. */
    private static final double FAT_G_PER_KG = 20;

    private final String goods;
    private final int keepsDays;

    Leftover(String goods, int keepsDays) {
        this.goods = goods;
        this.keepsDays = keepsDays;
    }

    /** As what it lies in the larder; nothing of what is thrown away. */
    public Optional<String> goods() {
        return Optional.of(goods).filter(id -> !id.isEmpty());
    }

    /**
     * The last day on which it may be used, kept cold: the project's own figures, on the short side of what kitchens do.
     *
     * @param made   day on which it was strained off, in the kitchen's calendar
     * @param limits the kitchen's profile, which fat alone outlasts
     */
    public LocalDate useBy(LocalDate made, LimitProfile limits) {
        return solid() ? Keeping.coldUseBy(made, keepsDays, limits) : made.plusDays(keepsDays);
    }

    /** Whether it is solids that lay in the stock, and not what was lifted off it. */
    public boolean solid() {
        return this != FAT;
    }

    /** What can be made of the solids of a formula, the best of them first. */
    public static List<Leftover> of(Formula formula) {
        return formula.bed().isEmpty() && formula.parts().isEmpty()
                ? List.of()
                : Stream.of(values()).filter(one -> one.comesOf(formula)).toList();
    }

    private boolean comesOf(Formula formula) {
        List<BedKind> bed = formula.bed().stream().map(Formula.BedShare::kind).toList();
        return switch (this) {
            case SECOND_WETTING -> bed.stream().anyMatch(Leftover::givesTwice);
            case SECOND_STEEP -> bed.stream().anyMatch(Leftover::ofTheSea);
            case RELISH -> bed.stream().anyMatch(kind -> ofTheSea(kind) || is(kind, Beds.SPENT_KELP_FLAKES));
            case PICKED_MEAT -> bed.stream().anyMatch(kind -> Beds.ofMeat(kind) && !is(kind, Beds.SPENT_BONES));
            case FAT -> formula.blendedBed().fatGPerKg() >= FAT_G_PER_KG;
            case PUREE ->
                bed.stream().anyMatch(kind -> is(kind, Beds.MIXED_VEGETABLES) || is(kind, Beds.ROASTED_VEGETABLES));
            case COMPOST -> true;
        };
    }

    /** Of the mass of a bed, what it is that goes on; all of it for what is thrown away. */
    public double shareOf(Formula formula) {
        return formula.bed().stream()
                .filter(share -> switch (this) {
                    case SECOND_WETTING -> givesTwice(share.kind());
                    case SECOND_STEEP -> ofTheSea(share.kind());
                    default -> true;
                })
                .mapToDouble(Formula.BedShare::share)
                .sum();
    }

    private static boolean givesTwice(BedKind kind) {
        return Beds.ofMeat(kind) && !is(kind, Beds.SPENT_BONES) && kind.halfTimeH() >= GIVES_TWICE_H;
    }

    private static boolean ofTheSea(BedKind kind) {
        return is(kind, Beds.KELP) || is(kind, Beds.FLAKES);
    }

    private static boolean is(BedKind kind, BedKind other) {
        return kind.id().equals(other.id());
    }
}
