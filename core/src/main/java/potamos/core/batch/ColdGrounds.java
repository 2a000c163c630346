package potamos.core.batch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.Medium;
import potamos.core.cooling.Projection;
import potamos.core.flow.Ground;
import potamos.core.flow.Ground.Term;
import potamos.core.flow.Why.Basis;

/** What the time to cold rests on: by the plan, and by its own readings once there are some. */
public final class ColdGrounds {

    private static final double MINUTES = 10;

    private ColdGrounds() {}

    /**
     * The grounds, those that make the band first in what they weigh.
     *
     * @param projection from the readings so far; nothing before there are two
     */
    public static List<Ground> of(CoolingPlan plan, Optional<Projection> projection) {
        List<Ground> grounds = new ArrayList<>();
        Medium first = plan.medium();
        grounds.add(Ground.of(Term.CONTAINERS, plan.count(), Basis.PLANNED));
        grounds.add(Ground.of(Term.EACH, plan.each().litres(), Basis.PLANNED));
        if (projection.isPresent()) {
            Projection own = projection.get();
            grounds.add(Ground.of(Term.STRAINED_AT, own.last().temperature().celsius(), Basis.MEASURED));
            grounds.add(Ground.of(Term.MEDIUM, own.mediumC(), Basis.PLANNED));
            double share = 1 - Math.exp(-own.perMinute() * MINUTES);
            grounds.add(new Ground(Term.IN_TEN_MINUTES, share, Basis.MEASURED, 1));
            return grounds;
        }
        grounds.add(Ground.of(Term.STRAINED_AT, plan.from().celsius(), Basis.BOOK));
        grounds.add(Ground.of(Term.MEDIUM, first.start().celsius(), Basis.PLANNED));
        plan.bath().ifPresent(bath -> grounds.add(Ground.of(Term.ICE, bath.ice().kg(), Basis.PLANNED)));
        grounds.add(new Ground(Term.WALL, first.outsideWPerM2K(), Basis.BOOK, 1));
        return grounds;
    }
}
