package potamos.core.batch;

/** The kitchen's cards, which a stock is held against. */
public enum JudgingCard {
    /** Roast: 1 raw to 8 black. */
    SHADE(1, 8),
    /** A spoonful on a cold plate: 1 pours like water, 2 coats, 3 trembles, 4 sets, 5 cuts. */
    SET(1, 5),
    /** A ladleful against the light: 1 cloudy to 5 the ladle's bottom shows. */
    LADLE(1, 5);

    private final double least;
    private final double most;

    JudgingCard(double least, double most) {
        this.least = least;
        this.most = most;
    }

    public double least() {
        return least;
    }

    public double most() {
        return most;
    }
}
