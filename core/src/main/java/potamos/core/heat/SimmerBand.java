package potamos.core.heat;

import potamos.core.quantity.Temperature;

/** How a simmer looks, as kelvins below the local boiling point. */
public enum SimmerBand {
    TREMBLE(-14, -9),
    LAZY(-9, -4),
    LIVELY(-4, -1.5);

    private final double from;
    private final double to;

    SimmerBand(double from, double to) {
        this.from = from;
        this.to = to;
    }

    public Temperature low(Temperature boiling) {
        return boiling.plus(from);
    }

    public Temperature high(Temperature boiling) {
        return boiling.plus(to);
    }

    public Temperature middle(Temperature boiling) {
        return boiling.plus((from + to) / 2);
    }
}
