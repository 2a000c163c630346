package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.formula.Book;
import potamos.core.quantity.Band;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What a plan says beside its figures: its ice, its hours, and what a bed that weighs otherwise leaves open. */
class PlanTest {

    private final Plan plan = Samples.plan();

    /** The ice is reckoned for the containers that are cold last; the others take as much for each litre. */
    @Test
    void everyContainerHasItsShareOfTheIce() {
        Plan mixed = new Plan(
                plan.charge(),
                plan.limits(),
                plan.cooling(),
                List.of(
                        new Plan.Filled("10 L bain", 2, Volume.ofLitres(5)),
                        new Plan.Filled("tub", 1, Volume.ofLitres(8))),
                plan.curve(),
                plan.timeline(),
                plan.readyBy(),
                plan.called(),
                plan.accepted());
        assertThat(mixed.cooled().litres()).isEqualTo(18);
        double ofTheLast = plan.cooling().bath().orElseThrow().ice().kg();
        double litres = plan.cooling().litres().litres();
        assertThat(mixed.ice().orElseThrow().kg()).isCloseTo(ofTheLast * 18 / litres, within(1e-9));
        assertThat(plan.ice().orElseThrow().kg()).isCloseTo(ofTheLast, within(0.1));
    }

    @Test
    void eachStageBeginsWhereTheOneBeforeEnds() {
        List<Timeline.Part> parts = List.of(
                new Timeline.Part(Stage.WEIGH_IN, Duration.ofMinutes(10)),
                new Timeline.Part(Stage.SIMMER, Duration.ofMinutes(180)),
                new Timeline.Part(Stage.STRAIN, Duration.ofMinutes(15)));
        Timeline day = Timeline.startingAt(Samples.EIGHT, parts);
        assertThat(day.parts()).isEqualTo(parts);
        assertThat(day.start()).isEqualTo(Samples.EIGHT);
        assertThat(day.ready()).isEqualTo(Samples.EIGHT.plus(Duration.ofMinutes(205)));
        assertThat(day.step(Stage.SIMMER).orElseThrow().from()).isEqualTo(Samples.EIGHT.plus(Duration.ofMinutes(10)));
        assertThat(day.step(Stage.COOL)).isEmpty();
        assertThat(day.from(Stage.SIMMER)).extracting(Timeline.Step::stage).containsExactly(Stage.SIMMER, Stage.STRAIN);
        // It never rests: what is left once it would is what comes after a rest.
        assertThat(day.from(Stage.REST)).extracting(Timeline.Step::stage).containsExactly(Stage.STRAIN);
        assertThat(day.from(Stage.COOL)).isEmpty();
    }

    /** Of fifteen litres a hundredth is what a jug is read to. */
    @ParameterizedTest
    @CsvSource({"12, 3", "14.8, 0.2", "14.9, 0", "15, 0", "16, 0"})
    void aWayLeavesOpenWhatIsMissingOfItsCall(double out, double open) {
        Weighing.Way way = new Weighing.Way(
                Weighing.Kind.SAME_RATIO, Mass.ofKg(8), Volume.ofLitres(18), Band.exactly(out), 20, true);
        Weighing weighing = new Weighing(Mass.ofKg(10), Mass.ofKg(8), Volume.ofLitres(15), List.of(way));
        assertThat(weighing.shortOf(way).litres()).isCloseTo(open, within(1e-9));
    }

    /** A scale that says half a per cent more says the same; beyond that the plan stands as what is there makes it. */
    @ParameterizedTest
    @CsvSource({"1, true", "1.0049, true", "0.9951, true", "1.0051, false", "0.9949, false"})
    void aBedIsAsPlannedWithinWhatAScaleSays(double times, boolean asPlanned) {
        Mass planned = plan.charge().run().raw();
        Plan standing = Batch.standing(
                plan, List.of(new ChoreEvent.WeighedIn(Samples.at(5), BatchEvent.BED, planned.times(times), "")));
        assertThat(standing == plan).isEqualTo(asPlanned);
        assertThat(standing.charge().run().raw().kg())
                .isCloseTo(asPlanned ? planned.kg() : planned.times(times).kg(), within(1e-9));
    }

    @Test
    void aPartThatIsWeighedOtherwiseMakesAnotherChargeAndOneThatIsNotOfItMakesNone() {
        String part = plan.charge().measures().get(0).part().id();
        Mass planned = plan.charge().measures().get(0).mass();
        assertThat(Batch.standing(plan, List.of(new ChoreEvent.WeighedIn(Samples.at(5), part, planned.times(2), "")))
                        .charge()
                        .measures()
                        .get(0)
                        .mass()
                        .kg())
                .isCloseTo(2 * planned.kg(), within(1e-9));
        assertThat(Batch.standing(plan, List.of(new ChoreEvent.WeighedIn(Samples.at(5), part, planned, ""))))
                .isSameAs(plan);
        assertThat(Batch.standing(plan, List.of(new LookEvent.Noted(Samples.at(5), "quiet"))))
                .isSameAs(plan);
    }

    private static BatchState weighed(Plan plan, double times) {
        return Batch.replay(
                plan,
                List.of(new ChoreEvent.WeighedIn(
                        Samples.at(5), BatchEvent.BED, plan.charge().run().raw().times(times), "")),
                Samples.at(6).at());
    }

    /** From two per cent on a cook is asked how to go on, as long as the water is not drawn. */
    @ParameterizedTest
    @CsvSource({"1, ''", "0.985, ''", "1.015, ''", "0.979, FETCH_MORE", "1.021, SPLIT_OFF"})
    void aBedThatIsClearlyNotAsPlannedIsAskedAbout(double times, String last) {
        Optional<Weighing> weighing = Weighing.of(plan, weighed(plan, times));
        assertThat(weighing.isPresent()).isEqualTo(!last.isEmpty());
        weighing.ifPresent(one -> {
            double bed = plan.charge().run().raw().kg() * times;
            assertThat(one.weighed().kg()).isCloseTo(bed, within(1e-9));
            assertThat(one.ways())
                    .extracting(Weighing.Way::kind)
                    .containsExactly(Weighing.Kind.SAME_RATIO, Weighing.Kind.SAME_WATER, Weighing.Kind.valueOf(last));
            Weighing.Way ratio = one.ways().get(0);
            Weighing.Way water = one.ways().get(1);
            Weighing.Way planned = one.ways().get(2);
            assertThat(ratio.water().litres()).isCloseTo(plan.charge().water().litres() * times, within(0.05));
            assertThat(ratio.bed().kg()).isCloseTo(bed, within(1e-9));
            assertThat(water.bed().kg()).isCloseTo(bed, within(1e-9));
            assertThat(water.water()).isEqualTo(plan.charge().water());
            assertThat(planned.bed()).isEqualTo(plan.charge().run().raw());
            assertThat(planned.out().mid())
                    .isEqualTo(plan.charge().forecast().yield().mid());
            List<BatchEvent> filled = List.of(
                    new ChoreEvent.WeighedIn(Samples.at(5), BatchEvent.BED, one.weighed(), ""),
                    new PotEvent.Filled(Samples.at(7), plan.charge().water(), Temperature.ofCelsius(12)));
            assertThat(Weighing.of(
                            plan, Batch.replay(plan, filled, Samples.at(8).at())))
                    .isEmpty();
        });
    }

    /** In a pot that is full as planned, more bones under the same water are too much. */
    @Test
    void theSameWaterOverMoreBonesMayRunOver() {
        Plan full = Samples.plan(Book.whiteChicken(), new Goal.FullVessel());
        double room = full.charge().run().vessel().workingVolume().litres();
        for (double times : new double[] {0.9, 1.1}) {
            Weighing weighing = Weighing.of(full, weighed(full, times)).orElseThrow();
            double in = ChargeSolver.weighed(full.charge(), full.charge().formula(), weighing.weighed(), Map.of())
                    .run()
                    .withWater(full.charge().water())
                    .everythingIn()
                    .litres();
            assertThat(weighing.ways().get(1).fits()).isEqualTo(in <= room).isEqualTo(times < 1);
        }
    }
}
