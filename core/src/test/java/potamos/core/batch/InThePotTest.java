package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.figure.Figures;
import potamos.core.formula.Book;
import potamos.core.formula.Brought;
import potamos.core.formula.Contents;
import potamos.core.formula.Formula;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.safety.Allergen;

/** By what of its record a plan stands. */
class InThePotTest {

    private static final Contents CELERY = new Contents(Set.of(Allergen.CELERY), Set.of(), 0, false);
    private static final Contents MILK = new Contents(Set.of(Allergen.MILK), Set.of(), 0, false);
    private static final Brought FAT = new Brought("carrot", "box 1", CELERY);

    private final Formula formula = Book.whiteChicken().bringing(List.of(FAT));
    private final Plan plan = Samples.plan(formula);

    private InThePot of(Fact... facts) {
        return InThePot.of(plan, List.of(facts));
    }

    private static ChoreEvent.Took took(String part, double kg, Optional<Contents> contents) {
        return new ChoreEvent.Took(Samples.at(5), part, Mass.ofKg(kg), "box 2", contents);
    }

    @Test
    void whatIsPlannedToBeBroughtStandsUntilSomethingIsTakenForIt() {
        assertThat(of().as().fill().brought()).containsExactly(FAT);
        assertThat(of(took("onion", 0.3, Optional.empty())).as().fill().brought())
                .containsExactly(FAT);
        assertThat(of(took("carrot", 0.3, Optional.empty())).as().fill().brought())
                .isEmpty();
        assertThat(of(took("carrot", 0.3, Optional.of(MILK))).as().fill().brought())
                .containsExactly(new Brought("carrot", "box 2", MILK));
        assertThat(of(took("onion", 0.3, Optional.of(MILK))).as().fill().brought())
                .containsExactlyInAnyOrder(FAT, new Brought("onion", "box 2", MILK));
    }

    @Test
    void boxesAddUpAndTheScaleHasTheLastWord() {
        assertThat(of(took("carrot", 0.3, Optional.empty()), took("carrot", 0.2, Optional.empty()))
                        .weighed())
                .isEqualTo(Map.of("carrot", Mass.ofKg(0.3).plus(Mass.ofKg(0.2))));
        assertThat(of(
                                took("carrot", 0.3, Optional.empty()),
                                new ChoreEvent.WeighedIn(Samples.at(6), "carrot", Mass.ofKg(0.4), ""))
                        .weighed())
                .isEqualTo(Map.of("carrot", Mass.ofKg(0.4)));
    }

    /** What is read of a pot changes what is expected of it, and not how its plan stands. */
    @Test
    void whatIsReadIsNoneOfIt() {
        assertThat(of(
                        new PotEvent.Filled(Samples.at(8), plan.charge().water(), Temperature.ofCelsius(12)),
                        new PotEvent.HeatOn(Samples.at(9)),
                        new LookEvent.Noted(Samples.at(10), "quiet")))
                .isEqualTo(of());
    }

    /** Whoever says anything of what is in a box has said it; what is left out is unknown. */
    @Test
    void anythingThatIsSaidOfABoxIsSaid() {
        assertThat(contents(Map.of())).isEmpty();
        assertThat(contents(Map.of("allergens", "milk")))
                .hasValue(new Contents(Set.of(Allergen.MILK), Set.of(), 0, true));
        assertThat(contents(Map.of("traces", "meat")).orElseThrow().traces()).containsExactly(Contents.Trace.MEAT);
        assertThat(contents(Map.of("unknown", false))).hasValue(new Contents(Set.of(), Set.of(), 0, false));
    }

    private static Optional<Contents> contents(Map<String, Object> said) {
        Map<String, Object> figures = new HashMap<>(Map.of(
                ChoreEvent.Took.PART.name(),
                "carrot",
                ChoreEvent.Took.MASS.name(),
                0.3,
                ChoreEvent.Took.BOX.name(),
                "box 2"));
        figures.putAll(said);
        return ChoreEvent.Took.KIND.make(Samples.at(5), new Figures(figures)).contents();
    }
}
