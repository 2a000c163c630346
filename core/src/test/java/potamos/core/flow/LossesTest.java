package potamos.core.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.formula.Beds;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Bed;
import potamos.core.vessel.BedKind;

class LossesTest {

    private static Bed bed(BedKind kind, double kg) {
        return new Bed(kind, Mass.ofKg(kg));
    }

    @Test
    void blanchedBonesLoseLessToTheSkimmer() {
        Bed bones = bed(Beds.CHICKEN_CARCASS, 10);
        double raw = Losses.skimmed(bones, BedKind.Preparation.RAW, 1).litres();
        double blanched = Losses.skimmed(bones, BedKind.Preparation.BLANCHED, 1).litres();
        assertThat(raw / blanched).isCloseTo(12.0 / 3, within(1e-9));
        assertThat(Losses.skimmed(bones, BedKind.Preparation.RAW, 0.5).litres()).isCloseTo(raw / 2, within(1e-12));
    }

    @Test
    void aPressedBedHoldsLessAndPressedVegetablesGive() {
        Bed bones = bed(Beds.CHICKEN_CARCASS, 10);
        assertThat(Losses.uptake(bones, List.of(), false, 1).litres()).isCloseTo(2.2, within(1e-9));
        assertThat(Losses.uptake(bones, List.of(), true, 1).litres()).isCloseTo(1.2, within(1e-9));
        Bed vegetables = bed(Book.of("vegetable-light").blendedBed(), 10);
        assertThat(Losses.uptake(vegetables, List.of(), false, 1).litres()).isPositive();
        assertThat(Losses.uptake(vegetables, List.of(), true, 1).litres()).isNegative();
    }

    @Test
    void everyPassLeavesSomethingOnTheStrainerAndMoreInAWideVessel() {
        assertThat(Losses.strainers(1, Length.ofCm(40), 1).litres()).isCloseTo(0.15, within(1e-12));
        assertThat(Losses.strainers(3, Length.ofCm(40), 1).litres()).isCloseTo(0.45, within(1e-12));
        assertThat(Losses.strainers(1, Length.ofCm(80), 1).litres()).isCloseTo(0.30, within(1e-12));
    }

    @Test
    void whatSolidsTakeOrGiveIsOneEntryEach() {
        List<Ledger.Entry> held = Ledger.solids(Volume.ofLitres(2), Volume.ofLitres(0.3));
        List<Ledger.Entry> given = Ledger.solids(Volume.ofLitres(-2), Volume.ofLitres(0.3));
        assertThat(held).allSatisfy(e -> assertThat(e.amount().litres()).isNotNegative());
        assertThat(given).allSatisfy(e -> assertThat(e.amount().litres()).isNotNegative());
        assertThat(Ledger.predicted(held).yield().litres()).isCloseTo(-1.7, within(1e-12));
        assertThat(Ledger.predicted(given).yield().litres()).isCloseTo(2.3, within(1e-12));
    }

    static Stream<Formula> book() {
        return Book.formulas().stream();
    }

    @ParameterizedTest
    @MethodSource("book")
    void everyLedgerOfTheBookCloses(Formula formula) {
        Charge charge = ChargeSolver.solve(formula, Samples.pot(Samples.cylinder(45, 50)), Samples.litres(5));
        Ledger ledger = charge.forecast().ledger();
        assertThat(ledger.error().litres()).isCloseTo(0, within(1e-9));
        assertThat(ledger.unexplained().litres()).isZero();
        assertThat(ledger.yield().litres()).isCloseTo(5, within(1e-5));
        assertThat(ledger.entries())
                .allSatisfy(e -> assertThat(e.amount().litres()).isNotNegative());
        assertThat(ledger.entries()).extracting(Ledger.Entry::cause).doesNotHaveDuplicates();
    }

    @ParameterizedTest
    @MethodSource("book")
    void aMeasuredYieldIsTheMeasureAndTheRestIsUnexplained(Formula formula) {
        Charge charge = ChargeSolver.solve(formula, Samples.pot(Samples.cylinder(45, 50)), Samples.litres(5));
        List<Ledger.Entry> entries = charge.forecast().ledger().entries();
        Ledger short_ = Ledger.measured(entries, Volume.ofLitres(4.2));
        assertThat(short_.yield().litres()).isEqualTo(4.2);
        assertThat(short_.unexplained().litres()).isCloseTo(0.8, within(1e-5));
        Ledger over = Ledger.measured(entries, Volume.ofLitres(5.5));
        assertThat(over.unexplained().litres()).isCloseTo(-0.5, within(1e-5));
        assertThat(over.error().litres()).isCloseTo(0, within(1e-9));
    }
}
