package potamos.core.probe;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.quantity.Refusal;

class ThinningTest {

    private static final Duration TWO_MINUTES = Duration.ofMinutes(2);

    private static Sample at(int second, double value) {
        return new Sample(Samples.EIGHT.plusSeconds(second), value);
    }

    static LongStream seeds() {
        return LongStream.range(1, 20);
    }

    private static List<Sample> aDay(long seed) {
        Random random = new Random(seed);
        List<Sample> samples = new ArrayList<>();
        double value = 20;
        for (int second = 0; second < 4000; second += 1 + random.nextInt(5)) {
            value += random.nextGaussian();
            samples.add(at(second, value));
        }
        Collections.shuffle(samples, random);
        return samples;
    }

    @Test
    void ofAStretchTheLowestAndTheHighestStayAtTheirOwnMoments() {
        List<Sample> kept =
                Thinning.keep(List.of(at(0, 90), at(20, 96), at(40, 88), at(60, 91), at(100, 92)), TWO_MINUTES);
        assertThat(kept).containsExactly(at(20, 96), at(40, 88));
    }

    @Test
    void whatDoesNotChangeIsOneReading() {
        assertThat(Thinning.keep(List.of(at(0, 3)), TWO_MINUTES)).containsExactly(at(0, 3));
        assertThat(Thinning.keep(List.of(), TWO_MINUTES)).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void noPeakIsEverLost(long seed) {
        List<Sample> all = aDay(seed);
        List<Sample> kept = Thinning.keep(all, TWO_MINUTES);
        assertThat(kept.stream().mapToDouble(Sample::value).max())
                .isEqualTo(all.stream().mapToDouble(Sample::value).max());
        assertThat(kept.stream().mapToDouble(Sample::value).min())
                .isEqualTo(all.stream().mapToDouble(Sample::value).min());
        assertThat(all).containsAll(kept);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void atMostTwoOfAStretchStayAndInTheOrderOfTime(long seed) {
        List<Sample> kept = Thinning.keep(aDay(seed), TWO_MINUTES);
        assertThat(kept).hasSizeLessThanOrEqualTo(2 * (4000 / 120 + 1));
        assertThat(kept).extracting(Sample::at).isSorted();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void thinningTwiceChangesNothing(long seed) {
        List<Sample> once = Thinning.keep(aDay(seed), TWO_MINUTES);
        assertThat(Thinning.keep(once, TWO_MINUTES)).isEqualTo(once);
    }

    @Test
    void stretchesLieOnTheClockSoThatALateReadingFallsIntoItsOwn() {
        Instant even = Instant.ofEpochSecond(120 * 1000);
        List<Sample> kept = Thinning.keep(
                List.of(
                        new Sample(even.minusSeconds(1), 50),
                        new Sample(even, 40),
                        new Sample(even.plusSeconds(1), 45)),
                TWO_MINUTES);
        assertThat(kept).extracting(Sample::value).containsExactly(50.0, 40.0, 45.0);
    }

    @Test
    void theLastTwoHoursAreKeptWhole() {
        Instant now = Instant.parse("2026-03-03T12:00:00Z");
        assertThat(Thinning.wholeSince(now)).isEqualTo("2026-03-03T10:00:00Z");
    }

    @Test
    void aStretchOfNothingIsRefused() {
        assertThatThrownBy(() -> Thinning.keep(List.of(), Duration.ZERO)).isInstanceOf(Refusal.class);
    }
}
