package potamos.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

class KeepingTest {

    private static final LocalDate MADE = LocalDate.of(2026, 2, 27);

    private static LimitProfile profile(int coldDays, int dayOfMaking) {
        LimitProfile us = LimitProfile.shipped().get(0);
        return new LimitProfile(
                "own",
                "own",
                "own plan",
                us.stages(),
                us.hotHold(),
                us.coldStore(),
                us.reheat(),
                us.reheatWithin(),
                us.beginWithin(),
                coldDays,
                dayOfMaking);
    }

    @Test
    void theEarliestLimitDecides() {
        assertThat(Keeping.coldUseBy(MADE, 3, profile(7, 0))).isEqualTo(LocalDate.of(2026, 3, 2));
        assertThat(Keeping.coldUseBy(MADE, 5, profile(2, 0))).isEqualTo(LocalDate.of(2026, 3, 1));
    }

    @Test
    void theDayOfMakingCountsWhereTheProfileSaysSo() {
        assertThat(Keeping.coldUseBy(MADE, 3, profile(7, 1))).isEqualTo(LocalDate.of(2026, 3, 1));
    }

    /** Seven days made on the 3rd end on the 9th under the US model code; five in all under cook-chill practice. */
    @Test
    void thePublishedProfilesCountTheDayOfMakingAsTheyDo() {
        LocalDate third = LocalDate.of(2026, 3, 3);
        assertThat(Keeping.coldUseBy(third, 30, shipped("us-food-code"))).isEqualTo(LocalDate.of(2026, 3, 9));
        assertThat(Keeping.coldUseBy(third, 30, shipped("uk-cook-chill"))).isEqualTo(LocalDate.of(2026, 3, 7));
        assertThat(Keeping.coldUseBy(third, 30, shipped("ca-retail"))).isEqualTo(LocalDate.of(2026, 3, 10));
    }

    private static LimitProfile shipped(String id) {
        return LimitProfile.shipped().stream()
                .filter(profile -> profile.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** A kitchen that has a published profile as it shipped once has it as it ships now; what it has changed stays its own. */
    @Test
    void whatShippedOnceIsBroughtToToday() {
        LimitProfile today = shipped("us-food-code");
        LimitProfile once = with(today, 7, 0);
        assertThat(once.asShippedToday()).isEqualTo(today);
        assertThat(today.asShippedToday()).isEqualTo(today);
        LimitProfile own = with(today, 4, 0);
        assertThat(own.asShippedToday()).isEqualTo(own);
    }

    private static LimitProfile with(LimitProfile like, int days, int made) {
        return new LimitProfile(
                like.id(),
                like.name(),
                like.source(),
                like.stages(),
                like.hotHold(),
                like.coldStore(),
                like.reheat(),
                like.reheatWithin(),
                like.beginWithin(),
                days,
                made);
    }

    @Test
    void everyProfileThatShipsRunsDownwardsToTheCold() {
        assertThat(LimitProfile.shipped())
                .hasSize(5)
                .allSatisfy(profile -> assertThat(profile.coldest().celsius()).isBetween(3.0, 10.0));
    }

    @Test
    void aStageThatWarmsIsRefused() {
        assertThatThrownBy(() -> new LimitProfile.Stage(
                        Temperature.ofCelsius(5), Temperature.ofCelsius(21), Duration.ofHours(2)))
                .isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new LimitProfile(
                        "x",
                        "x",
                        "x",
                        List.of(),
                        Temperature.ofCelsius(60),
                        Temperature.ofCelsius(5),
                        Temperature.ofCelsius(74),
                        Duration.ofHours(2),
                        Optional.empty(),
                        3,
                        0))
                .isInstanceOf(Refusal.class);
    }
}
