package potamos.server.batches;

import java.util.List;
import java.util.stream.IntStream;
import potamos.core.liquor.Brix;

/**
 * A point of a refractometer's scale, so that a figure is converted while it is typed. Points lie close enough for a straight line between them: it is off
 * by at most 0.2 g/L.
 */
record BrixPoint(double degrees, double gPerL) {

    private static final int STEP = 5;

    /** The whole scale, from nothing up. */
    static final List<BrixPoint> SCALE = IntStream.rangeClosed(0, (int) Brix.MOST / STEP)
            .mapToObj(step -> new BrixPoint(step * STEP, Brix.gPerL(step * STEP)))
            .toList();
}
