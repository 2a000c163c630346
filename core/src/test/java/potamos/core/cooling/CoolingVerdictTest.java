package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.cooling.CoolingVerdict.Outcome;
import potamos.core.quantity.Temperature;

class CoolingVerdictTest {

    private static final Instant STRAINED = Samples.EIGHT;

    private static List<Reading> readings(double... minuteAndCelsius) {
        List<Reading> readings = new ArrayList<>();
        for (int i = 0; i < minuteAndCelsius.length; i += 2) {
            readings.add(new Reading(minute(minuteAndCelsius[i]), Temperature.ofCelsius(minuteAndCelsius[i + 1])));
        }
        return readings;
    }

    private static Instant minute(double minute) {
        return STRAINED.plus(Duration.ofSeconds((long) (minute * 60)));
    }

    private static CoolingVerdict judge(double nowMinute, List<Reading> readings) {
        Instant now = minute(nowMinute);
        Standing standing = Standing.of(Samples.US, STRAINED, readings, List.of(), now);
        return CoolingVerdict.of(Samples.US, standing, standing.projection(1, 0.02), now);
    }

    @Test
    void aFastCoolingPasses() {
        CoolingVerdict verdict = judge(300, readings(0, 88, 20, 57, 60, 30, 85, 20, 200, 8, 280, 4.8));
        assertThat(verdict.overall()).isEqualTo(Outcome.PASSED);
        assertThat(verdict.profileId()).isEqualTo("us-food-code");
    }

    @Test
    void theClockStartsWhereTheCurveBetweenReadingsPassesTheThreshold() {
        CoolingVerdict verdict = judge(30, readings(0, 77, 20, 37));
        // Towards 1 °C: 76 to 36 in twenty minutes, and 56 is ln(76/56)/ln(76/36) of the way.
        double minutes = 20 * Math.log(76 / 56.0) / Math.log(76 / 36.0);
        Instant started = verdict.stages().get(0).started().orElseThrow();
        assertThat(Duration.between(minute(minutes), started).abs()).isLessThan(Duration.ofSeconds(1));
    }

    @Test
    void withoutAReadingAboveTheThresholdTheClockStartsAtTheEndOfTheHeat() {
        CoolingVerdict verdict = judge(45, readings(40, 50));
        assertThat(verdict.stages().get(0).started()).contains(STRAINED);
    }

    @Test
    void aSlowFirstStageFailsAndIsSeenAhead() {
        List<Reading> slow = readings(0, 70, 30, 60, 60, 53);
        assertThat(judge(60, slow).stages().get(0).outcome()).isEqualTo(Outcome.WILL_FAIL);
        List<Reading> slower = new ArrayList<>(slow);
        slower.addAll(readings(150, 34, 200, 28));
        assertThat(judge(200, slower).stages().get(0).outcome()).isEqualTo(Outcome.FAILED);
        assertThat(judge(200, slower).overall()).isEqualTo(Outcome.FAILED);
    }

    @Test
    void missingReadingsAreNotShownNeverAPass() {
        assertThat(judge(500, readings(0, 80)).overall()).isEqualTo(Outcome.NOT_SHOWN);
        assertThat(judge(800, readings(0, 80, 10, 57, 760, 4)).overall()).isEqualTo(Outcome.NOT_SHOWN);
    }

    @Test
    void theProjectionFindsTheDecayBehindItsReadings() {
        List<Reading> exact = new ArrayList<>();
        for (int minute = 0; minute <= 40; minute += 10) {
            exact.addAll(readings(minute, 1 + 80 * Math.exp(-0.03 * minute)));
        }
        Projection projection = Projection.from(exact, 1, 0.5).orElseThrow();
        assertThat(projection.perMinute()).isCloseTo(0.03, within(1e-9));
        Instant reaches = projection.reaches(Temperature.ofCelsius(21)).orElseThrow();
        assertThat(Duration.between(STRAINED, reaches).toSeconds() / 60.0)
                .isCloseTo(Math.log(80 / 20.0) / 0.03, within(0.02));
    }

    @Test
    void whatNeverGetsColdHasNoCrossing() {
        Projection projection =
                Projection.from(readings(0, 80, 10, 79.9), 8, 0.02).orElseThrow();
        assertThat(projection.reaches(Temperature.ofCelsius(5))).isEmpty();
    }
}
