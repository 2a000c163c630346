package potamos.core.flow;

import java.util.List;
import java.util.OptionalDouble;
import potamos.core.liquor.Body;
import potamos.core.quantity.Band;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/**
 * What a run will do.
 *
 * @param bringUpMin   minutes from cold to the simmer
 * @param simmerMin    minutes of simmer
 * @param simmerAt     temperature of it
 * @param course       the pot against time, counted from lighting the burner
 * @param topUps       when and how much
 * @param bedBareAtMin when the bed stands proud of the liquor; empty when it never does
 * @param ledger       where every litre goes
 * @param yield        litres out with their band
 * @param gelatinGPerL in the strained stock
 * @param spread       how far the other figures may be off
 */
public record Forecast(
        double bringUpMin,
        double simmerMin,
        Temperature simmerAt,
        List<Point> course,
        List<TopUp> topUps,
        OptionalDouble bedBareAtMin,
        Ledger ledger,
        Band yield,
        double gelatinGPerL,
        Spread spread) {

    public Forecast {
        course = List.copyOf(course);
        topUps = List.copyOf(topUps);
    }

    /**
     * Bands of what is foretold beside the yield.
     *
     * @param bringUpMin   by what the burner delivers
     * @param evaporatedL  by the vessel's evaporation factor
     * @param gelatinGPerL by the bones and by what steams away
     */
    public record Spread(Band bringUpMin, Band evaporatedL, Band gelatinGPerL) {}

    public Body body() {
        return Body.of(gelatinGPerL);
    }

    /** Steam lost over the whole run. */
    public Volume evaporated() {
        return ledger.of(Ledger.Cause.EVAPORATED);
    }

    /**
     * The pot at one moment.
     *
     * @param minute       since lighting the burner
     * @param contentsL    liquor and solids
     * @param levelCm      above the bottom
     * @param celsius      of the liquor
     * @param evaporatedL  since the start
     * @param gelatinGPerL in the liquor
     */
    public record Point(
            double minute, double contentsL, double levelCm, double celsius, double evaporatedL, double gelatinGPerL) {}

    /** Water added so many minutes after lighting the burner. */
    public record TopUp(double minute, Volume water) {}
}
