package potamos.core.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.charge.ChargeSolver;
import potamos.core.flow.Ledger.Cause;
import potamos.core.formula.Book;
import potamos.core.formula.Part;
import potamos.core.formula.Schools;
import potamos.core.quantity.Basis;
import potamos.core.quantity.Estimate;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What a run is, before it is run: the room that it takes, its heat, and the reasons for what it gives. */
class RunTest {

    private static final Part CARROT = Book.whiteChicken().parts().stream()
            .filter(part -> part.kind() == Part.Kind.VEGETABLE)
            .findFirst()
            .orElseThrow();

    private static Run run(String slug) {
        return ChargeSolver.solve(Book.of(slug), Samples.pot(Samples.cylinder(36, 40)), Samples.bones(8))
                .run();
    }

    /** White chicken with a kilogram that goes in cold and half of one an hour into the simmer. */
    private static Run chicken() {
        return run("white-chicken")
                .withParts(
                        Volume.ofLitres(0.5),
                        List.of(
                                new Solids(CARROT, Mass.ofKg(1), Duration.ZERO),
                                new Solids(CARROT, Mass.ofKg(0.5), Duration.ofMinutes(60))))
                .withWater(Volume.ofLitres(16));
    }

    @Test
    void whatGoesInLaterTakesItsRoomLater() {
        Run run = chicken();
        double bed = 8 / run.bed().kind().trueKgPerL();
        assertThat(run.solidsIn(0).litres()).isCloseTo(bed + 1, within(1e-9));
        assertThat(run.solidsIn(60).litres()).isCloseTo(bed + 1, within(1e-9));
        assertThat(run.solidsIn(61).litres()).isCloseTo(bed + 1.5, within(1e-9));
        assertThat(run.othersDisplaced().litres()).isCloseTo(1.5, within(1e-12));
        // Cold as it comes, a litre is a little less than one at 20 °C.
        assertThat(run.filling().litres()).isCloseTo(0.9987 * 16.5 + bed + 1, within(0.005));
        // Hot, each litre takes 1.0365 of itself at 93 °C, and everything is in.
        Run hot = run.withSimmerAt(Temperature.ofCelsius(93));
        assertThat(hot.simmerAt().celsius()).isEqualTo(93);
        assertThat(hot.everythingIn().litres()).isCloseTo(16.5 * 1.0365 + bed + 1.5, within(0.01));
    }

    @Test
    void aFireUnderAPotIsItsBurnersAndAnOvenHasNone() {
        Run run = chicken();
        assertThat(run.heat()).isEqualTo(Run.Heat.BURNER);
        assertThat(run.fire().watts()).isCloseTo(4500, within(1e-6));
        Run oven = ChargeSolver.solve(
                        Schools.AS_WRITTEN
                                .with(Schools.SIMMERS_IN, Schools.SimmersIn.THE_OVEN)
                                .applyTo(Book.of("brown-beef")),
                        Samples.pot(Samples.cylinder(36, 40)),
                        Samples.bones(8))
                .run();
        assertThat(oven.heat()).isEqualTo(Run.Heat.OVEN);
        assertThat(oven.fire().watts()).isZero();
    }

    @Test
    void whatStaysOnTheStrainersIsBoiledDownWhereItIsStrainedAfterwards() {
        Volume strained = Volume.ofLitres(10);
        Volume strainers = Volume.ofLitres(0.5);
        assertThat(Run.Reduction.NONE.boiledAway(strained, strainers).litres()).isZero();
        assertThat(new Run.Reduction(0.4, false).boiledAway(strained, strainers).litres())
                .isCloseTo(6, within(1e-12));
        assertThat(new Run.Reduction(0.4, true).boiledAway(strained, strainers).litres())
                .isCloseTo(6.3, within(1e-12));
        assertThat(new Run.Reduction(0.4, false)
                        .boiledAway(Volume.ofLitres(-1), strainers)
                        .litres())
                .isZero();
    }

    @Test
    void vegetablesGiveTheirOwnWaterWhenTheyArePressed() {
        Solids carrots = new Solids(CARROT, Mass.ofKg(2), Duration.ZERO);
        double held = 2 * CARROT.item().uptakeLPerKg();
        assertThat(held).isPositive();
        assertThat(carrots.uptake(false).litres()).isCloseTo(held, within(1e-12));
        assertThat(carrots.uptake(true).litres()).isCloseTo(-held, within(1e-12));
        Part flakes = Book.formulas().stream()
                .flatMap(formula -> formula.parts().stream())
                .filter(part ->
                        part.kind() != Part.Kind.VEGETABLE && part.item().uptakeLPerKg() > 0)
                .findFirst()
                .orElseThrow();
        Solids dried = new Solids(flakes, Mass.ofKg(2), Duration.ZERO);
        assertThat(dried.uptake(true).litres())
                .isCloseTo(dried.uptake(false).litres() / 2, within(1e-12))
                .isPositive();
    }

    @Test
    void fatFloatsAndWeighsLessThanWater() {
        Run run = chicken();
        double kg = 8 * run.bed().kind().fatGPerKg() / 1000 / 2;
        Volume fat = Losses.renderedFat(run.bed());
        assertThat(fat.litres()).isCloseTo(kg / 0.92, within(1e-9)).isPositive();
        assertThat(Losses.weightOfFat(fat).kg()).isCloseTo(kg, within(1e-9));
    }

    @Test
    void whatMovesThePotIsOffByOneStandardDeviationEachAlone() {
        assertThat(Luck.ofThePot(new Estimate(0.8, 0.08, Basis.CALIBRATED)))
                .containsExactly(
                        new Luck(1.1, 1, 1, 1, 1, 1, 1),
                        new Luck(1, 1.12, 1, 1, 1, 1, 1),
                        new Luck(1, 1, 1.15, 1, 1, 1, 1),
                        new Luck(1, 1, 1, 1.2, 1, 1, 1));
    }

    @Test
    void whatCameInIsWaterStockWineAndWhatTheSolidsGave() {
        Ledger ledger = Ledger.predicted(List.of(
                new Ledger.Entry(Cause.WATER, Volume.ofLitres(10)),
                new Ledger.Entry(Cause.STOCK, Volume.ofLitres(4)),
                new Ledger.Entry(Cause.EVAPORATED, Volume.ofLitres(3)),
                new Ledger.Entry(Cause.WINE, Volume.ofLitres(1))));
        assertThat(ledger.inward().litres()).isEqualTo(15);
        assertThat(ledger.yield().litres()).isEqualTo(12);
    }

    @Test
    void eachReasonHasItsPartOfWhatIsNotKnown() {
        Ledger ledger = Ledger.predicted(List.of(
                new Ledger.Entry(Cause.WATER, Volume.ofLitres(20)),
                new Ledger.Entry(Cause.WINE, Volume.ofLitres(0.004)),
                new Ledger.Entry(Cause.EVAPORATED, Volume.ofLitres(3)),
                new Ledger.Entry(Cause.SPILT, Volume.ofLitres(0.005))));
        List<Why> reasons =
                Why.of(ledger, Map.of(Cause.EVAPORATED, -0.4, Cause.UPTAKE, 0.3), cause -> Why.Basis.PLANNED);
        assertThat(reasons).extracting(Why::term).containsExactly(Cause.WATER, Cause.EVAPORATED, Cause.SPILT);
        assertThat(reasons).extracting(why -> why.litres().litres()).containsExactly(20.0, 3.0, 0.005);
        assertThat(reasons.get(0).bandShare()).isZero();
        assertThat(reasons.get(1).bandShare()).isCloseTo(0.16 / 0.25, within(1e-12));
        assertThat(Why.of(ledger, Map.of(), cause -> Why.Basis.BOOK))
                .allSatisfy(why -> assertThat(why.bandShare()).isZero())
                .extracting(Why::basis)
                .containsOnly(Why.Basis.BOOK);
        assertThat(Why.Basis.of(new Estimate(0.8, 0.1, Basis.BOOK_DEFAULT))).isEqualTo(Why.Basis.BOOK);
        assertThat(Why.Basis.of(new Estimate(0.8, 0.1, Basis.CALIBRATED))).isEqualTo(Why.Basis.KITCHEN);
    }
}
