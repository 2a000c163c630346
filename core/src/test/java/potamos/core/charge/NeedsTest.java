package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.charge.Needs.Need;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.formula.Contents.Trace;
import potamos.core.formula.Formula;
import potamos.core.safety.Allergen;

/** What may go to whom. */
class NeedsTest {

    private static Needs needs(Need... needs) {
        return new Needs(Set.of(), Set.of(needs));
    }

    @Test
    void whatContainsAnAllergenIsRefusedToWhoeverIsWithout() {
        Formula chicken = Book.whiteChicken();
        assertThat(Needs.NONE.refused(chicken)).isEmpty();
        assertThat(Needs.without(Set.of(Allergen.CELERY)).refused(chicken))
                .hasValue(chicken.name() + " contains celery");
        assertThat(Needs.without(Set.of(Allergen.MILK)).refused(chicken)).isEmpty();
    }

    /** What a reduction is drawn with had contents of its own. */
    @Test
    void whatIsNotKnownIsRefusedWhereItMattersAndNotWhereItCanBeSeen() {
        Formula half = Book.of("half-reduction");
        assertThat(half.allergens()).doesNotContain(Allergen.CELERY);
        assertThat(Needs.without(Set.of(Allergen.CELERY)).refused(half).orElseThrow())
                .contains("not known");
        assertThat(needs(Need.MEAT_FREE).refused(half).orElseThrow()).contains("not known");
        assertThat(Needs.NONE.refused(half)).isEmpty();
        Contents pale = new Contents(Set.of(), Set.of(), 30, true);
        assertThat(needs(Need.PALE, Need.SETS).refused("it", pale)).isEmpty();
        assertThat(needs(Need.NO_TOMATO).refused("it", pale).orElseThrow()).contains("not known");
    }

    /** Spent bones lay in vegetables once, or beside fish: no formula says in which. */
    @Test
    void whatSpentBonesLayInIsNotKnown() {
        Formula second = Book.of("second-wetting");
        assertThat(Needs.without(Set.of(Allergen.FISH)).refused(second).orElseThrow())
                .contains("not known");
        assertThat(Needs.NONE.refused(second)).isEmpty();
    }

    /** Every family against what can be asked of it, as a cook would answer; what sets is another question. */
    @ParameterizedTest
    @CsvSource({
        "brown-veal,      PALE NO_TOMATO MEAT_FREE",
        "white-chicken,   MEAT_FREE",
        "fish-fumet,      FISH_FREE",
        "shellfish,       PALE NO_TOMATO FISH_FREE",
        "vegetable-light, ''",
        "vegetable-dark,  PALE NO_TOMATO",
        "kelp-flake,      FISH_FREE",
    })
    void familiesMeetWhatTheyAreMadeOf(String slug, String refused) {
        Formula formula = Book.of(slug);
        String found = Stream.of(Need.PALE, Need.NO_TOMATO, Need.MEAT_FREE, Need.FISH_FREE)
                .filter(need -> needs(need).refused(formula).isPresent())
                .map(Need::name)
                .collect(Collectors.joining(" "));
        assertThat(found).isEqualTo(refused);
    }

    @Test
    void aLongVealStockSetsAndAVegetableStockNever() {
        assertThat(needs(Need.SETS).refused(Book.of("brown-veal"))).isEmpty();
        assertThat(needs(Need.SETS).refused(Book.of("vegetable-light")).orElseThrow())
                .endsWith("does not set when it is cold");
        double justNot = 11.9;
        assertThat(needs(Need.SETS).refused("it", new Contents(Set.of(), Set.of(), justNot, false)))
                .isPresent();
    }

    @Test
    void fennelTakesThePlaceOfTheCeleryThatAloneIsInTheWay() {
        Formula chicken = Book.whiteChicken();
        Needs.Swap swap =
                Needs.without(Set.of(Allergen.CELERY)).swapped(chicken).orElseThrow();
        assertThat(swap.item().id()).isEqualTo("celery");
        assertThat(swap.by().id()).isEqualTo("fennel");
        assertThat(new Needs(Set.of(Allergen.CELERY), Set.of(Need.MEAT_FREE)).swapped(chicken))
                .isEmpty();
    }

    /** After what swims comes a clean-down, unless the next swims as well. */
    @ParameterizedTest
    @CsvSource({
        "fish-fumet,    white-chicken, FISH",
        "shellfish,     white-chicken, CRUSTACEANS",
        "shellfish,     fish-fumet,    CRUSTACEANS",
        "fish-fumet,    kelp-flake,    ''",
        "white-chicken, fish-fumet,    ''",
        "brown-veal,    vegetable-light, ''",
    })
    void aPotIsCleanedDownOfWhatSwims(String before, String next, String of) {
        Contents held = Contents.of(Book.of(before), 0);
        String left = held.cleanedOffFor(Contents.of(Book.of(next), 0)).stream()
                .map(Allergen::name)
                .collect(Collectors.joining(" "));
        assertThat(left).isEqualTo(of);
    }

    /** Asking for more never makes more of a stock fit. */
    @RepeatedTest(200)
    void whoeverNeedsMoreIsRefusedAtLeastAsMuch(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        Contents contents =
                new Contents(some(Allergen.values(), random), some(Trace.values(), random), 10, random.nextBoolean());
        Needs fewer = new Needs(some(Allergen.values(), random), some(Need.values(), random));
        Needs others = new Needs(some(Allergen.values(), random), some(Need.values(), random));
        Needs more = fewer.and(others);
        assertThat(more.without()).containsAll(fewer.without()).containsAll(others.without());
        assertThat(more.needs()).containsAll(fewer.needs()).containsAll(others.needs());
        if (fewer.refused("it", contents).isPresent()) {
            assertThat(more.refused("it", contents)).isPresent();
        }
    }

    private static <T> Set<T> some(T[] of, Random random) {
        return Stream.of(of).filter(one -> random.nextInt(4) == 0).collect(Collectors.toSet());
    }
}
