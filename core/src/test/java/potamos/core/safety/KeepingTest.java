package potamos.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
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
                        3,
                        0))
                .isInstanceOf(Refusal.class);
    }
}
