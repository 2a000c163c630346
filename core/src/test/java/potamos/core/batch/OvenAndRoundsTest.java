package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.batch.DueAct.Kind;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Pot;
import potamos.core.charge.Warning;
import potamos.core.flow.Forecast;
import potamos.core.flow.Run;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;
import potamos.core.formula.School;
import potamos.core.formula.Schools;
import potamos.core.formula.Schools.LevelIs;
import potamos.core.formula.Schools.SimmersIn;
import potamos.core.heat.Cover;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

/** The schools that simmer in the oven, that refill in rounds, and vessels with heat of their own. */
class OvenAndRoundsTest {

    private static <T> Formula beef(School<T> school, T choice) {
        return Schools.AS_WRITTEN.with(school, choice).applyTo(formula("brown-beef"));
    }

    private static Formula formula(String slug) {
        return Book.formulas().stream()
                .filter(f -> f.slug().equals(slug))
                .findFirst()
                .orElseThrow();
    }

    private static Charge charge(Formula formula, Vessel vessel) {
        return ChargeSolver.solve(formula, Samples.pot(vessel), Samples.litres(12));
    }

    @Test
    void aRoundTakesAQuarterAndGetsThreeQuartersOfItBack() {
        Charge charge = charge(beef(Schools.TOP_UP, LevelIs.REFILL_IN_ROUNDS), Samples.cylinder(45, 40));
        Forecast forecast = charge.forecast();
        assertThat(forecast.topUps()).hasSizeGreaterThan(1);
        double solids = charge.run().bed().displacedVolume().litres();
        double mark = charge.run().water().litres();
        Forecast.TopUp last = forecast.topUps().get(forecast.topUps().size() - 1);
        for (Forecast.TopUp topUp : forecast.topUps()) {
            if (topUp == last) {
                break;
            }
            assertThat(topUp.water().litres()).isCloseTo(mark * 0.25 * 0.75, within(0.03 * mark));
            mark -= topUp.water().litres() / 0.75 * 0.25;
        }
        assertThat(last.minute()).isCloseTo(forecast.bringUpMin() + forecast.simmerMin() - 30, within(5.0));
        double least = forecast.course().stream()
                .mapToDouble(point -> point.contentsL() - solids)
                .min()
                .orElseThrow();
        assertThat(least).isGreaterThan(0.6 * charge.run().water().litres());
    }

    @Test
    void roundsConcentrateMoreThanHoldingAndLessThanLettingGo() {
        Vessel vessel = Samples.cylinder(45, 40);
        double held =
                charge(beef(Schools.TOP_UP, LevelIs.HOLD), vessel).forecast().gelatinGPerL();
        double rounds = ofWater(LevelIs.REFILL_IN_ROUNDS, vessel);
        double left = ofWater(LevelIs.LET_REDUCE, vessel);
        assertThat(ofWater(LevelIs.HOLD, vessel)).isLessThan(rounds);
        assertThat(rounds).isLessThan(left);
    }

    /** Of the same bed and water. */
    private static double ofWater(LevelIs level, Vessel vessel) {
        return ChargeSolver.solve(beef(Schools.TOP_UP, level), Samples.pot(vessel), Samples.bones(8))
                .forecast()
                .gelatinGPerL();
    }

    @ParameterizedTest
    @ValueSource(doubles = {3, 20, 60})
    void roundsAreWorkedAsForetold(double litres) {
        Pot pot = Samples.pot(Samples.cylinder(18 + 7 * Math.cbrt(litres) + litres / 2, 20 + litres / 1.5));
        worksAsForetold(beef(Schools.TOP_UP, LevelIs.REFILL_IN_ROUNDS), pot, litres);
    }

    @ParameterizedTest
    @ValueSource(doubles = {3, 12, 20})
    void anOvenSimmerIsWorkedAsForetold(double litres) {
        Pot pot = Samples.pot(Samples.cylinder(20 + litres, 25 + litres / 2));
        Worker worker = worksAsForetold(beef(Schools.SIMMERS_IN, SimmersIn.THE_OVEN), pot, litres);
        assertThat(worker.done).contains(Kind.INTO_THE_OVEN).doesNotContain(Kind.LIGHT, Kind.SKIM);
    }

    private static Worker worksAsForetold(Formula formula, Pot pot, double litres) {
        Worker worker = new Worker(formula, pot, litres);
        double foretold = worker.plan.charge().forecast().yield().mid();
        BatchState state = worker.state();
        while (state.strained().isEmpty()) {
            if (state.stage().hot()) {
                assertThat(state.expected().litres().mid())
                        .as("%s", state.stage())
                        .isCloseTo(foretold, withinPercentage(1.5));
            }
            if (!worker.workOnce(state)) {
                worker.passToNext(state, Duration.ofMinutes(30));
            }
            state = worker.state();
        }
        assertThat(state.strained().orElseThrow().litres()).isCloseTo(litres, withinPercentage(2));
        return worker;
    }

    /** Heat comes in through the walls: a lid leaves it hotter, and nothing takes it past what the oven gives. */
    @Test
    void anOpenPotInTheOvenStaysCoolerThanACoveredOne() {
        Vessel vessel = Samples.cylinder(36, 45);
        Formula open = beef(Schools.SIMMERS_IN, SimmersIn.THE_OVEN);
        Formula covered = Schools.AS_WRITTEN.with(Schools.COVER, Cover.LID_ON).applyTo(open);
        Charge bare = charge(open, vessel);
        Charge lidded = charge(covered, vessel);
        assertThat(bare.run().simmerAt()).isLessThan(lidded.run().simmerAt());
        double steamLPerH = evaporated(bare) / hours(bare);
        double wallM2 = vessel.shape().wettedDm2(bare.levels().highest()) / 100;
        double mostLPerH = 25 * wallM2 * (150 - bare.run().simmerAt().celsius()) / 2280 * 3.6;
        assertThat(steamLPerH).isBetween(0.2, mostLPerH);
    }

    private static double evaporated(Charge charge) {
        List<Forecast.Point> course = charge.forecast().course();
        return course.get(course.size() - 1).evaporatedL();
    }

    private static double hours(Charge charge) {
        return (charge.forecast().bringUpMin() + charge.forecast().simmerMin()) / 60;
    }

    @Test
    void aWidePanInALowOvenNeverSimmersAndSaysSo() {
        Formula beef = beef(Schools.SIMMERS_IN, SimmersIn.THE_OVEN);
        Formula low = beef.withProcedure(beef.procedure().stream()
                .map(phase -> phase instanceof PotPhase.Simmer simmer
                        ? simmer.withOven(Optional.of(Temperature.ofCelsius(105)))
                        : phase)
                .toList());
        assertThatThrownBy(() -> charge(low, Samples.cylinder(60, 25)))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("simmerOvenC"))
                .hasMessageContaining("lid");
    }

    @Test
    void aFullPotInTheOvenIsNotCarriedAndAKettleNeverGoesIn() {
        Formula beef = beef(Schools.SIMMERS_IN, SimmersIn.THE_OVEN);
        Charge charge = charge(beef, Samples.cylinder(40, 36));
        assertThat(charge.run().heat()).isEqualTo(Run.Heat.OVEN);
        assertThat(charge.warnings())
                .extracting(Warning::kind)
                .contains(Warning.Kind.OUT_OF_THE_OVEN)
                .doesNotContain(Warning.Kind.HEAVY_LIFT);
        assertThatThrownBy(() -> charge(beef, Samples.kettle()))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("vesselId"));
    }

    @Test
    void whatIsSteepedReducedOrShortIsNotPutInTheOven() {
        for (String slug : List.of("fumet", "kelp-flake", "demi-glace")) {
            Book.formulas().stream()
                    .filter(f -> f.slug().equals(slug))
                    .forEach(f ->
                            assertThat(Schools.SIMMERS_IN.means(f)).as(slug).isFalse());
        }
        assertThat(Schools.standing(formula("brown-beef"), formula("brown-beef"))
                        .get(Schools.SIMMERS_IN.figure()))
                .isEqualTo(SimmersIn.THE_POT_ON_THE_FIRE);
        Formula there = beef(Schools.SIMMERS_IN, SimmersIn.THE_OVEN);
        Formula back = Schools.AS_WRITTEN
                .with(Schools.SIMMERS_IN, SimmersIn.THE_POT_ON_THE_FIRE)
                .applyTo(there);
        assertThat(back.simmer().oven()).isEmpty();
    }

    /** A kettle heats itself, whatever burner is named beside it. */
    @Test
    void aKettleWithHeatOfItsOwnTakesThat() {
        Vessel plain = Samples.kettle();
        Vessel own = new Vessel(
                plain.name(),
                plain.shape(),
                plain.kappa(),
                plain.metal(),
                plain.handling(),
                plain.build(),
                Optional.of(Power.ofKilowatts(18)));
        Worker worker = new Worker(formula("brown-beef"), Samples.pot(own), 30);
        Charge charge = worker.plan.charge();
        assertThat(charge.run().heat()).isEqualTo(Run.Heat.OWN);
        assertThat(charge.run().burner().delivered()).isEqualTo(Power.ofKilowatts(18));
        double byBurner = ChargeSolver.solve(formula("brown-beef"), Samples.pot(plain), Samples.litres(30))
                .forecast()
                .bringUpMin();
        assertThat(charge.forecast().bringUpMin()).isLessThan(byBurner / 2);
        worker.until(Stage.SIMMER);
        assertThat(worker.done).contains(Kind.SWITCH_ON).doesNotContain(Kind.LIGHT);
        assertThat(worker.state().pot().contents()).isGreaterThan(Volume.ofLitres(30));
    }
}
