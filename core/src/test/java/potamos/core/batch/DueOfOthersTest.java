package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import potamos.core.batch.DueAct.Cost;
import potamos.core.batch.DueAct.Kind;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;
import potamos.core.quantity.Temperature;

/** The same of a fumet, of kelp, of a brown stock and of a reduction, each worked as its list has it. */
class DueOfOthersTest {

    /** A stock that sets is tried on a cold plate; one that does not is not. */
    @Test
    void whatSetsIsTriedOnAPlate() {
        Worker brown = new Worker(Book.of("brown-veal"), 15).until(Stage.SIMMER);
        Instant end = brown.state().simmer().plannedEnd().orElseThrow();
        DueAct set = Due.first(brown.due(), Kind.SET_TEST).orElseThrow();
        Due.holds(set, end.minus(Duration.ofMinutes(20)), 15, Cost.FLAVOUR);
        brown.pass(Duration.between(brown.now, end.minus(Duration.ofMinutes(41))));
        brown.log(new LookEvent.CardRead(brown.stamp(), JudgingCard.SET, 2));
        assertThat(Due.first(brown.due(), Kind.SET_TEST)).as("too early").isPresent();
        brown.pass(Duration.ofMinutes(1));
        brown.log(new LookEvent.CardRead(brown.stamp(), JudgingCard.SET, 3));
        assertThat(Due.first(brown.due(), Kind.SET_TEST)).isEmpty();
        Worker fumet = new Worker(Book.of("fish-fumet"), 10).until(Stage.SIMMER);
        assertThat(Due.first(fumet.due(), Kind.SET_TEST)).isEmpty();
        assertThat(Due.first(fumet.due(), Kind.TASTE))
                .as("over before it could change anything")
                .isEmpty();
    }

    /** Bones of fish turn to lime: twenty-five minutes, and thirty-five at the most. */
    @Test
    void aFumetIsJudgedBeforeItHasSimmeredTooLong() {
        Worker fumet = new Worker(Book.of("fish-fumet"), 10).until(Stage.SIMMER);
        Instant reached = fumet.state().simmer().reached().orElseThrow();
        DueAct judge = Due.first(fumet.due(), Kind.JUDGE).orElseThrow();
        assertThat(judge.due()).isEqualTo(reached.plus(Duration.ofMinutes(25)));
        assertThat(judge.late()).isEqualTo(reached.plus(Duration.ofMinutes(35)));
    }

    /** Kelp that nobody holds warm is lifted out at 75 °C, before it turns bitter. */
    @Test
    void kelpWithoutAWarmHoldIsLiftedOutOnTheWayUp() {
        Formula seaweed = Book.of("vegetable-seaweed-barley");
        Worker kelp = new Worker(
                seaweed.withProcedure(seaweed.procedure().stream()
                        .filter(phase -> !(phase instanceof PotPhase.Steep))
                        .toList()),
                8);
        kelp.until(Stage.BRING_UP);
        assertThat(Due.first(kelp.due(), Kind.HOLD)).isEmpty();
        kelp.log(new PotEvent.TemperatureRead(kelp.stamp(), Temperature.ofCelsius(40)));
        DueAct out = Due.first(kelp.due(), Kind.KELP_OUT).orElseThrow();
        DueAct down = Due.first(kelp.due(), Kind.TURN_DOWN).orElseThrow();
        double simmerC = kelp.plan.charge().run().simmerAt().celsius();
        double share = (75 - 40) / (simmerC - 40);
        assertThat(Duration.between(kelp.now, out.due()).toSeconds())
                .isCloseTo(
                        (long) (share * Duration.between(kelp.now, down.due()).toSeconds()), within(2L));
    }

    /** Kelp: forty minutes cold, fifteen at 65 °C, out before the boil, flakes in after it. */
    @Test
    void kelpIsHeldLiftedOutAndFollowedByItsFlakes() {
        Worker kelp = new Worker(Book.of("kelp-flake"), 10);
        DueAct light = kelp.awaiting(Kind.LIGHT);
        Instant filled = kelp.events.stream()
                .filter(PotEvent.Filled.class::isInstance)
                .map(event -> event.stamp().at())
                .findFirst()
                .orElseThrow();
        Due.holds(light, filled.plus(Duration.ofMinutes(40)), 10, Cost.TIME);
        DueAct hold = kelp.awaiting(Kind.HOLD);
        assertThat(hold.amount()).isEqualTo(65);
        assertThat(Duration.between(hold.due(), hold.late())).isEqualTo(Duration.ofMinutes(3));
        assertThat(hold.cost()).isEqualTo(Cost.FLAVOUR);
        DueAct out = Due.first(kelp.due(), Kind.KELP_OUT).orElseThrow();
        assertThat(Duration.between(hold.due(), out.due())).isEqualTo(Duration.ofMinutes(15));
        kelp.pass(Duration.between(kelp.now, hold.due()).plusSeconds(30));
        kelp.does(hold);
        Instant held = kelp.now;
        assertThat(Due.first(kelp.due(), Kind.HOLD)).isEmpty();
        Due.holds(
                Due.first(kelp.due(), Kind.KELP_OUT).orElseThrow(), held.plus(Duration.ofMinutes(15)), 3, Cost.FLAVOUR);
        // It is heated on once it was held: what is left of the hold, and then by the plan's pace from 65 °C.
        double heating = kelp.plan.charge().forecast().bringUpMin()
                - kelp.plan.charge().run().steeps().stream()
                        .mapToDouble(steep -> steep.takes().toSeconds() / 60.0)
                        .sum();
        double simmerC = kelp.plan.charge().run().simmerAt().celsius();
        double from = kelp.plan.charge().run().waterC().celsius();
        double left = 15 + heating * (simmerC - 65) / (simmerC - from);
        DueAct down = Due.first(kelp.due(), Kind.TURN_DOWN).orElseThrow();
        assertThat(Duration.between(held, down.due()).toSeconds() / 60.0).isCloseTo(left, within(0.1));
        kelp.pass(Duration.ofMinutes(5));
        down = Due.first(kelp.due(), Kind.TURN_DOWN).orElseThrow();
        assertThat(Duration.between(held, down.due()).toSeconds() / 60.0).isCloseTo(left, within(0.1));
        kelp.awaiting(Kind.FLAKES_IN);
        DueAct flakes = Due.first(kelp.due(), Kind.FLAKES_IN).orElseThrow();
        Due.holds(flakes, kelp.state().simmer().ended().orElseThrow(), 2, Cost.FLAVOUR);
        assertThat(flakes.amount())
                .isCloseTo(0.7 * kelp.plan.charge().run().raw().kg(), within(1e-9));
        assertThat(Due.first(kelp.due(), Kind.KELP_OUT)).isEmpty();
    }

    /** What is boiled down is done when the plan's minutes are over, and what is left is its half. */
    @Test
    void aReductionIsDueByThePlansMinutes() {
        Worker half = new Worker(Book.of("half-reduction"), 5);
        DueAct reduce = half.awaiting(Kind.REDUCE);
        Instant since = half.state().since();
        assertThat(Duration.between(since, reduce.due()).toSeconds() / 60.0)
                .isCloseTo(half.plan.charge().boilDownMin(), within(0.05));
        assertThat(Duration.between(reduce.due(), reduce.late())).isEqualTo(Duration.ofMinutes(5));
        assertThat(reduce.cost()).isEqualTo(Cost.YIELD);
        assertThat(reduce.amount()).isCloseTo(half.state().pot().liquor().litres() / 2, within(1e-9));
    }
}
