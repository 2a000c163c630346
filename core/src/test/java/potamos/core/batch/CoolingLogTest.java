package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.CoolingVerdict.Outcome;
import potamos.core.cooling.Medium;
import potamos.core.cooling.Reading;
import potamos.core.quantity.Temperature;

/** What is logged of a cooling, from the heat on: which clock it goes by, whether it is cold, and where its readings lead. */
class CoolingLogTest {

    private static final Instant OFF = Samples.at(240).at();

    private final CoolingLog log = new CoolingLog(Samples.plan());

    @BeforeEach
    void offTheHeat() {
        log.heatEnds(OFF);
    }

    private void read(int minute, double celsius) {
        log.read(Samples.at(minute), Temperature.ofCelsius(celsius), false);
    }

    private BatchState.Cooling at(int minute) {
        return log.since(Samples.at(245).at(), Samples.at(minute).at());
    }

    private Outcome outcome(int minute) {
        return at(minute).verdict().orElseThrow().overall();
    }

    @Test
    void itIsColdByItsLastReadingAlone() {
        assertThat(log.cold()).isFalse();
        read(260, 60);
        assertThat(log.cold()).isFalse();
        read(400, 4);
        assertThat(log.cold()).isTrue();
        read(410, 9);
        assertThat(log.cold()).as("the thermometer was in the ice").isFalse();
    }

    @Test
    void whatIsReheatedIsColdNoMore() {
        read(400, 4);
        log.reheated(Samples.at(420), Temperature.ofCelsius(98));
        assertThat(log.cold()).isFalse();
        read(600, 4);
        assertThat(log.cold()).isTrue();
    }

    /** Nobody read what the pot must have had: it says where the clock starts, and neither that it is cold nor where it leads. */
    @Test
    void whatWasReckonedProvesNothing() {
        log.reckoned(OFF, 98);
        log.reckoned(OFF.plus(Duration.ofHours(9)), 4);
        assertThat(log.cold()).isFalse();
        assertThat(at(800).readings()).isEmpty();
        assertThat(at(800).projection()).isEmpty();
    }

    /** Boiled down after it was strained: what was read before that is of another cooling. */
    @Test
    void aLaterEndOfTheHeatStartsItsClockAnew() {
        read(250, 80);
        read(300, 50);
        log.heatEnds(Samples.at(320).at());
        assertThat(log.since()).isEqualTo(Samples.at(320).at());
        read(325, 90);
        assertThat(at(330).readings())
                .extracting(reading -> reading.temperature().celsius())
                .containsExactly(90.0);
    }

    @Test
    void aProbeIsNeverLateAndIsToldApart() {
        BatchEvent.Stamp late = new BatchEvent.Stamp(
                "l", Samples.at(260).at(), "IV", Samples.at(400).at());
        log.read(late, Temperature.ofCelsius(60), true);
        log.read(late, Temperature.ofCelsius(59), false);
        List<Reading> readings = at(401).readings();
        assertThat(readings).extracting(Reading::by).containsExactly(Reading.By.PROBE, Reading.By.HAND);
        assertThat(readings).extracting(Reading::late).containsExactly(false, late.late());
    }

    /** A tablet whose clock is ahead has read it all the same: the verdict looks no less far than what is known. */
    @Test
    void aReadingThatIsAheadOfTheClockCounts() {
        log.reckoned(OFF, 98);
        read(243, 85);
        read(260, 57);
        read(280, 35);
        read(300, 21);
        read(335, 15);
        read(370, 10);
        read(420, 7);
        read(470, 4.5);
        assertThat(outcome(480)).isEqualTo(Outcome.PASSED);
        assertThat(at(480).projection().orElseThrow().last().at())
                .isEqualTo(Samples.at(470).at());
        assertThat(at(465).verdict().orElseThrow().stages())
                .as("five minutes before the reading")
                .isEqualTo(at(480).verdict().orElseThrow().stages());
    }

    /** Down to 20 °C in its bath, from there in the cold store: what it cools towards is what it stands in. */
    @Test
    void itIsForetoldByWhatItStandsIn() {
        CoolingPlan bath = Samples.plan().cooling();
        Medium store = new Medium.ColdStore(Temperature.ofCelsius(2));
        CoolingPlan two = new CoolingPlan(
                bath.litres(),
                bath.from(),
                bath.container(),
                bath.count(),
                List.of(
                        new CoolingPlan.Leg(bath.medium(), Temperature.ofCelsius(20)),
                        new CoolingPlan.Leg(store, Temperature.ofCelsius(4))),
                bath.sets());
        Plan plan = Samples.plan();
        Plan inTwo = new Plan(
                plan.charge(),
                plan.limits(),
                two,
                plan.into(),
                plan.curve(),
                plan.timeline(),
                plan.readyBy(),
                plan.called(),
                plan.accepted());
        double iced = bath.medium().start().celsius();
        assertThat(iced).isNotEqualTo(2);
        for (double celsius : new double[] {60, 20.5}) {
            assertThat(towards(inTwo, celsius)).isEqualTo(iced);
        }
        for (double celsius : new double[] {20, 8, 3}) {
            assertThat(towards(inTwo, celsius)).isEqualTo(2);
        }
    }

    private static double towards(Plan plan, double celsius) {
        CoolingLog log = new CoolingLog(plan);
        log.heatEnds(OFF);
        log.read(Samples.at(250), Temperature.ofCelsius(celsius), false);
        return log.since(OFF, Samples.at(251).at()).projection().orElseThrow().mediumC();
    }
}
