package potamos.core.batch;

import potamos.core.flow.Run;

/** Where a batch stands, in the usual order of work; a reduction stands before the straining where it is done in the pot. */
public enum Stage {
    WEIGH_IN,
    /** Rinsed, soaked, roasted, browned: whatever comes before the water. */
    PREPARE,
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

    /** Less of a stock than this is none. */
    static final double A_DROP_L = 0.01;

    /** Whether its stock, or what becomes of it, is in the vessel. */
    public boolean mayBeInTheVessel() {
        return this == BLANCH || compareTo(FILL) >= 0 && compareTo(REDUCE) <= 0;
    }

    /** Whether the heat is on under it. */
    public boolean heats() {
        return this == BLANCH || this == BRING_UP || this == SIMMER || this == REDUCE;
    }

    /** Whether anyone still has to look after it. */
    public boolean open() {
        return compareTo(STORE) <= 0;
    }

    /** Whether its vessel stands on a burner, lit or not. */
    public boolean onTheHob(Run.Heat heat) {
        return heat == Run.Heat.BURNER && mayBeOnTheHob();
    }

    /** Whether a vessel that goes on a burner stands there now. */
    public boolean mayBeOnTheHob() {
        return hot() && this != STRAIN || this == BLANCH || this == FILL;
    }

    public boolean hot() {
        return compareTo(BRING_UP) >= 0 && compareTo(REDUCE) <= 0;
    }
}
