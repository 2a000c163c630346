package potamos.server.paper;

import java.util.Locale;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** Figures as paper shows them, in the units of whoever prints. */
public enum PaperUnits {
    METRIC,
    US;

    /** @param choice {@code metric} or {@code us}, as a person has chosen */
    public static PaperUnits of(String choice) {
        return choice.equals("us") ? US : METRIC;
    }

    private static final double A_SPLASH_L = 0.2;

    public String litres(double litres) {
        return this == US
                ? String.format(Locale.ROOT, "%.2f gal", Volume.ofLitres(litres).usGallons())
                : String.format(Locale.ROOT, "%.1f L", litres);
    }

    /** Litres that may be a splash. */
    public String jug(double litres) {
        return this == US || litres >= A_SPLASH_L
                ? litres(litres)
                : String.format(Locale.ROOT, "%.0f mL", litres * 1000);
    }

    public String mass(Mass mass) {
        if (this == US) {
            double lb = mass.pounds();
            return lb < 1 ? String.format(Locale.ROOT, "%.1f oz", lb * 16) : String.format(Locale.ROOT, "%.1f lb", lb);
        }
        double grams = mass.grams();
        if (grams < 10) {
            return String.format(Locale.ROOT, "%.1f g", grams);
        }
        return grams < 1000
                ? String.format(Locale.ROOT, "%.0f g", grams < 100 ? grams : Math.round(grams / 5) * 5.0)
                : String.format(Locale.ROOT, grams < 10_000 ? "%.2f kg" : "%.1f kg", grams / 1000);
    }

    public String cm(double cm) {
        return this == US
                ? String.format(Locale.ROOT, "%.1f in", cm / 2.54)
                : String.format(Locale.ROOT, "%.1f cm", cm);
    }

    public String celsius(Temperature t) {
        return this == US
                ? String.format(Locale.ROOT, "%.0f °F", t.fahrenheit())
                : String.format(Locale.ROOT, "%.0f °C", t.celsius());
    }

    public static String minutes(double minutes) {
        long whole = Math.round(minutes);
        return whole < 60 ? whole + " min" : whole / 60 + " h " + String.format(Locale.ROOT, "%02d", whole % 60);
    }
}
