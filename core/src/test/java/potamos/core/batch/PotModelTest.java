package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.flow.Luck;
import potamos.core.flow.Run;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** A pot between two entries: what each of them does to it, and what time alone does. */
class PotModelTest {

    private static final Instant FILLED = Samples.EIGHT;
    private static final double WATER = 18;

    private final Plan plan = Samples.plan();
    private final Run run = plan.charge().run();
    private final PotModel pot = new PotModel(plan, Luck.BOOK);
    private final double simmerC = run.simmerAt().celsius();
    private final double boils = run.air().boilingPoint().celsius();

    @BeforeEach
    void fill() {
        pot.fill(Volume.ofLitres(WATER), Temperature.ofCelsius(12), FILLED);
    }

    private static Instant at(double minute) {
        return FILLED.plusMillis((long) (minute * 60_000));
    }

    private void simmering() {
        pot.light();
        pot.runTo(at(60));
        pot.simmer();
    }

    private BatchState.CoursePoint last() {
        List<BatchState.CoursePoint> course = pot.course();
        return course.get(course.size() - 1);
    }

    @Test
    void aPotThatNobodyLitStaysAsItWasFilled() {
        assertThat(pot.holding()).isTrue();
        double liquor = pot.stepper().liquor();
        pot.runTo(at(60));
        assertThat(pot.clock()).isEqualTo(at(60));
        assertThat(pot.celsius()).isGreaterThanOrEqualTo(12).isLessThan(15);
        assertThat(pot.stepper().liquor()).isCloseTo(liquor, within(0.02));
        assertThat(pot.state().foams()).isEmpty();
        assertThat(pot.state().simmers()).isEmpty();
        pot.runTo(at(30));
        assertThat(pot.clock()).as("what is past changes nothing").isEqualTo(at(60));
    }

    @Test
    void anEmptyPotLetsTimePassAndNothingElse() {
        PotModel dry = new PotModel(plan, Luck.BOOK);
        dry.light();
        dry.runTo(at(60));
        assertThat(dry.clock()).isEqualTo(at(60));
        assertThat(dry.holding()).isFalse();
        assertThat(dry.course()).isEmpty();
        assertThat(dry.state().steamLPerH()).isZero();
        assertThat(dry.state().gelatinGPerL()).isZero();
    }

    /** From its foam on it foams, and from its simmer on it simmers; what a thermometer takes back has not happened yet. */
    @Test
    void itsFoamAndItsSimmerHaveTheMomentAtWhichItCameThere() {
        pot.light();
        pot.runTo(at(20));
        pot.temperatureRead(Temperature.ofCelsius(simmerC - 5), at(20));
        assertThat(pot.state().foams()).hasValue(at(20));
        assertThat(pot.state().simmers()).isEmpty();
        pot.temperatureRead(Temperature.ofCelsius(simmerC), at(21));
        assertThat(pot.state().foams()).hasValue(at(20));
        assertThat(pot.state().simmers()).hasValue(at(21));
        pot.temperatureRead(Temperature.ofCelsius(simmerC - 5.1), at(22));
        assertThat(pot.state().foams()).isEmpty();
        assertThat(pot.state().simmers()).isEmpty();
        assertThat(last().celsius()).isEqualTo(simmerC - 5.1);
        assertThat(last().at()).isEqualTo(at(20));
    }

    /** Held for a quarter of an hour, it goes on by itself; taken off the hold, it goes on at once. */
    @Test
    void aHoldEndsByItselfOrWhenItIsEnded() {
        pot.light();
        pot.runTo(at(10));
        assertThat(pot.wasHeld()).isFalse();
        int points = pot.course().size();
        pot.hold(Temperature.ofCelsius(65), at(25));
        assertThat(pot.wasHeld()).isTrue();
        assertThat(pot.course()).hasSize(points + 1);
        assertThat(last().celsius()).isEqualTo(65);
        PotModel ended = pot.another();
        ended.goOn();
        pot.runTo(at(25));
        assertThat(pot.celsius()).isCloseTo(65, within(0.01));
        ended.runTo(at(25));
        assertThat(ended.celsius()).isGreaterThan(75);
        pot.runTo(at(40));
        assertThat(pot.celsius()).isCloseTo(ended.celsius(), within(1.5));
        // One that simmers is in no hold, and ending one changes nothing.
        pot.simmer();
        pot.goOn();
        pot.runTo(at(100));
        assertThat(pot.celsius()).isCloseTo(simmerC, within(0.5));
    }

    @Test
    void aSimmerIsHeldWhereItBelongsAndItsMinutesSettleItsBed() {
        simmering();
        assertThat(pot.simmering()).isTrue();
        assertThat(pot.celsius()).isGreaterThanOrEqualTo(simmerC);
        double raw = run.bed().rawHeight(run.vessel()).cm();
        double settled = raw * run.bed().kind().settlesTo();
        assertThat(pot.state().bedTop().cm()).isCloseTo(raw, within(1e-9));
        double boiled = pot.state().boiledMin();
        pot.runTo(at(60 + 45));
        assertThat(pot.state().bedTop().cm())
                .as("half of an hour and a half")
                .isCloseTo((raw + settled) / 2, within(1e-6));
        assertThat(pot.celsius()).isCloseTo(simmerC, within(0.1));
        assertThat(pot.state().boiledMin() - boiled).isBetween(0.0, 5.0);
        pot.off();
        assertThat(pot.simmering()).isFalse();
        pot.runTo(at(60 + 90));
        assertThat(pot.celsius()).isLessThan(simmerC - 3);
        assertThat(pot.state().bedTop().cm()).isCloseTo((raw + settled) / 2, within(1e-6));
    }

    /** A pot that was brought to its simmer before it was read there stands at it. */
    @Test
    void whatIsSaidToSimmerSimmers() {
        pot.light();
        pot.runTo(at(5));
        assertThat(pot.celsius()).isLessThan(50);
        pot.simmer();
        assertThat(pot.celsius()).isEqualTo(simmerC);
    }

    /** Read at a boil it boils on, minute for minute, until somebody turns it down. */
    @Test
    void aPotThatIsReadAtABoilBoilsOnUntilItIsTurnedDown() {
        simmering();
        pot.temperatureRead(Temperature.ofCelsius(boils), at(60));
        assertThat(pot.tooHot()).isTrue();
        double before = pot.state().boiledMin();
        pot.runTo(at(90));
        assertThat(pot.state().boiledMin() - before).isCloseTo(30, within(0.1));
        assertThat(pot.celsius()).isCloseTo(boils, within(0.05));
        pot.temperatureRead(Temperature.ofCelsius(boils), at(90));
        assertThat(pot.state().tooHotSince()).as("since it was read so first").hasValue(at(60));
        pot.turnDown();
        assertThat(pot.tooHot()).isFalse();
        pot.runTo(at(150));
        assertThat(pot.celsius()).isCloseTo(simmerC, within(0.1));
    }

    /** A little above its band a thermometer reads the band; and so soon after cold water it tells of the water. */
    @Test
    void whatIsReadInItsBandIsWhereItIsHeld() {
        simmering();
        double ends = Math.max(
                simmerC, run.simmer().band().high(run.air().boilingPoint()).celsius());
        pot.temperatureRead(Temperature.ofCelsius(ends + 0.5), at(60));
        assertThat(pot.tooHot()).isFalse();
        pot.runTo(at(90));
        assertThat(pot.celsius()).as("it stays where it was read").isCloseTo(ends + 0.5, within(0.01));
        pot.temperatureRead(Temperature.ofCelsius(ends + 0.6), at(90));
        assertThat(pot.tooHot()).isTrue();
        pot.temperatureRead(Temperature.ofCelsius(simmerC), at(91));
        assertThat(pot.tooHot()).isFalse();
        pot.topUp(Volume.ofLitres(2), Temperature.ofCelsius(12), at(91));
        pot.temperatureRead(Temperature.ofCelsius(85), at(100));
        pot.runTo(at(150));
        assertThat(pot.celsius()).as("it comes back").isCloseTo(simmerC, within(0.1));
        pot.temperatureRead(Temperature.ofCelsius(85), at(150));
        pot.runTo(at(200));
        assertThat(pot.celsius()).isCloseTo(85, within(0.1));
    }

    /** What lies just under the top of a lively simmer is no boil. */
    @Test
    void onlyAboveALivelySimmerItBoils() {
        simmering();
        double lively = SimmerBand.LIVELY.high(run.air().boilingPoint()).celsius();
        pot.temperatureRead(Temperature.ofCelsius(lively), at(60));
        pot.runTo(at(90));
        assertThat(pot.celsius()).isCloseTo(lively, within(0.01));
        pot.temperatureRead(Temperature.ofCelsius(lively + 0.1), at(90));
        pot.runTo(at(100));
        assertThat(pot.celsius()).as("all the heat of its burner").isCloseTo(boils, within(0.05));
    }

    @Test
    void whatRunsOverLeavesItAtTheBoil() {
        simmering();
        double liquor = pot.stepper().liquor();
        int points = pot.course().size();
        pot.boilOver(Volume.ofLitres(1.5), at(60));
        assertThat(pot.stepper().liquor()).isCloseTo(liquor - 1.5, within(1e-9));
        assertThat(pot.celsius()).isEqualTo(boils);
        assertThat(pot.state().tooHotSince()).hasValue(at(60));
        assertThat(pot.course()).hasSize(points + 1);
        assertThat(last().liquorL()).isCloseTo(liquor - 1.5, within(1e-9));
        pot.boilOver(Volume.ofLitres(0.5), at(70));
        assertThat(pot.state().tooHotSince()).hasValue(at(60));
        // One on its way up foams over before it simmers: nobody has to turn it down for that.
        PotModel rising = new PotModel(plan, Luck.BOOK);
        rising.fill(Volume.ofLitres(WATER), Temperature.ofCelsius(12), FILLED);
        rising.light();
        rising.boilOver(Volume.ofLitres(0.5), at(20));
        assertThat(rising.tooHot()).isFalse();
        assertThat(rising.state().simmers()).hasValue(at(20));
    }

    @Test
    void whatIsBoiledDownIsOffTheFire() {
        simmering();
        pot.boilDown();
        double liquor = pot.stepper().liquor();
        pot.runTo(at(90));
        assertThat(pot.stepper().liquor())
                .as("what steams away is its reduction")
                .isEqualTo(liquor);
        int points = pot.course().size();
        pot.reduce(Volume.ofLitres(8));
        assertThat(pot.reduced().litres()).isCloseTo(liquor - 8, within(1e-9));
        assertThat(pot.course()).hasSize(points + 1);
        assertThat(last().liquorL()).isCloseTo(8, within(1e-9));
        double hot = pot.celsius();
        pot.runTo(at(150));
        assertThat(pot.celsius()).isLessThan(hot - 3);
    }

    @Test
    void anEmptiedPotIsFollowedNoMore() {
        simmering();
        int points = pot.course().size();
        pot.empty();
        assertThat(pot.course()).hasSize(points + 1);
        assertThat(pot.holding()).isFalse();
        assertThat(pot.state().steamLPerH()).isZero();
        pot.runTo(at(300));
        assertThat(pot.course()).hasSize(points + 1);
    }

    /** Half an hour's steam that a level shows is steam, and it goes on so; what its fire could not have made is the reading's own. */
    @Test
    void whatALevelShowsMissingIsSteamAsFarAsItsFireMakesIt() {
        simmering();
        pot.runTo(at(120));
        double evaporated = pot.stepper().evaporated();
        double level = pot.state().level().cm();
        assertThat(pot.showsItsSteam()).isFalse();
        pot.levelRead(run.vessel().belowRim(Length.ofCm(level - 0.6)), at(120));
        assertThat(pot.showsItsSteam()).isTrue();
        assertThat(pot.stepper().evaporated()).isGreaterThan(evaporated + 0.4);
        assertThat(pot.state().level().cm()).isCloseTo(level - 0.6, within(0.01));
        assertThat(pot.state().kappa().mid()).isGreaterThan(run.vessel().kappa().value());
        assertThat(pot.state().levelRead()).hasValue(at(120));
        double read = pot.stepper().readL();
        double steamed = pot.stepper().evaporated();
        pot.levelRead(run.vessel().belowRim(Length.ofCm(level - 8)), at(121));
        assertThat(pot.stepper().evaporated())
                .as("no fire makes so much in a minute")
                .isEqualTo(steamed);
        assertThat(pot.stepper().readL()).isLessThan(read - 5);
        assertThat(pot.state().level().cm()).isCloseTo(level - 8, within(0.01));
    }

    @Test
    void onePotThatSteamsMoreIsOneStandardDeviationAhead() {
        simmering();
        pot.runTo(at(120));
        pot.levelRead(run.vessel().belowRim(Length.ofCm(pot.state().level().cm() - 0.5)), at(120));
        PotModel same = pot.another();
        PotModel more = pot.anotherThatSteamsMore();
        double sd = pot.state().kappa().sd() / pot.state().kappa().mid();
        assertThat(more.state().steamLPerH() / same.state().steamLPerH()).isCloseTo(1 + sd, within(0.005));
        assertThat(more.celsius()).isEqualTo(same.celsius());
    }

    /** A point for each five minutes, and no more than four hundred in a long night. */
    @Test
    void itsCourseIsAsFineAsItIsLooked() {
        simmering();
        int before = pot.course().size();
        pot.runTo(at(60 + 60));
        assertThat(pot.course().size() - before).isBetween(12, 14);
        int then = pot.course().size();
        pot.runTo(at(60 + 60 + 48 * 60));
        assertThat(pot.course().size() - then).isBetween(380, 402);
        assertThat(pot.course()).extracting(BatchState.CoursePoint::at).isSorted();
        assertThat(last().at()).isEqualTo(at(60 + 60 + 48 * 60));
    }

    /** After three days nothing more happens to a pot that nobody touched. */
    @Test
    void aPotIsFollowedForThreeDays() {
        pot.light();
        pot.off();
        pot.runTo(at(4 * 24 * 60));
        assertThat(pot.clock()).isEqualTo(at(4 * 24 * 60));
        assertThat(last().at()).isEqualTo(at(4 * 24 * 60));
        assertThat(pot.course().get(pot.course().size() - 2).at()).isBeforeOrEqualTo(at(3 * 24 * 60));
    }

    @Test
    void itsMarkRisesByWhatGoesIn() {
        simmering();
        double down = pot.downL();
        pot.add(Mass.ofKg(1));
        assertThat(pot.downL()).isCloseTo(down, within(1e-9));
        pot.takeOut(Volume.ofLitres(0.7));
        assertThat(pot.downL()).isCloseTo(down + 0.7, within(1e-9));
        assertThat(pot.down().missing()).isEqualTo(pot.downL());
        pot.topUp(Volume.ofLitres(0.7), Temperature.ofCelsius(85), at(61));
        assertThat(pot.downL()).as("a held pot keeps its mark").isCloseTo(down, within(1e-9));
        assertThat(pot.toppedUpAt()).hasValue(at(61));
    }
}
