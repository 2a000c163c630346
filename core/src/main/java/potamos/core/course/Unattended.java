package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.List;
import potamos.core.formula.PotPhase;
import potamos.core.heat.Cover;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Refusal;

/** What a kitchen lets go on while nobody is there. */
public enum Unattended {
    /** Nothing hot. */
    NEVER,
    /** A low simmer under a lid, which somebody looks in on at named times. */
    CHECKS,
    /** Any simmer. */
    ALLOWED;

    private static final List<String> DAYS = List.of("Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun");

    /** A pot that is looked in on is not alone for longer than this. */
    public static final Duration LOOKED_IN = Duration.ofHours(4);

    /**
     * Lets a policy pass that a kitchen keeps.
     *
     * @param now from when the week is looked at
     * @throws Refusal on {@code checks} when it wants somebody to look in, and nobody does for too long
     */
    public void unlessKept(Rota rota, Instant now) {
        if (this != CHECKS) {
            return;
        }
        if (rota.checks().isEmpty()) {
            throw Refusal.of("checks", "at which times does somebody look in");
        }
        rota.unlooked(now, LOOKED_IN).ifPresent(alone -> {
            throw Refusal.of(
                    "checks",
                    "nobody looks in from " + said(alone.from(), rota) + " to " + said(alone.to(), rota)
                            + "; at most four hours may pass");
        });
    }

    private static String said(Instant at, Rota rota) {
        ZonedDateTime local = at.atZone(rota.zone());
        return DAYS.get(local.getDayOfWeek().ordinal()) + " " + local.toLocalTime();
    }

    /** Whether a simmer may go on by itself. */
    public boolean alone(PotPhase.Simmer simmer) {
        return switch (this) {
            case NEVER -> false;
            case CHECKS -> simmer.band() != SimmerBand.LIVELY && simmer.cover() != Cover.OPEN;
            case ALLOWED -> true;
        };
    }
}
