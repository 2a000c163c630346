package potamos.core.cooling;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.quantity.Temperature;
import potamos.core.safety.LimitProfile;

/**
 * How a cooling stands against a limit profile.
 *
 * @param profileId the profile quoted
 * @param stages    each stage with its outcome
 */
public record CoolingVerdict(String profileId, List<StageVerdict> stages) {

    public CoolingVerdict {
        stages = List.copyOf(stages);
    }

    /** How a stage stands. */
    public enum Outcome {
        /** Its clock has not started. */
        WAITING,
        ON_COURSE,
        /** Projected to pass with less than a tenth of its time to spare. */
        TIGHT,
        /** Projected to fail. */
        WILL_FAIL,
        PASSED,
        /** Passed, but only by readings that were entered from memory: somebody has to vouch for them. */
        PASSED_ON_LATE_ENTRIES,
        FAILED,
        /** The readings do not show it. */
        NOT_SHOWN;

        /** Whether the limits were kept, by whatever readings. */
        public boolean passed() {
            return this == PASSED || this == PASSED_ON_LATE_ENTRIES;
        }
    }

    /**
     * One stage.
     *
     * @param stage     its limits
     * @param started   when its clock started
     * @param deadline  when it has to be done
     * @param crossed   when the readings show that it was
     * @param projected when it will be, going by the readings
     * @param outcome   how it stands
     */
    public record StageVerdict(
            LimitProfile.Stage stage,
            Optional<Instant> started,
            Optional<Instant> deadline,
            Optional<Instant> crossed,
            Optional<Instant> projected,
            Outcome outcome) {
        private StageVerdict as(Outcome other) {
            return new StageVerdict(stage, started, deadline, crossed, projected, other);
        }
    }

    /** A crossing inside a gap longer than this cannot be placed against a deadline within it. */
    private static final Duration LONGEST_GAP = Duration.ofMinutes(60);

    private static final double TIGHT_SHARE = 0.1;

    /** The worst of the stages decides. */
    public Outcome overall() {
        for (Outcome worst : List.of(Outcome.FAILED, Outcome.NOT_SHOWN, Outcome.WILL_FAIL, Outcome.TIGHT)) {
            if (stages.stream().anyMatch(s -> s.outcome() == worst)) {
                return worst;
            }
        }
        if (stages.stream().allMatch(s -> s.outcome().passed())) {
            return stages.stream().allMatch(s -> s.outcome() == Outcome.PASSED)
                    ? Outcome.PASSED
                    : Outcome.PASSED_ON_LATE_ENTRIES;
        }
        return stages.stream().allMatch(s -> s.outcome() == Outcome.WAITING) ? Outcome.WAITING : Outcome.ON_COURSE;
    }

    /**
     * Judges readings.
     *
     * @param profile    limits
     * @param readings   oldest first
     * @param strained   when the stock left its pot; starts the clock when no reading was taken above the first threshold
     * @param projection where the readings lead, if known
     * @param now        the moment of judging
     */
    public static CoolingVerdict of(
            LimitProfile profile,
            List<Reading> readings,
            Instant strained,
            Optional<Projection> projection,
            Instant now) {
        List<Reading> asRead = readings.stream().filter(r -> !r.late()).toList();
        List<StageVerdict> stages = new ArrayList<>();
        for (LimitProfile.Stage stage : profile.stages()) {
            StageVerdict verdict = judge(stage, readings, strained, projection, now);
            boolean byMemory = verdict.outcome() == Outcome.PASSED
                    && judge(stage, asRead, strained, projection, now).outcome() != Outcome.PASSED;
            stages.add(byMemory ? verdict.as(Outcome.PASSED_ON_LATE_ENTRIES) : verdict);
        }
        return new CoolingVerdict(profile.id(), stages);
    }

    private static StageVerdict judge(
            LimitProfile.Stage stage,
            List<Reading> readings,
            Instant strained,
            Optional<Projection> projection,
            Instant now) {
        Optional<Instant> started = start(stage, readings, strained);
        Optional<Instant> deadline = started.map(at -> at.plus(stage.within()));
        Optional<Instant> crossed = crossing(stage.to(), readings);
        Optional<Instant> projected =
                crossed.isPresent() ? Optional.empty() : projection.flatMap(p -> p.reaches(stage.to()));
        Outcome outcome = started.isEmpty()
                ? ahead(stage, projection, projected, now)
                : crossed.isPresent()
                        ? crossedOutcome(stage, readings, crossed.get(), deadline.orElseThrow())
                        : runningOutcome(stage, readings, deadline.orElseThrow(), projected, now);
        return new StageVerdict(stage, started, deadline, crossed, projected, outcome);
    }

    private static Optional<Instant> start(LimitProfile.Stage stage, List<Reading> readings, Instant strained) {
        if (readings.isEmpty() || readings.get(0).temperature().compareTo(stage.from()) <= 0) {
            return Optional.of(strained);
        }
        return crossing(stage.from(), readings);
    }

    /** A stage whose clock has not started can be seen to fail ahead; one that nobody has read for so long is not shown. */
    private static Outcome ahead(
            LimitProfile.Stage stage, Optional<Projection> projection, Optional<Instant> projectedEnd, Instant now) {
        Optional<Instant> begins = projection.flatMap(p -> p.reaches(stage.from()));
        if (projection.isEmpty() || begins.isEmpty()) {
            return Outcome.WAITING;
        }
        Instant deadline = begins.get().plus(stage.within());
        return now.isAfter(deadline) ? Outcome.NOT_SHOWN : projectedOutcome(stage, deadline, projectedEnd);
    }

    private static Outcome projectedOutcome(LimitProfile.Stage stage, Instant deadline, Optional<Instant> projected) {
        if (projected.isEmpty() || projected.get().isAfter(deadline)) {
            return Outcome.WILL_FAIL;
        }
        Duration spare = Duration.between(projected.get(), deadline);
        boolean tight = spare.toMillis() < TIGHT_SHARE * stage.within().toMillis();
        return tight ? Outcome.TIGHT : Outcome.ON_COURSE;
    }

    private static Outcome crossedOutcome(
            LimitProfile.Stage stage, List<Reading> readings, Instant crossed, Instant deadline) {
        Reading below = readings.stream()
                .filter(r -> r.temperature().compareTo(stage.to()) <= 0)
                .findFirst()
                .orElseThrow();
        if (!below.at().isAfter(deadline)) {
            return Outcome.PASSED;
        }
        Reading above = null;
        for (Reading reading : readings) {
            if (reading.at().isBefore(below.at())) {
                above = reading;
            }
        }
        if (above == null
                || Duration.between(above.at(), below.at()).compareTo(LONGEST_GAP) > 0
                        && above.at().isBefore(deadline)) {
            return Outcome.NOT_SHOWN;
        }
        return crossed.isAfter(deadline) ? Outcome.FAILED : Outcome.PASSED;
    }

    private static Outcome runningOutcome(
            LimitProfile.Stage stage,
            List<Reading> readings,
            Instant deadline,
            Optional<Instant> projected,
            Instant now) {
        if (now.isAfter(deadline)) {
            boolean readAfter = readings.stream().anyMatch(r -> !r.at().isBefore(deadline));
            return readAfter ? Outcome.FAILED : Outcome.NOT_SHOWN;
        }
        if (readings.isEmpty()) {
            return Outcome.ON_COURSE;
        }
        return projectedOutcome(stage, deadline, projected);
    }

    /** When the readings first pass a temperature downwards, on the straight line between the two that enclose it. */
    private static Optional<Instant> crossing(Temperature t, List<Reading> readings) {
        for (int i = 1; i < readings.size(); i++) {
            Reading a = readings.get(i - 1);
            Reading b = readings.get(i);
            if (a.temperature().compareTo(t) > 0 && b.temperature().compareTo(t) <= 0) {
                double share = a.temperature().above(t) / a.temperature().above(b.temperature());
                long ms = (long) (share * Duration.between(a.at(), b.at()).toMillis());
                return Optional.of(a.at().plusMillis(ms));
            }
        }
        if (!readings.isEmpty() && readings.get(0).temperature().compareTo(t) <= 0) {
            return Optional.of(readings.get(0).at());
        }
        return Optional.empty();
    }
}
