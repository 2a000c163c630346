package potamos.core.heat;

import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/** Properties of water on its saturation line, and the air pressure above it. */
public final class Water {

    /** Specific heat of liquid water, kJ/kg/K, good to 1 % from 0 to 100 °C. */
    public static final double HEAT_KJ_PER_KG_K = 4.19;

    /** A litre in a ledger is a litre at this temperature. */
    private static final double LEDGER_C = 20;

    private static final double DENSITY_AT_LEDGER = kgPerM3(LEDGER_C);

    /** Heat to melt a kilogram of ice, kJ/kg. */
    public static final double MELTING_KJ_PER_KG = 334;

    private static final double CRITICAL_K = 647.096;
    private static final double CRITICAL_KPA = 22064;

    private Water() {}

    /**
     * Saturation pressure in kPa.
     *
     * @param t 0 to 370 °C
     * @see <a href="https://doi.org/10.1063/1.555926">Wagner and Pruss, saturation line of ordinary water (1993), equation 1</a>
     */
    public static double saturationKpa(Temperature t) {
        double ratio = t.kelvin() / CRITICAL_K;
        double tau = 1 - ratio;
        double root = Math.sqrt(tau);
        double tau3 = tau * tau * tau;
        double sum = -7.85951783 * tau
                + 1.84408259 * tau * root
                - 11.7866497 * tau3
                + 22.6807411 * tau3 * root
                - 15.9618719 * tau3 * tau
                + 1.80122502 * tau3 * tau3 * tau * root;
        return CRITICAL_KPA * Math.exp(sum / ratio);
    }

    /**
     * Heat of evaporation in kJ/kg.
     *
     * @param t 0 to 370 °C; Watson's relation, within 0.3 % of the steam tables from 60 to 110 °C
     */
    public static double evaporationKjPerKg(Temperature t) {
        return 2256.5 * Math.pow((1 - t.kelvin() / CRITICAL_K) / 0.42335, 0.325);
    }

    /**
     * Room that a litre takes at a temperature: a ruler in a hot pot reads more than the ledger holds.
     *
     * @param t 0 to 150 °C
     * @return litres for each litre at 20 °C; about 1.04 in a simmer
     * @see <a href="https://doi.org/10.1021/je60064a005">Kell, density of liquid water from 0 to 150 °C (1975), equation 16</a>
     */
    public static double room(Temperature t) {
        return DENSITY_AT_LEDGER / kgPerM3(t.celsius());
    }

    private static double kgPerM3(double c) {
        double series = 999.83952
                + c * (16.945176 + c * (-7.9870401e-3 + c * (-46.170461e-6 + c * (105.56302e-9 - c * 280.54253e-12))));
        return series / (1 + 16.879850e-3 * c);
    }

    /**
     * Air pressure in kPa by the standard atmosphere.
     *
     * @param altitude −430 m (the lowest kitchens on land) to 5 500 m
     */
    public static double airKpa(Length altitude) {
        double z = Refusal.unlessWithin("altitudeM", altitude.metres(), -430, 5500, "m");
        return 101.325 * Math.pow(1 - 2.25577e-5 * z, 5.25588);
    }

    /** Where water boils at an altitude: its saturation pressure is that of the air. */
    public static Temperature boilingPoint(Length altitude) {
        double air = airKpa(altitude);
        double celsius = new BracketingNthOrderBrentSolver(1e-10, 1e-9, 1e-12, 5)
                .solve(100, t -> saturationKpa(Temperature.ofCelsius(t)) - air, 60, 120);
        return Temperature.ofCelsius(celsius);
    }
}
