package potamos.core.cooling;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import potamos.core.quantity.Temperature;
import potamos.core.safety.LimitProfile;

/**
 * How a cooling stands against a limit profile. A stage is met when the last time above its lower limit lies within its minutes, counted from when the
 * stock went below its upper limit for good.
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

        /** Whether the limits are broken, or going to be: nobody may count on it. */
        public boolean fails() {
            return this == FAILED || this == WILL_FAIL;
        }

        /** Whether the limits were kept, by whatever readings. */
        public boolean passed() {
            return this == PASSED || this == PASSED_ON_LATE_ENTRIES;
        }
    }

    /** What an outcome rests on. */
    public enum Reason {
        /** It is still above the upper limit. */
        STILL_ABOVE_ITS_START,
        /** Nothing was read yet, or not enough to say where it leads. */
        TOO_FEW_READINGS,
        /** By where the readings lead. */
        AS_THE_READINGS_LEAD,
        DOWN_IN_TIME,
        DOWN_TOO_LATE,
        /** A reading at its deadline, or after it, is above the lower limit. */
        ABOVE_AT_ITS_END,
        /** The two readings about the limit lie too far from each other to say when it was passed. */
        GAP_TOO_LONG,
        /** Nothing was read from its deadline on. */
        NOTHING_READ_AT_ITS_END,
        ONLY_BY_LATE_ENTRIES
    }

    /** What may be done now. */
    public enum Way {
        READ_ON,
        COOL_FASTER,
        REHEAT,
        STORE,
        STORE_AS_NOT_SHOWN,
        DISCARD
    }

    /**
     * One stage.
     *
     * @param stage     its limits
     * @param started   when its clock started
     * @param deadline  when it has to be done
     * @param crossed   when the readings show that it was, for good
     * @param projected when it will be, going by the readings
     * @param outcome   how it stands
     * @param reason    why
     */
    public record StageVerdict(
            LimitProfile.Stage stage,
            Optional<Instant> started,
            Optional<Instant> deadline,
            Optional<Instant> crossed,
            Optional<Instant> projected,
            Outcome outcome,
            Reason reason) {
        private StageVerdict onLateEntries() {
            return new StageVerdict(
                    stage,
                    started,
                    deadline,
                    crossed,
                    projected,
                    Outcome.PASSED_ON_LATE_ENTRIES,
                    Reason.ONLY_BY_LATE_ENTRIES);
        }
    }

    private record Judged(Outcome outcome, Reason reason) {}

    /** Two readings further apart than this share of a stage do not say when it was passed between them. */
    private static final int GAP_PARTS = 4;

    private static final double TIGHT_SHARE = 0.1;

    /** Between two places of a stock that nobody stirs. */
    private static final double UNEVEN_K = 15;

    /** A reading is not drawn towards a medium that it has come nearer to than this. */
    private static final double ABOVE_MEDIUM_K = 0.5;

    /** Two readings about the lower limit of a stage may lie so far apart and still show when it was passed. */
    public static Duration longestGap(LimitProfile.Stage stage) {
        return stage.within().dividedBy(GAP_PARTS);
    }

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

    /** Until when a reheat may begin: so long after the first stage that was not met; empty while none was missed. */
    public Optional<Instant> reheatUntil(LimitProfile profile) {
        return stages.stream()
                .filter(stage -> stage.outcome() == Outcome.FAILED || stage.outcome() == Outcome.NOT_SHOWN)
                .flatMap(stage -> stage.deadline().stream())
                .min(Comparator.naturalOrder())
                .map(missed -> missed.plus(profile.reheatWithin()));
    }

    /**
     * What may be done now, the better way first. What has failed is reheated once and in time, or thrown away; so is what was reheated in vain.
     *
     * @param standing that this verdict was reached on
     */
    public List<Way> allowed(LimitProfile profile, Standing standing, Instant now) {
        return switch (overall()) {
            case PASSED, PASSED_ON_LATE_ENTRIES -> List.of(Way.STORE);
            case WILL_FAIL -> List.of(Way.COOL_FASTER, Way.READ_ON);
            case NOT_SHOWN ->
                standing.inVain().isEmpty() ? List.of(Way.STORE_AS_NOT_SHOWN, Way.DISCARD) : List.of(Way.DISCARD);
            case FAILED -> {
                boolean inTime = reheatUntil(profile).filter(now::isAfter).isEmpty();
                yield standing.reheats() == 0 && inTime ? List.of(Way.REHEAT, Way.DISCARD) : List.of(Way.DISCARD);
            }
            default -> List.of(Way.READ_ON);
        };
    }

    /**
     * Judges what was read.
     *
     * @param projection where the readings lead, if known; it also tells the medium that a crossing is drawn towards
     * @param now        the moment of judging
     */
    public static CoolingVerdict of(
            LimitProfile profile, Standing standing, Optional<Projection> projection, Instant now) {
        Standing asRead = standing.asRead();
        List<StageVerdict> stages = new ArrayList<>();
        for (LimitProfile.Stage stage : profile.stages()) {
            StageVerdict verdict = judge(stage, standing, projection, now);
            boolean byMemory = verdict.outcome() == Outcome.PASSED
                    && judge(stage, asRead, projection, now).outcome() != Outcome.PASSED;
            stages.add(byMemory ? verdict.onLateEntries() : verdict);
        }
        return new CoolingVerdict(profile.id(), stages);
    }

    private static StageVerdict judge(
            LimitProfile.Stage stage, Standing standing, Optional<Projection> projection, Instant now) {
        List<Reading> cooling = standing.cooling();
        Instant heatEnds = standing.heatEnds();
        Duration gap = longestGap(stage);
        double mediumC = projection.map(Projection::mediumC).orElse(stage.to().celsius() - ABOVE_MEDIUM_K);
        List<Reading> read = standing.readings().stream()
                .filter(r -> r.by() != Reading.By.RECKONED)
                .toList();
        Optional<Instant> started = start(stage, cooling, heatEnds, gap, mediumC);
        Optional<Instant> deadline = started.map(at -> at.plus(stage.within()));
        int above = lastAbove(stage.to(), read);
        boolean down = !read.isEmpty() && above < read.size() - 1;
        Optional<Instant> crossed = !down
                ? Optional.empty()
                : Optional.of(
                        above < 0
                                ? read.get(0).at()
                                : crossing(stage.to(), read.get(above), read.get(above + 1), mediumC));
        Optional<Instant> projected = down ? Optional.empty() : projection.flatMap(p -> p.reaches(stage.to()));
        Judged judged;
        if (started.isEmpty()) {
            Instant looked = cooling.get(cooling.size() - 1).at();
            judged = ahead(stage, looked, projection, projected, now);
        } else if (down) {
            judged = down(read, above, heatEnds, gap, crossed.orElseThrow(), deadline.orElseThrow());
        } else {
            judged = running(stage, read, deadline.orElseThrow(), projection, projected, now);
        }
        return new StageVerdict(stage, started, deadline, crossed, projected, judged.outcome(), judged.reason());
    }

    /**
     * When the stock went below a temperature for good: between the last point above it and the next. Where those lie far apart, and where nothing above it
     * is known, the earlier moment is the cautious one. Two places in a pot are never quite as warm, so that a reading may go up again; a stock that was
     * heated does not start its clock again by that.
     */
    private static Optional<Instant> start(
            LimitProfile.Stage stage, List<Reading> all, Instant heatEnds, Duration gap, double mediumC) {
        if (all.isEmpty()) {
            return Optional.of(heatEnds);
        }
        Instant started = null;
        double lowest = Double.POSITIVE_INFINITY;
        Reading above = null;
        for (Reading reading : all) {
            double celsius = reading.temperature().celsius();
            if (reading.temperature().readsAtMost(stage.from())) {
                started = started == null ? below(stage.from(), above, reading, heatEnds, gap, mediumC) : started;
                lowest = Math.min(lowest, celsius);
            } else if (started == null) {
                above = reading;
            } else if (celsius - lowest <= UNEVEN_K && !reading.at().isAfter(started.plus(stage.within()))) {
                started = null;
                above = reading;
            }
        }
        return Optional.ofNullable(started);
    }

    private static Instant below(
            Temperature from, Reading above, Reading next, Instant heatEnds, Duration gap, double mediumC) {
        if (above == null) {
            return heatEnds;
        }
        boolean far = Duration.between(above.at(), next.at()).compareTo(gap) > 0 && !probed(above, next);
        return far ? above.at() : crossing(from, above, next, mediumC);
    }

    /** The place of the last reading above a temperature; −1 when there is none. */
    private static int lastAbove(Temperature limit, List<Reading> readings) {
        for (int i = readings.size() - 1; i >= 0; i--) {
            if (!readings.get(i).temperature().readsAtMost(limit)) {
                return i;
            }
        }
        return -1;
    }

    private static boolean probed(Reading a, Reading b) {
        return a.by() == Reading.By.PROBE && b.by() == Reading.By.PROBE;
    }

    /** A stage whose clock has not started can be seen to fail ahead; one that nobody has looked at for so long is not shown. */
    private static Judged ahead(
            LimitProfile.Stage stage,
            Instant looked,
            Optional<Projection> projection,
            Optional<Instant> projectedEnd,
            Instant now) {
        Optional<Instant> begins = projection.flatMap(p -> p.reaches(stage.from()));
        if (now.isAfter(begins.orElse(looked).plus(stage.within()))) {
            return new Judged(Outcome.NOT_SHOWN, Reason.NOTHING_READ_AT_ITS_END);
        }
        return begins.isEmpty()
                ? new Judged(Outcome.WAITING, Reason.STILL_ABOVE_ITS_START)
                : projected(stage, begins.get().plus(stage.within()), projectedEnd);
    }

    private static Judged projected(LimitProfile.Stage stage, Instant deadline, Optional<Instant> projected) {
        if (projected.isEmpty() || projected.get().isAfter(deadline)) {
            return new Judged(Outcome.WILL_FAIL, Reason.AS_THE_READINGS_LEAD);
        }
        Duration spare = Duration.between(projected.get(), deadline);
        boolean tight = spare.toMillis() < TIGHT_SHARE * stage.within().toMillis();
        return new Judged(tight ? Outcome.TIGHT : Outcome.ON_COURSE, Reason.AS_THE_READINGS_LEAD);
    }

    /** Below its lower limit for good. */
    private static Judged down(
            List<Reading> read, int above, Instant heatEnds, Duration gap, Instant crossed, Instant deadline) {
        Instant last = above < 0 ? heatEnds : read.get(above).at();
        Reading next = read.get(above + 1);
        if (above >= 0 && !last.isBefore(deadline)) {
            return new Judged(Outcome.FAILED, Reason.ABOVE_AT_ITS_END);
        }
        boolean far = Duration.between(last, next.at()).compareTo(gap) > 0;
        if (far && (above < 0 || !probed(read.get(above), next))) {
            return new Judged(Outcome.NOT_SHOWN, Reason.GAP_TOO_LONG);
        }
        return crossed.isAfter(deadline)
                ? new Judged(Outcome.FAILED, Reason.DOWN_TOO_LATE)
                : new Judged(Outcome.PASSED, Reason.DOWN_IN_TIME);
    }

    private static Judged running(
            LimitProfile.Stage stage,
            List<Reading> read,
            Instant deadline,
            Optional<Projection> projection,
            Optional<Instant> projected,
            Instant now) {
        if (now.isAfter(deadline)) {
            boolean readAfter = read.stream().anyMatch(r -> !r.at().isBefore(deadline));
            return readAfter
                    ? new Judged(Outcome.FAILED, Reason.ABOVE_AT_ITS_END)
                    : new Judged(Outcome.NOT_SHOWN, Reason.NOTHING_READ_AT_ITS_END);
        }
        return read.isEmpty() || read.size() < 2 && projection.isEmpty()
                ? new Judged(Outcome.ON_COURSE, Reason.TOO_FEW_READINGS)
                : projected(stage, deadline, projected);
    }

    /** When a temperature was passed between two readings, on the exponential that leads from one to the other towards the medium. */
    private static Instant crossing(Temperature t, Reading a, Reading b, double mediumC) {
        double medium = Math.min(mediumC, Math.min(b.temperature().celsius(), t.celsius()) - ABOVE_MEDIUM_K);
        double all =
                Math.log((a.temperature().celsius() - medium) / (b.temperature().celsius() - medium));
        double part = Math.log((a.temperature().celsius() - medium) / (t.celsius() - medium));
        double share = all > 0 ? Math.max(0, Math.min(1, part / all)) : 1;
        return a.at().plusMillis(
                        (long) (share * Duration.between(a.at(), b.at()).toMillis()));
    }
}
