package potamos.core.heat;

import potamos.core.quantity.Length;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

/**
 * The heat balance of a pot: {@code C dT/dt = ηP − UA(T − T_air) − steam·h_fg}.
 *
 * <p>Lumped: liquor, solids and metal share one temperature. Ignores the lag inside thick bones.
 *
 * @param vessel       the pot
 * @param solidsKjPerK heat that the solids take per kelvin
 * @param solidsVolume room that the solids take
 * @param air          around it
 * @param cover        on it
 * @param kappa        evaporation factor used for this run
 */
public record PotHeat(Vessel vessel, double solidsKjPerK, Volume solidsVolume, Air air, Cover cover, double kappa) {

    /** Heat through bare steel walls to still air, W/m²/K, radiation included. */
    private static final double WALL_W_PER_M2_K = 12;

    private static final double STEEL_KJ_PER_KG_K = 0.5;
    private static final double STEP_S = 60;
    private static final double LONGEST_BRING_UP_H = 12;

    /** Nothing in an open pot gets hotter; keeps a nearly empty one from running away within a step. */
    private static final double HIGHEST_C = 130;

    /**
     * Where a step of time leads.
     *
     * @param temperature afterwards
     * @param steam       liquor lost meanwhile
     */
    public record Step(Temperature temperature, Volume steam) {}

    /**
     * A bring-up from cold to a target.
     *
     * @param minutes    how long it takes
     * @param evaporated liquor lost meanwhile
     */
    public record BringUp(double minutes, Volume evaporated) {}

    /** Steam in L/h at a temperature and level. */
    public double steamLPerH(Temperature t, Length level) {
        return steamLPerM2H(t) * vessel.shape().surfaceDm2(level) / 100;
    }

    /** Steam in L/h from each m² of surface; the costly half of {@link #steamLPerH}, for a caller who keeps one temperature. */
    public double steamLPerM2H(Temperature t) {
        // Steam leaves as mass; a litre missing from the pot is read cold, so a kilogram counts as a litre.
        return Evaporation.kgPerM2H(t, air, cover, kappa);
    }

    /** Heat lost through the walls, W. */
    public double wallLossW(Temperature t, Length level) {
        return WALL_W_PER_M2_K * vessel.shape().wettedDm2(level) / 100 * t.above(air.temperature());
    }

    private double heatCapacityKjPerK(Volume contents) {
        double liquor = Math.max(0, contents.litres() - solidsVolume.litres());
        return liquor * Water.HEAT_KJ_PER_KG_K + solidsKjPerK + vessel.metal().kg() * STEEL_KJ_PER_KG_K;
    }

    private double kelvinPerS(double celsius, Volume contents, Length level, Power delivered) {
        Temperature t = Temperature.ofCelsius(celsius);
        double steamW = steamLPerH(t, level) * Water.evaporationKjPerKg(t) / 3.6;
        return (delivered.watts() - wallLossW(t, level) - steamW) / 1000 / heatCapacityKjPerK(contents);
    }

    /**
     * One step of the balance by the midpoint rule.
     *
     * @param t         now
     * @param contents  liquor and solids in the pot
     * @param delivered heat into the pot
     * @param seconds   length of the step, up to a few minutes
     */
    public Step step(Temperature t, Volume contents, Power delivered, double seconds) {
        Length level = vessel.shape().levelAt(contents);
        double half = kept(t, t.celsius() + kelvinPerS(t.celsius(), contents, level, delivered) * seconds / 2);
        double end = kept(t, t.celsius() + kelvinPerS(half, contents, level, delivered) * seconds);
        double steam = steamLPerH(Temperature.ofCelsius(half), level) * seconds / 3600;
        return new Step(Temperature.ofCelsius(end), Volume.ofLitres(steam));
    }

    private double kept(Temperature start, double celsius) {
        double lowest = Math.min(start.celsius(), air.temperature().celsius());
        return Math.max(lowest, Math.min(HIGHEST_C, celsius));
    }

    /**
     * Brings the pot from cold to a target at full heat.
     *
     * @param from     temperature of the filling
     * @param to       where to stop, below the boiling point
     * @param contents liquor and solids
     * @param burner   under it
     * @throws Refusal on {@code burnerKw} when the burner cannot get it there within twelve hours
     */
    public BringUp bringUp(Temperature from, Temperature to, Volume contents, Burner burner) {
        double t = from.celsius();
        double seconds = 0;
        double steam = 0;
        Power delivered = burner.delivered();
        while (t < to.celsius()) {
            Step step = step(
                    Temperature.ofCelsius(t),
                    contents.minus(Volume.ofLitres(steam)).orNone(),
                    delivered,
                    STEP_S);
            double gained = step.temperature().celsius() - t;
            if (gained < 1e-4 || seconds > LONGEST_BRING_UP_H * 3600) {
                throw Refusal.of("burnerKw", "this burner cannot bring the vessel to a simmer; use a stronger one");
            }
            double share = Math.min(1, (to.celsius() - t) / gained);
            seconds += STEP_S * share;
            steam += step.steam().litres() * share;
            t += gained * share;
        }
        return new BringUp(seconds / 60, Volume.ofLitres(steam));
    }
}
