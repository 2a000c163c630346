package potamos.core.cooling;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.quantity.Temperature;
import potamos.core.safety.LimitProfile;

/**
 * How a cooling stands against a limit profile, as {@link CoolingProof} finds it.
 *
 * @param profileId the profile quoted
 * @param stages    each stage with its outcome
 * @param begin     whether its cooling began in time, where the profile asks that
 * @param doubtful  readings that prove nothing until another one agrees
 * @param asks      which readings would prove what is still open, the next one first
 */
public record CoolingVerdict(
        String profileId,
        List<StageVerdict> stages,
        Optional<BeginVerdict> begin,
        List<Reading> doubtful,
        List<Ask> asks) {

    public CoolingVerdict {
        stages = List.copyOf(stages);
        doubtful = List.copyOf(doubtful);
        asks = List.copyOf(asks);
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
        /** Passed, but only by what was entered from memory: somebody has to vouch for it. */
        PASSED_ON_LATE_ENTRIES,
        /** It stood failed, and passes by what was corrected since: somebody has to vouch for it. */
        PASSED_AFTER_CORRECTION,
        FAILED,
        /** The readings do not show it. */
        NOT_SHOWN;

        /** Whether the limits are broken, or going to be: nobody may count on it. */
        public boolean fails() {
            return this == FAILED || this == WILL_FAIL;
        }

        /** Whether the limits were kept, by whatever readings. */
        public boolean passed() {
            return this == PASSED || this == PASSED_ON_LATE_ENTRIES || this == PASSED_AFTER_CORRECTION;
        }

        /** Whether somebody has to vouch for it before it is put away. */
        public boolean wantsRelease() {
            return this == NOT_SHOWN || passed() && this != PASSED;
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
        READ_COLD_IN_TIME,
        /** A reading at its deadline, or after it, is above the lower limit. */
        ABOVE_AT_ITS_END,
        /** So warm when it was last read above the limit that nothing could have cooled it in time. */
        TOO_WARM_TO_BE_IN_TIME,
        /** The first reading at the lower limit or below it is of later than the deadline. */
        READ_COLD_TOO_LATE,
        /** Nothing was read from its deadline on. */
        NOTHING_READ_AT_ITS_END,
        /** What would decide it is a reading that proves nothing by itself. */
        DOUBTFUL,
        ONLY_BY_LATE_ENTRIES,
        /** It stood failed, and nobody has corrected that. */
        STOOD_FAILED,
        STOOD_FAILED_AND_WAS_CORRECTED,
        BEGAN_IN_TIME,
        BEGAN_TOO_LATE,
        BEGINNING_NOT_TOLD
    }

    /** What may be done now. */
    public enum Way {
        READ_ON,
        COOL_FASTER,
        REHEAT,
        STORE,
        /** Whoever may vouch for it does, with a reason. */
        RELEASE,
        DISCARD
    }

    /**
     * One stage.
     *
     * @param stage     its limits
     * @param opened    when its clock opened
     * @param deadline  when it has to be done
     * @param provenBy  the reading that shows it
     * @param projected when it will be cold, going by the readings
     * @param outcome   how it stands
     * @param reason    why
     */
    public record StageVerdict(
            LimitProfile.Stage stage,
            Optional<Instant> opened,
            Optional<Instant> deadline,
            Optional<Reading> provenBy,
            Optional<Instant> projected,
            Outcome outcome,
            Reason reason) {

        StageVerdict with(Outcome changed, Reason why) {
            return new StageVerdict(stage, opened, deadline, provenBy, projected, changed, why);
        }
    }

    /** Whether cooling began in time after the end of the heat. */
    public record BeginVerdict(Instant deadline, Optional<Instant> began, Outcome outcome, Reason reason) {
        BeginVerdict with(Outcome changed, Reason why) {
            return new BeginVerdict(deadline, began, changed, why);
        }
    }

    /** What a reading is wanted for. */
    public enum Proves {
        /** That the stock is still above the upper limit: a clock opens no earlier. */
        STILL_HOT,
        /** That a stage is met. */
        COLD_IN_TIME
    }

    /**
     * A reading that would prove something.
     *
     * @param proves  what
     * @param celsius at this or less, or at this or more where it is to be hot
     * @param at      when to read
     * @param by      until when it proves that; empty while no clock runs
     */
    public record Ask(Proves proves, Temperature celsius, Instant at, Optional<Instant> by) {}

    private Stream<Outcome> outcomes() {
        return Stream.concat(
                stages.stream().map(StageVerdict::outcome), begin.stream().map(BeginVerdict::outcome));
    }

    /** The worst of the stages decides. */
    public Outcome overall() {
        List<Outcome> outcomes = outcomes().toList();
        for (Outcome worst : List.of(Outcome.FAILED, Outcome.NOT_SHOWN, Outcome.WILL_FAIL, Outcome.TIGHT)) {
            if (outcomes.contains(worst)) {
                return worst;
            }
        }
        if (outcomes.stream().allMatch(Outcome::passed)) {
            return Stream.of(Outcome.PASSED_AFTER_CORRECTION, Outcome.PASSED_ON_LATE_ENTRIES)
                    .filter(outcomes::contains)
                    .findFirst()
                    .orElse(Outcome.PASSED);
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
     * What may be done now, the better way first. What has failed is reheated once and in time, or thrown away; so is what was reheated in vain. What is
     * not simply passed is vouched for, or thrown away.
     *
     * @param standing that this verdict was reached on
     */
    public List<Way> allowed(LimitProfile profile, Standing standing, Instant now) {
        boolean inVain = standing.reheats() > (standing.restarted() ? 1 : 0);
        return switch (overall()) {
            case PASSED -> List.of(Way.STORE);
            case PASSED_ON_LATE_ENTRIES, PASSED_AFTER_CORRECTION -> List.of(Way.RELEASE, Way.DISCARD);
            case WILL_FAIL -> List.of(Way.COOL_FASTER, Way.READ_ON);
            case NOT_SHOWN -> inVain ? List.of(Way.DISCARD) : List.of(Way.RELEASE, Way.DISCARD);
            case FAILED -> {
                boolean inTime = reheatUntil(profile).filter(now::isAfter).isEmpty();
                yield standing.reheats() == 0 && inTime ? List.of(Way.REHEAT, Way.DISCARD) : List.of(Way.DISCARD);
            }
            default -> List.of(Way.READ_ON);
        };
    }
}
