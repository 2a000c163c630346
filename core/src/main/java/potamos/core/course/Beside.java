package potamos.core.course;

import java.time.Instant;
import java.util.Optional;

/** What is taken of a kitchen and of its cold shelf, and whether one batch more finds room beside that. */
record Beside(Diary diary, ColdShelf shelf) {

    /** Of everything that a course has so far. */
    static Beside of(Course course) {
        return new Beside(new Diary(course), new ColdShelf(course));
    }

    /** What is in its way at a start, until the last of it is fetched; empty where it finds room. */
    Optional<Obstacle> against(Wanted wanted, Ways.Way way, Instant start) {
        return diary.against(way.takes(), start)
                .or(() -> Optional.of(Obstacle.SHELF)
                        .filter(full ->
                                !shelf.room(start.plusSeconds(way.takes().endsAt()), wanted.parts())));
    }

    void add(Wanted wanted, Draft draft) {
        diary.add(draft);
        shelf.add(draft.ready(), wanted.parts());
    }
}
