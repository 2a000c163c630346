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
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.figure.Figures;
import potamos.core.heat.Cover;
import potamos.core.liquor.Clarity;
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
