package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import potamos.core.quantity.Volume;

/**
 * What holds a batch of a course where it is: the call that it must be ready for, what is in its way a step later and a step earlier, and what the next best
 * vessel would cost.
 *
 * @param first   the call that is due first of those it serves; empty where it serves none
 * @param spare   between its being ready and that call; below nothing where it comes late
 * @param tight   whether a step later it would not surely be ready for it any more
 * @param later   what is in its way when it starts a step later; empty where nothing is
 * @param earlier the same a step earlier
 * @param instead the best of the other vessels; empty where there is none
 */
public record Because(
        Optional<Call> first,
        Duration spare,
        boolean tight,
        Optional<InTheWay> later,
        Optional<InTheWay> earlier,
        Optional<Instead> instead) {

    /**
     * What stands against a start.
     *
     * @param thing of the kitchen that is taken then, or nothing where it is no thing
     * @param batch that has it, by the id of its draft; nothing where what is under way has it
     */
    public record InTheWay(Obstacle what, String thing, Optional<String> batch) {}

    /**
     * The same batch in another vessel.
     *
     * @param start  as late as it is surely ready there, or as early as it is ready at all
     * @param late   by how much later than here; below nothing where it would be sooner
     * @param more   litres late, weighted, that the course would have more; 0 where nobody misses them
     * @param cookH  hours of a cook that it would take more; 0 where nobody would notice
     */
    public record Instead(String vessel, Instant start, Duration late, double more, double cookH) {}

    /** Of one batch of a course. */
    public static Because of(Course course, String draftId) {
        Draft mine = course.drafts().stream()
                .filter(draft -> draft.id().equals(draftId))
                .findFirst()
                .orElseThrow();
        Optional<Course.Served> first = course.served().stream()
                .filter(one -> one.lot().id().equals(draftId))
                .min(Comparator.comparing(one -> one.call().by()));
        List<Draft> others =
                course.drafts().stream().filter(draft -> draft != mine).toList();
        Course without = course.with(others, List.of());
        Diary diary = new Diary(without);
        Footprint takes = mine.takes(course.equipment());
        return new Because(
                first.map(Course.Served::call),
                first.map(Course.Served::spare).orElse(Duration.ZERO),
                first.map(one -> Wanted.sure(one.call().by())
                                .isBefore(mine.ready().plus(Diary.STEP)))
                        .orElse(false),
                inTheWay(diary, takes, mine.start().plus(Diary.STEP), without),
                inTheWay(diary, takes, mine.start().minus(Diary.STEP), without),
                first.flatMap(one -> instead(course, mine, diary, one.call())));
    }

    private static Optional<InTheWay> inTheWay(Diary diary, Footprint takes, Instant start, Course others) {
        return diary.against(takes, start).map(why -> {
            Optional<Footprint.Thing> thing = why.thing()
                    .flatMap(kind -> takes.things().stream()
                            .filter(one -> one.kind() == kind)
                            .findFirst());
            Optional<String> whose = thing.flatMap(one -> others.drafts().stream()
                    .filter(draft -> draft.uses().stream()
                            .anyMatch(use -> use.kind() == one.kind()
                                    && use.name().equals(one.name())
                                    && use.within(start.plusSeconds(one.from()), start.plusSeconds(one.to()))))
                    .map(Draft::id)
                    .findFirst());
            return new InTheWay(why, thing.map(Footprint.Thing::name).orElse(""), whose);
        });
    }

    /** The other vessel in which the course would be best. */
    private static Optional<Instead> instead(Course course, Draft mine, Diary diary, Call first) {
        Ways ways = new Ways(course.equipment());
        Values here = course.values();
        String vessel = mine.vessel();
        record Tried(Instead instead, Values values) {}
        List<Tried> tried = new ArrayList<>();
        Wanted wanted = new Wanted(
                mine.charge().formula(),
                List.of(new Wanted.Part(first, mine.litres().litres())));
        ways.of(mine.charge().formula(), mine.litres().litres())
                .filter(way -> !way.vessel().equals(vessel))
                .forEach(way -> start(course, way, diary, wanted).ifPresent(start -> {
                    Draft there = diary.placed(way, start, mine.id());
                    List<Draft> drafts = course.drafts().stream()
                            .map(draft -> draft == mine ? there : draft)
                            .toList();
                    Values values = course.with(drafts, course.allocations()).values();
                    tried.add(new Tried(
                            new Instead(
                                    way.vessel(),
                                    start,
                                    Duration.between(mine.ready(), there.ready()),
                                    beyond(values.lateL() - here.lateL(), Volume.A_JUG_L),
                                    beyond(values.cookH() - here.cookH(), Course.A_MOMENT_H)),
                            values));
                }));
        return tried.stream().min(Comparator.comparing(Tried::values)).map(Tried::instead);
    }

    /** Nothing where nobody would notice. */
    private static double beyond(double value, double least) {
        return value < least ? 0 : value;
    }

    private static Optional<Instant> start(Course course, Ways.Way way, Diary diary, Wanted wanted) {
        Instant latest = wanted.sure().minusSeconds(way.takes().endsAt());
        Predicate<Instant> room = diary.room(way.takes());
        return diary.back(latest, room).or(() -> diary.on(latest, course.until(), room));
    }
}
