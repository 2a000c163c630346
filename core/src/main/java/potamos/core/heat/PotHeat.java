package potamos.core.heat;

import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import potamos.core.quantity.Length;
import potamos.core.quantity.Power;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

/**
 * The heat balance of a pot: {@code C dT/dt = ηP − UA(T − T_around) − steam·h_fg}.
 *
 * <p>Lumped: liquor, solids and metal share one temperature. Ignores the lag inside thick bones.
 */
public final class PotHeat {

    private static final double STEEL_KJ_PER_KG_K = 0.5;

    /** So far below the boiling point the evaporation factor of a vessel is what it says: in a lazy simmer. */
    private static final double USUAL_BELOW_BOILING_K = 6.5;

    /** Over which the slope of the balance is taken. */
    private static final double SLOPE_K = 0.05;

    private final Vessel vessel;
    private final double solidsKjPerK;
    private final Volume solidsVolume;
    private final Air air;
    private final Surroundings around;
    private final Cover cover;
    private final double kappa;
    private final double boilsAt;
    private final double airKpa;
    private final double usualOutflow;

    /**
     * @param vessel       the pot
     * @param solidsKjPerK heat that the solids take per kelvin
     * @param solidsVolume room that the solids take
     * @param air          around it
     * @param cover        on it
     * @param kappa        evaporation factor used for this run
     */
    public PotHeat(Vessel vessel, double solidsKjPerK, Volume solidsVolume, Air air, Cover cover, double kappa) {
        this.vessel = vessel;
        this.solidsKjPerK = solidsKjPerK;
        this.solidsVolume = solidsVolume;
        this.air = air;
        this.around = Surroundings.of(air);
        this.cover = cover;
        this.kappa = kappa;
        Temperature boiling = air.boilingPoint();
        this.boilsAt = boiling.celsius();
        this.airKpa = Water.airKpa(air.altitude());
        this.usualOutflow = Evaporation.stefan(Water.saturationKpa(boiling.plus(-USUAL_BELOW_BOILING_K)) / airKpa);
    }

    /** Under the same air, which need not be looked up again. */
    private PotHeat(PotHeat same, Surroundings around, Cover cover, double kappa) {
        this.vessel = same.vessel;
        this.solidsKjPerK = same.solidsKjPerK;
        this.solidsVolume = same.solidsVolume;
        this.air = same.air;
        this.around = around;
        this.cover = cover;
        this.kappa = kappa;
        this.boilsAt = same.boilsAt;
        this.airKpa = same.airKpa;
        this.usualOutflow = same.usualOutflow;
    }

    /** The same pot with something else on it. */
    public PotHeat withCover(Cover other) {
        return new PotHeat(this, around, other, kappa);
    }

    /** The same pot with another evaporation factor. */
    public PotHeat withKappa(double other) {
        return new PotHeat(this, around, cover, other);
    }

    /** The same pot with its walls in something else. */
    public PotHeat in(Surroundings other) {
        return new PotHeat(this, other, cover, kappa);
    }

    /**
     * Where a step of time leads.
     *
     * @param temperature afterwards, at most the local boiling point
     * @param steam       liquor lost meanwhile
     */
    public record Step(Temperature temperature, Volume steam) {}

    /** Steam in L/h at a temperature and level, where there is heat enough for it. */
    public double steamLPerH(Temperature t, Length level) {
        return steamLPerM2H(t) * vessel.shape().surfaceDm2(level) / 100;
    }

    /** Steam in L/h from each m² of surface; the costly half of {@link #steamLPerH}, for a caller who keeps one temperature. */
    public double steamLPerM2H(Temperature t) {
        // Steam leaves as mass; a litre missing from the pot is read cold, so a kilogram counts as a litre.
        double outflow = Evaporation.stefan(Water.saturationKpa(t) / airKpa) / usualOutflow;
        return Evaporation.kgPerM2H(t, air, cover, kappa) * outflow;
    }

    /** Steam in L/h that a burner can keep up at a temperature: what its heat leaves after the walls have taken theirs. */
    public double heatLeavesLPerH(Temperature t, Length level, Power delivered) {
        return Evaporation.boilingKgPerH(delivered, wallLossW(t, level), t);
    }

    /** Heat lost through the walls, W; below nothing where they take it in. */
    public double wallLossW(Temperature t, Length level) {
        return around.wPerM2K() * vessel.shape().wettedDm2(level) / 100 * t.above(around.temperature());
    }

    /**
     * Where a pot comes to rest that is left to its heat: what it steams and loses then is what it gets.
     *
     * @return at most the local boiling point
     */
    public Temperature settlesAt(Volume contents, Power delivered) {
        Length level = vessel.shape().levelAt(contents);
        double coldest = Math.min(air.temperature().celsius(), boilsAt);
        double justBelow = boilsAt - SLOPE_K;
        if (gainW(justBelow, level, delivered) >= 0) {
            return Temperature.ofCelsius(boilsAt);
        }
        if (gainW(coldest, level, delivered) <= 0) {
            return Temperature.ofCelsius(coldest);
        }
        return Temperature.ofCelsius(new BracketingNthOrderBrentSolver(1e-12, 1e-6, 1e-9, 5)
                .solve(100, at -> gainW(at, level, delivered), coldest, justBelow));
    }

    private double heatCapacityKjPerK(Volume contents) {
        double liquor = Math.max(0, contents.litres() - solidsVolume.litres());
        return liquor * Water.HEAT_KJ_PER_KG_K + solidsKjPerK + vessel.metal().kg() * STEEL_KJ_PER_KG_K;
    }

    /**
     * One step of the balance by the exponential rule on its slope, which stays calm where steam grows without end just below the boil. A pot that comes
     * to the boil stays there and steams what the heat leaves.
     *
     * @param t         now
     * @param contents  liquor and solids in the pot
     * @param delivered heat into the pot
     * @param seconds   length of the step, up to a few minutes
     */
    public Step step(Temperature t, Volume contents, Power delivered, double seconds) {
        Length level = vessel.shape().levelAt(contents);
        double capacity = heatCapacityKjPerK(contents) * 1000;
        double from = Math.min(t.celsius(), boilsAt);
        double now = gainW(from, level, delivered);
        double slope = (now - gainW(from - SLOPE_K, level, delivered)) / SLOPE_K / capacity * seconds;
        double gained = now / capacity * seconds * (Math.abs(slope) < 1e-9 ? 1 : (Math.exp(slope) - 1) / slope);
        double end = from + gained;
        double coldest = Math.min(from, around.temperature().celsius());
        if (end >= boilsAt) {
            double meanLossW = wallLossW(Temperature.ofCelsius((from + boilsAt) / 2), level);
            double joules = (delivered.watts() - meanLossW) * seconds - capacity * (boilsAt - from);
            double kg = joules / 1000 / Water.evaporationKjPerKg(Temperature.ofCelsius(boilsAt));
            return new Step(Temperature.ofCelsius(boilsAt), Volume.ofLitres(Math.max(0, kg)));
        }
        double kept = Math.max(coldest, end);
        double middle = steamLPerH(Temperature.ofCelsius((from + kept) / 2), level);
        return new Step(Temperature.ofCelsius(kept), Volume.ofLitres(middle * seconds / 3600));
    }

    private double gainW(double celsius, Length level, Power delivered) {
        Temperature t = Temperature.ofCelsius(celsius);
        double steamW = steamLPerH(t, level) * Water.evaporationKjPerKg(t) / 3.6;
        return delivered.watts() - wallLossW(t, level) - steamW;
    }
}
