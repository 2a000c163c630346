package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import potamos.core.quantity.Volume;

/** A course that is put together out of batches that somebody has chosen, one after another. */
final class Answer {

    /** A start that does not fit after all is looked for up to two hours later. */
    private static final Duration LOOK_ON = Duration.ofHours(2).plus(Diary.STEP);

    private final Course begun;
    private final Constructive constructive;
    private final List<Allocation> given;
    private final List<Chosen> chosen = new ArrayList<>();

    /**
     * Of a course.
     *
     * @param constructive that lays what nobody has chosen
     * @param given        without any of what is chosen
     */
    Answer(Course begun, Constructive constructive, List<Allocation> given) {
        this.begun = begun;
        this.constructive = constructive;
        this.given = List.copyOf(given);
    }

    private record Chosen(Wanted wanted, Ways.Way way, Draft draft) {
        Chosen startingAt(Instant start, Diary diary) {
            return new Chosen(wanted, way, diary.placed(way, start, draft.id()));
        }

        Stream<Allocation> gives() {
            return wanted.parts().stream()
                    .map(part -> new Allocation(part.call().id(), draft.id(), Volume.ofLitres(part.litres())));
        }
    }

    private List<Draft> drafts() {
        List<Draft> drafts = new ArrayList<>(begun.drafts());
        chosen.forEach(one -> drafts.add(one.draft()));
        return drafts;
    }

    /**
     * Takes one in, at its start or where it finds room not long after it.
     *
     * @return whether it did
     */
    boolean add(Wanted wanted, Ways.Way way, Instant start) {
        String id = constructive.idBeside(drafts());
        Beside beside = beside();
        Optional<Instant> found = beside.diary().on(start, start.plus(LOOK_ON), room(beside, wanted, way));
        found.ifPresent(at -> chosen.add(new Chosen(wanted, way, beside.diary().placed(way, at, id))));
        return found.isPresent();
    }

    private Beside beside() {
        return Beside.of(begun.with(drafts(), allocations()));
    }

    private List<Allocation> allocations() {
        return Stream.concat(given.stream(), chosen.stream().flatMap(Chosen::gives))
                .toList();
    }

    private static Predicate<Instant> room(Beside beside, Wanted wanted, Ways.Way way) {
        return start -> beside.against(wanted, way, start).isEmpty()
                && wanted.keepsIn(beside.diary().placed(way, start, ""));
    }

    /** Puts each as late as it is surely ready, the last first. */
    private void settle() {
        for (int i = chosen.size() - 1; i >= 0; i--) {
            Chosen one = chosen.remove(i);
            Instant sure = one.wanted().sure().minusSeconds(one.way().takes().endsAt());
            Beside others = beside();
            Optional<Instant> later = others.diary()
                    .back(sure, room(others, one.wanted(), one.way()))
                    .filter(start -> start.isAfter(one.draft().start()));
            chosen.add(
                    i, later.map(start -> one.startingAt(start, others.diary())).orElse(one));
        }
    }

    /**
     * The course of them, with the rest laid beside them.
     *
     * @param left    of the calls, that nobody has chosen
     * @param refused why calls are not made at all
     */
    Constructive.Laid completed(List<Wanted.Part> left, Map<String, String> refused) {
        settle();
        Map<String, String> why = new LinkedHashMap<>(refused);
        for (Chosen one : chosen) {
            for (Wanted.Part part : one.wanted().parts()) {
                if (one.draft().ready().isAfter(part.call().by())) {
                    why.put(part.call().id(), "nothing that there is makes it sooner without making others later");
                }
            }
        }
        return constructive.completed(left, drafts(), new ArrayList<>(allocations()), why);
    }
}
