package potamos.server.courses;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.course.Because;
import potamos.core.course.Course;
import potamos.core.course.Obstacle;
import potamos.core.quantity.Refusal;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.problems.NotFound;

/** The course of the kitchen. */
@RestController
class KitchenCourseEndpoint {

    private static final int MINUTES_PER_H = 60;
    private static final double LONGEST_SEARCH_S = 30;

    private final Courses courses;
    private final HeldCourse held;
    private final Laying laying;

    KitchenCourseEndpoint(Courses courses, HeldCourse held, Laying laying) {
        this.courses = courses;
        this.held = held;
        this.laying = laying;
    }

    /**
     * A batch where it is to be held.
     *
     * @param callId of a call that was set aside and is brought in with it; nothing where it is for whoever is open
     */
    record HoldIn(
            int version,
            @NotNull @Size(max = 60) String formula,
            double litres,
            @NotNull @Size(max = 36) String vesselId,
            @Size(max = 36) String burnerId,
            @NotNull Instant start,
            @Size(max = 36) String callId) {}

    record HoldAllIn(int version, @NotNull Instant before) {}

    record JoinIn(
            int version,
            @NotNull @Size(max = HeldCourse.LONGEST_ID) String otherId) {}

    record VersionIn(int version) {}

    /** @param draftId of the batch, made by the client */
    record BringIn(
            int version,
            @NotNull @Size(max = HeldCourse.LONGEST_ID) String draftId) {}

    /** For how long to look, 1 to 30 s. */
    record LookIn(int version, double seconds) {}

    /** Batches that are to be made as they are drawn; all of them, or none. */
    record AcceptIn(@Valid @NotNull @Size(min = 1, max = 60) List<Laying.Taken> batches) {}

    /**
     * What holds a batch where it is.
     *
     * @param spareMin between its being ready and its first call; below nothing where it comes late
     * @param tight    whether ten minutes later it would not surely be ready for that call any more
     * @param later    what is in its way ten minutes later; nothing where nothing is
     * @param earlier  the same ten minutes earlier
     */
    record WhyHere(
            Optional<String> callId,
            long spareMin,
            boolean tight,
            Optional<InTheWay> later,
            Optional<InTheWay> earlier,
            Optional<Instead> instead) {}

    /** A thing that is taken, where it is one, and the batch of the course that has it. */
    record InTheWay(@NotNull Obstacle what, @NotNull String thing, Optional<String> draftId) {
        static InTheWay of(Because.InTheWay way) {
            return new InTheWay(way.what(), way.thing(), way.batch());
        }
    }

    /**
     * The best of the other vessels.
     *
     * @param laterMin by how much later its litres would be ready; below nothing where sooner
     * @param lateL    litres late, weighted, that the course would have more
     * @param cookMin  minutes of a cook that it would take more
     */
    record Instead(@NotNull String vesselName, @NotNull Instant start, long laterMin, double lateL, long cookMin) {}

    @Operation(summary = "What is open of the kitchen's calls, laid beside what is under way and around what is held")
    @GetMapping("/api/course")
    KitchenCourse course(@AuthenticationPrincipal Person person, @RequestParam(defaultValue = "3") int days) {
        person.require(Right.READ);
        return KitchenCourse.of(laying.laid(person, days), Optional.empty());
    }

    @Operation(summary = "Holds a batch of the course where it is put; the rest is laid around it")
    @PutMapping("/api/course/drafts/{id}")
    KitchenCourse hold(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody HoldIn body) {
        HeldCourse.Draft draft =
                new HeldCourse.Draft(id, body.formula(), body.litres(), body.vesselId(), body.burnerId(), body.start());
        courses.mayBeHeld(person, draft);
        held.change(person, body.version(), wishes -> wishes.with(draft).asking(body.callId()));
        return course(person, days);
    }

    @Operation(summary = "Lets a batch go: it is laid like any other again, or not at all")
    @DeleteMapping("/api/course/drafts/{id}")
    KitchenCourse release(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @RequestParam int version,
            @RequestParam(defaultValue = "3") int days) {
        held.change(person, version, wishes -> wishes.without(Set.of(id)));
        return course(person, days);
    }

    @Operation(summary = "Holds everything that is laid to begin before a moment as it is laid")
    @PostMapping("/api/course/hold")
    KitchenCourse holdAll(
            @AuthenticationPrincipal Person person,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody HoldAllIn body) {
        person.require(Right.PLAN);
        laying.hold(person, days, body.version(), body.before());
        return course(person, days);
    }

    @Operation(summary = "Makes two batches of one, the second in another vessel; both are held")
    @PostMapping("/api/course/drafts/{id}/halves")
    KitchenCourse split(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody VersionIn body) {
        person.require(Right.PLAN);
        laying.split(person, days, body.version(), id);
        return course(person, days);
    }

    @Operation(summary = "Makes one batch of two of the same stock; it is held")
    @PostMapping("/api/course/drafts/{id}/joining")
    KitchenCourse join(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody JoinIn body) {
        person.require(Right.PLAN);
        laying.join(person, days, body.version(), id, body.otherId());
        return course(person, days);
    }

    @Operation(summary = "Sets a call aside: it is not laid until somebody brings it in or asks for it to be laid")
    @PostMapping("/api/course/calls/{id}/aside")
    KitchenCourse setAside(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody VersionIn body) {
        person.require(Right.PLAN);
        laying.setAside(person, body.version(), id);
        return course(person, days);
    }

    @Operation(summary = "Lays a call that was set aside like any other again")
    @DeleteMapping("/api/course/calls/{id}/aside")
    KitchenCourse lay(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @RequestParam int version,
            @RequestParam(defaultValue = "3") int days) {
        held.change(person, version, wishes -> wishes.asking(id));
        return course(person, days);
    }

    @Operation(
            summary =
                    "Holds a batch for a call that was set aside or finds no place: where it is best, whatever is in its way")
    @PostMapping("/api/course/calls/{id}/batch")
    KitchenCourse bringIn(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody BringIn body) {
        person.require(Right.PLAN);
        laying.bringIn(person, days, body.version(), id, body.draftId());
        return course(person, days);
    }

    @Operation(summary = "Sets aside every call that a batch of the course is for, and lets the batch go")
    @PostMapping("/api/course/drafts/{id}/aside")
    KitchenCourse shelve(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody VersionIn body) {
        person.require(Right.PLAN);
        laying.shelve(person, days, body.version(), id);
        return course(person, days);
    }

    @Operation(summary = "Lets all batches go")
    @PostMapping("/api/course/release")
    KitchenCourse releaseAll(
            @AuthenticationPrincipal Person person,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody VersionIn body) {
        held.change(person, body.version(), wishes -> wishes.holding(List.of()));
        return course(person, days);
    }

    @Operation(summary = "Takes the latest change of the course back")
    @PostMapping("/api/course/undo")
    KitchenCourse undo(
            @AuthenticationPrincipal Person person,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody VersionIn body) {
        held.step(person, body.version(), true);
        return course(person, days);
    }

    @Operation(summary = "Does again what was taken back")
    @PostMapping("/api/course/redo")
    KitchenCourse redo(
            @AuthenticationPrincipal Person person,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody VersionIn body) {
        held.step(person, body.version(), false);
        return course(person, days);
    }

    @Operation(summary = "Looks for a better course around what is held, for so many seconds, and holds what it finds")
    @PostMapping("/api/course/look")
    KitchenCourse look(
            @AuthenticationPrincipal Person person,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody LookIn body) {
        person.require(Right.PLAN);
        Refusal.unlessWithin("seconds", body.seconds(), 1, LONGEST_SEARCH_S, "s");
        return laying.look(person, days, body.version(), Duration.ofMillis((long) (body.seconds() * 1000)));
    }

    @Operation(summary = "Ends a search with what it has found so far")
    @PostMapping("/api/course/stop")
    void stop(@AuthenticationPrincipal Person person) {
        person.require(Right.PLAN);
        laying.stop(person);
    }

    @Operation(summary = "What holds a batch of the course where it is")
    @GetMapping("/api/course/drafts/{id}/why")
    WhyHere why(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @RequestParam(defaultValue = "3") int days) {
        person.require(Right.READ);
        Course course = laying.laid(person, days).laid().course();
        if (course.drafts().stream().noneMatch(draft -> draft.id().equals(id))) {
            throw new NotFound("batch");
        }
        Because because = Because.of(course, id);
        return new WhyHere(
                because.first().map(call -> call.id()),
                because.spare().toMinutes(),
                because.tight(),
                because.later().map(InTheWay::of),
                because.earlier().map(InTheWay::of),
                because.instead()
                        .map(i -> new Instead(i.vessel(), i.start(), i.late().toMinutes(), i.more(), (long)
                                (i.cookH() * MINUTES_PER_H))));
    }

    @Operation(summary = "Makes batches of what is drafted: all of them, or none")
    @PostMapping("/api/course/accept")
    KitchenCourse accept(
            @AuthenticationPrincipal Person person,
            @RequestParam(defaultValue = "3") int days,
            @Valid @RequestBody AcceptIn body) {
        laying.accept(person, body.batches());
        return course(person, days);
    }
}
