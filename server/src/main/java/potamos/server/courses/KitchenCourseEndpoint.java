package potamos.server.courses;

import io.swagger.v3.oas.annotations.Operation;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.quantity.Refusal;
import potamos.server.accounts.Person;

/** The course of the kitchen. */
@RestController
class KitchenCourseEndpoint {

    private static final int MOST_DAYS = 14;

    private final Courses courses;

    KitchenCourseEndpoint(Courses courses) {
        this.courses = courses;
    }

    @Operation(summary = "What is open of the kitchen's calls, laid beside what is under way")
    @GetMapping("/api/course")
    KitchenCourse course(@AuthenticationPrincipal Person person, @RequestParam(defaultValue = "3") int days) {
        Refusal.unlessWithin("days", days, 1, MOST_DAYS, "days");
        return KitchenCourse.of(courses.lay(person, days));
    }
}
