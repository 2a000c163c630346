package potamos.server.courses;

import io.swagger.v3.oas.annotations.Operation;
import java.time.Duration;
import java.util.List;
import java.util.stream.IntStream;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.quantity.Refusal;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.live.BetweenChanges;
import potamos.server.live.Changes;

/** The course of the kitchen. */
@RestController
class KitchenCourseEndpoint {

    private static final int MOST_DAYS = 14;

    /** Pots move on by themselves, and a course is not laid for each screen that looks. */
    private static final Duration STANDS_FOR = Duration.ofSeconds(20);

    private final Courses courses;

    /** By how many days it looks ahead. */
    private final List<BetweenChanges<KitchenCourse>> laid;

    KitchenCourseEndpoint(Courses courses, Changes changes) {
        this.courses = courses;
        this.laid = IntStream.rangeClosed(1, MOST_DAYS)
                .mapToObj(days -> new BetweenChanges<KitchenCourse>(changes, STANDS_FOR))
                .toList();
    }

    @Operation(summary = "What is open of the kitchen's calls, laid beside what is under way")
    @GetMapping("/api/course")
    KitchenCourse course(@AuthenticationPrincipal Person person, @RequestParam(defaultValue = "3") int days) {
        person.require(Right.READ);
        Refusal.unlessWithin("days", days, 1, MOST_DAYS, "days");
        return laid.get(days - 1).of(person.kitchenId(), () -> KitchenCourse.of(courses.lay(person, days)));
    }
}
