package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.charge.Measure;
import potamos.core.formula.Book;
import potamos.core.formula.Leftover;
import potamos.core.formula.Part;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/** What is made of the bones, the fat and the vegetables, and the account of their kilograms. */
class WhatIsLeftTest extends LoggedBatch {

    private static FinishEvent.LeftOver left(int minute, Leftover as, double kg) {
        return new FinishEvent.LeftOver(Samples.at(minute), as, Mass.ofKg(kg));
    }

    private MassLedger ledger(BatchState state) {
        return MassLedger.of(plan, state).orElseThrow();
    }

    private static double of(MassLedger ledger, MassLedger.Cause cause) {
        return ledger.entries().stream()
                .filter(entry -> entry.cause() == cause)
                .mapToDouble(entry -> entry.mass().kg())
                .sum();
    }

    private Optional<Mass> about(BatchState state, Leftover as) {
        return WhatIsLeft.offers(ledger(state), plan, state).stream()
                .filter(offer -> offer.as() == as)
                .findFirst()
                .flatMap(WhatIsLeft.Offer::about);
    }

    @ParameterizedTest
    @CsvSource({
        "white-chicken, PICKED_MEAT FAT COMPOST",
        "brown-veal, SECOND_WETTING PICKED_MEAT FAT COMPOST",
        "brown-poultry, PICKED_MEAT FAT COMPOST",
        "fish-fumet, COMPOST",
        "kelp-flake, SECOND_STEEP RELISH COMPOST",
        "kelp-flake-second, RELISH COMPOST",
        "vegetable-light, PUREE COMPOST",
        "second-wetting, COMPOST",
        "half-reduction, COMPOST",
        "glaze, ''",
    })
    void eachStockLeavesWhatCanBeMadeOfIt(String slug, String offered) {
        List<String> names = Leftover.of(Book.of(slug)).stream().map(Enum::name).toList();
        assertThat(String.join(" ", names)).isEqualTo(offered);
    }

    @Test
    void nothingIsOfferedBeforeItIsStrained() {
        simmer();
        assertThat(MassLedger.of(plan, at(200))).isEmpty();
        assertThatThrownBy(() -> log(left(200, Leftover.COMPOST, 5))).hasMessageContaining("strain it first");
    }

    /** By hand: what went in as bones and parts, with the liquor that they hold, less the fat that melted out and the gelatin that dissolved. */
    @Test
    void theSolidsWeighWhatWentInWithTheLiquorThatTheyHold() {
        strain();
        BatchState state = at(275);
        MassLedger ledger = ledger(state);
        double bed = state.weighed().get(BatchEvent.BED).kg();
        // The herbs that go in before the end were not: nobody has logged them.
        List<Measure> put = plan.charge().measures().stream()
                .filter(measure -> measure.part().when() instanceof Part.When.WithTheBed)
                .toList();
        double parts = put.stream().mapToDouble(measure -> measure.mass().kg()).sum();
        double held = bed * 0.22
                + put.stream()
                        .mapToDouble(measure ->
                                measure.mass().kg() * measure.part().item().uptakeLPerKg())
                        .sum();
        double gelatin = state.expected().gelatinGPerL() * 14 / 1000;
        double fat = bed * 0.060 / 2;
        assertThat(of(ledger, MassLedger.Cause.BED)).isEqualTo(bed);
        assertThat(ledger.solids().kg()).isCloseTo(bed + parts + held - gelatin - fat, within(1e-9));
        assertThat(ledger.fat().kg()).isCloseTo(fat, within(1e-9));
        assertThat(ledger.notWeighed()).isEqualTo(ledger.solids());
        assertThat(about(state, Leftover.COMPOST)).hasValue(ledger.solids());
    }

    @Test
    void whatIsWeighedIsNoLongerMissingAndTheAccountCloses() {
        strain();
        double solids = ledger(at(275)).solids().kg();
        log(left(276, Leftover.PICKED_MEAT, 1.2));
        log(left(277, Leftover.FAT, 0.1));
        BatchState state = log(left(278, Leftover.COMPOST, 5));
        MassLedger ledger = ledger(state);
        assertThat(ledger.notWeighed().kg()).isCloseTo(solids - 6.2, within(1e-9));
        assertThat(ledger.solids().kg()).isCloseTo(solids, within(1e-9));
        double in = 0;
        double out = 0;
        for (MassLedger.Entry entry : ledger.entries()) {
            in += entry.cause().inward() ? entry.mass().kg() : 0;
            out += entry.cause().inward() ? 0 : entry.mass().kg();
        }
        assertThat(out + 6.3 + ledger.notWeighed().kg()).isCloseTo(in, within(1e-9));
    }

    @Test
    void noMoreIsWeighedThanCanBeLeftNorWhatThisStockDoesNotLeave() {
        strain();
        assertThatThrownBy(() -> log(left(276, Leftover.COMPOST, 78)))
                .isInstanceOfSatisfying(Refusal.class, refusal -> {
                    assertThat(refusal.field()).isEqualTo("kg");
                    assertThat(refusal.high())
                            .isCloseTo(
                                    of(ledger(at(276)), MassLedger.Cause.BED)
                                            + of(ledger(at(276)), MassLedger.Cause.PARTS)
                                            + of(ledger(at(276)), MassLedger.Cause.LIQUOR)
                                            + of(ledger(at(276)), MassLedger.Cause.READ_HIGHER)
                                            - of(ledger(at(276)), MassLedger.Cause.STOCK),
                                    within(1e-9));
                });
        assertThatThrownBy(() -> log(left(276, Leftover.RELISH, 1)))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("leftOver"));
    }

    /** Warm bones are no different from warm stock: what has stood for too long is thrown away. */
    @Test
    void whatHasStoodTooLongGoesNoFurther() {
        strain();
        Duration within = plan.limits().stages().get(0).within();
        int late = 270 + (int) within.toMinutes() + 1;
        assertThatThrownBy(() -> log(left(late, Leftover.PICKED_MEAT, 1))).hasMessageContaining("too long");
        log(left(late, Leftover.FAT, 0.2));
        log(left(late, Leftover.COMPOST, 5));
        assertThat(WhatIsLeft.offers(ledger(at(late)), plan, at(late)).stream()
                        .filter(offer -> offer.as() == Leftover.PICKED_MEAT)
                        .findFirst()
                        .flatMap(WhatIsLeft.Offer::until))
                .hasValue(Samples.at(270).at().plus(within));
    }

    @Test
    void pickedOutPiecesAreToldApart() {
        strain();
        double whole = ledger(at(275)).solids().kg();
        events.add(1, new MishapEvent.PickedOut(Samples.at(6), Mass.ofKg(0.5)));
        MassLedger ledger = ledger(at(275));
        assertThat(of(ledger, MassLedger.Cause.PICKED_OUT)).isEqualTo(0.5);
        assertThat(ledger.solids().kg()).isBetween(whole - 0.7, whole - 0.5);
    }

    /** Of a stock that is only boiled down nothing is left but what stays on strainer and walls. */
    @Test
    void aGlazeLeavesNoSolids() {
        Plan glaze = Samples.plan(Book.of("glaze"));
        List<BatchEvent> logged = List.of(
                new PotEvent.Filled(Samples.at(5), glaze.charge().water(), Temperature.ofCelsius(4)),
                new PotEvent.HeatOn(Samples.at(6)),
                new PotEvent.SimmerReached(Samples.at(60)),
                new PotEvent.Judged(Samples.at(80), true, Duration.ZERO),
                new FinishEvent.Reduced(Samples.at(300), glaze.charge().water().times(0.11)),
                new FinishEvent.Strained(Samples.at(310), glaze.charge().water().times(0.1), 1, false));
        BatchState state = Batch.replay(glaze, logged, Samples.EIGHT.plus(Duration.ofMinutes(320)));
        MassLedger ledger = MassLedger.of(glaze, state).orElseThrow();
        assertThat(of(ledger, MassLedger.Cause.BED)).isZero();
        assertThat(ledger.bedShare()).isZero();
        double gelatin =
                state.expected().gelatinGPerL() * state.strained().orElseThrow().litres() / 1000;
        assertThat(Math.abs(ledger.notWeighed().kg())).isLessThan(gelatin + 0.01);
        assertThat(WhatIsLeft.offers(ledger, glaze, state)).isEmpty();
    }
}
