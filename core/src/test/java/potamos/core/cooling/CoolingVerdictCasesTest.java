package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.cooling.CoolingVerdict.Outcome;
import potamos.core.quantity.Temperature;

/**
 * The verdict as a table: 57 °C to 21 °C within two hours, and to 5 °C within six, counted from passing 57 °C. Readings are minutes after straining and
 * degrees; one with a {@code ~} was entered from memory.
 */
class CoolingVerdictCasesTest {

    private static final Instant STRAINED = Samples.EIGHT;

    private static Instant minute(double minute) {
        return STRAINED.plusMillis((long) (minute * 60_000));
    }

    private static List<Reading> readings(String told) {
        List<Reading> readings = new ArrayList<>();
        for (String reading : told.isBlank() ? new String[0] : told.split(" ")) {
            String[] parts = reading.replace("~", "").split(":");
            readings.add(new Reading(
                    minute(Double.parseDouble(parts[0])),
                    Temperature.ofCelsius(Double.parseDouble(parts[1])),
                    reading.startsWith("~")));
        }
        return readings;
    }

    private static CoolingVerdict verdict(String told, double now, Optional<Projection> projection) {
        return CoolingVerdict.of(Samples.US, readings(told), STRAINED, projection, minute(now));
    }

    /** What the readings show by themselves, with nothing foretold. */
    @ParameterizedTest
    @CsvSource({
        // Both stages in time, on the very minute.
        "'0:57 60:35 120:21 240:10 360:5', 400, PASSED, PASSED",
        // Read below the limit a minute late: where did it cross? After a gap of over an hour nobody knows.
        "'0:57 60:35 121:21', 130, NOT_SHOWN, ON_COURSE",
        // The same with a reading an hour before: it crossed at 121 minutes, too late, and that never passes.
        "'0:57 61:35 121:21', 130, FAILED, ON_COURSE",
        // Read late, but the line between two close readings crossed in time.
        "'0:57 100:25 121:20', 130, PASSED, ON_COURSE",
        "'0:57 119:22 125:20', 130, FAILED, ON_COURSE",
        // Still too warm when the time was up: failed however long the gap after it.
        "'0:57 120:22 190:15', 200, FAILED, ON_COURSE",
        "'0:57 121:22', 122, FAILED, ON_COURSE",
        "'0:57 120:22', 121, FAILED, ON_COURSE",
        "'0:57 60:35', 121, NOT_SHOWN, ON_COURSE",
        // Nobody has looked again, or at all: that is no pass, once the time is up.
        "'', 120, ON_COURSE, ON_COURSE",
        "'', 121, NOT_SHOWN, ON_COURSE",
        "'', 361, NOT_SHOWN, NOT_SHOWN",
        // Never read above the threshold: the clock runs from straining.
        "'30:50 119:21', 125, PASSED, ON_COURSE",
        "'30:50 61:40 121:21', 125, FAILED, ON_COURSE",
        // Read above it: from where the line passes it, here at 20 minutes.
        "'0:97 40:17', 50, PASSED, ON_COURSE",
        "'0:67 20:57 80:35 140:21', 141, PASSED, ON_COURSE",
        "'0:67 20:57 81:35 141:21', 142, FAILED, ON_COURSE",
        // One reading alone, cold already.
        "'90:4', 100, PASSED, PASSED",
        "'121:20', 130, NOT_SHOWN, ON_COURSE",
    })
    void eachStage(String told, double now, Outcome first, Outcome second) {
        CoolingVerdict verdict = verdict(told, now, foreseen(told));
        assertThat(verdict.stages().get(0).outcome()).as("57 to 21").isEqualTo(first);
        assertThat(verdict.stages().get(1).outcome()).as("57 to 5").isEqualTo(second);
    }

    /** A bath that certainly does the rest in time, so that only what was read decides. */
    private static Optional<Projection> foreseen(String told) {
        List<Reading> readings = readings(told);
        return readings.isEmpty()
                ? Optional.empty()
                : Optional.of(new Projection(readings.get(readings.size() - 1), 0, 0.2));
    }

    /** The first stage is projected to end so many minutes after it began; its last tenth, twelve minutes, is tight. */
    @ParameterizedTest
    @CsvSource({
        "60, ON_COURSE",
        "107.9, ON_COURSE",
        "108.5, TIGHT",
        "119.5, TIGHT",
        "120.5, WILL_FAIL",
        "300, WILL_FAIL",
    })
    void whatIsAheadGoesByTheTimeToSpare(double ends, Outcome outcome) {
        Reading now = readings("0:57").get(0);
        double perMinute = Math.log((57 - 1) / (21 - 1.0)) / ends;
        CoolingVerdict verdict = verdict("0:57", 1, Optional.of(new Projection(now, 1, perMinute)));
        assertThat(verdict.stages().get(0).outcome()).isEqualTo(outcome);
        Instant projected = verdict.stages().get(0).projected().orElseThrow();
        assertThat(Duration.between(minute(ends), projected).abs()).isLessThan(Duration.ofSeconds(2));
    }

    /** Above the threshold no clock runs yet; what is coming is told all the same, and silence is not taken for a pass. */
    @ParameterizedTest
    @CsvSource({
        "0.05, 5, ON_COURSE",
        "0.008, 5, WILL_FAIL",
        "0.00001, 5, WAITING",
        "0.05, 130, NOT_SHOWN",
    })
    void beforeTheClockRuns(double perMinute, double now, Outcome outcome) {
        Reading hot = readings("0:80").get(0);
        CoolingVerdict verdict = verdict("0:80", now, Optional.of(new Projection(hot, 1, perMinute)));
        assertThat(verdict.stages().get(0).started()).isEmpty();
        assertThat(verdict.stages().get(0).outcome()).isEqualTo(outcome);
        assertThat(verdict("0:80", now, Optional.empty()).overall()).isEqualTo(Outcome.WAITING);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "'~0:57 60:35 120:21 240:10 360:5'|PASSED",
                "'0:57 60:35 ~120:21 240:10 360:5'|PASSED_ON_LATE_ENTRIES",
                "'0:57 60:35 ~119:21 240:10 ~360:5'|PASSED_ON_LATE_ENTRIES",
                "'0:57 60:35 120:21 240:10 ~360:5'|PASSED_ON_LATE_ENTRIES",
                "'0:57 ~60:35 120:21 240:10 360:5'|PASSED",
            })
    void aPassThatRestsOnWhatWasEnteredFromMemorySaysSo(String row) {
        String told = row.substring(1, row.lastIndexOf('\''));
        Outcome overall = Outcome.valueOf(row.substring(row.indexOf('|') + 1));
        assertThat(verdict(told, 400, Optional.empty()).overall()).isEqualTo(overall);
    }

    /** The worst of two stages decides, and all must have passed for a pass. */
    @ParameterizedTest
    @CsvSource({
        "PASSED, PASSED, PASSED",
        "PASSED, ON_COURSE, ON_COURSE",
        "PASSED, WAITING, ON_COURSE",
        "WAITING, WAITING, WAITING",
        "ON_COURSE, WAITING, ON_COURSE",
        "PASSED, PASSED_ON_LATE_ENTRIES, PASSED_ON_LATE_ENTRIES",
        "PASSED_ON_LATE_ENTRIES, PASSED_ON_LATE_ENTRIES, PASSED_ON_LATE_ENTRIES",
        "TIGHT, ON_COURSE, TIGHT",
        "TIGHT, PASSED, TIGHT",
        "WILL_FAIL, TIGHT, WILL_FAIL",
        "NOT_SHOWN, WILL_FAIL, NOT_SHOWN",
        "NOT_SHOWN, PASSED, NOT_SHOWN",
        "FAILED, NOT_SHOWN, FAILED",
        "FAILED, PASSED, FAILED",
    })
    void theWorstDecides(Outcome one, Outcome other, Outcome overall) {
        assertThat(of(one, other).overall()).isEqualTo(overall);
        assertThat(of(other, one).overall()).isEqualTo(overall);
    }

    private static CoolingVerdict of(Outcome... outcomes) {
        List<CoolingVerdict.StageVerdict> stages = new ArrayList<>();
        for (Outcome outcome : outcomes) {
            stages.add(new CoolingVerdict.StageVerdict(
                    Samples.US.stages().get(0),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    outcome));
        }
        return new CoolingVerdict("us", stages);
    }
}
