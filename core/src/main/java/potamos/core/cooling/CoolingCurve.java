package potamos.core.cooling;

import java.util.List;
import java.util.OptionalDouble;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;

/**
 * A predicted cooling.
 *
 * @param points stock and bath against minutes
 * @param melted ice used up
 */
public record CoolingCurve(List<Point> points, Mass melted) {

    public CoolingCurve {
        points = List.copyOf(points);
    }

    /**
     * Stock and medium at a minute, °C.
     *
     * @param stockC the mean of it
     * @param coreC  its slowest place, which is what limits are about; the mean as long as it flows
     */
    public record Point(double minute, double stockC, double coreC, double mediumC) {}

    /** Minutes until all of the stock is down to a temperature; empty when it does not get there. */
    public OptionalDouble minutesTo(Temperature t) {
        CoolingCurve.Point before = points.get(0);
        if (before.coreC() <= t.celsius()) {
            return OptionalDouble.of(0);
        }
        for (Point point : points) {
            if (point.coreC() <= t.celsius()) {
                double share = (before.coreC() - t.celsius()) / (before.coreC() - point.coreC());
                return OptionalDouble.of(before.minute() + share * (point.minute() - before.minute()));
            }
            before = point;
        }
        return OptionalDouble.empty();
    }
}
