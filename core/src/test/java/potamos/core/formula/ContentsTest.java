package potamos.core.formula;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;
import potamos.core.safety.LimitProfile;

/** What is in a stock, told by what went into it: a station without celery or meat eats by this. */
class ContentsTest {

    private static final Contents CRAB =
            new Contents(Set.of(Allergen.CRUSTACEANS), Set.of(Contents.Trace.FISH, Contents.Trace.TOMATO), 12, false);

    private static Contents of(String slug) {
        return Contents.of(Book.of(slug), 20);
    }

    private static <T> Set<String> names(Set<T> some) {
        return some.stream().map(Object::toString).collect(Collectors.toSet());
    }

    private static Set<String> told(String words) {
        return Arrays.stream(words.split(" ")).filter(word -> !word.isEmpty()).collect(Collectors.toSet());
    }

    private static Draw draw(Contents contents) {
        return new Draw("lot", "Monday's", Volume.ofLitres(5), contents, 0);
    }

    @ParameterizedTest
    @CsvSource({
        "white-chicken, MEAT",
        "white-veal, MEAT",
        "brown-veal, MEAT TOMATO BROWNED",
        "brown-poultry, MEAT TOMATO BROWNED",
        "fish-fumet, FISH",
        "shellfish, FISH TOMATO BROWNED",
        "kelp-flake, FISH",
        "vegetable-light, ''",
        "vegetable-dark, TOMATO BROWNED",
        "second-wetting, MEAT"
    })
    void whatAStationAsksAboutIsToldByWhatWentIn(String slug, String traces) {
        assertThat(names(of(slug).traces())).isEqualTo(told(traces));
    }

    @Test
    void whatItIsDrawnWithIsInItToo() {
        Formula half = Book.of("half-reduction");
        assertThat(Contents.of(half, 0).traces()).isEmpty();
        Contents drawn = Contents.of(half.drawing(List.of(draw(CRAB))), 0);
        assertThat(names(drawn.traces())).isEqualTo(told("FISH TOMATO"));
        assertThat(drawn.allergens()).contains(Allergen.CRUSTACEANS);
    }

    @Test
    void aStockMadeOfWaterIsKnownAndOneMadeOfAStockOnlyWhereThatIs() {
        assertThat(of("white-chicken").unknown()).isFalse();
        Formula half = Book.of("half-reduction");
        assertThat(Contents.of(half, 0).unknown()).isTrue();
        assertThat(Contents.of(half.drawing(List.of(draw(CRAB))), 0).unknown()).isFalse();
        assertThat(Contents.of(half.drawing(List.of(draw(CRAB), draw(Contents.UNKNOWN))), 0)
                        .unknown())
                .isTrue();
    }

    /** Spent bones bring what they lay in, and nobody knows that of bones without a box. */
    @Test
    void spentBonesAreKnownOnlyWithTheirBox() {
        Formula second = Book.of("second-wetting");
        assertThat(Contents.of(second, 0).unknown()).isTrue();
        Formula boxed = second.bringing(List.of(new Brought(Brought.BED, "box", CRAB.ofSolids())));
        assertThat(Contents.of(boxed, 0).unknown()).isFalse();
        assertThat(Contents.of(boxed, 0).allergens()).contains(Allergen.CRUSTACEANS);
        // Another part with a box says nothing of the bones; and a box that nobody knows says nothing of itself.
        assertThat(Contents.of(second.bringing(List.of(new Brought("onion", "box", CRAB))), 0)
                        .unknown())
                .isTrue();
        assertThat(Contents.of(second.bringing(List.of(new Brought(Brought.BED, "box", Contents.UNKNOWN))), 0)
                        .unknown())
                .isTrue();
        Formula chicken = Book.of("white-chicken");
        assertThat(Contents.of(chicken.bringing(List.of(new Brought("onion", "box", Contents.UNKNOWN))), 0)
                        .unknown())
                .isTrue();
    }

    @Test
    void solidsHoldWhatTheStockHeldButNotItsGelatin() {
        Contents solids = CRAB.ofSolids();
        assertThat(solids.allergens()).isEqualTo(CRAB.allergens());
        assertThat(solids.traces()).isEqualTo(CRAB.traces());
        assertThat(solids.gelatinGPerL()).isZero();
        assertThat(solids.unknown()).isFalse();
        assertThat(CRAB.butUnknown().ofSolids().unknown()).isTrue();
    }

    /** A pot is cleaned of what swims and is not in what comes next; celery and the like are a label's matter. */
    @Test
    void onlyWhatSwimsAndIsNotInTheNextIsCleanedOff() {
        Contents held = new Contents(Set.of(Allergen.CRUSTACEANS, Allergen.FISH, Allergen.CELERY), Set.of(), 0, false);
        assertThat(held.cleanedOffFor(of("white-chicken")))
                .containsExactlyInAnyOrder(Allergen.CRUSTACEANS, Allergen.FISH);
        assertThat(held.cleanedOffFor(of("fish-fumet"))).containsExactly(Allergen.CRUSTACEANS);
        assertThat(of("white-chicken").cleanedOffFor(of("vegetable-light"))).isEmpty();
    }

    @Test
    void ofABedOfTwoKindsEachGoesOnWithItsShare() {
        Formula kelp = Book.of("kelp-flake");
        double both = kelp.shareOf(Beds.KELP.id()) + kelp.shareOf(Beds.FLAKES.id());
        assertThat(kelp.shareOf(Beds.KELP.id())).isPositive();
        assertThat(kelp.inBed(Beds.KELP.id())).isTrue();
        assertThat(kelp.inBed(Beds.SPENT_BONES.id())).isFalse();
        assertThat(kelp.shareOf(Beds.SPENT_BONES.id())).isZero();
        assertThat(Leftover.SECOND_STEEP.shareOf(kelp)).isEqualTo(both);
        assertThat(Leftover.SECOND_WETTING.shareOf(kelp)).isZero();
        assertThat(Leftover.COMPOST.shareOf(kelp)).isEqualTo(1);
        assertThat(Leftover.SECOND_WETTING.shareOf(Book.of("brown-veal"))).isPositive();
    }

    static List<LimitProfile> profiles() {
        return LimitProfile.shipped();
    }

    /** Solids keep no longer than the kitchen's profile lets anything cold keep; fat alone, which holds no water, outlasts it. */
    @ParameterizedTest
    @MethodSource("profiles")
    void fatAloneOutlastsWhatAProfileLetsColdFoodKeep(LimitProfile limits) {
        LocalDate made = LocalDate.of(2026, 11, 30);
        LocalDate profile = made.plusDays(limits.coldDays());
        assertThat(Leftover.FAT.useBy(made, limits)).isAfter(profile);
        for (Leftover solid : Leftover.values()) {
            if (solid.solid() && solid.goods().isPresent()) {
                assertThat(solid.useBy(made, limits)).isBetween(made, profile);
            }
        }
    }
}
