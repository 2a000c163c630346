package potamos.core.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;
import potamos.core.formula.WaterRule;
import potamos.core.quantity.Temperature;

class ForecasterTest {

    private static Forecast forecast(Formula formula) {
        return ChargeSolver.solve(formula, Samples.pot(Samples.cylinder(36, 40)), Samples.bones(10))
                .forecast();
    }

    private static Formula letItReduce() {
        Formula base = Book.whiteChicken();
        return base.withProcedure(base.procedure().stream()
                .map(phase -> phase instanceof PotPhase.Simmer s
                        ? new PotPhase.Simmer(
                                s.band(), s.usual(), s.least(), s.most(), s.cover(), PotPhase.TopUp.none(), s.skim())
                        : phase)
                .toList());
    }

    @Test
    void aPotThatIsHeldGivesMoreThanOneLeftToReduce() {
        Forecast held = forecast(Book.whiteChicken());
        Forecast reduced = forecast(letItReduce());
        assertThat(held.topUps()).isNotEmpty();
        assertThat(reduced.topUps()).isEmpty();
        assertThat(held.yield().mid()).isGreaterThan(reduced.yield().mid() + 1);
        assertThat(held.gelatinGPerL()).isLessThan(reduced.gelatinGPerL());
    }

    @Test
    void theCourseIsToldFromColdToTheEndOfItsRest() {
        Formula formula = letItReduce().simmeredFor(Duration.ofMinutes(95));
        Charge charge = ChargeSolver.solve(formula, Samples.pot(Samples.cylinder(36, 40)), Samples.bones(10));
        Forecast forecast = charge.forecast();
        double up = forecast.bringUpMin();
        double rest = charge.run().restMin();
        assertThat(rest).isGreaterThan(5);
        List<Double> minutes = new ArrayList<>(List.of(0.0, up));
        for (int minute = 10; minute <= 90; minute += 10) {
            minutes.add(up + minute);
        }
        minutes.add(up + 95);
        minutes.add(up + 95 + rest);
        List<Forecast.Point> course = forecast.course();
        assertThat(course).extracting(Forecast.Point::minute).containsExactlyElementsOf(minutes);
        assertThat(course.get(0).celsius()).isEqualTo(charge.run().waterC().celsius());
        assertThat(course.get(0).evaporatedL()).isZero();
        double simmer = charge.run().simmerAt().celsius();
        assertThat(course.subList(1, course.size() - 1))
                .allSatisfy(point -> assertThat(point.celsius()).isCloseTo(simmer, within(0.01)));
        Forecast.Point end = course.get(course.size() - 1);
        assertThat(end.celsius()).isBetween(simmer - 10, simmer - 0.5);
        assertThat(end.evaporatedL())
                .isGreaterThan(course.get(course.size() - 2).evaporatedL());
    }

    @Test
    void aWarmHoldOnTheWayIsPartOfTheWay() {
        Charge kelp =
                ChargeSolver.solve(Book.of("kelp-flake"), Samples.pot(Samples.cylinder(36, 40)), Samples.litres(10));
        Run run = kelp.run();
        Temperature steep = run.steeps().get(0).at();
        double held = run.steeps().get(0).takes().toMinutes();
        Temperature warmer = Temperature.ofCelsius(steep.celsius() + 5);
        Temperature cooler = Temperature.ofCelsius(steep.celsius() - 5);
        double all = Forecaster.minutesBetween(run, run.waterC(), run.simmerAt());
        assertThat(all).isCloseTo(kelp.forecast().bringUpMin(), within(1.0));
        double heating = all - held;
        double toIt = Forecaster.minutesBetween(run, run.waterC(), steep);
        double fromIt = Forecaster.minutesBetween(run, steep, run.simmerAt());
        assertThat(toIt).as("as far as the hold").isLessThan(heating);
        assertThat(toIt + fromIt).isCloseTo(all, within(0.5));
        assertThat(Forecaster.minutesBetween(run, cooler, warmer)).isBetween(held, held + 10);
        assertThat(Forecaster.minutesBetween(run, warmer, run.simmerAt())).isLessThan(heating);
        assertThat(Forecaster.minutesBetween(run, run.waterC(), Temperature.ofCelsius(99.9)))
                .as("no further than its simmer")
                .isCloseTo(all, within(1e-9));
    }

    @Test
    void theBedIsBareWhereTheLiquorGoesBelowItsTop() {
        Run run = ChargeSolver.solve(
                        letItReduce().simmeredFor(Duration.ofHours(16)),
                        Samples.pot(Samples.cylinder(36, 40)),
                        Samples.bones(10))
                .run();
        Forecast forecast = Forecaster.of(run);
        double bare = forecast.bedBareAtMin().orElseThrow();
        double top = run.bed().rawHeight(run.vessel()).cm() * run.bed().kind().settlesTo();
        assertThat(bare).isGreaterThan(forecast.bringUpMin());
        List<Forecast.Point> simmering = forecast.course().stream()
                .filter(point -> point.minute() <= forecast.bringUpMin() + forecast.simmerMin())
                .toList();
        double settled = forecast.bringUpMin() + forecast.simmerMin() / 2;
        if (bare > settled) {
            assertThat(simmering)
                    .filteredOn(point -> point.minute() > settled)
                    .allSatisfy(point -> assertThat(point.levelCm() < top).isEqualTo(point.minute() >= bare));
        } else {
            assertThat(simmering)
                    .filteredOn(point -> point.minute() < bare)
                    .allSatisfy(point -> assertThat(point.levelCm()).isGreaterThan(top));
        }
    }

    @Test
    void everyReasonSaysWhatItRestsOn() {
        Charge charge =
                ChargeSolver.solve(Book.whiteChicken(), Samples.pot(Samples.cylinder(36, 40)), Samples.bones(10));
        Map<Ledger.Cause, Why> reasons = Forecaster.why(charge.run(), charge.forecast()).stream()
                .collect(Collectors.toMap(Why::term, why -> why));
        assertThat(reasons.get(Ledger.Cause.WATER).basis()).isEqualTo(Why.Basis.PLANNED);
        assertThat(reasons.get(Ledger.Cause.WATER).bandShare()).isZero();
        assertThat(reasons.get(Ledger.Cause.EVAPORATED).basis()).isEqualTo(Why.Basis.BOOK);
        assertThat(reasons.get(Ledger.Cause.UPTAKE).basis()).isEqualTo(Why.Basis.BOOK);
        assertThat(reasons.get(Ledger.Cause.SKIMMED).basis()).isEqualTo(Why.Basis.BOOK);
        // Ten kilograms hold 2.2 L, known to three tenths; beside it skimming is known to four.
        double uptake = reasons.get(Ledger.Cause.UPTAKE).litres().litres() * 0.3;
        double skims = reasons.get(Ledger.Cause.SKIMMED).litres().litres() * 0.4;
        assertThat(reasons.get(Ledger.Cause.UPTAKE).bandShare()
                        / reasons.get(Ledger.Cause.SKIMMED).bandShare())
                .isGreaterThan(uptake * uptake / (skims * skims));
        assertThat(reasons.values().stream().mapToDouble(Why::bandShare).sum()).isCloseTo(1, within(0.05));
    }

    @Test
    void topUpsNeverLiftThePotAboveItsMark() {
        Forecast held = forecast(Book.whiteChicken());
        double most = held.course().stream()
                .mapToDouble(Forecast.Point::contentsL)
                .max()
                .orElseThrow();
        assertThat(most)
                .isLessThanOrEqualTo(ChargeSolver.solve(
                                        Book.whiteChicken(), Samples.pot(Samples.cylinder(36, 40)), Samples.bones(10))
                                .run()
                                .everythingIn()
                                .litres()
                        + 1e-9);
    }

    @Test
    void longerSimmersSteamMoreAndExtractMore() {
        Forecast twoHours = forecast(letItReduce().simmeredFor(Duration.ofHours(2)));
        Forecast fourHours = forecast(letItReduce().simmeredFor(Duration.ofHours(4)));
        assertThat(fourHours.evaporated().litres())
                .isGreaterThan(twoHours.evaporated().litres());
        assertThat(fourHours.gelatinGPerL()).isGreaterThan(twoHours.gelatinGPerL());
    }

    @Test
    void aPotNobodyTopsUpBaresItsBedInTheEnd() {
        Forecast reduced = forecast(letItReduce().simmeredFor(Duration.ofHours(16)));
        assertThat(reduced.bedBareAtMin()).isPresent();
        assertThat(forecast(Book.whiteChicken()).bedBareAtMin()).isEmpty();
    }

    @Test
    void theBandIsWiderWhenThePotIsLeftToReduce() {
        double held = forecast(Book.whiteChicken()).yield().sd();
        double reduced = forecast(letItReduce()).yield().sd();
        assertThat(held).isPositive();
        assertThat(reduced).isGreaterThan(held);
    }

    @Test
    void blanchingHalvesTheSkimmingAtLeast() {
        double raw =
                forecast(Book.whiteChicken()).ledger().of(Ledger.Cause.SKIMMED).litres();
        double blanched = forecast(Book.whiteChicken().blanched(true))
                .ledger()
                .of(Ledger.Cause.SKIMMED)
                .litres();
        assertThat(blanched).isCloseTo(raw / 4, within(0.01));
    }

    @Test
    void aPotThatBoilsDryStopsAtNothing() {
        Run run = ChargeSolver.solve(
                        letItReduce().withWater(new WaterRule.PerKgBed(0.4)),
                        Samples.pot(Samples.cylinder(60, 30)),
                        Samples.bones(2))
                .run();
        Forecast dry = Forecaster.of(run);
        assertThat(dry.yield().mid()).isCloseTo(0, within(1e-9));
        assertThat(dry.ledger().yield().litres()).isCloseTo(0, within(1e-9));
        assertThat(dry.ledger().error().litres()).isCloseTo(0, within(1e-9));
        assertThat(dry.course())
                .allSatisfy(p -> assertThat(p.contentsL())
                        .isGreaterThanOrEqualTo(run.bed().displacedVolume().litres() - 1e-9));
    }
}
