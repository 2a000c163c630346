package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.Pantry;
import potamos.core.formula.Part;

/** What is lifted out before the simmer and what goes in after it, whether a formula has it as its bed or beside it. */
class InfusionTest {

    private static final String KELP = "kelp-dried";
    private static final String FLAKES = "fish-flakes-dried";

    private final Formula ofTheBed = Book.of("kelp-flake");
    private final Formula beside = Book.of("vegetable-seaweed-barley");

    private static Formula with(Formula formula, String item, double gramsPerL, Part.When when) {
        Part part = new Part(Pantry.find(item).orElseThrow(), new Part.Amount.GramsPerLitre(gramsPerL), when, 0);
        return formula.withParts(List.of(part));
    }

    private static Charge charge(Formula formula) {
        return ChargeSolver.solve(formula, Samples.pot(Samples.cylinder(36, 40)), Samples.litres(10));
    }

    @Test
    void aBedGivesItsKelpAndItsFlakesByTheirKinds() {
        assertThat(Infusion.kelp(ofTheBed)).contains("kelp");
        assertThat(Infusion.flakes(ofTheBed)).contains("fish-flakes");
        assertThat(Infusion.ofTheBed(ofTheBed, "fish-flakes")).isTrue();
        assertThat(Infusion.flakes(ofTheBed, "fish-flakes")).isTrue();
        assertThat(Infusion.flakes(ofTheBed, "kelp")).isFalse();
    }

    @Test
    void partsGiveThemByTheirItems() {
        assertThat(Infusion.kelp(beside)).contains(KELP);
        assertThat(Infusion.ofTheBed(beside, KELP)).isFalse();
        assertThat(Infusion.flakes(beside)).isEmpty();
        assertThat(Infusion.flakes(beside, KELP)).isFalse();
        Formula flaked = with(beside, FLAKES, 10, new Part.When.WithTheBed());
        assertThat(Infusion.flakes(flaked)).contains(FLAKES);
        assertThat(Infusion.flakes(flaked, FLAKES)).isTrue();
        assertThat(Infusion.kelp(flaked)).isEmpty();
    }

    /** Kelp that goes in at the end has nothing before the simmer to be lifted out of. */
    @Test
    void onlyKelpThatIsThereBeforeTheSimmerIsLiftedOut() {
        assertThat(Infusion.kelp(with(beside, KELP, 5, new Part.When.BeforeTheEnd(Duration.ofMinutes(10)))))
                .isEmpty();
        assertThat(Infusion.kelp(Book.whiteChicken())).isEmpty();
    }

    @Test
    void itsShareIsOfTheBedOrWhatWasMeasured() {
        Charge bed = charge(ofTheBed);
        assertThat(Infusion.share(bed, "kelp").orElseThrow().kg())
                .isCloseTo(0.3 * bed.run().raw().kg(), within(1e-9));
        assertThat(Infusion.share(bed, "fish-flakes").orElseThrow().kg())
                .isCloseTo(0.7 * bed.run().raw().kg(), within(1e-9));
        Charge parts = charge(beside);
        assertThat(Infusion.share(parts, KELP).orElseThrow().grams())
                .isCloseTo(5 * parts.water().litres(), within(1e-6));
        assertThat(Infusion.share(parts, "barley-pearl")).as("stays in").isEmpty();
        assertThat(Infusion.share(parts, "kelp")).isEmpty();
    }

    @Test
    void theRestBeginsWithTheFlakesWhereTheyGoInAfterTheHeat() {
        Charge flakes = charge(ofTheBed);
        Instant ended = Samples.EIGHT;
        Instant rested = ended.plus(Duration.ofMinutes(4));
        assertThat(Infusion.restEnds(flakes, ended, Map.of())).isEqualTo(rested);
        assertThat(Infusion.restEnds(flakes, ended, Map.of("fish-flakes", ended.plusSeconds(90))))
                .isEqualTo(rested.plusSeconds(90));
        assertThat(Infusion.restEnds(flakes, ended, Map.of("fish-flakes", ended.minusSeconds(90))))
                .as("in before the heat was off")
                .isEqualTo(rested);
        assertThat(Infusion.restEnds(flakes, ended, Map.of("kelp", ended.plusSeconds(90))))
                .isEqualTo(rested);
        assertThat(Infusion.restEnds(charge(beside), ended, Map.of(KELP, ended.plusSeconds(90))))
                .isEqualTo(ended.plus(Duration.ofMinutes(15)));
    }
}
