package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.cooling.CoolingVerdict.Outcome;
import potamos.core.cooling.CoolingVerdict.Proves;
import potamos.core.cooling.CoolingVerdict.Way;
import potamos.core.quantity.Temperature;
import potamos.core.safety.LimitProfile;

/** How a verdict is reached, rule by rule. The heat ends at minute 0; {@code 30:54} was read at minute 30, {@code 30:54@200} was entered at 200. */
class CoolingProofTest {

    private static final Instant OFF = Samples.EIGHT;
    private static final LimitProfile AU = shipped("au-nz-3-2-2");
    private static final LimitProfile UK = shipped("uk-cook-chill");

    private static LimitProfile shipped(String id) {
        return LimitProfile.shipped().stream()
                .filter(profile -> profile.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static Instant minute(double minute) {
        return OFF.plus(Duration.ofSeconds((long) (minute * 60)));
    }

    private static List<Reading> readings(String told) {
        return Arrays.stream(told.split(" "))
                .filter(reading -> !reading.isBlank())
                .map(reading -> {
                    String[] parts = reading.split("[:@]");
                    double at = Double.parseDouble(parts[0]);
                    double entered = parts.length > 2 ? Double.parseDouble(parts[2]) : at;
                    return new Reading(
                            minute(at), Temperature.ofCelsius(Double.parseDouble(parts[1])), minute(entered));
                })
                .toList();
    }

    private static CoolingRecord record(String told, String reheats) {
        return new CoolingRecord(OFF, Optional.empty(), readings(told), readings(reheats));
    }

    private static CoolingVerdict verdict(LimitProfile profile, CoolingRecord record, double now) {
        return new CoolingProof(profile, FastestFall.UNKNOWN)
                .verdict(CoolingHistory.of(record), Optional.empty(), minute(now));
    }

    private static Outcome us(String told, double now) {
        return verdict(Samples.US, record(told, ""), now).overall();
    }

    @ParameterizedTest
    @CsvSource({
        // Five readings: at the strainer, near the upper limit, before each deadline.
        "'1:85 20:58 130:20 370:5', 400, PASSED, PASSED",
        // On the very minute and on the limit.
        "'0:57 120:21 360:5', 400, PASSED, PASSED",
        // The first cold one a minute late: nobody knows, however steep the curve between.
        "'0:57 119:22 121:15', 130, NOT_SHOWN, ON_COURSE",
        "'0:57 60:35 121:21', 130, NOT_SHOWN, ON_COURSE",
        // Above at its end, or after it.
        "'0:57 120:22 121:20', 130, FAILED, ON_COURSE",
        "'0:57 130:21.5', 131, FAILED, ON_COURSE",
        // So warm that nothing could have cooled it in the ten minutes that were left.
        "'0:85 57:57 176.5:50', 178, FAILED, ON_COURSE",
        // A reading above the limit after one below it opens the stage again, with its old deadline.
        "'0:57 90:20 110:22 119:21', 121, PASSED, ON_COURSE",
        "'0:57 90:20 125:22 140:20', 150, FAILED, ON_COURSE",
        "'0:57 100:21 300:5 380:6 400:5', 410, PASSED, FAILED",
        // Nobody has looked, or not again.
        "'', 120, ON_COURSE, ON_COURSE",
        "'', 121, NOT_SHOWN, ON_COURSE",
        "'0:57 60:35', 121, NOT_SHOWN, ON_COURSE",
        "'0:80', 481, NOT_SHOWN, NOT_SHOWN",
        "'0:80', 119, WAITING, WAITING",
        // Of several in one minute the warmest counts.
        "'0:57 119:20 119.5:24', 125, NOT_SHOWN, ON_COURSE",
        "'0:57 119:24 119.5:20', 125, NOT_SHOWN, ON_COURSE",
    })
    void aStageIsMetByAReadingAndByNothingElse(String told, double now, Outcome first, Outcome second) {
        CoolingVerdict verdict = verdict(Samples.US, record(told, ""), now);
        assertThat(verdict.stages().get(0).outcome()).as("57 to 21").isEqualTo(first);
        assertThat(verdict.stages().get(1).outcome()).as("57 to 5").isEqualTo(second);
        verdict.stages()
                .forEach(
                        stage -> assertThat(stage.provenBy().isPresent()).isEqualTo(stage.outcome() == Outcome.PASSED));
    }

    @ParameterizedTest
    @CsvSource({
        // The last reading at the limit or above before the first below.
        "'0:80 20:57 40:50', 20",
        // None: the end of the heat.
        "'40:50', 0",
        // What warms again starts nothing anew.
        "'10:70 20:55 30:60 40:50', 10",
        "'10:70 20:55 30:80 31:60 200:58', 10",
        // In the pot: hot again is simmering on; never hot again has been cooling since.
        "'-120:90 -60:55 -30:92 10:60 30:50', 10",
        "'-120:90 -60:55 -5:54 10:50', -120",
        "'-60:55 10:50', -60",
        // On the heat to the end, whatever was read while it came up.
        "'-180:20 -150:60 -140:90 30:50', 0",
    })
    void theClockOpensOnce(String told, double opened) {
        CoolingVerdict verdict = verdict(Samples.US, record(told, ""), 60);
        assertThat(verdict.stages())
                .allSatisfy(stage -> assertThat(stage.opened()).contains(minute(opened)));
    }

    @Test
    void aLaterStageWithAClockOfItsOwnOpensByTheSameRule() {
        CoolingVerdict verdict = verdict(AU, record("0:70 10:60 90:22 130:20 300:5", ""), 400);
        assertThat(verdict.stages().get(1).opened()).contains(minute(90));
        assertThat(verdict.overall()).isEqualTo(Outcome.PASSED);
    }

    @ParameterizedTest
    @CsvSource({
        // Ten minutes after the fire.
        "'0:90 10:2', 20, 10, ON_COURSE",
        // Two in a row within five minutes are one.
        "'0:90 10:2 14:2', 20, 10, ON_COURSE",
        "'0:90 10:2 15:2', 20, , PASSED",
        // The next one says that it was the ice.
        "'0:90 10:2 20:40', 30, 10, ON_COURSE",
        // A rise without heat, and one that the next reading bears out.
        "'0:57 60:30 90:40 95:28', 100, 90, ON_COURSE",
        "'0:57 60:30 90:40 96:39', 100, , ON_COURSE",
        // Colder than what it stands in.
        "'0:57 100:-4', 110, 100, ON_COURSE",
    })
    void aDoubtfulReadingProvesNothingUntilAnotherAgrees(String told, double now, Double doubtful, Outcome overall) {
        CoolingVerdict verdict = verdict(Samples.US, record(told, ""), now);
        List<Instant> doubted = verdict.doubtful().stream().map(Reading::at).toList();
        assertThat(doubted.stream().findFirst())
                .isEqualTo(Optional.ofNullable(doubtful).map(CoolingProofTest::minute));
        assertThat(verdict.overall()).isEqualTo(overall);
    }

    @Test
    void aDoubtfulWarmReadingFailsNothingAndLetsNothingPass() {
        assertThat(us("0:57 110:20 130:30 200:10", 210)).isEqualTo(Outcome.NOT_SHOWN);
        assertThat(us("0:57 110:20 130:30 136:29 200:10", 210)).isEqualTo(Outcome.FAILED);
    }

    @ParameterizedTest
    @CsvSource({
        "'0:57 118:20@133 350:5', PASSED",
        "'0:57 118:20@134 350:5', PASSED_ON_LATE_ENTRIES",
        "'0:57 110:20 350:5@500', PASSED_ON_LATE_ENTRIES",
        // What is late and changes nothing is not in the way.
        "'0:57 60:40@400 118:20 350:5', PASSED",
        // A hot reading that is told late does not open the clock later in time.
        "'0:80 100:57@300 110:50 200:21 400:5', PASSED_ON_LATE_ENTRIES",
        // It stood failed at 130: no entry turns that.
        "'0:57 130:22 140:20 350:5', FAILED",
        "'0:57 59:57@300 130:22 170:20 350:5', FAILED",
    })
    void whatIsToldLateIsSaidToBeLateAndTurnsNoFailure(String told, Outcome outcome) {
        assertThat(us(told, 600)).isEqualTo(outcome);
    }

    @Test
    void onlyACorrectionTurnsAFailureAndItSaysSo() {
        CoolingRecord failed = record("0:57 130:22", "");
        CoolingRecord corrected = record("0:57 110:20 350:5", "");
        for (boolean amended : List.of(true, false)) {
            CoolingHistory history = new CoolingHistory(
                    corrected, corrected, List.of(new CoolingHistory.Past(failed, minute(131), amended)));
            Outcome overall = new CoolingProof(Samples.US, FastestFall.UNKNOWN)
                    .verdict(history, Optional.empty(), minute(400))
                    .overall();
            assertThat(overall).isEqualTo(amended ? Outcome.PASSED_AFTER_CORRECTION : Outcome.FAILED);
        }
    }

    private static final String TOO_SLOW = "0:57 60:40 120:24 125:23";

    @ParameterizedTest
    @CsvSource({
        "'150:74', 160, true, WAITING",
        "'150:73.9', 160, false, FAILED",
        // Within two hours of what was missed at 120 minutes.
        "'240:75', 250, true, WAITING",
        "'241:75', 250, false, FAILED",
        // Told within a quarter of an hour.
        "'150:75@165', 170, true, WAITING",
        "'150:75@166', 170, false, FAILED",
        // Once.
        "'150:75 170:75', 180, true, WAITING",
        "'150:73 170:76', 180, false, FAILED",
        "'150:75', 271, true, NOT_SHOWN",
        // Before anything was missed.
        "'80:80', 90, true, WAITING",
    })
    void oneReheatHotEnoughAndToldInTimeOpensAnotherClock(
            String reheats, double now, boolean restarts, Outcome overall) {
        CoolingRecord record = record(TOO_SLOW, reheats);
        Standing standing = new CoolingProof(Samples.US, FastestFall.UNKNOWN).standing(record, minute(now));
        assertThat(standing.restarted()).isEqualTo(restarts);
        assertThat(standing.reheats()).isEqualTo(reheats.split(" ").length);
        assertThat(verdict(Samples.US, record, now).overall()).isEqualTo(overall);
    }

    @Test
    void aReheatOfWhatNobodyHadReadForHoursOpensNothing() {
        CoolingRecord unread = record("5:80 490:40 500:20 700:4", "480:80");
        assertThat(verdict(Samples.US, unread, 800).overall()).isEqualTo(Outcome.FAILED);
    }

    @ParameterizedTest
    @CsvSource({", 29, WAITING", ", 31, NOT_SHOWN", "30, 40, PASSED", "31, 40, FAILED"})
    void coolingBeginsInTimeWhereTheLimitsSaySo(Double began, double now, Outcome outcome) {
        CoolingRecord record = new CoolingRecord(
                OFF, Optional.ofNullable(began).map(CoolingProofTest::minute), readings("0:75"), List.of());
        CoolingVerdict verdict = verdict(UK, record, now);
        assertThat(verdict.begin().orElseThrow().outcome()).isEqualTo(outcome);
        assertThat(verdict.overall() == Outcome.FAILED).isEqualTo(outcome == Outcome.FAILED);
        assertThat(verdict(Samples.US, record, now).begin()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "'', '', 60, READ_ON, 1",
        "'0:57 118:20 300:4', '', 400, STORE, 1",
        "'0:57 118:20 300:4@400', '', 400, RELEASE, 2",
        "'0:57 120:24', '', 130, REHEAT, 2",
        "'0:57 120:24', '', 241, DISCARD, 1",
        "'0:57 120:24', '150:60', 160, DISCARD, 1",
        "'', '', 130, RELEASE, 2",
        "'', '110:70', 119, READ_ON, 1",
        "'', '110:70', 400, DISCARD, 1",
        "'', '100:75', 271, RELEASE, 2",
        "'', '100:75 265:76', 271, DISCARD, 1",
    })
    void whatIsAllowedFollowsFromTheVerdict(String told, String reheats, double now, Way first, int ways) {
        CoolingRecord record = record(told, reheats);
        Standing standing = new CoolingProof(Samples.US, FastestFall.UNKNOWN).standing(record, minute(now));
        List<Way> allowed = verdict(Samples.US, record, now).allowed(Samples.US, standing, minute(now));
        assertThat(allowed).hasSize(ways);
        assertThat(allowed.get(0)).isEqualTo(first);
    }

    @Test
    void readingsAreAskedForThatProveWhatIsOpenAndNoMore() {
        CoolingProof proof = new CoolingProof(Samples.US, FastestFall.UNKNOWN);
        List<Reading> read = new ArrayList<>();
        List<Proves> asked = new ArrayList<>();
        Instant now = minute(1);
        // A stock that takes 100 minutes from 57 to 21 and 330 to 5, read when it is asked for and at no other time.
        while (asked.size() < 20) {
            read.add(new Reading(now, Temperature.ofCelsius(trueC(now))));
            CoolingHistory history = CoolingHistory.of(new CoolingRecord(OFF, Optional.empty(), read, List.of()));
            Optional<Projection> projection = proof.standing(history.all(), now).projection(1, 0.0103);
            CoolingVerdict verdict = proof.verdict(history, projection, now);
            if (verdict.asks().isEmpty()) {
                assertThat(verdict.overall()).isEqualTo(Outcome.PASSED);
                break;
            }
            CoolingVerdict.Ask next = verdict.asks().get(0);
            asked.add(next.proves());
            now = next.at().isAfter(now) ? next.at() : now.plus(Duration.ofMinutes(10));
        }
        assertThat(read.size()).isLessThanOrEqualTo(8);
        assertThat(asked).contains(Proves.STILL_HOT, Proves.COLD_IN_TIME);
    }

    private static double trueC(Instant at) {
        double minute = Duration.between(OFF, at).toMillis() / 60_000.0;
        return 1 + 84 * Math.exp(-0.0103 * minute);
    }

    @Test
    void theWorstDecidesAndAllMustHavePassedForAPass() {
        List<Outcome> worstFirst = List.of(
                Outcome.FAILED,
                Outcome.NOT_SHOWN,
                Outcome.WILL_FAIL,
                Outcome.TIGHT,
                Outcome.ON_COURSE,
                Outcome.PASSED_AFTER_CORRECTION,
                Outcome.PASSED_ON_LATE_ENTRIES,
                Outcome.PASSED);
        for (int worse = 0; worse < worstFirst.size(); worse++) {
            for (int better = worse; better < worstFirst.size(); better++) {
                assertThat(both(worstFirst.get(worse), worstFirst.get(better))).isEqualTo(worstFirst.get(worse));
                assertThat(both(worstFirst.get(better), worstFirst.get(worse))).isEqualTo(worstFirst.get(worse));
            }
        }
        assertThat(both(Outcome.WAITING, Outcome.PASSED)).isEqualTo(Outcome.ON_COURSE);
        assertThat(both(Outcome.WAITING, Outcome.WAITING)).isEqualTo(Outcome.WAITING);
    }

    private static Outcome both(Outcome... outcomes) {
        List<CoolingVerdict.StageVerdict> stages = Stream.of(outcomes)
                .map(outcome -> new CoolingVerdict.StageVerdict(
                        Samples.US.stages().get(0),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        outcome,
                        CoolingVerdict.Reason.READ_COLD_IN_TIME))
                .toList();
        return new CoolingVerdict("us", stages, Optional.empty(), List.of(), List.of()).overall();
    }

    /** A thermometer of whole degrees Fahrenheit shows 70 for 21 °C; one of tenths of a degree Celsius shows 21.1 when it is above. */
    @ParameterizedTest
    @CsvSource({"70, true", "71, false", "21.0, true", "21.1, false", "69, true"})
    void aLimitIsComparedAtTheThermometersOwnResolution(double shows, boolean met) {
        Temperature read = shows > 50 ? Temperature.ofFahrenheit(shows) : Temperature.ofCelsius(shows);
        List<Reading> read2 = List.of(readings("0:57").get(0), new Reading(minute(110), read));
        CoolingRecord record = new CoolingRecord(OFF, Optional.empty(), read2, List.of());
        assertThat(verdict(Samples.US, record, 125).stages().get(0).outcome() == Outcome.PASSED)
                .isEqualTo(met);
    }
}
