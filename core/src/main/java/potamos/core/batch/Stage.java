package potamos.core.batch;

/** Where a batch stands, in the order of work. */
public enum Stage {
    WEIGH_IN,
    BLANCH,
    FILL,
    BRING_UP,
    SIMMER,
    REST,
    STRAIN,
    REDUCE,
    COOL,
    STORE,
    ON_SHELF,
    DONE,
    ABANDONED;

    /** Whether its vessel is taken. */
    public boolean holdsVessel() {
        return compareTo(STRAIN) <= 0;
    }

    /** Whether anyone still has to look after it. */
    public boolean open() {
        return compareTo(STORE) <= 0;
    }

    public boolean hot() {
        return this == BRING_UP || this == SIMMER || this == REST || this == STRAIN;
    }
}
