package potamos.server.batches;

import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import potamos.core.batch.BatchState.CoursePoint;
import potamos.server.charges.ForecastView;

/**
 * The liquor of a batch over its time in the pot, in few points: as small as a row of a list.
 *
 * @param done    from when it was filled
 * @param planned the plan from there
 */
record SmallStream(@NotNull List<Point> done, @NotNull List<Point> planned) {

    /** More would not be seen in a row. */
    private static final int MOST_POINTS = 24;

    record Point(double minute, double litres) {}

    static SmallStream of(Batches.Loaded loaded) {
        List<CoursePoint> course = loaded.state().course();
        Instant filled =
                course.isEmpty() ? loaded.plan().accepted() : course.get(0).at();
        return new SmallStream(
                few(course.stream()
                        .map(p -> new Point(Duration.between(filled, p.at()).toSeconds() / 60.0, p.liquorL()))
                        .toList()),
                few(ForecastView.of(loaded.plan().charge()).course().stream()
                        .map(p -> new Point(p.minute(), p.liquorL()))
                        .toList()));
    }

    /** As many at equal distances, the last among them. */
    private static List<Point> few(List<Point> all) {
        if (all.size() <= MOST_POINTS) {
            return all;
        }
        double apart = (all.size() - 1.0) / (MOST_POINTS - 1);
        return IntStream.range(0, MOST_POINTS)
                .mapToObj(i -> all.get((int) Math.round(i * apart)))
                .toList();
    }
}
