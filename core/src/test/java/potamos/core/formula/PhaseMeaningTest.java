package potamos.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static potamos.core.formula.BookTest.assertField;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.figure.Figures;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;

/** What is written in a formula means something in the pot: by amounts worked out on paper. */
class PhaseMeaningTest {

    private static final PotPhase.Skim OFTEN_FIRST =
            new PotPhase.Skim(Duration.ofMinutes(10), Duration.ofMinutes(60), Duration.ofMinutes(30));

    @ParameterizedTest
    @CsvSource({"30, 4", "60, 7", "180, 11"})
    void aPotIsSkimmedOftenFirstAndSeldomLater(int simmerMin, double times) {
        assertThat(OFTEN_FIRST.countWithin(Duration.ofMinutes(simmerMin))).isCloseTo(times, within(1e-9));
        assertThat(PotPhase.Skim.none().countWithin(Duration.ofMinutes(simmerMin)))
                .isZero();
    }

    @ParameterizedTest
    @CsvSource({"5, BELOW, 5", "3.2, BELOW, 15", "5.5, THERE, 0", "6.4, THERE, 0", "6.5, DARKER, 0", "7, SCORCHED, 0"})
    void aShadeStandsToTheOneThatIsWanted(double seen, PrepPhase.Roast.Stands stands, int longerMin) {
        PrepPhase.Roast roast = new PrepPhase.Roast(Temperature.ofCelsius(200), 5.5, Duration.ofMinutes(20), 0.8);
        assertThat(roast.stands(seen)).isEqualTo(stands);
        assertThat(roast.longerAt(seen)).isEqualTo(Duration.ofMinutes(longerMin));
    }

    @Test
    void whatIsUsedInsteadIsAsMuchMoreOrLess() {
        Mass bed = Mass.ofKg(8);
        Volume water = Volume.ofLitres(12);
        assertThat(new Part.Amount.PercentOfBed(10).times(0.5).of(bed, water).kg())
                .isCloseTo(0.4, within(1e-12));
        assertThat(new Part.Amount.GramsPerKgBed(20).times(3).of(bed, water).kg())
                .isCloseTo(0.48, within(1e-12));
        assertThat(new Part.Amount.GramsPerLitre(5).times(2).of(bed, water).kg())
                .isCloseTo(0.12, within(1e-12));
    }

    @Test
    void aLevelIsHeldOrRefilledAndNotBoth() {
        assertThat(simmer(Map.of()).topUp()).isEqualTo(PotPhase.TopUp.none());
        PotPhase.TopUp held = simmer(Map.of(PotPhase.TopUp.HOLD.name(), true)).topUp();
        assertThat(held.held()).isTrue();
        assertThat(held.inRounds()).isFalse();
        assertThat(simmer(Map.of(PotPhase.TopUp.ROUNDS.name(), true)).topUp().inRounds())
                .isTrue();
        assertField(
                PotPhase.TopUp.ROUNDS.name(),
                () -> simmer(Map.of(PotPhase.TopUp.HOLD.name(), true, PotPhase.TopUp.ROUNDS.name(), true)));
    }

    /** A simmer as the book has it, with something said besides. */
    private static PotPhase.Simmer simmer(Map<String, Object> besides) {
        Figures written =
                PotPhase.Simmer.KIND.figuresOf(Book.of("court-bouillon").simmer());
        return PotPhase.Simmer.KIND.make(written.with(new Figures(besides)));
    }

    @Test
    void aSimmerThatLastsOtherwiseIsStillWithinItsOwnRange() {
        PotPhase.Simmer simmer = Book.whiteChicken().simmer();
        for (Duration length : List.of(Duration.ofMinutes(15), simmer.usual(), Duration.ofHours(20))) {
            PotPhase.Simmer other = simmer.lasting(length);
            assertThat(other.usual()).isEqualTo(length).isBetween(other.least(), other.most());
        }
        assertThat(simmer.lasting(simmer.usual())).isEqualTo(simmer);
    }

    @Test
    void whatSteepsInColdWaterIsNotHeatedForIt() {
        Formula formula = Book.whiteChicken();
        List<Phase> procedure = new ArrayList<>(formula.procedure());
        int simmer = procedure.indexOf(formula.simmer());
        procedure.add(simmer, new PotPhase.Steep(formula.fill().water(), Duration.ofMinutes(30)));
        procedure.add(simmer + 1, new PotPhase.Steep(formula.fill().water().plus(40), Duration.ofMinutes(20)));
        Formula steeped = formula.withProcedure(procedure);
        assertThat(steeped.coldSteep()).isEqualTo(Duration.ofMinutes(30));
        assertThat(steeped.warmSteeps()).extracting(PotPhase.Steep::takes).containsExactly(Duration.ofMinutes(20));
    }

    /** Four litres at 30 g/L and eight of water are twelve at 10; poured with three of the first they are fifteen at 14. */
    @Test
    void whatIsPouredTogetherIsInBoth() {
        Contents rich = new Contents(Set.of(Allergen.FISH), Set.of(), 30, false);
        Contents thin = new Contents(Set.of(Allergen.CELERY), Set.of(), 10, true);
        Contents both = thin.mixed(Volume.ofLitres(12), rich, Volume.ofLitres(3));
        assertThat(both.gelatinGPerL()).isCloseTo(14, within(1e-9));
        assertThat(both.allergens()).containsExactlyInAnyOrder(Allergen.FISH, Allergen.CELERY);
        assertThat(both.unknown()).isTrue();
        Liquid water = Book.whiteChicken().fill().liquid();
        Draw drawn = new Draw("lot", "lot", Volume.ofLitres(4), rich, 3);
        Liquid filled = water.drawnWith(List.of(drawn), Volume.ofLitres(12));
        assertThat(filled.kind()).isEqualTo(Liquid.Kind.STOCK);
        assertThat(filled.gelatinGPerL()).isCloseTo(10, within(1e-9));
        assertThat(filled.saltGPerL()).isCloseTo(1, within(1e-9));
        assertThat(filled.stock()).isCloseTo(1.0 / 3, within(1e-9));
    }

    @Test
    void aBedOfTwoKindsGivesAsBothTogetherAndInTheTimeOfWhatGives() {
        Formula formula = Book.whiteChicken();
        List<Formula.BedShare> half = List.of(
                new Formula.BedShare(Beds.CHICKEN_CARCASS, 0.5), new Formula.BedShare(Beds.MIXED_VEGETABLES, 0.5));
        var blended = formula.withBed(half).blendedBed();
        assertThat(blended.collagenGPerKg()).isCloseTo(Beds.CHICKEN_CARCASS.collagenGPerKg() / 2, within(1e-9));
        assertThat(blended.halfTimeH()).isCloseTo(Beds.CHICKEN_CARCASS.halfTimeH(), within(1e-9));
        assertThat(blended.scum().rawG())
                .isCloseTo(
                        (Beds.CHICKEN_CARCASS.scum().rawG()
                                        + Beds.MIXED_VEGETABLES.scum().rawG())
                                / 2,
                        within(1e-9));
        assertThat(Beds.saltGPerKg(Beds.KELP)).isGreaterThan(Beds.saltGPerKg(Beds.CHICKEN_CARCASS));
    }
}
