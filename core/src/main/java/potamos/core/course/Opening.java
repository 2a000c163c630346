package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.cooling.ContainerSplit;

/** Where one batch finds room in the days of a kitchen, beside what is under way there. */
public final class Opening {

    /** Later than wanted, it is looked for so much further. */
    private static final Duration LOOK_ON = Duration.ofDays(3);

    private final List<Timeline.Part> parts;
    private final Footprint batch;
    private final Diary diary;
    private final Instant now;

    /**
     * For one batch.
     *
     * @param charge  what is to be made
     * @param parts   its stages and their lengths
     * @param burner  that its vessel is meant for
     * @param cooling how its litres are split; nothing where the kitchen has not as many containers at all. Whether there is ice for it is not looked at here:
     *                a cook can get some
     * @param begun   the kitchen, with what is under way; its calls and lots do not count
     */
    public Opening(
            Charge charge,
            List<Timeline.Part> parts,
            Optional<String> burner,
            Optional<ContainerSplit> cooling,
            Course begun) {
        this.parts = parts;
        this.now = begun.now();
        this.diary = new Diary(begun);
        this.batch = Footprint.of(
                        charge,
                        parts,
                        burner.stream().toList(),
                        Optional.empty(),
                        cooling,
                        begun.equipment().unattended())
                .withoutIce();
    }

    /**
     * A start.
     *
     * @param timeline the stages
     * @param inTime   whether it is ready when wanted
     * @param attended whether somebody is there wherever somebody must be
     * @param taken    the first thing that another batch has while it wants it; empty where all are free
     */
    public record Proposal(Timeline timeline, boolean inTime, boolean attended, Optional<Use.Kind> taken) {
        public boolean free() {
            return taken.isEmpty();
        }

        /** Whether nothing has to be said against it. */
        public boolean good() {
            return inTime && attended && free();
        }
    }

    /** A start that a cook chose. */
    public Proposal at(Instant start, Instant readyBy) {
        Timeline timeline = Timeline.startingAt(start, parts);
        return new Proposal(
                timeline,
                !timeline.ready().isAfter(readyBy),
                diary.attended(batch, start),
                diary.taken(batch, start).flatMap(Obstacle::thing));
    }

    /**
     * The latest start that has everything ready when wanted, with what it takes free and somebody there wherever somebody must be. When none is left, the
     * first start that comes too late; then one that nobody attends to the end; and at last now, whatever is in its way.
     */
    public Proposal latest(Instant readyBy) {
        Predicate<Instant> room = diary.room(batch);
        Predicate<Instant> free = start -> diary.taken(batch, start).isEmpty();
        Instant last = readyBy.minusSeconds(batch.endsAt());
        return diary.back(last, room)
                .or(() -> diary.on(last, readyBy.plus(LOOK_ON), room))
                .or(() -> diary.back(last, free))
                .or(() -> diary.on(last, readyBy.plus(LOOK_ON), free))
                .map(start -> at(start, readyBy))
                .orElseGet(() -> at(now, readyBy));
    }
}
