package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.Samples;
import potamos.core.flow.Ledger;
import potamos.core.formula.Book;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;
import potamos.core.formula.Item;
import potamos.core.formula.Liquid;
import potamos.core.formula.Pantry;
import potamos.core.formula.Part;
import potamos.core.formula.Part.When;
import potamos.core.formula.Phase;
import potamos.core.formula.PotPhase;
import potamos.core.formula.PrepPhase;
import potamos.core.heat.Oven;
import potamos.core.heat.SimmerBand;
import potamos.core.liquor.Clarity;
import potamos.core.liquor.CutAdviser;
import potamos.core.liquor.Diffusion;
import potamos.core.liquor.Taint;
import potamos.core.liquor.Wine;
import potamos.core.quantity.Band;
import potamos.core.quantity.Basis;
import potamos.core.quantity.Estimate;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What goes into a pot beside bones and water, worked out a second time by hand. */
class ChargePartsTest {

    private static Part part(String item, double percent, When when, double cutMm) {
        return new Part(Pantry.find(item).orElseThrow(), new Part.Amount.PercentOfBed(percent), when, cutMm);
    }

    private static Formula with(Formula formula, Part... more) {
        List<Part> parts = new ArrayList<>(formula.parts());
        parts.removeIf(old -> List.of(more).stream().anyMatch(part -> part.id().equals(old.id())));
        parts.addAll(List.of(more));
        return formula.withParts(parts);
    }

    private static Formula before(Formula formula, Phase... phases) {
        List<Phase> all = new ArrayList<>(List.of(phases));
        formula.procedure().stream()
                .filter(phase -> !(phase instanceof PrepPhase.Deglaze || phase instanceof PrepPhase.WineDown))
                .forEach(all::add);
        return formula.withProcedure(all);
    }

    private static Charge of(Formula formula, double kg) {
        Goal goal = formula.bed().isEmpty() ? new Goal.WaterDrawn(Volume.ofLitres(kg)) : Samples.bones(kg);
        return ChargeSolver.solve(formula, Samples.pot(Samples.kettle()), goal);
    }

    @Test
    void wineIsPouredByItsVolumeAndWhatItIsCookedDownTo() {
        Part wine = part("wine-red", 12, new When.WithTheBed(), 0);
        Formula raw = with(Book.whiteChicken(), wine);
        double litres = 0.12 * 10 / wine.item().kgPerL();
        assertThat(of(raw, 10).run().poured().litres()).isCloseTo(litres, within(1e-12));
        Formula down = before(raw, new PrepPhase.WineDown(0.4));
        assertThat(of(down, 10).run().poured().litres()).isCloseTo(0.4 * litres, within(1e-12));
    }

    @Test
    void deglazingLeavesItsFractionAsOftenAsItIsDone() {
        Formula once = before(Book.of("brown-beef"), new PrepPhase.Deglaze(0.12, 0.25, 1));
        Formula thrice = before(Book.of("brown-beef"), new PrepPhase.Deglaze(0.12, 0.25, 3));
        double wine = of(before(Book.of("brown-beef")), 10).run().poured().litres();
        assertThat(of(once, 10).run().poured().litres() - wine).isCloseTo(0.3, within(1e-12));
        assertThat(of(thrice, 10).run().poured().litres() - wine).isCloseTo(0.9, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource({"60, 7200", "180, 1", "200, 1"})
    void beforeTheEndIsCountedFromTheSimmerAndGoesInAsItBeginsAtTheEarliest(int beforeMin, int intoS) {
        assertThat(ChargeSolver.intoTheSimmer(
                        new When.BeforeTheEnd(Duration.ofMinutes(beforeMin)), Duration.ofMinutes(180)))
                .isEqualTo(Duration.ofSeconds(intoS));
    }

    @ParameterizedTest
    @CsvSource({"20, 20", "180, 180", "200, 180"})
    void intoTheSimmerIsNeverAfterItsEnd(int afterMin, int intoMin) {
        assertThat(ChargeSolver.intoTheSimmer(
                        new When.IntoTheSimmer(Duration.ofMinutes(afterMin)), Duration.ofMinutes(180)))
                .isEqualTo(Duration.ofMinutes(intoMin));
    }

    @Test
    void theMostOfAVesselIsTheYieldOfAFullOne() {
        for (Formula formula : Book.formulas()) {
            double full = ChargeSolver.solve(formula, Samples.pot(Samples.kettle()), new Goal.FullVessel())
                    .forecast()
                    .yield()
                    .mid();
            assertThat(ChargeSolver.litresOfFull(formula, Samples.pot(Samples.kettle())))
                    .as(formula.slug())
                    .isPositive()
                    .isCloseTo(full, within(1e-6 * full));
        }
    }

    static List<Formula> withABed() {
        return Book.formulas().stream()
                .filter(formula -> !formula.bed().isEmpty())
                .toList();
    }

    /** Scum that is left, boil, mush, thickener, each worked out from the charge itself. */
    @ParameterizedTest
    @MethodSource("withABed")
    void clarityIsThatOfWhatWasDone(Formula formula) {
        Charge charge = of(
                with(formula, part("carrot", 20, new When.WithTheBed(), 2)),
                formula.bed().isEmpty() ? 0.1 : 8);
        Clouding clouding = Clouding.of(charge, 9);
        Clouding.Handled handled =
                new Clouding.Handled(3, 20, clouding.planned().transfer(), 2, true);
        double scumG = charge.run().bed().kind().scum().after(charge.run().preparation())
                * charge.run().bed().mass().kg();
        double mushG = charge.character().cuts().stream()
                .filter(cut -> cut.fit() == CutAdviser.Fit.TOO_SMALL)
                .mapToDouble(cut -> charge.measures().stream()
                                .filter(measure -> measure.part().id().equals(cut.id()))
                                .mapToDouble(measure -> measure.mass().kg() * 1000)
                                .sum()
                        * (1 - cut.cutMm() / cut.advice().smallestMm()))
                .sum();
        double thickG = charge.measures().stream()
                .filter(measure -> measure.part().kind() == Part.Kind.TOMATO
                        || measure.part().item().has(Item.Trait.STARCH))
                .mapToDouble(measure -> measure.mass().kg() * 1000)
                .sum();
        Clarity byHand = Clarity.of(new Clarity.Handling(
                scumG * (0.1 + 0.9 * Math.exp(-3 / 2.5)) / 9,
                20,
                0,
                mushG / 9,
                clouding.planned().transfer() == potamos.core.formula.FinishPhase.Transfer.POUR,
                2,
                true,
                thickG / 9));
        assertThat(clouding.clarity(handled).index()).isCloseTo(byHand.index(), within(1e-9));
        assertThat(mushG).isNotNegative();
        if (formula.family() == Family.WHITE) {
            assertThat(mushG).isPositive();
        }
    }

    @Test
    void aLivelySimmerBoilsForAQuarterOfItsTimeAndALazyOneNever() {
        List<Formula> all = new ArrayList<>(Book.formulas());
        all.add(lively(Book.whiteChicken()));
        for (Formula formula : all) {
            Clouding.Handled planned = Clouding.of(of(formula, 8), 5).planned();
            double minutes = formula.simmer().usual().toMinutes();
            boolean boils = formula.simmer().band() == SimmerBand.LIVELY
                    && !formula.bed().isEmpty();
            assertThat(planned.boiledMin()).as(formula.slug()).isEqualTo(boils ? minutes / 4 : 0);
        }
    }

    private static Formula lively(Formula formula) {
        return formula.withProcedure(formula.procedure().stream()
                .<Phase>map(phase -> phase instanceof PotPhase.Simmer s
                        ? new PotPhase.Simmer(
                                SimmerBand.LIVELY, s.usual(), s.least(), s.most(), s.cover(), s.topUp(), s.skim())
                        : phase)
                .toList());
    }

    @Test
    void fishMayHaveItsVeryLimitAndNoMinuteMore() {
        for (int minutes : new int[] {35, 36}) {
            Formula fumet = Book.of("fish-fumet").simmeredFor(Duration.ofMinutes(minutes));
            assertThat(of(fumet, 6).character().taints().isEmpty()).isEqualTo(minutes == 35);
        }
    }

    @Test
    void saltComesFromTheLiquidAndFromWhatIsSeasoned() {
        Formula plain = Book.whiteChicken();
        Part salt = part("salt", 0.5, new When.WithTheBed(), 0);
        Charge salted = of(with(plain, salt), 10);
        double others = of(plain, 10).character().salt().gPerL() * seasoned(of(plain, 10));
        assertThat(salted.character().salt().gPerL() * seasoned(salted) - others)
                .isCloseTo(50, within(0.05));
        Charge drawn = of(salted(plain, 2), 10);
        assertThat(drawn.character().salt().gPerL() * seasoned(drawn) - others)
                .isCloseTo(2 * drawn.water().litres(), within(0.05));
        // What the bones keep back is as salt as the rest.
        assertThat(seasoned(drawn)).isGreaterThan(drawn.forecast().yield().mid() + 1);
    }

    /** All the liquor at the end of the simmer: what came in and has neither steamed away nor been taken off. */
    private static double seasoned(Charge charge) {
        Ledger ledger = charge.forecast().ledger();
        return charge.water().litres()
                + ledger.of(Ledger.Cause.TOP_UP).litres()
                + ledger.of(Ledger.Cause.WINE).litres()
                + ledger.of(Ledger.Cause.GIVEN_BY_SOLIDS).litres()
                - ledger.of(Ledger.Cause.EVAPORATED).litres()
                - ledger.of(Ledger.Cause.SKIMMED).litres()
                - ledger.of(Ledger.Cause.FAT_LIFTED).litres();
    }

    @Test
    void kelpAndFlakesBringTheSaltOfTheSea() {
        double kelp = of(Book.of("kelp-flake"), 10).character().salt().gPerL();
        assertThat(kelp).isBetween(0.3, 0.6);
    }

    private static Formula salted(Formula formula, double gPerL) {
        return formula.withProcedure(formula.procedure().stream()
                .<Phase>map(phase -> phase instanceof PotPhase.Fill fill
                        ? new PotPhase.Fill(
                                fill.water(),
                                new Liquid(
                                        formula.bed().isEmpty() ? Liquid.Kind.STOCK : Liquid.Kind.SECOND_WETTING,
                                        fill.liquid().gelatinGPerL(),
                                        gPerL))
                        : phase)
                .toList());
    }

    @Test
    void saltIsReckonedBeforeTheReductionAndAfterIt() {
        Formula half = salted(Book.of("half-reduction"), 2);
        Charge charge = ChargeSolver.solve(
                half, Samples.pot(Samples.cylinder(36, 40)), new Goal.WaterDrawn(Volume.ofLitres(10)));
        double fraction = half.reducesTo();
        double saltG = 2 * 10;
        double before = seasoned(charge);
        assertThat(charge.character().salt().gPerL()).isCloseTo(saltG / before, within(1e-9));
        assertThat(charge.character().salt().afterGPerL()).isCloseTo(saltG / before / fraction, within(1e-9));
        // However many litres come out, all of their salt is in them.
        double kept = charge.character().salt().afterGPerL()
                * charge.forecast().yield().mid();
        assertThat(charge.character().spread().saltGPerL().high())
                .isCloseTo(kept / charge.forecast().yield().low(), within(1e-9));
        assertThat(charge.character().spread().saltGPerL().low())
                .isCloseTo(kept / charge.forecast().yield().high(), within(1e-9));
    }

    @Test
    void sulphitesGoByTheVolumeOfTheWine() {
        Part wine = part("wine-red", 10, new When.WithTheBed(), 0);
        Charge charge = of(with(Book.whiteChicken(), wine), 10);
        double mg = wine.item().sulphitesMgPerL() * 1 / wine.item().kgPerL();
        assertThat(charge.character().sulphitesMgPerL())
                .isCloseTo(mg / charge.forecast().yield().mid(), within(1e-9));
        Character as = charge.character();
        assertThat(sulphites(as, Wine.DECLARED_MG_PER_L).declaresSulphites()).isFalse();
        assertThat(sulphites(as, Wine.DECLARED_MG_PER_L + 0.01).declaresSulphites())
                .isTrue();
    }

    private static Character sulphites(Character as, double mgPerL) {
        return new Character(as.cuts(), as.clarity(), as.taints(), as.salt(), mgPerL, as.spread());
    }

    @Test
    void kelpAmongThePartsIsKelp() {
        Formula kelp =
                with(Book.whiteChicken(), part("kelp-dried", 1, new When.IntoTheSimmer(Duration.ofMinutes(10)), 0));
        assertThat(of(kelp, 8).character().taints()).extracting(Taint::kind).contains(Taint.Kind.KELP_HOT);
        // What goes in cold is lifted out before the simmer.
        Formula lifted = with(Book.whiteChicken(), part("kelp-dried", 1, new When.WithTheBed(), 0));
        assertThat(of(lifted, 8).character().taints()).extracting(Taint::kind).doesNotContain(Taint.Kind.KELP_HOT);
        assertThat(of(Book.whiteChicken(), 8).character().taints())
                .extracting(Taint::kind)
                .doesNotContain(Taint.Kind.KELP_HOT);
    }

    /** At the limit itself nothing is said; a minute more, and it is. */
    @ParameterizedTest
    @ValueSource(strings = {"cabbage", "bell-pepper"})
    void bitternessBeginsPastItsLimit(String item) {
        long limit = (long) Taint.BITTER_MIN;
        Formula white = Book.whiteChicken();
        for (int more : new int[] {0, 1}) {
            When when = new When.BeforeTheEnd(Duration.ofMinutes(limit + more));
            assertThat(of(with(white, part(item, 5, when, 0)), 8)
                            .character()
                            .taints()
                            .isEmpty())
                    .isEqualTo(more == 0);
        }
    }

    @Test
    void aRoastToTheVeryShadeThatScorchesIsScorched() {
        assertThat(roastedTo(potamos.core.heat.Browning.SCORCHED)).contains(Taint.Kind.SCORCHED);
        assertThat(roastedTo(potamos.core.heat.Browning.SCORCHED - 0.1)).doesNotContain(Taint.Kind.SCORCHED);
    }

    private static List<Taint.Kind> roastedTo(double shade) {
        Formula brown = Book.of("brown-beef");
        Formula darker = brown.withProcedure(brown.procedure().stream()
                .<Phase>map(phase -> phase instanceof PrepPhase.Roast roast
                        ? new PrepPhase.Roast(roast.oven(), shade, roast.turnEvery(), roast.keepsMass())
                        : phase)
                .toList());
        return of(darker, 8).character().taints().stream().map(Taint::kind).toList();
    }

    @Test
    void sixMillimetresAreASliceAndMoreIsACube() {
        for (double mm : new double[] {2, 6, 6.5, 20}) {
            Charge charge = of(with(Book.whiteChicken(), part("carrot", 3, new When.WithTheBed(), mm)), 8);
            Character.CutPart carrot = charge.character().cuts().stream()
                    .filter(cut -> cut.id().equals("carrot"))
                    .findFirst()
                    .orElseThrow();
            Diffusion.Cut cut = Diffusion.Cut.AS_CUT;
            assertThat(carrot.spent())
                    .isCloseTo(Diffusion.spent(cut, mm, charge.run().simmerAt(), carrot.minutes()), within(1e-12));
            // One carrot in ten gives as if it had a quarter more time, and one as if it had a quarter less.
            double off = Band.Z90 * 0.2;
            assertThat(carrot.spread().high())
                    .isCloseTo(
                            Diffusion.spent(cut, mm, charge.run().simmerAt(), carrot.minutes() * (1 + off)),
                            within(1e-12));
            assertThat(carrot.spread().low())
                    .isCloseTo(
                            Diffusion.spent(cut, mm, charge.run().simmerAt(), carrot.minutes() * (1 - off)),
                            within(1e-12));
        }
    }

    @Test
    void aKitchenWithoutAnOvenRoastsInTheBooks() {
        Roasting roasting = of(Book.of("brown-beef"), 8).roasting().orElseThrow();
        assertThat(roasting.oven()).isEqualTo(Oven.book().name());
    }

    @Test
    void howSureARoastIsGoesByTheOvenAndByThePieces() {
        Oven slow = new Oven("slow", 6, false, new Estimate(2, 0.3, Basis.MEASURED_HERE));
        PrepPhase.Roast roast = new PrepPhase.Roast(Temperature.ofCelsius(210), 5.5, Duration.ofMinutes(15), 1);
        Roasting roasting = Roasting.best(roast, potamos.core.quantity.Mass.ofKg(10), List.of(slow));
        double sd = Math.hypot(0.3 / 2, 0.12);
        assertThat(roasting.minutes().high() / roasting.minutes().mid() - 1).isCloseTo(Band.Z90 * sd, within(0.02));
    }
}
