package potamos.core.heat;

/** What lies on a pot, and the share of the open evaporation that it lets through. */
public enum Cover {
    OPEN(1),
    PAPER_LID(0.35),
    LID_AJAR(0.3),
    LID_ON(0.08);

    private final double lets;

    Cover(double lets) {
        this.lets = lets;
    }

    public double lets() {
        return lets;
    }
}
