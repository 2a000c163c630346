package potamos.core.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.charge.ChargeSolver;
import potamos.core.flow.PotStepper.Depth;
import potamos.core.flow.PotStepper.Fire;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.Liquid;
import potamos.core.formula.Part;
import potamos.core.formula.Schools;
import potamos.core.heat.Burner;
import potamos.core.heat.Cover;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What is done to a pot on the fire, and what the pot is then: each by what a cook would reckon on paper. */
class PotStepperTest {

    private static final Temperature TAP = Temperature.ofCelsius(12);
    private static final double MINUTE = 60;

    private final Run run = white();
    private final PotStepper pot = new PotStepper(run, Luck.BOOK, Depth.AS_IT_IS);

    /** White chicken with half a litre of wine, a kilogram that goes in cold and half of one an hour into its simmer. */
    private static Run white() {
        Part carrot = Book.whiteChicken().parts().stream()
                .filter(part -> part.kind() == Part.Kind.VEGETABLE)
                .findFirst()
                .orElseThrow();
        return ChargeSolver.solve(Book.whiteChicken(), Samples.pot(Samples.cylinder(36, 40)), Samples.bones(10))
                .run()
                .withParts(
                        Volume.ofLitres(0.5),
                        List.of(
                                new Solids(carrot, Mass.ofKg(1), Duration.ZERO),
                                new Solids(carrot, Mass.ofKg(0.5), Duration.ofMinutes(60))));
    }

    @BeforeEach
    void fill() {
        pot.fill(Volume.ofLitres(18), TAP);
    }

    private double liquorAtFirst() {
        return 18.5;
    }

    private void kept(PotStepper one, double at, int minutes) {
        for (int minute = 0; minute < minutes; minute++) {
            one.step(Fire.KEPT, at, MINUTE);
        }
    }

    @Test
    void holdsWhatWasPutIntoIt() {
        double bed = 10 / run.bed().kind().trueKgPerL();
        assertThat(pot.drawn().litres()).isEqualTo(18);
        assertThat(pot.liquor()).isCloseTo(liquorAtFirst(), within(1e-12));
        assertThat(pot.contents()).isCloseTo(18.5 + bed + 1, within(1e-9));
        assertThat(pot.celsius()).isEqualTo(12);
        // Of cold water a litre is a litre and stands where its room is: π·18² cm² of it.
        assertThat(pot.level().cm()).isCloseTo(pot.contents() * 1000 / (Math.PI * 18 * 18), within(0.05));
    }

    /** By the joules: litres and bones through so many kelvin, by what of the burner goes in; steam and walls take a little more. */
    @Test
    void comesUpByWhatItsBurnerGives() {
        double bones = 10 * run.bed().kind().heatKjPerKgK();
        double kj = (liquorAtFirst() * 4.19 + bones + 5 * 0.5) * (60 - 12);
        double least = kj / 4.5 / 60;
        double minutes = pot.heatTo(Temperature.ofCelsius(60));
        assertThat(minutes).isBetween(least, 1.1 * least);
        assertThat(pot.celsius()).isCloseTo(60, within(1e-9));
        assertThat(pot.evaporated()).isBetween(0.001, 0.5);
        // One that is there already takes no time.
        assertThat(pot.heatTo(Temperature.ofCelsius(60))).isZero();
    }

    @Test
    void aStrongerBurnerIsQuickerByAsMuch() {
        Luck hot = new Luck(1, 1.25, 1, 1, 1, 1, 1);
        PotStepper strong = new PotStepper(run, hot, Depth.AS_IT_IS);
        strong.fill(Volume.ofLitres(18), TAP);
        Temperature warm = Temperature.ofCelsius(45);
        assertThat(pot.heatTo(warm) / strong.heatTo(warm)).isCloseTo(1.25, within(0.02));
    }

    @Test
    void aBurnerOrAnOvenThatNeverGetsItThereIsRefused() {
        Run weak = run.withBurner(new Burner("tea light", Power.ofKilowatts(1), 0.1));
        PotStepper cold = new PotStepper(weak, Luck.BOOK, Depth.AS_IT_IS);
        cold.fill(Volume.ofLitres(18), TAP);
        assertThatThrownBy(() -> cold.heatTo(Temperature.ofCelsius(93)))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("heatKw"));
        Formula braised = Schools.AS_WRITTEN
                .with(Schools.SIMMERS_IN, Schools.SimmersIn.THE_OVEN)
                .applyTo(Book.of("brown-beef"));
        Run oven = ChargeSolver.solve(braised, Samples.pot(Samples.cylinder(36, 40)), Samples.bones(8))
                .run();
        PotStepper inTheOven = new PotStepper(oven, Luck.BOOK, Depth.AS_IT_IS);
        inTheOven.fill(Volume.ofLitres(18), TAP);
        assertThatThrownBy(() -> inTheOven.heatTo(Temperature.ofCelsius(99.9)))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("simmerOvenC"));
    }

    @Test
    void coldWaterMixesWithWhatIsThereAndIsBroughtBackByHalvesOfFiveMinutes() {
        pot.celsius(93);
        double liquor = pot.liquor();
        pot.topUp(Volume.ofLitres(2), TAP);
        double mixed = (liquor * 93 + 2 * 12) / (liquor + 2);
        assertThat(pot.celsius()).isCloseTo(mixed, within(1e-9));
        assertThat(pot.added()).isEqualTo(2);
        assertThat(pot.liquor()).isCloseTo(liquor + 2, within(1e-12));
        kept(pot, 93, 5);
        assertThat(93 - pot.celsius()).isCloseTo((93 - mixed) / 2, within(1e-9));
        kept(pot, 93, 5);
        assertThat(93 - pot.celsius()).isCloseTo((93 - mixed) / 4, within(1e-9));
        kept(pot, 93, 60);
        assertThat(pot.celsius()).isCloseTo(93, within(0.001));
    }

    @Test
    void nothingComesOutThatIsNotInIt() {
        pot.take(0.5);
        pot.spill(1.5);
        assertThat(pot.taken()).isEqualTo(0.5);
        assertThat(pot.spilt()).isEqualTo(1.5);
        assertThat(pot.liquor()).isCloseTo(liquorAtFirst() - 2, within(1e-9));
        assertThat(pot.atMost(3)).isEqualTo(3);
        assertThat(pot.atMost(100)).isCloseTo(pot.liquor(), within(1e-12));
        assertThat(pot.atMost(-1)).isZero();
        double left = pot.liquor();
        pot.spill(100);
        assertThat(pot.spilt()).isCloseTo(1.5 + left, within(1e-9));
        assertThat(pot.liquor()).isCloseTo(0, within(1e-9));
        assertThat(pot.contents()).as("its bed is still there").isGreaterThan(9);
        // Water into a dry pot is as warm as it came.
        pot.celsius(93);
        pot.topUp(Volume.ofLitres(1), TAP);
        assertThat(pot.celsius()).isCloseTo(12, within(1e-9));
    }

    @Test
    void aSearchFollowsItOnBelowNothing() {
        PotStepper deep = new PotStepper(run, Luck.BOOK, Depth.BELOW_NOTHING);
        deep.fill(Volume.ofLitres(18), TAP);
        deep.spill(100);
        assertThat(deep.liquor()).isCloseTo(liquorAtFirst() - 100, within(1e-9));
    }

    @Test
    void whatIsBoiledDownGoesAndWhatIsFoundMoreIsARead() {
        double gone = pot.boilDownTo(Volume.ofLitres(10));
        assertThat(gone).isCloseTo(liquorAtFirst() - 10, within(1e-9));
        assertThat(pot.liquor()).isCloseTo(10, within(1e-9));
        assertThat(pot.boilDownTo(Volume.ofLitres(11))).isZero();
        assertThat(pot.liquor()).isCloseTo(11, within(1e-9));
        assertThat(pot.readL()).isCloseTo(1, within(1e-9));
        pot.read(-4);
        assertThat(pot.liquor()).isCloseTo(7, within(1e-9));
        assertThat(pot.readL()).isCloseTo(-3, within(1e-9));
        pot.read(-100);
        assertThat(pot.readL()).as("no more than was there").isCloseTo(-10, within(1e-9));
    }

    @Test
    void aReadingTakesBackNoMoreSteamThanThereWas() {
        pot.steamedMore(2);
        assertThat(pot.evaporated()).isEqualTo(2);
        pot.steamedMore(-0.5);
        assertThat(pot.evaporated()).isEqualTo(1.5);
        assertThat(pot.liquor()).isCloseTo(liquorAtFirst() - 1.5, within(1e-9));
        pot.steamedMore(-9);
        assertThat(pot.evaporated()).isZero();
        assertThat(pot.liquor()).isCloseTo(liquorAtFirst(), within(1e-9));
        pot.steamedMore(99);
        assertThat(pot.evaporated()).isCloseTo(liquorAtFirst(), within(1e-9));
    }

    /** A litre at 93 °C takes 1.0365 of what it takes at 20 °C by the steam tables; bones do not grow. */
    @Test
    void hotLiquorStandsHigherThanItsLitres() {
        pot.celsius(93);
        double solids = pot.contents() - pot.liquor();
        double stands = pot.level().cm() * Math.PI * 18 * 18 / 1000;
        assertThat(stands).isCloseTo(solids + 1.0365 * pot.liquor(), within(0.02));
        assertThat(pot.contentsAt(pot.level())).isCloseTo(pot.contents(), within(1e-6));
        assertThat(pot.contentsAt(Length.ofCm(1))).as("its solids at least").isCloseTo(solids, within(1e-9));
        double mark = pot.contents();
        pot.take(3);
        assertThat(pot.downCm(mark)).isCloseTo(3 * 1.0365 * 1000 / (Math.PI * 18 * 18), within(0.01));
        assertThat(pot.downCm(pot.contents())).isZero();
    }

    @Test
    void whatGoesInRaisesItByItsRoom() {
        double liquor = pot.liquor();
        double contents = pot.contents();
        assertThat(pot.add(Volume.ofLitres(1.2))).isEqualTo(1.2);
        assertThat(pot.contents()).isCloseTo(contents + 1.2, within(1e-9));
        assertThat(pot.liquor()).isCloseTo(liquor, within(1e-9));
    }

    @Test
    void aLidLetsThroughItsShareOfTheSteam() {
        pot.celsius(93);
        PotStepper covered = new PotStepper(pot);
        covered.cover(Cover.LID_AJAR);
        kept(pot, 93, 60);
        kept(covered, 93, 60);
        assertThat(covered.cover()).isEqualTo(Cover.LID_AJAR);
        assertThat(pot.cover()).as("each goes its own way").isEqualTo(Cover.OPEN);
        assertThat(covered.evaporated() / pot.evaporated()).isCloseTo(0.3, within(0.001));
    }

    @Test
    void aPotThatSteamsMoreSteamsSoMuchMore() {
        pot.celsius(93);
        PotStepper more = new PotStepper(pot);
        more.steams(1.4);
        kept(pot, 93, 60);
        kept(more, 93, 60);
        assertThat(more.evaporated() / pot.evaporated()).isCloseTo(1.4, within(0.001));
        assertThat(more.steamLPerH(Fire.KEPT, 93) / pot.steamLPerH(Fire.KEPT, 93))
                .isCloseTo(1.4, within(0.001));
    }

    @Test
    void offTheHeatItCoolsAndSteamsLessAndLess() {
        pot.celsius(93);
        double before = 93;
        double steamed = Double.POSITIVE_INFINITY;
        for (int quarter = 0; quarter < 4; quarter++) {
            double evaporated = pot.evaporated();
            for (int step = 0; step < 3; step++) {
                pot.step(Fire.OFF, 0, 300);
            }
            double now = pot.evaporated() - evaporated;
            assertThat(pot.celsius()).isLessThan(before - 1);
            assertThat(now).isPositive().isLessThan(steamed);
            before = pot.celsius();
            steamed = now;
        }
        assertThat(pot.couldSteam()).as("no fire, no steam that it could make").isZero();
    }

    /** All that the burner gives goes into steam at the boil: 4.5 kW make about 7.2 L in an hour, less what the walls lose. */
    @Test
    void atTheBoilItsHeatGoesIntoSteam() {
        pot.celsius(99.97);
        for (int minute = 0; minute < 60; minute++) {
            pot.step(Fire.FULL, 0, MINUTE);
        }
        double all = 4.5 * 3600 / 2257;
        assertThat(pot.evaporated()).isBetween(0.8 * all, all);
        assertThat(pot.couldSteam()).isCloseTo(pot.evaporated(), withinPercentage(1));
        assertThat(pot.celsius()).isCloseTo(99.97, within(0.05));
        assertThat(pot.steamLPerH(Fire.FULL, 0)).isCloseTo(pot.evaporated(), withinPercentage(3));
    }

    /** What it says that it steams is what it steams, on its way up, at the boil and between; a dry one steams nothing. */
    @Test
    void saysWhatItGoesOnToSteam() {
        double before = 0;
        for (double at : new double[] {70, 90, 97, 99.5, 99.9, 99.97}) {
            pot.celsius(at);
            double says = pot.steamLPerH(Fire.FULL, 0);
            double evaporated = pot.evaporated();
            pot.step(Fire.FULL, 0, MINUTE);
            assertThat(says).isCloseTo((pot.evaporated() - evaporated) * 60, within(1e-9));
            assertThat(says).isGreaterThan(before);
            before = says;
        }
        pot.spill(100);
        assertThat(pot.steamLPerH(Fire.FULL, 0)).isZero();
    }

    @Test
    void aSimmerSteamsNoMoreThanItsFireCanMake() {
        pot.celsius(97);
        pot.steams(10);
        kept(pot, 97, 60);
        assertThat(pot.evaporated()).isCloseTo(pot.couldSteam(), within(1e-9));
        assertThat(pot.steamLPerH(Fire.KEPT, 97)).isCloseTo(pot.evaporated(), withinPercentage(3));
        assertThat(pot.evaporated()).isBetween(5.0, 4.5 * 3600 / 2257);
        PotStepper lazy = new PotStepper(run, Luck.BOOK, Depth.AS_IT_IS);
        lazy.fill(Volume.ofLitres(18), Temperature.ofCelsius(90));
        kept(lazy, 90, 60);
        assertThat(lazy.evaporated()).isLessThan(0.5 * lazy.couldSteam());
    }

    @Test
    void aColdPotDoesNotSteam() {
        assertThat(pot.steamLPerH(Fire.KEPT, 12)).isZero();
        pot.celsius(50);
        assertThat(pot.steamLPerH(Fire.KEPT, 50)).isPositive();
    }

    /** Half of what the bones have in their half-time at 95 °C, as long as little of it breaks down. */
    @Test
    void theBedGivesItsGelatinByHalves() {
        double all = 10 * run.bed().kind().collagenGPerKg();
        double halfTime = run.bed().kind().halfTimeH();
        pot.celsius(95);
        kept(pot, 95, (int) (halfTime * 60));
        assertThat(pot.gelatinG()).isBetween(0.45 * all, 0.5 * all);
        assertThat(pot.gelatinGPerL()).isCloseTo(pot.gelatinG() / pot.liquor(), within(1e-9));
        PotStepper rich = new PotStepper(run, new Luck(1, 1, 1.15, 1, 1, 1, 1), Depth.AS_IT_IS);
        rich.fill(Volume.ofLitres(18), Temperature.ofCelsius(95));
        kept(rich, 95, (int) (halfTime * 60));
        assertThat(rich.gelatinG() / pot.gelatinG()).isCloseTo(1.15, within(1e-6));
        PotStepper quick = new PotStepper(run, new Luck(1, 1, 1, 2, 1, 1, 1), Depth.AS_IT_IS);
        quick.fill(Volume.ofLitres(18), Temperature.ofCelsius(95));
        kept(quick, 95, (int) (halfTime * 30));
        assertThat(quick.gelatinG()).isBetween(0.47 * all, 0.5 * all);
    }

    /** What is taken out of the bed gives nothing any more; what it gave stays in the liquor. */
    @Test
    void halfABedHasHalfOfItLeftToGive() {
        pot.celsius(95);
        kept(pot, 95, 60);
        double given = pot.gelatinG();
        double all = 10 * run.bed().kind().collagenGPerKg();
        PotStepper whole = new PotStepper(pot);
        pot.bed(Mass.ofKg(5));
        assertThat(pot.gelatinG()).isEqualTo(given);
        kept(pot, 95, 60);
        kept(whole, 95, 60);
        double left = (all / 2 - given) / (all - given);
        // What was given loses its sixtieth part of a half, in either.
        double still = given * Math.pow(0.5, 1 / 60.0);
        assertThat((pot.gelatinG() - still) / (whole.gelatinG() - still)).isCloseTo(left, withinPercentage(0.5));
    }

    @Test
    void whatWasDrawnBringsItsGelatinAndLosesALittleOfIt() {
        Run second = ChargeSolver.solve(
                        Book.of("second-wetting"), Samples.pot(Samples.cylinder(36, 40)), Samples.bones(8))
                .run();
        assertThat(run.liquid().gelatinGPerL()).isZero();
        assertThat(pot.broughtG()).isZero();
        Run drawn = second.withLiquid(new Liquid(Liquid.Kind.STOCK, 30, 0));
        PotStepper stock = new PotStepper(drawn, Luck.BOOK, Depth.AS_IT_IS);
        stock.fill(Volume.ofLitres(10), TAP);
        assertThat(stock.broughtG()).isEqualTo(300);
        assertThat(stock.gelatinGPerL()).isCloseTo(300 / stock.liquor(), within(1e-9));
        stock.celsius(95);
        kept(stock, 95, 60);
        // Half of it breaks down in sixty hours at 95 °C.
        assertThat(stock.broughtG()).isCloseTo(300 * Math.pow(0.5, 1 / 60.0), within(0.01));
        assertThat(stock.gelatinGPerL())
                .isCloseTo((stock.gelatinG() + stock.broughtG()) / stock.liquor(), within(1e-9));
    }

    @Test
    void theBedSettlesOverTheFirstHalfOfItsSimmer() {
        Duration simmer = Duration.ofHours(4);
        double raw = run.bed().rawHeight(run.vessel()).cm();
        double settled = raw * run.bed().kind().settlesTo();
        assertThat(pot.bedTop(0, simmer).cm()).isCloseTo(raw, within(1e-9));
        assertThat(pot.bedTop(60, simmer).cm()).isCloseTo((raw + settled) / 2, within(1e-9));
        assertThat(pot.bedTop(120, simmer).cm()).isCloseTo(settled, within(1e-9));
        assertThat(pot.bedTop(240, simmer).cm()).isCloseTo(settled, within(1e-9));
    }

    @Test
    void aCopyIsTheSameAndThenGoesItsOwnWay() {
        pot.celsius(93);
        kept(pot, 93, 30);
        pot.take(0.4);
        pot.spill(0.3);
        pot.topUp(Volume.ofLitres(0.5), TAP);
        pot.read(0.2);
        pot.steams(1.2);
        PotStepper copy = new PotStepper(pot);
        assertThat(figures(copy)).isEqualTo(figures(pot));
        kept(copy, 93, 30);
        double[] before = figures(pot);
        kept(pot, 93, 30);
        assertThat(figures(copy)).isEqualTo(figures(pot)).isNotEqualTo(before);
    }

    private static double[] figures(PotStepper pot) {
        return new double[] {
            pot.contents(),
            pot.liquor(),
            pot.celsius(),
            pot.gelatinG(),
            pot.evaporated(),
            pot.taken(),
            pot.spilt(),
            pot.added(),
            pot.readL(),
            pot.couldSteam(),
            pot.drawn().litres(),
            pot.steamLPerH(Fire.KEPT, 93),
            pot.bed().mass().kg()
        };
    }
}
