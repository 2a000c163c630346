package potamos.core.course;

import java.time.Instant;
import potamos.core.charge.Needs;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.schedule.Owed;

/**
 * Litres that a station wants.
 *
 * @param weight  how much its lateness counts beside that of others, 0.1 to 10
 * @param needs   what must not be in it, and what it must be
 */
public record Call(String id, String station, Formula formula, Volume litres, Instant by, double weight, Needs needs) {

    public Call {
        Refusal.unlessWithin("litres", litres.litres(), 0.05, 500, "L");
        Refusal.unlessWithin("weight", weight, 0.1, 10, "");
    }

    /** So many litres of it alone. */
    public Call of(Volume some) {
        return new Call(id, station, formula, some, by, weight, needs);
    }

    /** So little of it that lacks is no matter: nobody puts on a pot for it. */
    double unmissedL() {
        return Math.max(Volume.A_JUG_L, Owed.TOLERANCE * litres.litres());
    }
}
