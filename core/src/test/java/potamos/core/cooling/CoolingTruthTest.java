package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.cooling.CoolingVerdict.Outcome;
import potamos.core.quantity.Temperature;
import potamos.core.safety.LimitProfile;

/** Stocks whose true temperature is known at every moment: what breaks the limits is never passed, and what keeps them and is read is. */
class CoolingTruthTest {

    private static final Instant OFF = Samples.EIGHT;
    private static final int CURVES = 1500;
    private static final double LAST_MIN = 700;

    private static List<LimitProfile> profiles() {
        return LimitProfile.shipped();
    }

    /** A curve that falls, by pieces of any steepness that a stock can have, and sometimes warms again for a while. */
    private static DoubleUnaryOperator curve(SplittableRandom chance, boolean warms) {
        double start = 60 + chance.nextDouble(38);
        double first = 0.003 + chance.nextDouble(0.04);
        double then = 0.003 + chance.nextDouble(0.03);
        double turn = chance.nextDouble(200);
        double warmFrom = warms ? chance.nextDouble(400) : LAST_MIN * 2;
        double warmBy = 5 + chance.nextDouble(30);
        return minute -> {
            double fell = minute < turn
                    ? start * Math.exp(-first * Math.max(0, minute))
                    : start * Math.exp(-first * turn) * Math.exp(-then * (minute - turn));
            double warmed = minute <= warmFrom
                    ? 0
                    : warmBy
                            * Math.min(1, (minute - warmFrom) / 30)
                            * Math.exp(-then * Math.max(0, minute - warmFrom - 30));
            return Math.min(fell + warmed, start);
        };
    }

    /** By the true curve alone: the end of a stage, counted from when it first went below the upper limit. */
    private static double end(LimitProfile.Stage stage, DoubleUnaryOperator curve, double share) {
        double opens = 0;
        while (opens < LAST_MIN && curve.applyAsDouble(opens) >= stage.from().celsius()) {
            opens += 0.25;
        }
        return opens + share * stage.within().toSeconds() / 60.0;
    }

    /** When it is warmest from the end of a stage on. */
    private static double warmest(double end, DoubleUnaryOperator curve) {
        double warmest = end;
        for (double minute = end; minute < LAST_MIN; minute += 0.25) {
            warmest = curve.applyAsDouble(minute) > curve.applyAsDouble(warmest) ? minute : warmest;
        }
        return warmest;
    }

    private static boolean keeps(LimitProfile profile, DoubleUnaryOperator curve, double share) {
        return profile.stages().stream()
                .allMatch(stage -> curve.applyAsDouble(warmest(end(stage, curve, share), curve))
                        <= stage.to().celsius());
    }

    private static Reading read(DoubleUnaryOperator curve, double minute) {
        Instant at = OFF.plus(Duration.ofMillis((long) (minute * 60_000)));
        return new Reading(at, Temperature.ofCelsius(curve.applyAsDouble(minute)));
    }

    private static Outcome verdict(LimitProfile profile, DoubleUnaryOperator curve, Iterable<Double> minutes) {
        List<Reading> readings = new ArrayList<>();
        minutes.forEach(minute -> readings.add(read(curve, minute)));
        CoolingRecord record = new CoolingRecord(OFF, Optional.of(OFF.plusSeconds(300)), readings, List.of());
        return new CoolingProof(profile, FastestFall.UNKNOWN)
                .verdict(CoolingHistory.of(record), Optional.empty(), OFF.plus(Duration.ofMinutes((long) LAST_MIN)))
                .overall();
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void whatBreaksTheLimitsIsNeverPassedWheneverItIsRead(LimitProfile profile) {
        SplittableRandom chance = new SplittableRandom(57);
        int broke = 0;
        for (int i = 0; i < CURVES; i++) {
            boolean warms = i % 3 == 0;
            DoubleUnaryOperator curve = curve(chance, warms);
            TreeSet<Double> minutes = new TreeSet<>();
            IntStream.range(0, 1 + chance.nextInt(12)).forEach(n -> minutes.add(chance.nextDouble(LAST_MIN)));
            // What warms while nobody looks is not seen; whoever looks at its warmest sees it.
            if (warms) {
                profile.stages().stream()
                        .map(stage -> warmest(end(stage, curve, 1), curve))
                        .filter(minute -> minute < LAST_MIN)
                        .forEach(minutes::add);
            }
            if (!keeps(profile, curve, 1.0)) {
                broke++;
                Outcome outcome = verdict(profile, curve, minutes);
                assertThat(outcome.passed())
                        .as("curve %s read at %s: %s", i, minutes, outcome)
                        .isFalse();
            }
        }
        assertThat(broke).isGreaterThan(CURVES / 10);
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void whatKeepsThemByATenthIsPassedByFiveReadingsOrSix(LimitProfile profile) {
        SplittableRandom chance = new SplittableRandom(21);
        int kept = 0;
        for (int i = 0; i < CURVES; i++) {
            DoubleUnaryOperator curve = curve(chance, false);
            if (!keeps(profile, curve, 0.9)) {
                continue;
            }
            kept++;
            TreeSet<Double> minutes = new TreeSet<>(List.of(0.5));
            for (LimitProfile.Stage stage : profile.stages()) {
                double near = 0;
                while (curve.applyAsDouble(near + 1) >= stage.from().celsius()) {
                    near++;
                }
                minutes.add(near);
                minutes.add(near + stage.within().toMinutes() - 4.0);
            }
            minutes.add(LAST_MIN - 60);
            assertThat(minutes.size()).isLessThanOrEqualTo(6);
            assertThat(verdict(profile, curve, minutes))
                    .as("curve %s read at %s", i, minutes)
                    .isEqualTo(Outcome.PASSED);
        }
        assertThat(kept).isGreaterThan(20);
    }
}
