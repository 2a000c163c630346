package potamos.core.course;

/** How much it counts that a station's stock is late, beside that of others. */
public enum Importance {
    LESS(0.5),
    USUAL(1),
    MORE(2),
    MOST(4);

    private final double weight;

    Importance(double weight) {
        this.weight = weight;
    }

    /** By which its late litres count. */
    public double weight() {
        return weight;
    }
}
