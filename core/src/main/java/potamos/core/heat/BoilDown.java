package potamos.core.heat;

import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

/**
 * A reduction at the boil: steam is whatever the heat leaves after the walls have taken theirs, {@code (ηP − UA·ΔT)/h_fg}.
 *
 * @param minutes how long it takes
 * @param steam   litres that go
 */
public record BoilDown(double minutes, Volume steam) {

    private static final double STEPS = 20;

    /**
     * Boils a volume down to a fraction of itself.
     *
     * @param fraction of the volume left, 0.02 to 1
     * @param heat     share of the burner that is turned on, 0.05 to 1
     * @throws Refusal on {@code burnerKw} when the burner cannot keep the pot at a boil
     */
    public static BoilDown to(double fraction, Volume from, Vessel vessel, Burner burner, Air air, double heat) {
        Refusal.unlessWithin("toFraction", fraction, 0.02, 1, "of the volume");
        Refusal.unlessWithin("heat", heat, 0.05, 1, "of the burner");
        PotHeat pot = new PotHeat(vessel, 0, Volume.ZERO, air, Cover.OPEN, 1);
        Temperature boiling = air.boilingPoint();
        double gone = from.litres() * (1 - fraction);
        double hours = 0;
        for (int i = 0; i < STEPS && gone > 0; i++) {
            Volume left = from.minus(Volume.ofLitres(gone * (i + 0.5) / STEPS));
            double lossW = pot.wallLossW(boiling, vessel.shape().levelAt(left));
            double kgPerH = Evaporation.boilingKgPerH(burner.delivered().times(heat), lossW, boiling);
            if (kgPerH < 0.01) {
                throw Refusal.of("heatKw", "this burner cannot keep the pot at a boil; turn it up or use another");
            }
            hours += gone / STEPS / kgPerH;
        }
        return new BoilDown(hours * 60, Volume.ofLitres(gone));
    }
}
