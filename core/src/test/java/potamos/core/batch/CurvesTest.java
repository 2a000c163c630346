package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.formula.PotPhase;
import potamos.core.quantity.Band;
import potamos.core.quantity.Length;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

class CurvesTest {

    private final Plan plan = Samples.plan();
    private final List<BatchEvent> events = new ArrayList<>();

    private static Instant minute(int minute) {
        return Samples.EIGHT.plus(Duration.ofMinutes(minute));
    }

    private void lit() {
        events.add(new ChoreEvent.WeighedIn(
                Samples.at(5), BatchEvent.BED, plan.charge().run().bed().mass(), "L1"));
        events.add(new PotEvent.Filled(Samples.at(10), plan.charge().water(), Temperature.ofCelsius(12)));
        events.add(new PotEvent.HeatOn(Samples.at(12)));
    }

    private void simmering() {
        lit();
        int reached = (int) Math.ceil(12 + plan.charge().forecast().bringUpMin());
        events.add(new PotEvent.FirstFoam(Samples.at(reached - 3)));
        events.add(new PotEvent.SimmerReached(Samples.at(reached)));
    }

    private Curves at(int minute) {
        return Curves.of(plan, events, minute(minute));
    }

    /** The last point that is not after a moment: a jump has two at the same time. */
    private static Curves.Point pointAt(Curves curves, Instant when) {
        return curves.points().stream()
                .filter(p -> !p.at().isAfter(when))
                .reduce((first, second) -> second)
                .orElseThrow();
    }

    private static double width(Band band) {
        return band.high() - band.low();
    }

    @Test
    void aPotThatIsNotFilledHasNoCurve() {
        assertThat(at(3).points()).isEmpty();
    }

    @Test
    void theMiddleIsTheReplayedPot() {
        simmering();
        BatchState state = Batch.replay(plan, events, minute(120));
        Curves.Point now = pointAt(at(120), minute(120));
        assertThat(now.levelCm().mid()).isCloseTo(state.pot().level().cm(), within(1e-9));
        assertThat(now.celsius().mid()).isCloseTo(state.pot().temperature().celsius(), within(1e-9));
        assertThat(now.gelatinGPerL().mid()).isCloseTo(state.pot().gelatinGPerL(), within(1e-9));
    }

    @Test
    void aLitPotIsFollowedToTheEndOfTheSimmerThatItHasNotReached() {
        lit();
        Curves curves = at(20);
        Instant end = curves.points().get(curves.points().size() - 1).at();
        double minutes = plan.charge().forecast().bringUpMin()
                + plan.charge().run().simmer().usual().toMinutes();
        assertThat(Duration.between(minute(12), end).toMinutes() - minutes).isBetween(-6.0, 12.0);
        assertThat(pointAt(curves, end).celsius().mid())
                .isCloseTo(plan.charge().run().simmerAt().celsius(), within(1.0));
    }

    @Test
    void notYetLengthensWhatIsAhead() {
        simmering();
        Instant before = last(at(200)).at();
        events.add(new PotEvent.Judged(Samples.at(200), false, Duration.ofMinutes(30)));
        assertThat(Duration.between(before, last(at(200)).at())).isEqualTo(Duration.ofMinutes(30));
    }

    @Test
    void theBandOpensWithTimeAndAReadingClosesIt() {
        simmering();
        Curves unread = at(180);
        assertThat(width(pointAt(unread, minute(170)).levelCm()))
                .isGreaterThan(width(pointAt(unread, minute(90)).levelCm()))
                .isPositive();
        events.add(new PotEvent.LevelRead(Samples.at(180), Length.ofCm(13)));
        assertThat(width(pointAt(at(180), minute(180)).levelCm())).isCloseTo(0, within(1e-9));
    }

    @Test
    void whatIsAheadIsHeldInTheBandOfItsSimmer() {
        simmering();
        Curves.Point end = last(at(100));
        double boiling = plan.charge().run().air().boilingPoint().celsius();
        assertThat(end.celsius().high()).isLessThan(boiling);
        assertThat(width(end.celsius())).isCloseTo(5, within(0.5));
    }

    @Test
    void aPotThatIsHeldComesBackToItsMarkBeforeTheEnd() {
        simmering();
        assertThat(plan.charge().run().simmer().topUp().keeps()).isEqualTo(PotPhase.TopUp.Keeps.HELD);
        BatchState state = Batch.replay(plan, events, minute(61));
        double mark = state.pot().mark().cm();
        Curves curves = at(61);
        Instant lastTopUp = last(curves).at().minus(Duration.ofMinutes(30));
        double highest = curves.points().stream()
                .filter(p -> Duration.between(p.at(), lastTopUp).abs().toMinutes() <= 5)
                .mapToDouble(p -> p.levelCm().mid())
                .max()
                .orElseThrow();
        assertThat(highest).isCloseTo(mark, within(0.05));
    }

    @Test
    void strainedItEnds() {
        simmering();
        events.add(new PotEvent.Judged(Samples.at(240), true, Duration.ZERO));
        events.add(new FinishEvent.Strained(Samples.at(270), Volume.ofLitres(14), 2, false));
        assertThat(last(at(600)).at()).isEqualTo(minute(270));
    }

    @Test
    void aLongBatchIsThinnedButKeepsItsJumps() {
        simmering();
        for (int i = 0; i < 400; i++) {
            events.add(new PotEvent.Skimmed(
                    new BatchEvent.Stamp("skim-" + i, minute(61).plusSeconds(20L * i), "IR"), Volume.ofLitres(0.001)));
        }
        events.add(new PotEvent.ToppedUp(Samples.at(200), Volume.ofLitres(2), Temperature.ofCelsius(85)));
        Curves curves = at(220);
        assertThat(curves.points()).hasSizeLessThan(400);
        BatchState state = Batch.replay(plan, events, minute(200));
        assertThat(curves.points())
                .anySatisfy(p -> assertThat(p.levelCm().mid())
                        .isCloseTo(state.pot().level().cm(), within(0.02)));
    }

    private static Curves.Point last(Curves curves) {
        return curves.points().get(curves.points().size() - 1);
    }

    @Test
    void skimmingThatWasLeftOutTakesClarity() {
        simmering();
        double unskimmed = ClaritySoFar.of(plan, Batch.replay(plan, events, minute(239)))
                .soFar()
                .index();
        double planned = plan.charge()
                .run()
                .simmer()
                .skim()
                .countWithin(plan.charge().run().simmer().usual());
        for (int i = 0; i < planned; i++) {
            events.add(new PotEvent.Skimmed(
                    new BatchEvent.Stamp("s" + i, minute(61).plusSeconds(60L * i), "IR"), Volume.ofLitres(0.1)));
        }
        ClaritySoFar skimmed = ClaritySoFar.of(plan, Batch.replay(plan, events, minute(239)));
        assertThat(skimmed.soFar().index()).isGreaterThan(unskimmed + 10);
        assertThat(skimmed.soFar().index()).isCloseTo(skimmed.planned().index(), within(4.0));
    }

    @Test
    void anHourOfBoilTakesClarityAndSaysSo() {
        simmering();
        double boiling = plan.charge().run().air().boilingPoint().celsius();
        double calm = ClaritySoFar.of(plan, Batch.replay(plan, events, minute(180)))
                .soFar()
                .index();
        events.add(new PotEvent.TemperatureRead(Samples.at(120), Temperature.ofCelsius(boiling)));
        BatchState boiled = Batch.replay(plan, events, minute(180));
        assertThat(boiled.pot().boiledMin()).isCloseTo(60, within(2.0));
        assertThat(ClaritySoFar.of(plan, boiled).soFar().index()).isLessThan(calm);
        assertThat(ClaritySoFar.of(plan, boiled).soFar().shares())
                .anyMatch(s -> s.cause() == potamos.core.liquor.Clarity.Cause.BOILED && s.points() > 5);
    }

    @Test
    void beforeTheSimmerClarityIsThePlans() {
        lit();
        ClaritySoFar before = ClaritySoFar.of(plan, Batch.replay(plan, events, minute(20)));
        assertThat(before.soFar()).isEqualTo(before.planned());
    }
}
