package potamos.core.course;

import potamos.core.formula.PotPhase;
import potamos.core.heat.Cover;
import potamos.core.heat.SimmerBand;

/** What a kitchen lets go on while nobody is there. */
public enum Unattended {
    /** Nothing hot. */
    NEVER,
    /** A low simmer under a lid, which somebody looks in on at named times. */
    CHECKS,
    /** Any simmer. */
    ALLOWED;

    /** Whether a simmer may go on by itself. */
    public boolean alone(PotPhase.Simmer simmer) {
        return switch (this) {
            case NEVER -> false;
            case CHECKS -> simmer.band() != SimmerBand.LIVELY && simmer.cover() != Cover.OPEN;
            case ALLOWED -> true;
        };
    }
}
