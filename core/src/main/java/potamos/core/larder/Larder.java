package potamos.core.larder;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import potamos.core.charge.Charge;
import potamos.core.quantity.Mass;

/** The boxes that there are, and what of them goes where: the kitchen's own trim, then what has to go first. */
public final class Larder {

    /** Frozen trim tastes of the freezer after this. */
    public static final int TRIM_KEEPS_DAYS = 90;

    /** Less is what a scale does not tell. */
    private static final double LEAST_KG = 0.001;

    /** The kitchen's own trim is there so that less is bought; then whatever has to go first. */
    private static final Comparator<Box> FIRST_OUT = Comparator.comparing((Box box) -> !box.trim())
            .thenComparing(box -> box.useBy().orElse(LocalDate.MAX))
            .thenComparing(Box::id);

    private final Map<String, Box> boxes = new LinkedHashMap<>();
    private final ZoneId zone;

    /** @param zone whose calendar use-by days are of */
    public Larder(List<Box> boxes, ZoneId zone) {
        this.zone = zone;
        boxes.stream().sorted(FIRST_OUT).forEach(box -> this.boxes.put(box.id(), box));
    }

    /** So much of a box. */
    public record Draw(Box box, Mass mass) {}

    /**
     * What there is for something that is wanted.
     *
     * @param draws  that can be had then
     * @param frozen of what is not there then, what lies in the freezer and must be thawed before
     */
    public record Cover(String goods, Mass wanted, List<Draw> draws, List<Draw> frozen) {

        public Cover {
            draws = List.copyOf(draws);
            frozen = List.copyOf(frozen);
        }

        public Mass there() {
            return all(draws);
        }

        /** In the freezer. */
        public Mass toThaw() {
            return all(frozen);
        }

        private static Mass all(List<Draw> draws) {
            return draws.stream().map(Draw::mass).reduce(Mass.ZERO, Mass::plus);
        }

        /** Neither there nor in the freezer. */
        public Mass missing() {
            return Mass.ofKg(Math.max(0, wanted.kg() - there().kg() - toThaw().kg()));
        }
    }

    /** Of everything that a charge is made of, what there is at a moment; the larder is not changed. */
    public List<Cover> covers(Charge charge, Instant at) {
        Larder rest = new Larder(List.copyOf(boxes.values()), zone);
        List<Cover> covers = new ArrayList<>();
        wanted(charge).forEach((goods, mass) -> covers.add(rest.take(goods, mass, at)));
        return covers;
    }

    /** What a charge is made of: every kind of its bed, and every part. */
    public static Map<String, Mass> wanted(Charge charge) {
        Map<String, Mass> wanted = new LinkedHashMap<>();
        charge.formula()
                .bed()
                .forEach(share ->
                        wanted.merge(share.kind().id(), charge.run().raw().times(share.share()), Mass::plus));
        charge.measures().forEach(measure -> wanted.merge(measure.part().id(), measure.mass(), Mass::plus));
        return wanted;
    }

    /** Sets aside what there is for something that is wanted at a moment, and only then what would have to thaw: nobody else gets it. */
    public Cover take(String goods, Mass wanted, Instant at) {
        List<Draw> draws = take(goods, wanted, box -> refused(box, at).isEmpty());
        Mass open = Mass.ofKg(Math.max(0, wanted.kg() - Cover.all(draws).kg()));
        List<Draw> frozen = take(
                goods,
                open,
                box -> refused(box, at).filter(Box.Refused.FROZEN::equals).isPresent());
        return new Cover(goods, wanted, draws, frozen);
    }

    private Optional<Box.Refused> refused(Box box, Instant at) {
        return box.refused(at.atZone(zone).toLocalDate(), at);
    }

    private List<Draw> take(String goods, Mass wanted, Predicate<Box> which) {
        List<Draw> draws = new ArrayList<>();
        double open = wanted.kg();
        for (Box box : List.copyOf(boxes.values())) {
            double kg = Math.min(open, box.left().kg());
            if (box.goods().id().equals(goods) && kg >= LEAST_KG && which.test(box)) {
                draws.add(new Draw(box, Mass.ofKg(kg)));
                boxes.put(box.id(), box.less(Mass.ofKg(kg)));
                open -= kg;
            }
        }
        return draws;
    }
}
