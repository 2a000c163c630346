package potamos.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static potamos.core.formula.BookTest.assertField;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.figure.Figures;
import potamos.core.formula.Part.When;
import potamos.core.heat.Cover;
import potamos.core.liquor.Clarity;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/** Each school changes what it is said to change, and those that contradict are refused. */
class SchoolsTest {

    private static Charge charge(Formula formula, Schools schools) {
        return ChargeSolver.solve(schools.applyTo(formula), Samples.pot(Samples.kettle()), Samples.bones(12));
    }

    private static <T> Schools with(School<T> school, T choice) {
        return Schools.AS_WRITTEN.with(school, choice);
    }

    private static Formula applied(Formula formula, School<?> school, Object option) {
        return Schools.AS_WRITTEN.choosing(school, option).applyTo(formula);
    }

    /** Every option of every school in every formula: what was chosen is what stands then, or it was refused on the school's own field. */
    @Test
    void whatIsChosenIsWhatStands() {
        Set<String> stood = new TreeSet<>();
        for (Formula formula : Book.formulas()) {
            for (School<?> school : Schools.ALL) {
                for (Object option : school.options()) {
                    String which = formula.slug() + " " + school.name() + " " + option;
                    try {
                        Formula chosen = applied(formula, school, option);
                        Object now = Schools.standing(formula, chosen).byName().get(school.name());
                        assertThat(now).as(which).isEqualTo(school.means(formula) ? option : null);
                        if (now != null) {
                            stood.add(school.name() + " " + option);
                        }
                    } catch (Refusal refusal) {
                        assertThat(refusal.field()).as(which).isEqualTo(school.name());
                    }
                }
            }
        }
        assertThat(stood).contains("cover lid-on", "roast overnight", "herbs dried-third-volume", "tomato none");
        for (School<?> school : Schools.ALL) {
            school.options().forEach(option -> assertThat(stood).contains(school.name() + " " + option));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "blanch, white-chicken second-wetting, brown-veal fish-fumet vegetable-light kelp-flake",
        "simmersIn, white-chicken brown-veal, fish-fumet kelp-flake glaze",
        "topUp, white-chicken brown-veal fish-fumet, kelp-flake half-reduction glaze",
        "press, white-chicken shellfish, kelp-flake half-reduction glaze",
        "density, vegetable-light vegetable-dark, white-chicken brown-veal kelp-flake",
        "roast, brown-veal vegetable-dark, white-chicken vegetable-light fish-fumet",
        "tomato, brown-veal shellfish, white-chicken vegetable-light fish-fumet",
        "vegetables, white-chicken brown-veal, kelp-flake glaze"
    })
    void aSchoolIsAChoiceWhereTheStockHasWhatItIsAbout(String name, String where, String nowhere) {
        School<?> school = Schools.ALL.stream()
                .filter(one -> one.name().equals(name))
                .findFirst()
                .orElseThrow();
        assertThat(where.split(" ")).allMatch(slug -> school.means(Book.of(slug)));
        assertThat(nowhere.split(" ")).noneMatch(slug -> school.means(Book.of(slug)));
    }

    /** Nobody skims in an oven, and a pot goes into it hot. */
    @Test
    void anOvenSimmersWhatCameHotOutOfTheKettleAndUnskimmed() {
        Formula white = Book.whiteChicken();
        Formula in = with(Schools.SIMMERS_IN, Schools.SimmersIn.THE_OVEN).applyTo(white);
        assertThat(white.fill().water().celsius()).isLessThan(20);
        assertThat(in.fill().water().celsius()).isEqualTo(90);
        assertThat(in.simmer().oven()).contains(Temperature.ofCelsius(150));
        assertThat(in.simmer().skim()).isEqualTo(PotPhase.Skim.none());
        Formula boiling = in.withProcedure(in.procedure().stream()
                .map(phase -> phase instanceof PotPhase.Fill fill ? fill.at(Temperature.ofCelsius(97)) : phase)
                .toList());
        assertThat(with(Schools.SIMMERS_IN, Schools.SimmersIn.THE_OVEN)
                        .applyTo(boiling)
                        .fill()
                        .water()
                        .celsius())
                .isEqualTo(97);
        assertThat(with(Schools.SIMMERS_IN, Schools.SimmersIn.THE_POT_ON_THE_FIRE)
                        .applyTo(in)
                        .simmer()
                        .oven())
                .isEmpty();
    }

    @Test
    void vegetablesGoInWithTheBedOrNearTheEndAndNothingElseWithThem() {
        Formula white = Book.whiteChicken();
        Formula late = with(Schools.VEGETABLES, Schools.VegetablesIn.LATE).applyTo(white);
        Formula early =
                with(Schools.VEGETABLES, Schools.VegetablesIn.AT_THE_START).applyTo(late);
        for (int i = 0; i < white.parts().size(); i++) {
            Part written = white.parts().get(i);
            boolean vegetable = written.kind() == Part.Kind.VEGETABLE;
            assertThat(late.parts().get(i).when())
                    .isEqualTo(vegetable ? new When.BeforeTheEnd(Duration.ofMinutes(105)) : written.when());
            assertThat(early.parts().get(i).when()).isEqualTo(vegetable ? new When.WithTheBed() : written.when());
        }
    }

    /** A level that is to be held is let down by as much as is written, or by what is usual where nothing is. */
    @Test
    void aHeldLevelHasADropAndOneThatIsLetReduceHasNone() {
        Formula white = Book.whiteChicken();
        Formula left = with(Schools.TOP_UP, Schools.LevelIs.LET_REDUCE).applyTo(white);
        assertThat(left.simmer().topUp()).isEqualTo(PotPhase.TopUp.none());
        Formula held = with(Schools.TOP_UP, Schools.LevelIs.HOLD).applyTo(left);
        assertThat(held.simmer().topUp().drop().cm()).isEqualTo(2.5);
        Formula lower = held.withProcedure(held.procedure().stream()
                .map(phase -> phase instanceof PotPhase.Simmer simmer
                        ? simmer.withTopUp(new PotPhase.TopUp(
                                simmer.topUp().keeps(),
                                Length.ofCm(4),
                                simmer.topUp().water()))
                        : phase)
                .toList());
        assertThat(with(Schools.TOP_UP, Schools.LevelIs.HOLD)
                        .applyTo(lower)
                        .simmer()
                        .topUp()
                        .drop()
                        .cm())
                .isEqualTo(4);
        assertThat(with(Schools.TOP_UP, Schools.LevelIs.REFILL_IN_ROUNDS)
                        .applyTo(lower)
                        .simmer()
                        .topUp()
                        .drop()
                        .cm())
                .isZero();
    }

    @Test
    void anOvenBetweenTheSchoolsIsNeither() {
        Formula brown = Book.formulas().get(0);
        Formula between = brown.withProcedure(brown.procedure().stream()
                .map(phase -> phase instanceof PrepPhase.Roast roast
                        ? new PrepPhase.Roast(
                                Temperature.ofCelsius(138), roast.shade(), roast.turnEvery(), roast.keepsMass())
                        : phase)
                .toList());
        assertThat(Schools.standing(between, between).byName()).doesNotContainKey("roast");
        assertThat(Schools.ROAST.means(between)).isTrue();
        assertThat(Schools.standing(brown, brown).byName()).containsEntry("roast", "hot-and-fast");
    }

    @Test
    void whatNobodyKnowsIsRefused() {
        assertField(
                "lid",
                () -> new Schools(Optional.empty(), new Figures(Map.of("lid", "open"))).applyTo(Book.whiteChicken()));
        assertField(
                "cover",
                () -> new Schools(Optional.empty(), new Figures(Map.of("cover", "a plate")))
                        .applyTo(Book.whiteChicken()));
        assertField(
                "simmerMin",
                () -> new Schools(Optional.empty(), new Figures(Map.of("simmerMin", 0.5)))
                        .applyTo(Book.whiteChicken()));
    }

    @Test
    void asWrittenChangesNothing() {
        for (Formula formula : Book.formulas()) {
            assertThat(Schools.AS_WRITTEN.applyTo(formula)).isEqualTo(formula);
        }
    }

    @Test
    void blanchingBuysClarity() {
        double raw = charge(Book.whiteChicken(), with(Schools.BLANCH, false))
                .character()
                .clarity()
                .index();
        double blanched = charge(Book.whiteChicken(), with(Schools.BLANCH, true))
                .character()
                .clarity()
                .index();
        assertThat(blanched).isGreaterThan(raw + 5);
    }

    @Test
    void aLidKeepsLitresAndALowerLevelCostsThem() {
        Schools open = with(Schools.TOP_UP, Schools.LevelIs.LET_REDUCE).with(Schools.COVER, Cover.OPEN);
        Schools lid = open.with(Schools.COVER, Cover.PAPER_LID);
        Charge reduced = charge(Book.whiteChicken(), open);
        Charge covered = charge(Book.whiteChicken(), lid);
        assertThat(covered.forecast().yield().mid())
                .isGreaterThan(reduced.forecast().yield().mid() + 1);
        assertThat(covered.forecast().gelatinGPerL())
                .isLessThan(reduced.forecast().gelatinGPerL());
    }

    @Test
    void pressingBuysLitresWithClarity() {
        Schools pressed = with(Schools.PRESS, true);
        Charge as = charge(Book.whiteChicken(), Schools.AS_WRITTEN);
        Charge after = charge(Book.whiteChicken(), pressed);
        assertThat(after.forecast().yield().mid())
                .isGreaterThan(as.forecast().yield().mid());
        assertThat(after.character().clarity().shares())
                .extracting(Clarity.Share::cause)
                .contains(Clarity.Cause.PRESSED);
    }

    @Test
    void withoutTomatoNothingThickens() {
        Charge none = charge(Book.formulas().get(0), with(Schools.TOMATO, Schools.TomatoCooked.NONE));
        assertThat(none.measures()).noneMatch(m -> m.part().kind() == Part.Kind.TOMATO);
        assertThat(none.character().clarity().shares())
                .extracting(Clarity.Share::cause)
                .doesNotContain(Clarity.Cause.THICKENED);
    }

    @Test
    void overnightIsCoolerAndLonger() {
        Schools overnight = with(Schools.ROAST, Schools.Oven.OVERNIGHT);
        PrepPhase.Roast roast = overnight
                .applyTo(Book.formulas().get(0))
                .phase(PrepPhase.Roast.class)
                .orElseThrow();
        assertThat(roast.oven().celsius()).isEqualTo(120);
        assertThat(roast.turnEvery()).isEqualTo(Duration.ofMinutes(120));
    }

    @Test
    void theLightSchoolUsesHalfTheVegetablesForALitreOnceReduced() {
        Charge dense = ChargeSolver.solve(
                with(Schools.DENSITY, Schools.Vegetables.DENSE).applyTo(Book.of("vegetable-light")),
                Samples.pot(Samples.kettle()),
                Samples.litres(10));
        Charge light = ChargeSolver.solve(
                with(Schools.DENSITY, Schools.Vegetables.LIGHT_REDUCED).applyTo(Book.of("vegetable-light")),
                Samples.pot(Samples.kettle()),
                Samples.litres(10));
        assertThat(light.forecast().ledger().yield().litres()).isCloseTo(10, within(1e-6));
        assertThat(light.boilDownMin()).isPositive();
        assertThat(light.run().raw().kg() / dense.run().raw().kg()).isBetween(0.7, 1.3);
        assertThat(light.water().litres()).isGreaterThan(1.5 * dense.water().litres());
    }

    @Test
    void driedHerbsByHalfTheWeightOrAThirdOfTheVolume() {
        Mass fresh = thyme(Schools.AS_WRITTEN);
        assertThat(thyme(with(Schools.HERBS, Schools.HerbsAs.DRIED_HALF_WEIGHT)).kg())
                .isCloseTo(fresh.kg() / 2, within(1e-12));
        Item thyme = Pantry.find("thyme").orElseThrow();
        double litres = fresh.kg() / thyme.kgPerL();
        assertThat(thyme(with(Schools.HERBS, Schools.HerbsAs.DRIED_THIRD_VOLUME))
                        .kg())
                .isCloseTo(litres / 3 * thyme.driedKgPerL(), within(1e-12));
    }

    private static Mass thyme(Schools schools) {
        return charge(Book.whiteChicken(), schools).measures().stream()
                .filter(m -> m.part().id().equals("thyme"))
                .findFirst()
                .orElseThrow()
                .mass();
    }

    @Test
    void contradictionsAreRefusedOnTheirField() {
        Formula brown = Book.formulas().get(0);
        Formula white = Book.whiteChicken();
        assertField("blanch", () -> with(Schools.BLANCH, true).applyTo(brown));
        assertField(
                "tomato",
                () -> with(Schools.TOMATO, Schools.TomatoCooked.ON_THE_BONES).applyTo(white));
        assertField(
                "density", () -> with(Schools.DENSITY, Schools.Vegetables.DENSE).applyTo(white));
        assertField(
                "roast", () -> with(Schools.ROAST, Schools.Oven.HOT_AND_FAST).applyTo(white));
        Schools squeeze = with(Schools.PRESS, true);
        assertField("press", () -> squeeze.applyTo(Book.of("kelp-flake")));
        Schools held = with(Schools.TOP_UP, Schools.LevelIs.HOLD);
        assertField("topUp", () -> held.applyTo(Book.of("glaze")));
    }
}
