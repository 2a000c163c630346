package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static potamos.core.Samples.cylinder;
import static potamos.core.Samples.litres;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.formula.Book;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Formula;
import potamos.core.formula.Pantry;
import potamos.core.formula.Part;
import potamos.core.formula.Phase;
import potamos.core.formula.PotPhase;
import potamos.core.formula.PrepPhase;
import potamos.core.heat.Cover;
import potamos.core.heat.SimmerBand;
import potamos.core.liquor.Clarity;
import potamos.core.liquor.CutAdviser;
import potamos.core.liquor.Taint;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.vessel.Vessel;

/** What a charge is foretold to taste and look like, and why. */
class CharacterTest {

    private static Charge charge(Formula formula) {
        return ChargeSolver.solve(formula, Samples.pot(cylinder(40, 45)), litres(10));
    }

    private static List<Taint.Kind> taints(Formula formula) {
        return charge(formula).character().taints().stream().map(Taint::kind).toList();
    }

    private static Formula with(Formula formula, String item, double percent) {
        List<Part> parts = new ArrayList<>(formula.parts());
        parts.add(new Part(
                Pantry.find(item).orElseThrow(),
                new Part.Amount.PercentOfBed(percent),
                new Part.When.WithTheBed(),
                10));
        return formula.withParts(parts);
    }

    private static Formula simmering(Formula formula, SimmerBand band) {
        return formula.withProcedure(formula.procedure().stream()
                .map(p -> p instanceof PotPhase.Simmer s
                        ? new PotPhase.Simmer(band, s.usual(), s.least(), s.most(), Cover.OPEN, s.topUp(), s.skim())
                        : p)
                .toList());
    }

    private static Formula straining(Formula formula, int passes, boolean pressed, FinishPhase.Transfer transfer) {
        return formula.withProcedure(formula.procedure().stream()
                .map(p -> p instanceof FinishPhase.Strain ? new FinishPhase.Strain(passes, pressed, transfer) : p)
                .toList());
    }

    @Test
    void theBookTastesOfNothingElse() {
        for (Formula formula : Book.formulas()) {
            assertThat(taints(formula)).as(formula.name()).doesNotContain(Taint.Kind.KELP_HOT, Taint.Kind.SCORCHED);
        }
        assertThat(taints(Book.whiteChicken())).isEmpty();
    }

    @Test
    void fishTurnsBitterPastItsLimitAndNotBefore() {
        Formula fumet = Book.of("fish-fumet");
        assertThat(taints(fumet.simmeredFor(Duration.ofMinutes(35)))).doesNotContain(Taint.Kind.FISH_LONG);
        assertThat(taints(fumet.simmeredFor(Duration.ofMinutes(36)))).contains(Taint.Kind.FISH_LONG);
    }

    @Test
    void cabbageAndPepperTurnBitterInALongSimmerAndBeetColoursAnyOne() {
        Formula white = Book.whiteChicken();
        assertThat(taints(with(white, "cabbage", 3))).contains(Taint.Kind.BRASSICA);
        assertThat(taints(with(white, "bell-pepper", 3))).contains(Taint.Kind.PEPPER);
        Formula shortly = Book.of("vegetable-light");
        assertThat(taints(with(shortly, "cabbage", 3))).doesNotContain(Taint.Kind.BRASSICA);
        assertThat(taints(with(shortly, "beetroot", 3))).contains(Taint.Kind.BEET);
    }

    @Test
    void aRoastToBlackIsSaidToScorch() {
        Formula veal = Book.of("brown-veal");
        List<Phase> black = veal.procedure().stream()
                .map(p -> p instanceof PrepPhase.Roast r
                        ? new PrepPhase.Roast(r.oven(), 7.5, r.turnEvery(), r.keepsMass())
                        : p)
                .toList();
        assertThat(taints(veal.withProcedure(black))).contains(Taint.Kind.SCORCHED);
    }

    @Test
    void onlyAHeavyPotStandsMoreThanTwelveHours() {
        Formula overnight = Book.of("brown-beef").simmeredFor(Duration.ofHours(13));
        assertThat(taints(overnight)).as("a sound pot").doesNotContain(Taint.Kind.POT);
        Vessel sound = cylinder(40, 45);
        for (Vessel.Build build : Vessel.Build.values()) {
            Vessel pot = new Vessel(
                    sound.name(),
                    sound.shape(),
                    sound.kappa(),
                    Mass.ofKg(3),
                    sound.handling(),
                    build,
                    Optional.empty());
            Character character =
                    ChargeSolver.solve(overnight, Samples.pot(pot), litres(10)).character();
            boolean tastes = character.taints().stream().anyMatch(t -> t.kind() == Taint.Kind.POT);
            assertThat(tastes).as("%s", build).isEqualTo(build != Vessel.Build.HEAVY);
        }
    }

    @Test
    void kelpThatIsBoiledTurnsBitter() {
        Formula kelp = Book.of("kelp-flake");
        List<Phase> hot = kelp.procedure().stream()
                .map(p -> p instanceof PotPhase.Steep s && s.at().celsius() > 20
                        ? new PotPhase.Steep(Temperature.ofCelsius(88), s.takes())
                        : p)
                .toList();
        assertThat(taints(kelp)).doesNotContain(Taint.Kind.KELP_HOT);
        assertThat(taints(kelp.withProcedure(hot))).contains(Taint.Kind.KELP_HOT);
    }

    @Test
    void whateverCloudsCostsClarityAndIsNamed() {
        Formula white = Book.whiteChicken();
        double clear = charge(white).character().clarity().index();
        costs(straining(white, 2, true, FinishPhase.Transfer.LADLE), clear, Clarity.Cause.PRESSED);
        costs(straining(white, 1, false, FinishPhase.Transfer.LADLE), clear, Clarity.Cause.PASSES);
        costs(straining(white, 2, false, FinishPhase.Transfer.POUR), clear, Clarity.Cause.POURED);
        costs(simmering(white, SimmerBand.LIVELY), clear, Clarity.Cause.BOILED);
        costs(with(white, "potato", 4), clear, Clarity.Cause.THICKENED);
    }

    private static void costs(Formula formula, double clear, Clarity.Cause cause) {
        Clarity clarity = charge(formula).character().clarity();
        assertThat(clarity.index()).as("%s", cause).isLessThan(clear);
        assertThat(clarity.shares()).extracting(Clarity.Share::cause).contains(cause);
    }

    @Test
    void blanchedBonesAreClearerThanRawOnes() {
        Formula raw = Book.whiteChicken();
        assertThat(charge(raw.blanched(true)).character().clarity().index())
                .isGreaterThan(charge(raw).character().clarity().index());
    }

    @Test
    void aCutThatIsTooSmallGoesToMushAndClouds() {
        Formula white = Book.whiteChicken();
        List<Part> small = white.parts().stream()
                .map(p -> p.id().equals("onion") ? p.cutTo(3) : p)
                .toList();
        Character mush = charge(white.withParts(small)).character();
        Character.CutPart onion = mush.cuts().stream()
                .filter(c -> c.id().equals("onion"))
                .findFirst()
                .orElseThrow();
        assertThat(onion.fit()).isEqualTo(CutAdviser.Fit.TOO_SMALL);
        assertThat(mush.clarity().shares()).extracting(Clarity.Share::cause).contains(Clarity.Cause.MUSH);
    }

    @Test
    void theBooksOwnCutsFitTheirSimmer() {
        for (Formula formula : Book.formulas()) {
            for (Character.CutPart cut : charge(formula).character().cuts()) {
                assertThat(cut.fit())
                        .as("%s: %s at %.0f mm", formula.name(), cut.name(), cut.cutMm())
                        .isNotEqualTo(CutAdviser.Fit.TOO_LARGE);
            }
        }
    }

    @Test
    void wineIsDeclaredAndWaterIsNot() {
        assertThat(charge(Book.of("fish-fumet")).character().declaresSulphites())
                .isTrue();
        assertThat(charge(Book.whiteChicken()).character().sulphitesMgPerL()).isZero();
    }

    @Test
    void saltThatIsReducedBecomesTooMuch() {
        Formula seasoned = with(Book.of("vegetable-light"), "miso", 4);
        double once = charge(seasoned).character().salt().afterGPerL();
        List<Phase> phases = new ArrayList<>(seasoned.procedure());
        phases.removeIf(FinishPhase.Reduce.class::isInstance);
        phases.add(phases.indexOf(seasoned.strain()) + 1, new FinishPhase.Reduce(0.25));
        Character reduced = charge(seasoned.withProcedure(phases)).character();
        assertThat(reduced.salt().afterGPerL()).isCloseTo(reduced.salt().gPerL() / 0.25, within(1e-9));
        assertThat(reduced.salt().afterGPerL()).isGreaterThan(once);
        assertThat(reduced.salt().tooMuch()).isTrue();
    }

    /** What goes in late is still there; what simmers on for hours has gone with the steam, sooner at a lively simmer. */
    @Test
    void aromaFadesWithTheSteam() {
        Formula vegetable = Book.of("vegetable-light");
        double usual = aroma(vegetable, 0);
        double longer = aroma(vegetable.simmeredFor(Duration.ofHours(4)), 0);
        assertThat(usual).isGreaterThan(longer + 20);
        Pot pot = Samples.pot(Samples.cylinder(40, 45));
        Charge hours = ChargeSolver.solve(vegetable.simmeredFor(Duration.ofHours(4)), pot, Samples.litres(6));
        assertThat(Aroma.of(hours).flat()).isTrue();
        assertThat(aroma(vegetable, 97)).isLessThan(aroma(vegetable, 90));
        assertThat(usual).isBetween(0.0, 100.0);
    }

    private static double aroma(Formula formula, double simmerC) {
        Pot usual = Samples.pot(Samples.cylinder(40, 45));
        Pot pot = simmerC == 0
                ? usual
                : new Pot(
                        usual.vessel(),
                        usual.burner(),
                        usual.air(),
                        Optional.of(Temperature.ofCelsius(simmerC)),
                        List.of(),
                        usual.tap());
        return Aroma.of(ChargeSolver.solve(formula, pot, Samples.litres(6))).index();
    }
}
