package potamos.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.core.formula.Book;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Formula;
import potamos.core.formula.Phase;
import potamos.core.formula.PhaseKind;
import potamos.core.formula.PrepPhase;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

class PlannerTest {

    @Test
    void stagesFollowEachOtherWithoutGaps() {
        Timeline timeline = Samples.plan().timeline();
        for (int i = 1; i < timeline.steps().size(); i++) {
            assertThat(timeline.steps().get(i).from())
                    .isEqualTo(timeline.steps().get(i - 1).to());
        }
    }

    @Test
    void blanchingAddsItsOwnBringUp() {
        CoolingCurve curve = Cooler.curve(Samples.iceBath(15));
        Charge plain =
                ChargeSolver.solve(Book.whiteChicken(), Samples.pot(Samples.cylinder(36, 40)), Samples.litres(15));
        Charge blanched = ChargeSolver.solve(
                Book.whiteChicken().blanched(true), Samples.pot(Samples.cylinder(36, 40)), Samples.litres(15));
        Duration without = length(Planner.parts(plain, curve, Samples.US));
        Duration with = length(Planner.parts(blanched, curve, Samples.US));
        assertThat(with.minus(without))
                .isGreaterThan(Duration.ofMinutes((long) plain.forecast().bringUpMin()));
    }

    private static Duration length(List<Timeline.Part> parts) {
        return parts.stream().map(Timeline.Part::length).reduce(Duration.ZERO, Duration::plus);
    }

    private static Charge charge(Formula formula) {
        Goal goal = formula.bed().isEmpty() ? new Goal.WaterDrawn(Volume.ofLitres(12)) : Samples.bones(8);
        return ChargeSolver.solve(formula, Samples.pot(Samples.kettle()), goal);
    }

    private static Duration of(List<Timeline.Part> parts, Stage stage) {
        return parts.stream()
                .filter(part -> part.stage() == stage)
                .map(Timeline.Part::length)
                .reduce(Duration.ZERO, Duration::plus);
    }

    static List<Formula> book() {
        return Book.formulas();
    }

    /** Which stages a formula has, in which order and how long, read off its procedure once more. */
    @ParameterizedTest
    @MethodSource("book")
    void everyFormulaHasTheStagesOfItsProcedure(Formula formula) {
        Charge charge = charge(formula);
        List<Timeline.Part> parts = Planner.hotParts(charge);
        List<Stage> expected = new ArrayList<>();
        if (!formula.bed().isEmpty()) {
            expected.add(Stage.WEIGH_IN);
        }
        boolean chores =
                formula.procedure().stream().anyMatch(phase -> phase.kind().chore() != PhaseKind.Chore.NONE);
        if (chores) {
            expected.add(Stage.PREPARE);
        }
        if (formula.phase(PrepPhase.Blanch.class).isPresent()) {
            expected.add(Stage.BLANCH);
        }
        expected.addAll(List.of(Stage.FILL, Stage.BRING_UP, Stage.SIMMER));
        List<Phase> procedure = formula.procedure();
        int reduce =
                formula.phase(FinishPhase.Reduce.class).map(procedure::indexOf).orElse(-1);
        boolean inThePot = reduce >= 0 && reduce < procedure.indexOf(formula.strain());
        if (inThePot) {
            expected.add(Stage.REDUCE);
        }
        expected.addAll(List.of(Stage.REST, Stage.STRAIN));
        if (reduce >= 0 && !inThePot) {
            expected.add(Stage.REDUCE);
        }
        assertThat(parts).extracting(Timeline.Part::stage).containsExactlyElementsOf(expected);
        assertThat(of(parts, Stage.SIMMER)).isEqualTo(formula.simmer().usual());
        assertThat(of(parts, Stage.FILL)).isEqualTo(Duration.ofMinutes(5).plus(formula.coldSteep()));
        double strained = charge.forecast().yield().mid() / (inThePot ? 1 : formula.reducesTo());
        // Ten minutes to set up, and so many seconds for each litre through each strainer.
        double seconds = of(parts, Stage.STRAIN).minus(Duration.ofMinutes(10)).toSeconds();
        assertThat(seconds).isCloseTo(25 * strained * formula.strain().passes(), within(1.0));
    }

    @Test
    void nobodyPlansMoreThanSixtyDaysAhead() {
        Instant last = Samples.EIGHT.plus(Duration.ofDays(60));
        Planner.unlessFarAhead("readyBy", last, Samples.EIGHT);
        assertThatThrownBy(() -> Planner.unlessFarAhead("readyBy", last.plusSeconds(1), Samples.EIGHT))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("sixty days");
    }
}
