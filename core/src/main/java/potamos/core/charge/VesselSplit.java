package potamos.core.charge;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/**
 * Litres that no single vessel gives, split over several: as few as will do, each filled to the same share.
 *
 * @param charges one for each vessel; together they give the litres wanted
 */
public record VesselSplit(List<Charge> charges) {

    public VesselSplit {
        charges = List.copyOf(charges);
    }

    public Volume litres() {
        return Volume.ofLitres(charges.stream()
                .mapToDouble(c -> c.forecast().ledger().yield().litres())
                .sum());
    }

    /**
     * The split.
     *
     * @param pots vessels that stand free, each with its burner
     * @throws Refusal on {@code litres} with the most that all of them give
     */
    public static VesselSplit of(Formula formula, List<Pot> pots, Volume litres) {
        List<Full> full = new ArrayList<>();
        for (Pot pot : pots) {
            try {
                Charge charge = ChargeSolver.solve(formula, pot, new Goal.FullVessel());
                if (charge.fits()) {
                    full.add(new Full(pot, charge.forecast().ledger().yield().litres()));
                }
            } catch (Refusal unfit) {
                // A vessel in which this formula cannot be cooked at all takes no part.
            }
        }
        full.sort(Comparator.comparingDouble(Full::most).reversed());
        List<Full> chosen = fewest(full, litres.litres());
        double most = chosen.stream().mapToDouble(Full::most).sum();
        if (most < litres.litres()) {
            throw Refusal.outside("litres", "more than all free vessels give together", 0.5, most, "L");
        }
        return new VesselSplit(chosen.stream()
                .map(f -> ChargeSolver.solve(formula, f.pot(), new Goal.Litres(litres.times(f.most() / most))))
                .toList());
    }

    private record Full(Pot pot, double most) {}

    /** The largest in turn until the litres are reached; the last one is then the smallest that still does. */
    private static List<Full> fewest(List<Full> largestFirst, double litres) {
        List<Full> chosen = new ArrayList<>();
        double sum = 0;
        for (Full full : largestFirst) {
            if (sum >= litres) {
                break;
            }
            chosen.add(full);
            sum += full.most();
        }
        if (sum >= litres && !chosen.isEmpty()) {
            double without = sum - chosen.get(chosen.size() - 1).most();
            largestFirst.stream()
                    .filter(f -> !chosen.subList(0, chosen.size() - 1).contains(f))
                    .filter(f -> without + f.most() >= litres)
                    .min(Comparator.comparingDouble(Full::most))
                    .ifPresent(smallest -> chosen.set(chosen.size() - 1, smallest));
        }
        return chosen;
    }
}
