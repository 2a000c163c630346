package potamos.server.courses;

import java.time.Duration;
import java.util.List;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import potamos.core.course.Course;
import potamos.core.quantity.Refusal;
import potamos.server.live.BetweenChanges;
import potamos.server.live.Changes;

/** What was found out about a course, by how many days it looks ahead: good until something changes in its kitchen. */
final class ByDays<T> {

    /** Pots move on by themselves, and a course is not laid for each screen that looks. */
    private static final Duration STANDS_FOR = Duration.ofSeconds(20);

    private final List<BetweenChanges<T>> seen;

    ByDays(Changes changes) {
        seen = IntStream.rangeClosed(1, Course.MOST_DAYS)
                .mapToObj(days -> new BetweenChanges<T>(changes, STANDS_FOR))
                .toList();
    }

    /**
     * As it was found since the latest change, or as it is found now.
     *
     * @throws Refusal on {@code days} when nobody looks as far
     */
    T of(String kitchenId, int days, Supplier<T> look) {
        return seen.get(checked(days) - 1).of(kitchenId, look);
    }

    /** @throws Refusal on {@code days} when nobody looks as far */
    static int checked(int days) {
        Refusal.unlessWithin("days", days, 1, Course.MOST_DAYS, "days");
        return days;
    }
}
