package potamos.core.cooling;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Stream;
import potamos.core.cooling.CoolingVerdict.Ask;
import potamos.core.cooling.CoolingVerdict.BeginVerdict;
import potamos.core.cooling.CoolingVerdict.Outcome;
import potamos.core.cooling.CoolingVerdict.Proves;
import potamos.core.cooling.CoolingVerdict.Reason;
import potamos.core.cooling.CoolingVerdict.StageVerdict;
import potamos.core.quantity.Temperature;
import potamos.core.safety.LimitProfile;

/**
 * How a verdict is reached: readings prove, models only propose. Where a curve between or beyond readings leads decides when the next one is asked for,
 * and helps no verdict.
 *
 * <ol>
 *   <li>A stage is met when a reading at or below its lower limit was taken by its deadline, and none after it is above that limit.
 *   <li>The clock opens once: at the last reading at or above the upper limit before the first below it; with none, at the end of the heat.
 *   <li>What warms again does not start anew.
 *   <li>One reheat, hot enough, told in time and while there was time, opens another clock. What once stood failed is turned by a correction alone.
 *   <li>A reading that cannot be, or rises without heat, proves nothing until another one agrees.
 *   <li>What is told late is said to be late: the verdict is reached with it and without it.
 *   <li>What is not simply passed is vouched for, or thrown away ({@link CoolingVerdict#allowed}).
 *   <li>Whether cooling began in time is judged where the profile asks it.
 *   <li>The profile is the one that the batch was planned under, by value.
 * </ol>
 *
 * @param profile the limits
 * @param fall    how fast the stock can fall at most
 */
public record CoolingProof(LimitProfile profile, FastestFall fall) {

    private static final double TIGHT_SHARE = 0.1;

    /** Between two places of a stock that nobody stirs, and what a thermometer makes of it. */
    private static final double RISE_K = 2;

    /** A thermometer may show a little less than there is. */
    private static final double THERMOMETER_K = 0.5;

    /** A second reading so much later can agree with a doubtful one. */
    public static final Duration AGREES_AFTER = Duration.ofMinutes(5);

    /** A reading for a deadline is asked for so long before it. */
    private static final Duration BEFORE_THE_DEADLINE = Duration.ofMinutes(5);

    private static final long MINUTE_MS = 60_000;

    /**
     * Judges all that is told of a cooling.
     *
     * @param projection where the readings lead, if known
     * @param now        the moment of judging
     */
    public CoolingVerdict verdict(CoolingHistory history, Optional<Projection> projection, Instant now) {
        Standing standing = standing(history.all(), now);
        CoolingVerdict all = judged(standing, projection, now);
        CoolingVerdict inTime = judged(standing(history.inTime(), now), Optional.empty(), now);
        Failures before = failures(history, standing, now);
        List<StageVerdict> stages = new ArrayList<>();
        for (int i = 0; i < all.stages().size(); i++) {
            int stage = i;
            StageVerdict one = all.stages().get(i);
            Outcome without = inTime.stages().get(i).outcome();
            boolean stood = before.any(verdict -> verdict.stages().get(stage).outcome());
            stages.add(told(new Judged(one.outcome(), one.reason()), without, stood, before.corrected(), one::with));
        }
        Optional<BeginVerdict> begin = all.begin().map(one -> {
            Outcome without = inTime.begin().map(BeginVerdict::outcome).orElse(one.outcome());
            boolean stood = before.any(
                    verdict -> verdict.begin().map(BeginVerdict::outcome).orElse(Outcome.WAITING));
            return told(new Judged(one.outcome(), one.reason()), without, stood, before.corrected(), one::with);
        });
        return new CoolingVerdict(profile.id(), stages, begin, all.doubtful(), asks(stages, standing, projection, now));
    }

    /**
     * Where it stood failed before.
     *
     * @param corrected whether something was corrected after the last of them
     */
    private record Failures(List<CoolingVerdict> verdicts, boolean corrected) {
        boolean any(Function<CoolingVerdict, Outcome> of) {
            return verdicts.stream().map(of).anyMatch(outcome -> outcome == Outcome.FAILED);
        }
    }

    private Failures failures(CoolingHistory history, Standing standing, Instant now) {
        List<CoolingVerdict> failed = new ArrayList<>();
        boolean corrected = true;
        for (CoolingHistory.Past past : history.past()) {
            Standing then = standing(past.record(), past.until());
            // What failed before a reheat was set right by that.
            boolean ofThisClock =
                    then.restarted() == standing.restarted() && !past.until().isAfter(now);
            CoolingVerdict stood = judged(then, Optional.empty(), past.until());
            if (ofThisClock && stood.overall() == Outcome.FAILED) {
                failed.add(stood);
                corrected = past.amendedSince();
            }
        }
        return new Failures(failed, corrected);
    }

    private static <T> T told(
            Judged all, Outcome inTime, boolean stood, boolean corrected, BiFunction<Outcome, Reason, T> as) {
        Judged told = toldInTime(all, inTime, stood, corrected);
        return as.apply(told.outcome(), told.reason());
    }

    private record Judged(Outcome outcome, Reason reason) {}

    /** Rules 4 and 6: with everything, with what came in time, and after what it stood like before. */
    private static Judged toldInTime(Judged all, Outcome inTime, boolean stoodFailed, boolean corrected) {
        if (all.outcome() == Outcome.FAILED) {
            return all;
        }
        if (stoodFailed) {
            if (!corrected) {
                return new Judged(Outcome.FAILED, Reason.STOOD_FAILED);
            }
            return all.outcome() == Outcome.PASSED
                    ? new Judged(Outcome.PASSED_AFTER_CORRECTION, Reason.STOOD_FAILED_AND_WAS_CORRECTED)
                    : all;
        }
        return all.outcome() == Outcome.PASSED && inTime != Outcome.PASSED
                ? new Judged(Outcome.PASSED_ON_LATE_ENTRIES, Reason.ONLY_BY_LATE_ENTRIES)
                : all;
    }

    /** Rule 4: what counts since the clock began. */
    public Standing standing(CoolingRecord told, Instant now) {
        CoolingRecord record = told.until(now);
        List<Reading> heated = record.reheats();
        List<Reading> all = warmestOfAMinute(
                Stream.concat(record.readings().stream(), heated.stream()).toList());
        if (!heated.isEmpty()) {
            Reading first = heated.get(0);
            CoolingRecord before = record.only(reading -> reading.at().isBefore(first.at()));
            boolean hotEnough = first.temperature().readsAtLeast(profile.reheat());
            boolean inTime = judged(standing(before, first.at()), Optional.empty(), first.at())
                    .reheatUntil(profile)
                    .filter(first.at()::isAfter)
                    .isEmpty();
            if (hotEnough && inTime && !first.late()) {
                List<Reading> since = all.stream()
                        .filter(reading -> !reading.at().isBefore(first.at()))
                        .toList();
                return new Standing(first.at(), Optional.empty(), since, heated, heated.size(), true);
            }
        }
        return new Standing(record.heatEnds(), record.began(), all, heated, heated.size(), false);
    }

    /** Of several in one minute the warmest counts. */
    private static List<Reading> warmestOfAMinute(List<Reading> readings) {
        List<Reading> sorted = readings.stream()
                .sorted(Comparator.comparing(Reading::at).thenComparing(Reading::temperature))
                .toList();
        List<Reading> warmest = new ArrayList<>();
        for (Reading reading : sorted) {
            int last = warmest.size() - 1;
            if (last >= 0 && minute(warmest.get(last)) == minute(reading)) {
                if (reading.temperature().compareTo(warmest.get(last).temperature()) > 0) {
                    warmest.set(last, reading);
                }
            } else {
                warmest.add(reading);
            }
        }
        return warmest;
    }

    private static long minute(Reading reading) {
        return Math.floorDiv(reading.at().toEpochMilli(), MINUTE_MS);
    }

    private CoolingVerdict judged(Standing standing, Optional<Projection> projection, Instant now) {
        List<Reading> doubtful = doubtful(standing);
        List<StageVerdict> stages = profile.stages().stream()
                .map(stage -> stage(stage, standing, doubtful, projection, now))
                .toList();
        return new CoolingVerdict(profile.id(), stages, begin(standing, now), doubtful, List.of());
    }

    /** Rule 5, over what was read since the heat ended. */
    private List<Reading> doubtful(Standing standing) {
        List<Reading> doubtful = new ArrayList<>();
        List<Reading> since = standing.sinceTheHeat();
        Optional<Reading> before = Optional.empty();
        for (int i = 0; i < since.size(); i++) {
            Reading reading = since.get(i);
            List<Reading> later = since.subList(i + 1, since.size());
            boolean heated = standing.heated().contains(reading);
            boolean rises =
                    !heated && before.filter(last -> rises(last, reading)).isPresent();
            boolean falls = reading.temperature().celsius() < fall.mediumC() - THERMOMETER_K
                    || tooFast(before.orElseGet(() -> atTheEndOfTheHeat(standing, reading)), reading)
                    || ofTheSameMistake(doubtful, reading);
            if ((rises || falls) && !agreed(before, reading, later, rises)) {
                doubtful.add(reading);
            } else {
                before = Optional.of(reading);
            }
        }
        return doubtful;
    }

    /** As hot as it was read last on the heat, and no hotter than a stock is that was just strained; in the very minute, as hot as it was read. */
    private static Reading atTheEndOfTheHeat(Standing standing, Reading first) {
        boolean inThatMinute = Duration.between(standing.heatEnds(), first.at()).toMillis() < MINUTE_MS;
        Temperature most = inThatMinute ? first.temperature() : CoolingPlan.STRAINED;
        Temperature read = standing.readings().stream()
                .filter(reading -> reading.at().isBefore(standing.heatEnds()))
                .reduce((earlier, later) -> later)
                .map(Reading::temperature)
                .filter(last -> last.compareTo(most) < 0)
                .orElse(most);
        return new Reading(standing.heatEnds(), read);
    }

    /** So soon after a doubtful one that the thermometer stands where it stood. */
    private static boolean ofTheSameMistake(List<Reading> doubtful, Reading reading) {
        return doubtful.stream()
                .filter(doubted -> reading.at().isBefore(doubted.at().plus(AGREES_AFTER)))
                .anyMatch(doubted -> !rises(doubted, reading));
    }

    private static boolean rises(Reading from, Reading to) {
        return to.temperature().above(from.temperature()) > RISE_K;
    }

    private boolean tooFast(Reading from, Reading to) {
        return to.temperature().celsius() < fall.coldest(from.at(), from.temperature(), to.at());
    }

    /** Whether the next reading, some minutes later, says what a doubtful one says. */
    private boolean agreed(Optional<Reading> before, Reading doubtful, List<Reading> later, boolean rises) {
        return later.stream()
                .filter(reading -> !reading.at().isBefore(doubtful.at().plus(AGREES_AFTER)))
                .findFirst()
                .filter(second -> !rises(doubtful, second) && !tooFast(doubtful, second))
                .filter(second ->
                        !rises || before.filter(last -> rises(last, second)).isPresent())
                .isPresent();
    }

    /**
     * Rules 2 and 3.
     *
     * @param at    when the clock opened
     * @param stillHot whether the last reading is above the upper limit, so that it may open later yet
     */
    private record Opening(Instant at, boolean stillHot) {}

    private Opening opening(LimitProfile.Stage stage, Standing standing) {
        Instant heatEnds = standing.heatEnds();
        Instant hot = null;
        Instant below = null;
        boolean open = false;
        for (Reading reading : standing.readings()) {
            // What somebody heated in vain does not say that its clock had not opened.
            boolean inVain =
                    standing.heated().contains(reading) && !reading.at().equals(heatEnds);
            if (open || inVain) {
                continue;
            }
            if (reading.temperature().readsAtLeast(stage.from())) {
                hot = reading.at();
                // On the heat it was made hot again, and simmered on.
                below = null;
            } else {
                below = below == null ? reading.at() : below;
                open = !reading.at().isBefore(heatEnds);
            }
        }
        boolean neverHotAgain = below != null && below.isBefore(heatEnds);
        if (neverHotAgain) {
            return new Opening(hot == null ? below : hot, false);
        }
        boolean hotSince = hot != null && !hot.isBefore(heatEnds);
        return new Opening(hotSince ? hot : heatEnds, hotSince && below == null);
    }

    /** Rule 1. */
    private StageVerdict stage(
            LimitProfile.Stage stage,
            Standing standing,
            List<Reading> doubtful,
            Optional<Projection> projection,
            Instant now) {
        Opening opening = opening(stage, standing);
        Instant deadline = opening.at().plus(stage.within());
        List<Reading> read = standing.readings().stream()
                .filter(reading -> !reading.at().isBefore(opening.at()))
                .toList();
        int above = lastAbove(stage.to(), read);
        Optional<Reading> cold = read.subList(above + 1, read.size()).stream()
                .filter(reading -> !doubtful.contains(reading))
                .findFirst();
        boolean proven = cold.filter(reading -> !reading.at().isAfter(deadline)).isPresent();
        Optional<Instant> projected =
                cold.isPresent() ? Optional.empty() : projection.flatMap(p -> p.reaches(stage.to()));
        boolean over = now.isAfter(deadline);
        Judged judged;
        if (proven) {
            judged = new Judged(Outcome.PASSED, Reason.READ_COLD_IN_TIME);
        } else if (!over) {
            judged = opening.stillHot()
                    ? ahead(stage, projection, projected)
                    : running(stage, deadline, read, above, projection, projected);
        } else {
            judged = missed(stage, deadline, read, above, doubtful, cold.isPresent());
        }
        boolean told = !opening.stillHot() || over;
        return new StageVerdict(
                stage,
                Optional.of(opening.at()).filter(at -> told),
                Optional.of(deadline).filter(at -> told),
                cold.filter(reading -> proven),
                projected,
                judged.outcome(),
                judged.reason());
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

    /** Its time is over, and no reading shows that it was met. */
    private Judged missed(
            LimitProfile.Stage stage,
            Instant deadline,
            List<Reading> read,
            int above,
            List<Reading> doubtful,
            boolean coldSince) {
        List<Reading> warm = read.subList(0, above + 1).stream()
                .filter(reading -> !reading.temperature().readsAtMost(stage.to()))
                .filter(reading -> !doubtful.contains(reading))
                .toList();
        boolean warmAtItsEnd = warm.stream().anyMatch(reading -> !reading.at().isBefore(deadline));
        if (warmAtItsEnd) {
            return new Judged(Outcome.FAILED, Reason.ABOVE_AT_ITS_END);
        }
        if (above >= 0 && doubtful.contains(read.get(above))) {
            return new Judged(Outcome.NOT_SHOWN, Reason.DOUBTFUL);
        }
        boolean couldBeCold = warm.isEmpty() || couldFall(warm.get(warm.size() - 1), stage.to(), deadline);
        if (!couldBeCold) {
            return new Judged(Outcome.FAILED, Reason.TOO_WARM_TO_BE_IN_TIME);
        }
        return new Judged(Outcome.NOT_SHOWN, coldSince ? Reason.READ_COLD_TOO_LATE : Reason.NOTHING_READ_AT_ITS_END);
    }

    private boolean couldFall(Reading from, Temperature to, Instant by) {
        return fall.coldest(from.at(), from.temperature(), by) <= to.celsius() + THERMOMETER_K;
    }

    /** A stage whose clock has not opened can be seen to fail ahead. */
    private static Judged ahead(
            LimitProfile.Stage stage, Optional<Projection> projection, Optional<Instant> projected) {
        Optional<Instant> begins = projection.flatMap(p -> p.reaches(stage.from()));
        return begins.isEmpty()
                ? new Judged(Outcome.WAITING, Reason.STILL_ABOVE_ITS_START)
                : projected(stage, begins.get().plus(stage.within()), projected);
    }

    private static Judged running(
            LimitProfile.Stage stage,
            Instant deadline,
            List<Reading> read,
            int above,
            Optional<Projection> projection,
            Optional<Instant> projected) {
        if (above < read.size() - 1) {
            return new Judged(Outcome.ON_COURSE, Reason.DOUBTFUL);
        }
        return read.isEmpty() || projection.isEmpty()
                ? new Judged(Outcome.ON_COURSE, Reason.TOO_FEW_READINGS)
                : projected(stage, deadline, projected);
    }

    private static Judged projected(LimitProfile.Stage stage, Instant deadline, Optional<Instant> projected) {
        if (projected.isEmpty() || projected.get().isAfter(deadline)) {
            return new Judged(Outcome.WILL_FAIL, Reason.AS_THE_READINGS_LEAD);
        }
        Duration spare = Duration.between(projected.get(), deadline);
        boolean tight = spare.toMillis() < TIGHT_SHARE * stage.within().toMillis();
        return new Judged(tight ? Outcome.TIGHT : Outcome.ON_COURSE, Reason.AS_THE_READINGS_LEAD);
    }

    /** Rule 8; a reheat begins no such time anew. */
    private Optional<BeginVerdict> begin(Standing standing, Instant now) {
        return profile.beginWithin().filter(within -> !standing.restarted()).map(within -> {
            Instant deadline = standing.heatEnds().plus(within);
            Optional<Instant> began = standing.began();
            if (began.isPresent()) {
                return began.get().isAfter(deadline)
                        ? new BeginVerdict(deadline, began, Outcome.FAILED, Reason.BEGAN_TOO_LATE)
                        : new BeginVerdict(deadline, began, Outcome.PASSED, Reason.BEGAN_IN_TIME);
            }
            return new BeginVerdict(
                    deadline,
                    began,
                    now.isAfter(deadline) ? Outcome.NOT_SHOWN : Outcome.WAITING,
                    Reason.BEGINNING_NOT_TOLD);
        });
    }

    /** What is still to be read, and by when, so that no more need be: at the strainer, at the upper limit, before each deadline. */
    private List<Ask> asks(List<StageVerdict> stages, Standing standing, Optional<Projection> projection, Instant now) {
        List<Ask> asks = new ArrayList<>();
        for (StageVerdict one : stages) {
            LimitProfile.Stage stage = one.stage();
            boolean open =
                    !one.outcome().passed() && one.outcome() != Outcome.FAILED && one.outcome() != Outcome.NOT_SHOWN;
            if (!open) {
                continue;
            }
            boolean unread = standing.sinceTheHeat().isEmpty();
            Optional<Instant> warmUntil = projection.flatMap(p -> p.reaches(stage.from()));
            if (unread || one.opened().isEmpty()) {
                asks.add(new Ask(
                        Proves.STILL_HOT,
                        stage.from(),
                        unread ? now : warmUntil.filter(now::isBefore).orElse(now),
                        Optional.empty()));
            }
            Optional<Instant> by = one.deadline();
            Optional<Instant> latest = by.map(at -> at.minus(BEFORE_THE_DEADLINE));
            Stream.concat(one.projected().stream(), latest.stream())
                    .min(Comparator.naturalOrder())
                    .ifPresent(
                            at -> asks.add(new Ask(Proves.COLD_IN_TIME, stage.to(), at.isBefore(now) ? now : at, by)));
        }
        return asks.stream().distinct().sorted(Comparator.comparing(Ask::at)).toList();
    }
}
