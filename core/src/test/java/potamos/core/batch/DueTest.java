package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.batch.DueAct.Cost;
import potamos.core.batch.DueAct.Kind;
import potamos.core.cooling.Reading;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** When each act is due, how long it may wait, what its waiting costs and how much it is, in a pot of white chicken. */
class DueTest extends LoggedBatch {

    private static final int END = 60 + 180;

    /** At its simmer after an hour, that is to go on for three. */
    private void simmering() {
        log(new ChoreEvent.WeighedIn(
                Samples.at(5), BatchEvent.BED, plan.charge().run().bed().mass(), "L1"));
        log(new PotEvent.Filled(Samples.at(10), plan.charge().water(), Temperature.ofCelsius(12)));
        log(new PotEvent.HeatOn(Samples.at(12)));
        log(new PotEvent.FirstFoam(Samples.at(57)));
        log(new PotEvent.Skimmed(Samples.at(58), Volume.ofLitres(0.1)));
        log(new PotEvent.SimmerReached(Samples.at(60)));
    }

    private DueAct one(Kind kind, int minute) {
        return Due.first(due(minute), kind).orElseThrow(() -> new AssertionError("no " + kind));
    }

    private static Instant minute(double minute) {
        return Samples.EIGHT.plus(Duration.ofSeconds((long) (minute * 60)));
    }

    @Test
    void aPotIsReadOnceAnHour() {
        simmering();
        Due.holds(one(Kind.READ_LEVEL, 70), minute(120.0), 10, Cost.YIELD);
        Due.holds(one(Kind.READ_TEMPERATURE, 70), minute(120.0), 10, Cost.CLARITY);
        log(new PotEvent.LevelRead(
                Samples.at(100),
                plan.charge().run().vessel().belowRim(at(100).pot().level())));
        log(new PotEvent.TemperatureRead(Samples.at(110), Temperature.ofCelsius(93)));
        Due.holds(one(Kind.READ_LEVEL, 112), minute(160.0), 10, Cost.YIELD);
        Due.holds(one(Kind.READ_TEMPERATURE, 112), minute(170.0), 10, Cost.CLARITY);
        assertThat(one(Kind.READ_TEMPERATURE, 112).amount()).isCloseTo(93, within(0.5));
        double belowRim =
                plan.charge().run().vessel().belowRim(at(112).pot().level()).cm();
        assertThat(one(Kind.READ_LEVEL, 112).amount()).isCloseTo(belowRim, within(1e-9));
    }

    @Test
    void theEndIsTastedTestedAndJudged() {
        simmering();
        Due.holds(one(Kind.JUDGE, 70), minute((double) END), 10, Cost.FLAVOUR);
        Due.holds(one(Kind.TASTE, 70), minute(END - 30.0), 20, Cost.FLAVOUR);
        log(new LookEvent.Tasted(Samples.at(END - 41), "thin"));
        assertThat(Due.first(due(END - 40), Kind.TASTE))
                .as("too early to tell of the end")
                .isPresent();
        log(new LookEvent.Tasted(Samples.at(END - 40), "clean"));
        assertThat(Due.first(due(END - 39), Kind.TASTE)).isEmpty();
    }

    @Test
    void whatGoesInLateGoesInSoLongBeforeTheEnd() {
        simmering();
        DueAct add = one(Kind.ADD, 70);
        String part = add.parts().get(0);
        Duration into = plan.charge().run().others().stream()
                .filter(solids -> solids.part().id().equals(part))
                .map(solids -> solids.intoTheSimmer())
                .findFirst()
                .orElseThrow();
        assertThat(into).isPositive();
        Due.holds(add, minute(60.0).plus(into), 10, Cost.FLAVOUR);
        Mass mass = Weighing.planned(plan.charge(), part).orElseThrow();
        log(new PotEvent.Added(Samples.at(75), part, mass));
        assertThat(due(76).stream().filter(act -> act.kind() == Kind.ADD))
                .noneMatch(act -> act.parts().contains(part));
        // An hour more, and everything that waits for the end waits for an hour more.
        log(new PotEvent.Judged(Samples.at(END), false, Duration.ofMinutes(60)));
        Due.holds(one(Kind.JUDGE, END + 1), minute(END + 60.0), 10, Cost.FLAVOUR);
        Due.holds(one(Kind.TASTE, END + 1), minute(END + 30.0), 20, Cost.FLAVOUR);
    }

    /** From tap water to its simmer by the plan's minutes; half-way up it is half of them. */
    @Test
    void onItsWayUpItIsForetoldByWhereItIs() {
        log(new ChoreEvent.WeighedIn(
                Samples.at(5), BatchEvent.BED, plan.charge().run().bed().mass(), "L1"));
        log(new PotEvent.Filled(Samples.at(10), plan.charge().water(), Temperature.ofCelsius(12)));
        log(new PotEvent.HeatOn(Samples.at(12)));
        double minutes = plan.charge().forecast().bringUpMin();
        double simmerC = plan.charge().run().simmerAt().celsius();
        DueAct down = one(Kind.TURN_DOWN, 12);
        assertThat(down.amount()).isEqualTo(simmerC);
        assertThat(Duration.between(minute(12.0), down.due()).toSeconds() / 60.0)
                .isCloseTo(minutes, within(0.05));
        assertThat(Duration.between(down.due(), down.late())).isEqualTo(Duration.ofMinutes(5));
        assertThat(down.cost()).isEqualTo(Cost.CLARITY);
        double middle = (12 + simmerC) / 2;
        log(new PotEvent.TemperatureRead(Samples.at(20), Temperature.ofCelsius(middle)));
        assertThat(Duration.between(minute(20.0), one(Kind.TURN_DOWN, 20).due()).toSeconds() / 60.0)
                .isCloseTo(minutes / 2, within(0.05));
        DueAct foam = one(Kind.FIRST_FOAM, 20);
        double toFoam = minutes * (simmerC - 5 - middle) / (simmerC - 12);
        assertThat(Duration.between(minute(20.0), foam.due()).toSeconds() / 60.0)
                .isCloseTo(toFoam, within(0.05));
        assertThat(Duration.between(foam.due(), foam.late())).isEqualTo(Duration.ofMinutes(4));
        assertThat(foam.cost()).isEqualTo(Cost.CLARITY);
    }

    @Test
    void foamStandsOnItFromFiveKelvinsBelowItsSimmer() {
        log(new ChoreEvent.WeighedIn(
                Samples.at(5), BatchEvent.BED, plan.charge().run().bed().mass(), "L1"));
        log(new PotEvent.Filled(Samples.at(10), plan.charge().water(), Temperature.ofCelsius(12)));
        assertThat(DueActs.foams(plan, at(11))).isFalse();
        log(new PotEvent.HeatOn(Samples.at(12)));
        double simmerC = plan.charge().run().simmerAt().celsius();
        log(new PotEvent.TemperatureRead(Samples.at(40), Temperature.ofCelsius(simmerC - 5.1)));
        assertThat(DueActs.foams(plan, at(40))).isFalse();
        log(new PotEvent.TemperatureRead(Samples.at(41), Temperature.ofCelsius(simmerC - 5)));
        assertThat(DueActs.foams(plan, at(41))).isTrue();
        log(new PotEvent.SimmerReached(Samples.at(60)));
        assertThat(DueActs.foams(plan, at(61))).isFalse();
    }

    /** Above its band it clouds; once its bed stands bare, it is its litres that go. */
    @Test
    void aPotThatBoilsIsTurnedDownAndABareOneIsFilledUp() {
        simmering();
        log(new PotEvent.TemperatureRead(Samples.at(80), Temperature.ofCelsius(99.5)));
        DueAct down = one(Kind.TURN_DOWN, 80);
        assertThat(down.cost()).isEqualTo(Cost.CLARITY);
        assertThat(down.amount()).isEqualTo(plan.charge().run().simmerAt().celsius());
        double bedTop = at(80).pot().bedTop().cm();
        double height = plan.charge().run().vessel().shape().height().cm();
        log(new PotEvent.LevelRead(Samples.at(90), Length.ofCm(height - bedTop + 2)));
        BatchState bare = at(100);
        assertThat(bare.pot().bare().cm()).isGreaterThan(1);
        assertThat(one(Kind.TURN_DOWN, 100).cost()).isEqualTo(Cost.YIELD);
        DueAct topUp = one(Kind.TOP_UP, 100);
        Due.holds(topUp, minute(90), 0, Cost.YIELD);
        assertThat(topUp.amount()).isCloseTo(bare.pot().toMark().litres(), within(1e-9));
    }

    @Test
    void afterTheHeatItIsPassedStrainedCooledAndPutAway() {
        simmering();
        log(new PotEvent.Judged(Samples.at(END), true, Duration.ZERO));
        double rest = plan.charge().run().restMin();
        assertThat(rest).isPositive();
        int passes = plan.charge().run().strain().passes();
        assertThat(passes).isEqualTo(2);
        Due.holds(one(Kind.PASS, END + 1), minute(END + rest), 10, Cost.TIME);
        assertThat(one(Kind.PASS, END + 1).amount()).isEqualTo(1);
        Due.holds(one(Kind.STRAIN, END + 1), minute(END + rest), 10, Cost.TIME);
        int rested = END + (int) rest + 1;
        Due.holds(one(Kind.STRAIN, rested), minute(END + rest), 10, Cost.SAFETY);
        log(new FinishEvent.Passed(Samples.at(rested)));
        assertThat(Due.first(due(rested), Kind.PASS)).isEmpty();
        double expected = one(Kind.STRAIN, rested).amount();
        assertThat(expected).isCloseTo(at(rested).expected().litres().mid(), within(1e-9));
        log(new FinishEvent.Strained(Samples.at(270), Volume.ofLitres(14), 2, false));
        Due.holds(one(Kind.BEGIN_COOLING, 271), minute(270.0), 10, Cost.SAFETY);
        assertThat(one(Kind.BEGIN_COOLING, 271).amount()).isEqualTo(14);
        Due.holds(one(Kind.READ_COOLING, 271), minute(270.0), 10, Cost.SAFETY);
        log(new ColdEvent.CoolingBegan(Samples.at(272)));
        assertThat(Due.first(due(273), Kind.BEGIN_COOLING)).isEmpty();
        coolTo(273, 85);
        readWhenItProvesSomething(274);
        coolTo(290, 57);
        readWhenItProvesSomething(291);
        coolTo(310, 30);
        coolTo(330, 21);
        readWhenItProvesSomething(331);
        coolTo(400, 10);
        coolTo(500, 4.5);
        Due.holds(one(Kind.DEGREASE, 501), minute(500.0), 10, Cost.CLARITY);
        Due.holds(one(Kind.STORE, 501), minute(510.0), 10, Cost.SAFETY);
        log(new FinishEvent.Degreased(Samples.at(503), Volume.ofLitres(0.3)));
        assertThat(Due.first(due(504), Kind.DEGREASE)).isEmpty();
        Due.holds(one(Kind.STORE, 504), minute(500.0), 10, Cost.SAFETY);
        assertThat(one(Kind.STORE, 504).amount()).isEqualTo(14);
    }

    /** When what is asked for next can be read; not again at once, and within the hour. */
    private void readWhenItProvesSomething(int minute) {
        BatchState.Cooling cooling = at(minute).cooling();
        Instant next = cooling.verdict().orElseThrow().asks().get(0).at();
        List<Reading> read = cooling.readings();
        Instant last = read.get(read.size() - 1).at();
        Instant soonest = last.plus(Duration.ofMinutes(10));
        Instant latest = last.plus(Duration.ofMinutes(60));
        assertThat(one(Kind.READ_COOLING, minute).due())
                .isEqualTo(next.isBefore(soonest) ? soonest : next.isAfter(latest) ? latest : next);
    }

    /** All that its bones give as scum, over its skims; one skimming is as much as another. */
    @Test
    void oneSkimIsItsShareOfTheScum() {
        simmering();
        DueAct skim = one(Kind.SKIM, 70);
        Due.holds(skim, minute(58.0 + 15), 10, Cost.CLARITY);
        double kg = plan.charge().run().bed().mass().kg();
        double all = kg
                * plan.charge()
                        .run()
                        .bed()
                        .kind()
                        .scum()
                        .after(plan.charge().run().preparation())
                / 1000
                * 4;
        double skims = plan.charge().run().simmer().skim().countWithin(Duration.ofMinutes(180));
        assertThat(skims).isGreaterThan(3);
        assertThat(skim.amount()).isCloseTo(all / skims, within(1e-9));
    }

    /** What is overdue comes first, the worst of it first and what only measures last; then the rest by the clock. */
    @Test
    void whatIsLostByWaitingComesFirst() {
        simmering();
        List<DueAct> acts = due(END + 30);
        List<DueAct> overdue = acts.stream()
                .filter(act -> !act.due().isAfter(minute(END + 30)))
                .toList();
        assertThat(acts.subList(0, overdue.size())).isEqualTo(overdue);
        assertThat(overdue).extracting(act -> act.kind().measures()).isSorted();
        assertThat(overdue).extracting(DueAct::kind).contains(Kind.JUDGE, Kind.READ_LEVEL, Kind.SKIM);
        assertThat(overdue.stream().filter(act -> !act.kind().measures()).toList())
                .extracting(DueAct::cost)
                .isSorted();
        assertThat(due(70)).extracting(DueAct::due).isSorted();
    }

    /** Late after its grace; and what waiting costs is lost as long after that, five minutes at least. */
    @Test
    void anActIsLateAndThenItCosts() {
        simmering();
        DueAct judge = one(Kind.JUDGE, 70);
        assertThat(judge.lateAt(minute(END + 10))).isFalse();
        assertThat(judge.lateAt(minute(END + 11))).isTrue();
        assertThat(judge.costsFrom()).isEqualTo(minute(END + 20));
        log(new PotEvent.TemperatureRead(Samples.at(80), Temperature.ofCelsius(99.5)));
        DueAct down = one(Kind.TURN_DOWN, 80);
        assertThat(down.late()).isEqualTo(down.due());
        assertThat(down.costsFrom()).isEqualTo(down.due().plus(Duration.ofMinutes(5)));
    }

    @Test
    void anActTakesHandsOrOnlyALook() {
        assertThat(Kind.STRAIN.hands()).isEqualTo(Duration.ofMinutes(12));
        assertThat(Kind.READ_LEVEL.hands()).isZero();
        assertThat(Kind.READ_LEVEL.asks()).isTrue();
        assertThat(Kind.READ_LEVEL.measures()).isTrue();
        assertThat(Kind.JUDGE.asks()).isTrue();
        assertThat(Kind.JUDGE.measures()).isFalse();
        assertThat(Kind.SKIM.asks()).isFalse();
        assertThat(Kind.TOP_UP.mayBeEarly()).isTrue();
        assertThat(Kind.SKIM.mayBeEarly()).isFalse();
    }
}
