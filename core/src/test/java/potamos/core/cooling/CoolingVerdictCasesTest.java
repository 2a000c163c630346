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
import potamos.core.safety.LimitProfile;

/**
 * The verdict as a table: 57 °C to 21 °C within two hours, and to 5 °C within six, counted from passing 57 °C. Readings are minutes after the end of the
 * heat and degrees; one with a {@code ~} was entered from memory, one with a {@code p} is a probe's, one with an {@code r} was only reckoned.
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
            String[] who = parts[1].split("(?=[a-z])");
            readings.add(new Reading(
                    minute(Double.parseDouble(parts[0])),
                    Temperature.ofCelsius(Double.parseDouble(who[0])),
                    reading.startsWith("~"),
                    who.length < 2 ? Reading.By.HAND : who[1].equals("p") ? Reading.By.PROBE : Reading.By.RECKONED));
        }
        return readings;
    }

    private static CoolingVerdict verdict(String told, double now, Optional<Projection> projection) {
        return verdict(Samples.US, told, now, projection);
    }

    private static CoolingVerdict verdict(
            LimitProfile profile, String told, double now, Optional<Projection> projection) {
        Standing standing = Standing.of(profile, STRAINED, readings(told), List.of(), minute(now));
        return CoolingVerdict.of(profile, standing, projection, minute(now));
    }

    /** What the readings show by themselves, with nothing foretold. */
    @ParameterizedTest
    @CsvSource({
        // Both stages in time, on the very minute.
        "'0:57 60:35 95:25 120:21 180:10 270:6 360:5', 400, PASSED, PASSED",
        // Two readings half an hour apart say when it was passed; further apart they do not, even where the second is
        // in time.
        "'0:57 90:25 120:21', 130, PASSED, ON_COURSE",
        "'0:57 89:25 120:21', 130, NOT_SHOWN, ON_COURSE",
        "'0:57 60:35 119:15', 130, NOT_SHOWN, ON_COURSE",
        // A probe misses nothing between its readings; one of the two is not enough.
        "'0:57 60:35p 119:15p', 130, PASSED, ON_COURSE",
        "'0:57 60:35p 119:15', 130, NOT_SHOWN, ON_COURSE",
        // On the limit a minute late.
        "'0:57 95:24 121:21', 130, FAILED, ON_COURSE",
        // Read late, but the curve between two close readings was through in time; or was not.
        "'0:57 100:25 121:20', 130, PASSED, ON_COURSE",
        "'0:57 119:22 125:20', 130, FAILED, ON_COURSE",
        // A straight line would say 120.6 minutes here; a stock that cools towards its bath is through at 117.3.
        "'0:57 95:56 125:15', 130, PASSED, ON_COURSE",
        // Still too warm when the time was up: failed however long the gap after it.
        "'0:57 120:22 190:15', 200, FAILED, ON_COURSE",
        "'0:57 121:22', 122, FAILED, ON_COURSE",
        "'0:57 120:22', 121, FAILED, ON_COURSE",
        "'0:57 60:35', 121, NOT_SHOWN, ON_COURSE",
        // A reading above the limit after one below it opens the stage again.
        "'0:57 90:25 100:20 110:22 119:21', 121, PASSED, ON_COURSE",
        "'0:57 90:25 100:20 118:20.5 125:22 135:20', 140, FAILED, ON_COURSE",
        "'0:57 60:35 95:25 120:21 180:10 270:6 355:5 380:6 390:5', 400, PASSED, FAILED",
        // Nobody has looked again, or at all: that is no pass, once the time is up.
        "'', 120, ON_COURSE, ON_COURSE",
        "'', 121, NOT_SHOWN, ON_COURSE",
        "'', 361, NOT_SHOWN, NOT_SHOWN",
        // Never read above the threshold: the clock runs from the end of the heat.
        "'30:50 95:24 119:21', 125, PASSED, ON_COURSE",
        "'30:50 95:24 121:21', 125, FAILED, ON_COURSE",
        // Read above it: from where the stock went below it for good, here at 20 minutes.
        "'0:67 20:57 80:35 115:25 140:21', 141, PASSED, ON_COURSE",
        "'0:67 20:57 80:35 115:25 141:21', 142, FAILED, ON_COURSE",
        "'0:67 5:50 10:62 20:57 80:35 115:25 140:21', 141, PASSED, ON_COURSE",
        // Above it, and not looked at for longer than a quarter of the stage: the earlier moment is the cautious one.
        "'0:80 31:57 80:35 95:24 121:21', 125, FAILED, ON_COURSE",
        "'0:80 30:57 80:35 125:24 149:21', 150, PASSED, ON_COURSE",
        // What the pot must have had starts a clock, and shows nothing.
        "'10:80r 25:57r 80:35 120:24 144:21', 150, PASSED, ON_COURSE",
        "'10:80r 100:25r 110:20r', 115, ON_COURSE, ON_COURSE",
        "'10:80r 100:25r 110:20r', 200, NOT_SHOWN, ON_COURSE",
        // One reading alone, cold already: since when?
        "'30:4', 100, PASSED, PASSED",
        "'90:4', 100, NOT_SHOWN, PASSED",
        "'91:4', 100, NOT_SHOWN, NOT_SHOWN",
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
        "0.00001, 130, NOT_SHOWN",
        "0.05, 130, NOT_SHOWN",
    })
    void beforeTheClockRuns(double perMinute, double now, Outcome outcome) {
        Reading hot = readings("0:80").get(0);
        CoolingVerdict verdict = verdict("0:80", now, Optional.of(new Projection(hot, 1, perMinute)));
        assertThat(verdict.stages().get(0).started()).isEmpty();
        assertThat(verdict.stages().get(0).outcome()).isEqualTo(outcome);
        assertThat(verdict("0:80", now, Optional.empty()).stages().get(0).outcome())
                .isEqualTo(now > 120 ? Outcome.NOT_SHOWN : Outcome.WAITING);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "'~0:57 92:25 120:21 240:10 280:6 360:5'|PASSED",
                "'0:57 92:25 ~120:21 240:10 280:6 360:5'|PASSED_ON_LATE_ENTRIES",
                "'0:57 92:25 ~119:21 240:10 280:6 ~360:5'|PASSED_ON_LATE_ENTRIES",
                "'0:57 92:25 120:21 240:10 280:6 ~360:5'|PASSED_ON_LATE_ENTRIES",
                "'0:57 ~60:35 92:25 120:21 240:10 280:6 360:5'|PASSED",
                "'0:57 ~92:25 120:21 240:10 280:6 360:5'|PASSED_ON_LATE_ENTRIES",
                "'0:57 92:25 ~100:23 119:21 240:10 280:6 360:5'|PASSED",
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
                    outcome,
                    CoolingVerdict.Reason.DOWN_IN_TIME));
        }
        return new CoolingVerdict("us", stages);
    }

    /** A thermometer of whole degrees Fahrenheit shows 70 for 21 °C and 41 for 5 °C; one of tenths of a degree Celsius shows 21.1 when it is above. */
    @ParameterizedTest
    @CsvSource({"70, true", "71, false", "21.0, true", "21.1, false", "69, true"})
    void aLimitIsComparedAtTheThermometersOwnResolution(double shows, boolean met) {
        Temperature read = shows > 50 ? Temperature.ofFahrenheit(shows) : Temperature.ofCelsius(shows);
        assertThat(read.readsAtMost(Temperature.ofCelsius(21))).isEqualTo(met);
        assertThat(Temperature.ofFahrenheit(165).readsAtLeast(Temperature.ofCelsius(74)))
                .isTrue();
        assertThat(Temperature.ofFahrenheit(164).readsAtLeast(Temperature.ofCelsius(74)))
                .isFalse();
        assertThat(Temperature.ofCelsius(73.9).readsAtLeast(Temperature.ofCelsius(74)))
                .isFalse();
    }

    private static final String TOO_SLOW = "0:57 60:40 100:30 120:24 125:23";

    /** Reheated to 74 °C within two hours of what was missed at 120 minutes; then a fast cooling. */
    @ParameterizedTest
    @CsvSource({
        "'150:75', 160, true, WAITING",
        "'150:74', 160, true, WAITING",
        "'150:73.9', 160, false, FAILED",
        "'240:75', 250, true, WAITING",
        "'241:75', 250, false, FAILED",
        "'150:75', 270, true, WAITING",
        "'150:75', 271, true, NOT_SHOWN",
        // The first was not hot enough: a second one starts nothing.
        "'150:73 170:76', 180, false, FAILED",
        // The second one starts nothing, and does not hide that nothing was read since the first.
        "'150:75 265:76', 269, true, WAITING",
        "'150:75 300:76', 310, true, NOT_SHOWN",
        // Before anything was missed.
        "'80:80', 90, true, WAITING",
    })
    void oneReheatHotEnoughAndInTimeStartsTheClockAgain(String reheats, double now, boolean restarts, Outcome overall) {
        Standing standing = Standing.of(Samples.US, STRAINED, readings(TOO_SLOW), readings(reheats), minute(now));
        assertThat(standing.restarted()).isEqualTo(restarts);
        assertThat(standing.reheats()).isEqualTo(reheats.split(" ").length);
        assertThat(standing.readings().get(0).temperature().celsius()).isEqualTo(restarts ? firstC(reheats) : 57);
        assertThat(CoolingVerdict.of(Samples.US, standing, Optional.empty(), minute(now))
                        .overall())
                .isEqualTo(overall);
    }

    private static double firstC(String told) {
        return readings(told).get(0).temperature().celsius();
    }

    @ParameterizedTest
    @CsvSource({
        "'', '', 60, READ_ON, 1",
        "'0:57 90:25 120:21 150:4', '', 160, STORE, 1",
        "'0:57 120:24 125:23', '', 130, REHEAT, 2",
        "'0:57 120:24 125:23', '', 241, DISCARD, 1",
        "'0:57 120:24 125:23', '150:60', 160, DISCARD, 1",
        "'', '', 130, STORE_AS_NOT_SHOWN, 2",
        // Heated, too little: that it is warm now does not say that its clock had not started.
        "'', '110:70', 119, READ_ON, 1",
        "'', '110:70', 121, DISCARD, 1",
        "'', '150:75', 271, STORE_AS_NOT_SHOWN, 2",
        "'', '150:75 265:76', 271, DISCARD, 1",
    })
    void whatIsAllowedFollowsFromTheVerdict(
            String told, String reheats, double now, CoolingVerdict.Way first, int ways) {
        Standing standing = Standing.of(Samples.US, STRAINED, readings(told), readings(reheats), minute(now));
        CoolingVerdict verdict = CoolingVerdict.of(Samples.US, standing, Optional.empty(), minute(now));
        List<CoolingVerdict.Way> allowed = verdict.allowed(Samples.US, standing, minute(now));
        assertThat(allowed).hasSize(ways);
        assertThat(allowed.get(0)).isEqualTo(first);
    }
}
