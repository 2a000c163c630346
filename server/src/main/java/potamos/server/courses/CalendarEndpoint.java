package potamos.server.courses;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.course.Course;
import potamos.core.course.Day;
import potamos.core.course.Draft;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.kitchen.Kitchens;
import potamos.server.stations.Calls;

/** Calendars over HTTP. */
@RestController
class CalendarEndpoint {

    private static final int DAYS = 7;

    /** The path of the calendar, told this once. */
    record CalendarTold(@NotNull String path) {}

    record CalendarMade(Optional<Instant> madeAt) {}

    private final Calendars calendars;
    private final Laying laying;
    private final Calls calls;
    private final Kitchens kitchens;

    CalendarEndpoint(Calendars calendars, Laying laying, Calls calls, Kitchens kitchens) {
        this.calendars = calendars;
        this.laying = laying;
        this.calls = calls;
        this.kitchens = kitchens;
    }

    @Operation(summary = "Whether somebody has an address of their own for a calendar program")
    @GetMapping("/api/course/calendar")
    CalendarMade made(@AuthenticationPrincipal Person person) {
        return new CalendarMade(calendars.madeAt(person));
    }

    @Operation(
            summary =
                    "Makes a secret address for a calendar program; the one from before ends, and it is told this once")
    @PostMapping("/api/course/calendar")
    @ResponseStatus(HttpStatus.CREATED)
    CalendarTold make(@AuthenticationPrincipal Person person) {
        return new CalendarTold(calendars.make(person));
    }

    @Operation(summary = "Ends the address")
    @DeleteMapping("/api/course/calendar")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@AuthenticationPrincipal Person person) {
        calendars.end(person);
    }

    @Operation(
            summary = "The course of a week as a calendar, for whoever knows the address: of a station, its own calls")
    @GetMapping(path = "/api/calendars/{secret}", produces = "text/calendar;charset=UTF-8")
    ResponseEntity<String> calendar(@PathVariable String secret) {
        Person person = calendars.whose(secret);
        CalendarFile file =
                new CalendarFile(person.units(), kitchens.of(person.kitchenId()).zone());
        if (person.may(Right.READ)) {
            batches(person, file);
        }
        for (Calls.Call call : calls.all(person)) {
            if (!call.status().ended()) {
                List<String> comes = call.told().stream()
                        .flatMap(word -> word.comes().stream())
                        .map(file::comes)
                        .toList();
                file.call(call, comes);
            }
        }
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(file.toString());
    }

    private void batches(Person person, CalendarFile file) {
        Courses.Laid laid = laying.laid(person, DAYS);
        laid.begun()
                .running()
                .forEach(one ->
                        file.batch(one.id(), one.formula().name(), one.litres(), one.vessel(), one.ahead(), true));
        for (Draft draft : laid.laid().course().drafts()) {
            file.batch(
                    draft.id(),
                    draft.charge().formula().name(),
                    draft.litres().litres(),
                    draft.vessel(),
                    draft.timeline(),
                    false);
        }
        Course course = laid.laid().course();
        Day.looks(laid.pots(), course.equipment().rota(), course.now(), course.until())
                .forEach(file::look);
    }
}
