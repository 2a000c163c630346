package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.quantity.Temperature;

/** Where readings lead: the least squares by its normal equations, and what is said when there is nothing to fit. */
class ProjectionTest {

    private static Reading reading(double minute, double celsius) {
        Instant at = Samples.EIGHT.plus(Duration.ofMillis((long) (minute * 60_000)));
        return new Reading(at, Temperature.ofCelsius(celsius));
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 3, 4, 5, 7})
    void theDecayIsTheLeastSquaresOfTheLastFour(int count) {
        Random random = new Random(20260303 + count);
        List<Reading> readings = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            readings.add(reading(
                    15 * i + 7 * random.nextDouble(), 2 + 80 * Math.exp(-0.3 * i) * (1 + random.nextDouble() / 5)));
        }
        List<Reading> last = readings.subList(Math.max(0, count - 4), count);
        double n = last.size();
        double x = 0;
        double y = 0;
        double xx = 0;
        double xy = 0;
        for (Reading reading : last) {
            double minute = Duration.between(Samples.EIGHT, reading.at()).toMillis() / 60_000.0;
            double log = Math.log(reading.temperature().celsius() - 2);
            x += minute;
            y += log;
            xx += minute * minute;
            xy += minute * log;
        }
        double slope = (n * xy - x * y) / (n * xx - x * x);
        assertThat(Projection.from(readings, 2, 1).orElseThrow().perMinute()).isCloseTo(-slope, within(1e-9));
    }

    @Test
    void oneReadingGoesByThePlanAndNoneByNothing() {
        assertThat(Projection.from(List.of(), 2, 0.02)).isEmpty();
        assertThat(Projection.from(List.of(reading(0, 60)), 2, 0.02)
                        .orElseThrow()
                        .perMinute())
                .isEqualTo(0.02);
    }

    @Test
    void whatDoesNotFallLeadsNowhere() {
        assertThat(Projection.from(List.of(reading(0, 60), reading(10, 60)), 2, 0.02))
                .isEmpty();
        assertThat(Projection.from(List.of(reading(0, 60), reading(0, 50)), 2, 0.02))
                .isEmpty();
    }

    @Test
    void readingsAtTheMediumItselfSayNothingOfTheStock() {
        List<Reading> readings = List.of(reading(0, 22), reading(60, 12), reading(120, 2.1), reading(180, 2.1));
        double byTwo = Math.log(20.0 / 10) / 60;
        assertThat(Projection.from(readings, 2, 1).orElseThrow().perMinute()).isCloseTo(byTwo, within(1e-12));
    }

    @Test
    void aTemperatureIsReachedWhenTheExponentialIsThere() {
        Projection projection = new Projection(reading(0, 42), 2, Math.log(2) / 30);
        assertThat(projection.reaches(Temperature.ofCelsius(22))).contains(Samples.EIGHT.plus(Duration.ofMinutes(30)));
        assertThat(projection.reaches(Temperature.ofCelsius(12))).contains(Samples.EIGHT.plus(Duration.ofMinutes(60)));
        assertThat(projection.reaches(Temperature.ofCelsius(42))).contains(Samples.EIGHT);
        assertThat(projection.reaches(Temperature.ofCelsius(2))).isEmpty();
        assertThat(new Projection(reading(0, 42), 2, 1e-5).reaches(Temperature.ofCelsius(5)))
                .isEmpty();
    }
}
