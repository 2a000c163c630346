package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.batch.Likely.Range;
import potamos.core.formula.Book;
import potamos.core.liquor.Brix;
import potamos.core.quantity.Band;
import potamos.core.quantity.Length;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

class LikelyTest {

    private final Plan plan = Samples.plan();
    private final List<BatchEvent> events = new ArrayList<>();

    private BatchState at(int minute) {
        return Batch.replay(plan, events, Samples.EIGHT.plus(Duration.ofMinutes(minute)));
    }

    private Map<EventKind<?>, Range> likely(int minute) {
        return Likely.of(plan, at(minute));
    }

    private void simmering() {
        events.add(new ChoreEvent.WeighedIn(
                Samples.at(5), BatchEvent.BED, plan.charge().run().bed().mass(), "L1"));
        events.add(new PotEvent.Filled(Samples.at(10), plan.charge().water(), Temperature.ofCelsius(12)));
        events.add(new PotEvent.HeatOn(Samples.at(12)));
        events.add(new PotEvent.SimmerReached(Samples.at(60)));
    }

    private void strained() {
        simmering();
        events.add(new PotEvent.Judged(Samples.at(240), true, Duration.ZERO));
        events.add(new FinishEvent.Strained(Samples.at(270), Volume.ofLitres(14), 2, false));
    }

    @Test
    void beforeThePotTheBedAndItsWaterAreAskedAbout() {
        double bed = plan.charge().run().raw().kg();
        assertThat(likely(1)).containsOnlyKeys(ChoreEvent.WeighedIn.KIND, PotEvent.Filled.KIND);
        assertThat(likely(1).get(ChoreEvent.WeighedIn.KIND).holds(bed * 1.15)).isTrue();
        assertThat(likely(1).get(ChoreEvent.WeighedIn.KIND).holds(bed * 10)).isFalse();
        assertThat(likely(1)
                        .get(PotEvent.Filled.KIND)
                        .holds(plan.charge().water().litres() * 2))
                .isFalse();
    }

    @Test
    void whatThePlanExpectsIsNeverOdd() {
        simmering();
        for (int minute = 61; minute < 235; minute += 10) {
            BatchState state = at(minute);
            Map<EventKind<?>, Range> likely = Likely.of(plan, state);
            double belowRim =
                    plan.charge().run().vessel().belowRim(state.pot().level()).cm();
            assertThat(likely.get(PotEvent.LevelRead.KIND).holds(belowRim)).isTrue();
            assertThat(likely.get(PotEvent.TemperatureRead.KIND)
                            .holds(state.pot().temperature().celsius()))
                    .isTrue();
            assertThat(likely.get(FinishEvent.Strained.KIND)
                            .holds(Expectation.litresOut(plan, state).mid()))
                    .isTrue();
        }
    }

    @Test
    void aRulerReadFromTheWrongEndIsOdd() {
        simmering();
        BatchState state = at(120);
        double aboveBottom = state.pot().level().cm();
        double height = plan.charge().run().vessel().shape().height().cm();
        assertThat(Math.abs(height - 2 * aboveBottom)).isGreaterThan(6);
        assertThat(likely(120).get(PotEvent.LevelRead.KIND).holds(aboveBottom)).isFalse();
        assertThat(likely(120).get(PotEvent.LevelRead.KIND).holds(height - aboveBottom))
                .isTrue();
    }

    @Test
    void aSimmerThatDiedDownIsAskedAbout() {
        simmering();
        Range temperature = likely(120).get(PotEvent.TemperatureRead.KIND);
        assertThat(temperature.holds(60)).isFalse();
        assertThat(temperature.holds(98)).isTrue();
        assertThat(temperature.holds(400)).isFalse();
    }

    @Test
    void aReadingThatWasTakenBecomesWhatIsExpected() {
        simmering();
        double odd = likely(120).get(PotEvent.LevelRead.KIND).high() + 3;
        events.add(new PotEvent.LevelRead(Samples.at(120), Length.ofCm(odd)));
        assertThat(likely(121).get(PotEvent.LevelRead.KIND).holds(odd)).isTrue();
    }

    @Test
    void aTopUpIsUsualToTheMarkAndLittleMore() {
        simmering();
        BatchState state = at(150);
        double toMark = plan.charge()
                        .run()
                        .vessel()
                        .shape()
                        .volumeAt(state.pot().mark())
                        .litres()
                - state.pot().contents().litres();
        assertThat(toMark).isPositive();
        assertThat(likely(150).get(PotEvent.ToppedUp.KIND).holds(toMark)).isTrue();
        assertThat(likely(150).get(PotEvent.ToppedUp.KIND).holds(toMark + 3)).isFalse();
    }

    @Test
    void coolingComesDownAndNeverUp() {
        strained();
        assertThat(likely(271).get(ColdEvent.CoolingRead.KIND).holds(85)).isTrue();
        events.add(new ColdEvent.CoolingRead(Samples.at(273), Temperature.ofCelsius(85)));
        events.add(new ColdEvent.CoolingRead(Samples.at(290), Temperature.ofCelsius(57)));
        Range next = likely(300).get(ColdEvent.CoolingRead.KIND);
        double expected =
                at(300).cooling().projection().orElseThrow().at(at(300).now()).celsius();
        assertThat(expected).isLessThan(57);
        assertThat(next.holds(expected)).isTrue();
        assertThat(next.holds(70)).isFalse();
        assertThat(next.holds(5)).isFalse();
    }

    @Test
    void moreIsNotPutAwayThanCameOut() {
        strained();
        Range stored = likely(280).get(ShelfEvent.Stored.KIND);
        assertThat(stored.holds(14)).isTrue();
        assertThat(stored.holds(14.5)).isFalse();
        assertThat(stored.holds(7)).isFalse();
    }

    private static void runs(Range range, double low, double high) {
        assertThat(range.low()).isCloseTo(low, within(1e-9));
        assertThat(range.high()).isCloseTo(high, within(1e-9));
    }

    /** How far off a scale, a jug, a ruler and a thermometer may be before somebody is asked. */
    @Test
    void theRangesAreAsWideAsTheyAreSaidToBe() {
        double bed = plan.charge().run().raw().kg();
        double water = plan.charge().water().litres();
        runs(likely(1).get(ChoreEvent.WeighedIn.KIND), 0.8 * bed, 1.2 * bed);
        runs(likely(1).get(PotEvent.Filled.KIND), 0.85 * water, 1.15 * water);
        simmering();
        double boils = plan.charge().run().air().boilingPoint().celsius();
        BatchState rising = at(30);
        double warm = rising.pot().temperature().celsius();
        runs(likely(30).get(PotEvent.TemperatureRead.KIND), warm - 15, Math.min(warm + 15, boils + 1));
        BatchState state = at(120);
        double belowRim =
                plan.charge().run().vessel().belowRim(state.pot().level()).cm();
        double slack = Math.max(2, 0.12 * state.pot().level().cm());
        runs(likely(120).get(PotEvent.LevelRead.KIND), Math.max(0, belowRim - slack), belowRim + slack);
        double lowest = plan.charge()
                .run()
                .simmer()
                .band()
                .low(plan.charge().run().air().boilingPoint())
                .celsius();
        runs(likely(120).get(PotEvent.TemperatureRead.KIND), lowest - 6, boils + 1);
        runs(likely(120).get(PotEvent.ToppedUp.KIND), 0, state.pot().toMark().litres() + 1.5);
        double brix = Brix.ofGelatin(state.pot().gelatinGPerL());
        runs(likely(120).get(LookEvent.BrixRead.KIND), Math.max(0, 0.4 * brix - 1.5), 2.5 * brix + 1.5);
        Band out = state.expected().litres();
        runs(
                likely(120).get(FinishEvent.Strained.KIND),
                Math.max(0, out.mid() - 2.5 * (out.mid() - out.low())),
                out.mid() + 2.5 * (out.high() - out.mid()));
        assertThat(likely(120)).doesNotContainKey(FinishEvent.Reduced.KIND);
        events.add(new PotEvent.TemperatureRead(Samples.at(121), Temperature.ofCelsius(70)));
        runs(
                likely(122).get(PotEvent.TemperatureRead.KIND),
                at(122).pot().temperature().celsius() - 6,
                boils + 1);
    }

    @Test
    void whatIsColdOrReducedHasItsRangesToo() {
        strained();
        double boils = plan.charge().run().air().boilingPoint().celsius();
        runs(likely(271).get(ColdEvent.CoolingRead.KIND), 5, boils + 1);
        runs(likely(271).get(ShelfEvent.Stored.KIND), 0.9 * 14, 14);
        events.add(new ColdEvent.CoolingRead(Samples.at(273), Temperature.ofCelsius(85)));
        events.add(new ColdEvent.CoolingRead(Samples.at(290), Temperature.ofCelsius(57)));
        double now =
                at(291).cooling().projection().orElseThrow().at(at(291).now()).celsius();
        assertThat(now).isBetween(50.0, 57.0);
        runs(likely(291).get(ColdEvent.CoolingRead.KIND), now - 8, 57 + 2);
        double later =
                at(320).cooling().projection().orElseThrow().at(at(320).now()).celsius();
        assertThat(later).isLessThan(49);
        runs(likely(320).get(ColdEvent.CoolingRead.KIND), later - 8, later + 8 + 2);
        Plan half = Samples.plan(Book.of("half-reduction"));
        List<BatchEvent> filled = List.of(
                new PotEvent.Filled(Samples.at(5), half.charge().water(), Temperature.ofCelsius(4)),
                new PotEvent.HeatOn(Samples.at(6)));
        double mark = half.charge().forecast().yield().mid();
        runs(
                Likely.of(half, Batch.replay(half, filled, Samples.at(20).at())).get(FinishEvent.Reduced.KIND),
                0.75 * mark,
                1.25 * mark);
    }
}
