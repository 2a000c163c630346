package potamos.core.batch;

import java.util.LinkedHashMap;
import java.util.Map;
import potamos.core.charge.Charge;
import potamos.core.formula.Formula;
import potamos.core.larder.Larder;
import potamos.core.quantity.Mass;

/** What a batch still wants on the scale: of every kind of its bed and of every part, by what the larder calls it. */
public final class ToWeighIn {

    /** Less is what a scale does not tell. */
    private static final double LEAST_KG = 0.001;

    private ToWeighIn() {}

    /**
     * What is wanted, less what is in; nothing more of what is past its scale. A mix that was weighed as a whole has of every kind its share.
     *
     * @param charge as accepted
     * @param taken  out of boxes so far, by goods: a part of what the batch knows to be weighed in
     */
    public static Map<String, Mass> of(Charge charge, BatchState state, Map<String, Mass> taken) {
        Formula formula = charge.formula();
        double kindByKind = formula.bed().stream()
                .map(share -> share.kind().id())
                .distinct()
                .mapToDouble(kind -> kg(taken, kind))
                .sum();
        double whole = Math.max(0, kg(state.weighed(), BatchEvent.BED) - kindByKind);
        Map<String, Mass> open = new LinkedHashMap<>();
        Larder.wanted(charge).forEach((goods, wanted) -> {
            double in = formula.inBed(goods)
                    ? kg(taken, goods) + whole * formula.shareOf(goods)
                    : kg(state.weighed(), goods);
            boolean past = formula.inBed(goods)
                    ? !state.course().isEmpty()
                    : state.added().containsKey(goods);
            double kg = wanted.kg() - in;
            open.put(goods, past || kg < LEAST_KG ? Mass.ZERO : Mass.ofKg(kg));
        });
        return open;
    }

    private static double kg(Map<String, Mass> masses, String what) {
        return masses.getOrDefault(what, Mass.ZERO).kg();
    }
}
