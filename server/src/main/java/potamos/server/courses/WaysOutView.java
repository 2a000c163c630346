package potamos.server.courses;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import potamos.core.course.Call;
import potamos.core.course.Course;
import potamos.core.course.Draft;
import potamos.core.course.Replanning;
import potamos.server.stations.Calls;

/**
 * What something does to the course, and the ways out of it.
 *
 * @param version of what is held, to be named by whoever takes one
 * @param told    calls of the batch that simmers longer, whichever way is taken
 * @param stay    to be sent back by whoever moves nothing: those calls are told all the same
 * @param ways    the best first; none where nothing else is hit
 */
record WaysOutView(
        int version,
        @NotNull List<WayTold> told,
        @NotNull Taking stay,
        @NotNull List<Way> ways) {

    private static final double MINUTES_PER_H = 60;

    /**
     * A way out.
     *
     * @param lateL   litres late or missing, weighted, of the whole course
     * @param moreLateL so many more than before; below nothing where fewer
     * @param moreCookMin minutes of a cook's time more than before
     * @param moved   what is made otherwise
     * @param told    what stations are told
     * @param taking  to be sent back by whoever takes it
     */
    record Way(
            @NotNull Replanning.How how,
            double lateL,
            double moreLateL,
            long moreCookMin,
            @NotNull List<WayMoved> moved,
            @NotNull List<WayTold> told,
            @NotNull Taking taking) {}

    /**
     * A batch that is made otherwise.
     *
     * @param number of one that is accepted already
     * @param from   as it was laid; nothing of one that is new
     * @param to     as it would be; nothing of one that is not made
     */
    record WayMoved(
            @NotNull String formulaName, Optional<Integer> number, Optional<WayBatch> from, Optional<WayBatch> to) {}

    record WayBatch(
            @NotNull String vesselName,
            double litres,
            @NotNull Instant start,
            @NotNull Instant ready) {
        static WayBatch of(Draft draft) {
            return new WayBatch(draft.vessel(), draft.litres().litres(), draft.start(), draft.ready());
        }
    }

    /** What a station is told of a call: what would have come and when, and what would come. */
    record WayTold(
            @NotNull String callId,
            @NotNull String station,
            @NotNull String formulaName,
            double litres,
            @NotNull Instant by,
            @NotNull List<Calls.Comes> was,
            @NotNull List<Calls.Comes> is,
            double missing) {
        static WayTold of(Replanning.Told told) {
            return new WayTold(
                    told.call().id(),
                    told.call().station(),
                    told.call().formula().name(),
                    told.call().litres().litres(),
                    told.call().by(),
                    comes(told.was()),
                    comes(told.is()),
                    told.missing().litres());
        }

        private static List<Calls.Comes> comes(List<Replanning.Comes> all) {
            return all.stream()
                    .map(one -> new Calls.Comes(one.at(), one.litres().litres()))
                    .toList();
        }
    }

    /**
     * A way out as it is taken.
     *
     * @param holds what is held from then on; nothing leaves it as it is
     */
    record Taking(
            Optional<@Size(max = 200) List<HeldCourse.@Valid Draft>> holds,
            @Valid @NotNull @Size(max = 100) List<Accepting.Move> moves,
            @Valid @NotNull @Size(max = 200) List<Tell> tells) {}

    /** What a station is told: nothing comes where the list is empty. */
    record Tell(
            @NotNull @Size(max = 36) String callId,
            @Valid @NotNull @Size(max = 20) List<Calls.Comes> comes) {}

    static WaysOutView of(WaysOut.Looked looked) {
        List<WayTold> own = looked.told().stream().map(WayTold::of).toList();
        return new WaysOutView(
                looked.begun().held().version(),
                own,
                new Taking(Optional.empty(), List.of(), tells(own)),
                looked.ways().stream().map(way -> way(looked, way, own)).toList());
    }

    private static Way way(WaysOut.Looked looked, Replanning.WayOut way, List<WayTold> own) {
        List<WayTold> told = way.told().stream().map(WayTold::of).toList();
        List<Tell> tells = new ArrayList<>(tells(own));
        tells.addAll(tells(told));
        return new Way(
                way.how(),
                way.values().lateL(),
                way.moreLateL(),
                Math.round(way.moreCookH() * MINUTES_PER_H),
                way.moved().stream().map(moved -> moved(looked, moved)).toList(),
                told,
                new Taking(Optional.of(holds(looked, way)), moves(looked, way), tells));
    }

    private static List<Tell> tells(List<WayTold> told) {
        return told.stream().map(one -> new Tell(one.callId(), one.is())).toList();
    }

    private static WayMoved moved(WaysOut.Looked looked, Replanning.Moved moved) {
        Draft one = moved.to().or(moved::from).orElseThrow();
        return new WayMoved(
                one.charge().formula().name(),
                moved.from().map(from -> looked.loose().get(from.id())).map(Running.Standing::number),
                moved.from().map(WayBatch::of),
                moved.to().map(WayBatch::of));
    }

    private static List<Accepting.Move> moves(WaysOut.Looked looked, Replanning.WayOut way) {
        List<Accepting.Move> moves = new ArrayList<>();
        for (Replanning.Moved moved : way.moved()) {
            moved.from()
                    .filter(from -> looked.loose().containsKey(from.id()))
                    .ifPresent(from -> moves.add(new Accepting.Move(
                            from.id(), moved.to().map(to -> instead(looked, way.course(), from, to)))));
        }
        return moves;
    }

    private static Accepting.MadeInstead instead(WaysOut.Looked looked, Course course, Draft from, Draft to) {
        HeldCourse.Draft place = looked.begun().asHeld(to);
        Map<String, Call> calls = course.calls().stream().collect(Collectors.toMap(Call::id, call -> call));
        List<Accepting.Gives> gives = course.allocations().stream()
                .filter(a -> a.from().equals(to.id()))
                .map(a -> new Accepting.Gives(a.call(), a.litres().litres()))
                .sorted(Comparator.comparing(g -> calls.get(g.callId()).by()))
                .toList();
        Instant readyBy = gives.stream()
                .map(g -> calls.get(g.callId()).by())
                .findFirst()
                .orElse(looked.loose().get(from.id()).place().orElseThrow().readyBy());
        return new Accepting.MadeInstead(
                UUID.randomUUID().toString(),
                place.litres(),
                place.vesselId(),
                place.burnerId(),
                place.start(),
                readyBy,
                gives);
    }

    /** What is held of a way out: all that is not made of a batch that was accepted before. */
    private static List<HeldCourse.Draft> holds(WaysOut.Looked looked, Replanning.WayOut way) {
        Set<String> accepted = new HashSet<>(looked.loose().keySet());
        way.moved().stream()
                .filter(moved ->
                        moved.from().map(Draft::id).filter(accepted::contains).isPresent())
                .forEach(moved -> moved.to().ifPresent(to -> accepted.add(to.id())));
        List<HeldCourse.Draft> holds = new ArrayList<>(
                looked.begun().unmade().stream().map(Courses.Unmade::draft).toList());
        way.course().drafts().stream()
                .filter(draft -> !accepted.contains(draft.id()))
                .map(looked.begun()::asHeld)
                .forEach(holds::add);
        return holds;
    }
}
