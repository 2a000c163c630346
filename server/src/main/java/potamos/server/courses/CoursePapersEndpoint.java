package potamos.server.courses;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.course.Course;
import potamos.core.course.Day;
import potamos.core.course.Provision;
import potamos.core.quantity.Refusal;
import potamos.server.KitchenClock;
import potamos.server.PublishedSchema;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.kitchen.Kitchens;
import potamos.server.larder.Boxes;

/** What a course is printed and taken elsewhere as. */
@RestController
class CoursePapersEndpoint {

    private static final String TABLE = "text/csv;charset=UTF-8";

    private final Laying laying;
    private final Kitchens kitchens;
    private final Boxes boxes;
    private final KitchenClock clock;
    private final PublishedSchema schemas;

    CoursePapersEndpoint(Laying laying, Kitchens kitchens, Boxes boxes, KitchenClock clock, PublishedSchema schemas) {
        this.schemas = schemas;
        this.laying = laying;
        this.kitchens = kitchens;
        this.boxes = boxes;
        this.clock = clock;
    }

    @Operation(summary = "A day of the course on paper, by hour and by pot")
    @GetMapping(path = "/api/course/day-sheet.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> daySheet(
            @AuthenticationPrincipal Person person, @RequestParam(required = false) LocalDate day) {
        return sheet(person, day, "", DaySheet::of);
    }

    @Operation(summary = "Everything to weigh for what begins on a day, pot by pot, on paper")
    @GetMapping(path = "/api/course/weigh-out.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> weighOut(
            @AuthenticationPrincipal Person person, @RequestParam(required = false) LocalDate day) {
        return sheet(person, day, "-weigh-out", WeighOutSheet::of);
    }

    /** How a day goes on paper. */
    private interface Sheet {
        byte[] of(String kitchen, LocalDate date, Day day, ZoneId zone, String units, Instant printed);
    }

    private ResponseEntity<byte[]> sheet(Person person, LocalDate day, String name, Sheet sheet) {
        person.require(Right.READ);
        Kitchens.Kitchen kitchen = kitchens.of(person.kitchenId());
        LocalDate today = kitchen.day(clock.instant());
        LocalDate asked = day == null ? today : day;
        long ahead = ChronoUnit.DAYS.between(today, asked);
        if (ahead < 0 || ahead >= Course.MOST_DAYS) {
            throw Refusal.of("day", "from today on, at most " + (Course.MOST_DAYS - 1) + " days ahead");
        }
        Courses.Laid laid = laying.laid(person, (int) Math.min(Course.MOST_DAYS, ahead + 2));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + asked + name + ".pdf\"")
                .body(sheet.of(
                        kitchen.name(),
                        asked,
                        Day.of(laid.pots(), laid.laid().course().calls(), asked, kitchen.rota()),
                        kitchen.zone(),
                        person.units(),
                        clock.instant()));
    }

    @Operation(summary = "What the course is like as JSON, as a JSON Schema")
    @GetMapping(path = "/api/course/schema.json", produces = "application/schema+json")
    String schema(@AuthenticationPrincipal Person person) {
        person.require(Right.READ);
        return schemas.of("The course of a kitchen", KitchenCourse.class);
    }

    @Operation(summary = "The batches of the course as a table")
    @GetMapping(path = "/api/course/batches.csv", produces = TABLE)
    ResponseEntity<String> batches(@AuthenticationPrincipal Person person, @RequestParam(defaultValue = "7") int days) {
        person.require(Right.READ);
        return table(
                "course", CourseTables.batches(laying.laid(person, days).laid().course()));
    }

    @Operation(summary = "What to thaw, order and weigh for the course, day by day, as a table")
    @GetMapping(path = "/api/course/needs.csv", produces = TABLE)
    ResponseEntity<String> needs(@AuthenticationPrincipal Person person, @RequestParam(defaultValue = "7") int days) {
        person.require(Right.READ);
        return table(
                "needs",
                CourseTables.needs(
                        provisions(person, days),
                        kitchens.of(person.kitchenId()).zone()));
    }

    /**
     * Something that the course is made of, with what the larder has of it.
     *
     * @param at       when the batch begins that it is for
     * @param thawFrom when what lies frozen has to come out of the freezer
     */
    record ProvisionView(
            @NotNull Instant at,
            @NotNull String vessel,
            @NotNull String formulaName,
            @NotNull String goods,
            @NotNull String name,
            double wantedKg,
            double thereKg,
            double frozenKg,
            double lacksKg,
            Optional<Instant> thawFrom) {
        static ProvisionView of(Provision one) {
            return new ProvisionView(
                    one.at(),
                    one.vessel(),
                    one.stock(),
                    one.cover().goods(),
                    one.name(),
                    one.cover().wanted().kg(),
                    one.cover().there().kg(),
                    one.cover().toThaw().kg(),
                    one.cover().missing().kg(),
                    one.thawFrom());
        }
    }

    @Operation(summary = "What the course is made of, and what the larder has of it")
    @GetMapping("/api/course/provisions")
    List<ProvisionView> provisionsAhead(
            @AuthenticationPrincipal Person person, @RequestParam(defaultValue = "3") int days) {
        person.require(Right.READ);
        return provisions(person, days).stream().map(ProvisionView::of).toList();
    }

    private List<Provision> provisions(Person person, int days) {
        return Provision.of(laying.laid(person, days).pots(), boxes.larder(person.kitchenId()));
    }

    private static ResponseEntity<String> table(String name, String rows) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + ".csv\"")
                .body(rows);
    }
}
