package potamos.server.courses;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.course.Allocation;
import potamos.core.course.Course;
import potamos.core.course.Draft;
import potamos.core.course.Reshaping;
import potamos.core.quantity.Refusal;
import potamos.course.Search;
import potamos.server.Ids;
import potamos.server.accounts.Person;
import potamos.server.charges.ChargeRequest;
import potamos.server.live.Changes;
import potamos.server.solving.Solving;
import potamos.server.stations.Calls;

/** What is done with a course: a better one is looked for, and batches are made of it. */
@Service
public class Laying {

    /**
     * A batch that is to be made as it is drawn.
     *
     * @param id      of the batch, made by the client; accepting twice with the same one accepts once
     * @param draftId by which the course knows it
     */
    record Taken(
            @NotNull @Pattern(regexp = Ids.PATTERN) String id,

            @NotNull @Size(max = HeldCourse.LONGEST_ID) String draftId,
            @NotNull @Size(max = 60) String formula,
            double litres,
            @NotNull @Size(max = 36) String vesselId,
            @Size(max = 36) String burnerId,
            @NotNull Instant start,
            @NotNull Instant ready,
            @Valid @NotNull @Size(max = 20) List<Given> gives) {}

    /** Litres of it that a call gets. */
    record Given(@NotNull @Size(max = 36) String callId, double litres) {}

    private final Courses courses;
    private final HeldCourse held;
    private final Solving solving;
    private final Accepting accepting;
    private final Calls calls;

    private final ByDays<Courses.Laid> laid;

    Laying(Courses courses, HeldCourse held, Solving solving, Accepting accepting, Calls calls, Changes changes) {
        this.courses = courses;
        this.held = held;
        this.solving = solving;
        this.accepting = accepting;
        this.calls = calls;
        this.laid = new ByDays<>(changes);
    }

    /** As it was laid since the latest change, or as it is laid now. Whoever asks for more about it asks about the very same. */
    Courses.Laid laid(Person person, int days) {
        return laid.of(person.kitchenId(), days, () -> Courses.Laid.of(courses.begun(person, days)));
    }

    /**
     * Looks for a better course, and holds it. What somebody changes meanwhile stands, and what was found is not held.
     *
     * @param version of what is held, as the person has seen it
     */
    KitchenCourse look(Person person, int days, int version, Duration time) {
        Courses.Begun begun = courses.begun(person, ByDays.checked(days));
        begun.held().unlessSeen(version);
        Search.Found found = solving.lay(person.kitchenId(), begun.course(), time);
        // What cannot be made as it is stays on the list until somebody lets it go.
        List<HeldCourse.Draft> drafts = new ArrayList<>(
                begun.unmade().stream().map(Courses.Unmade::draft).toList());
        for (Draft draft : found.laid().course().drafts()) {
            drafts.add(begun.held().wishes().drafts().stream()
                    .filter(one -> one.id().equals(draft.id()))
                    .findFirst()
                    .orElseGet(() -> begun.asHeld(draft)));
        }
        held.change(person, version, before -> before.holding(drafts));
        return KitchenCourse.of(laid(person, days), Optional.of(KitchenCourse.CourseFound.of(found)));
    }

    /**
     * Holds what is laid to begin before a moment as it is laid: whatever is called for from then on is laid around it.
     *
     * @param version of what is held, as the person has seen it
     */
    public void hold(Person person, int days, int version, Instant before) {
        Courses.Laid now = laid(person, days);
        Set<String> already = now.begun().held().ids();
        List<HeldCourse.Draft> laidNow = now.laid().course().drafts().stream()
                .filter(draft -> draft.start().isBefore(before) && !already.contains(draft.id()))
                .map(draft -> now.begun().asHeld(draft))
                .toList();
        held.change(
                person,
                version,
                wishes -> wishes.holding(Stream.concat(wishes.drafts().stream(), laidNow.stream())
                        .toList()));
    }

    /** Two held in the place of one. */
    void split(Person person, int days, int version, String id) {
        Courses.Laid now = laid(person, days);
        String other = UUID.randomUUID().toString();
        reshaped(person, version, now, List.of(id), Reshaping.split(now.laid().course(), id, other));
    }

    /** One held in the place of two. */
    void join(Person person, int days, int version, String id, String other) {
        Courses.Laid now = laid(person, days);
        Draft both = Reshaping.join(now.laid().course(), id, other);
        reshaped(person, version, now, List.of(id, other), List.of(both));
    }

    private void reshaped(Person person, int version, Courses.Laid now, List<String> gone, List<Draft> instead) {
        held.change(
                person,
                version,
                wishes -> wishes.holding(Stream.concat(
                                wishes.without(Set.copyOf(gone)).drafts().stream(),
                                instead.stream().map(now.begun()::asHeld))
                        .toList()));
    }

    /** One call more that is not laid. */
    void setAside(Person person, int version, String callId) {
        calls.of(person, callId);
        leave(person, version, Set.of(), Set.of(callId));
    }

    /** A batch is let go, and whatever it was for is not laid. */
    void shelve(Person person, int days, int version, String id) {
        Course now = laid(person, days).laid().course();
        if (now.drafts().stream().noneMatch(draft -> draft.id().equals(id))) {
            throw Refusal.of("draftId", "there is no such batch any more");
        }
        Set<String> whose = now.allocations().stream()
                .filter(given -> given.from().equals(id))
                .map(Allocation::call)
                .collect(Collectors.toSet());
        leave(person, version, Set.of(id), whose);
    }

    private void leave(Person person, int version, Set<String> drafts, Set<String> more) {
        // Those that have ended meanwhile are forgotten.
        Set<String> open = calls.all(person).stream()
                .filter(call -> !call.status().ended())
                .map(Calls.Call::id)
                .collect(Collectors.toSet());
        held.change(
                person,
                version,
                wishes -> wishes.without(drafts)
                        .leaving(Stream.concat(wishes.aside().stream(), more.stream())
                                .filter(open::contains)
                                .collect(Collectors.toSet())));
    }

    /** A batch is held for a call that is not laid, or for what is missing of one that is. */
    void bringIn(Person person, int days, int version, String callId, String draftId) {
        Courses.Laid now = laid(person, days);
        Draft draft = Reshaping.bringIn(now.laid().course(), now.waiting(callId), draftId);
        HeldCourse.Draft place = now.begun().asHeld(draft, draftId);
        held.change(person, version, wishes -> wishes.with(place).asking(callId));
    }

    void stop(Person person) {
        solving.stop(person.kitchenId());
    }

    /** Makes batches, in the order in which they start; when one is refused, none is made. */
    @Transactional
    public void accept(Person person, List<Taken> batches) {
        Map<String, Instant> due = new HashMap<>();
        calls.all(person).forEach(call -> due.put(call.id(), call.readyBy()));
        batches.stream().sorted(Comparator.comparing(Taken::start)).forEach(one -> accept(person, one, due));
        Set<String> made = batches.stream().map(Taken::draftId).collect(Collectors.toSet());
        held.became(person, made);
    }

    private void accept(Person person, Taken one, Map<String, Instant> due) {
        List<Given> inOrder = one.gives().stream()
                .sorted(Comparator.comparing(g -> dueOf(g, due)))
                .toList();
        Instant readyBy = inOrder.isEmpty() ? one.ready() : dueOf(inOrder.get(0), due);
        List<Accepting.Gives> gives = inOrder.stream()
                .map(g -> new Accepting.Gives(g.callId(), Refusal.unlessWithin("gives", g.litres(), 0.01, 500, "L")))
                .toList();
        accepting.accept(
                person,
                one.id(),
                gives,
                ChargeRequest.forLitres(
                        one.formula(), one.litres(), one.vesselId(), one.burnerId(), readyBy, one.start()));
    }

    private static Instant dueOf(Given one, Map<String, Instant> due) {
        if (!due.containsKey(one.callId())) {
            throw Refusal.of("gives", "there is no such call any more");
        }
        return due.get(one.callId());
    }
}
