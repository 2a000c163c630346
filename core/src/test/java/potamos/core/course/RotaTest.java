package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import potamos.core.quantity.Refusal;

class RotaTest {

    private static final Instant MONDAY = Instant.parse("2026-03-02T00:00:00Z");

    private static Rota.Hours hours(String from, String to, int cooks, DayOfWeek... days) {
        return new Rota.Hours(Set.of(days), LocalTime.parse(from), LocalTime.parse(to), cooks);
    }

    private static int cooksAt(Rota rota, String at) {
        Instant moment = Instant.parse(at);
        return rota.between(MONDAY, MONDAY.plus(Duration.ofDays(7))).stream()
                .filter(present ->
                        !present.from().isAfter(moment) && present.to().isAfter(moment))
                .mapToInt(Rota.Present::cooks)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void hoursThatOverlapAddUpAndNobodyIsThereOtherwise() {
        Rota rota = new Rota(
                ZoneOffset.UTC,
                List.of(hours("06:00", "14:00", 1, DayOfWeek.MONDAY), hours("12:00", "22:00", 2, DayOfWeek.MONDAY)));
        assertThat(cooksAt(rota, "2026-03-02T05:59:00Z")).isZero();
        assertThat(cooksAt(rota, "2026-03-02T06:00:00Z")).isEqualTo(1);
        assertThat(cooksAt(rota, "2026-03-02T13:00:00Z")).isEqualTo(3);
        assertThat(cooksAt(rota, "2026-03-02T14:00:00Z")).isEqualTo(2);
        assertThat(cooksAt(rota, "2026-03-02T22:00:00Z")).isZero();
        assertThat(cooksAt(rota, "2026-03-03T13:00:00Z")).isZero();
    }

    @Test
    void aShiftOfTheEveningBeforeReachesPastMidnight() {
        Rota rota = new Rota(ZoneOffset.UTC, List.of(hours("17:00", "02:00", 1, DayOfWeek.SUNDAY)));
        assertThat(cooksAt(rota, "2026-03-02T01:59:00Z")).isEqualTo(1);
        assertThat(cooksAt(rota, "2026-03-02T02:00:00Z")).isZero();
        assertThat(cooksAt(rota, "2026-03-08T18:00:00Z")).isEqualTo(1);
    }

    /** On the day on which clocks go forward a shift from midnight to six is five hours long. */
    @Test
    void hoursAreThoseOfTheKitchensClock() {
        Rota rota = new Rota(ZoneId.of("Europe/Zurich"), List.of(hours("00:00", "06:00", 1, DayOfWeek.SUNDAY)));
        Instant from = Instant.parse("2026-03-28T20:00:00Z");
        List<Rota.Present> there = rota.between(from, from.plus(Duration.ofHours(20))).stream()
                .filter(present -> present.cooks() > 0)
                .toList();
        assertThat(there).hasSize(1);
        assertThat(Duration.between(there.get(0).from(), there.get(0).to())).isEqualTo(Duration.ofHours(5));
    }

    /** Two of three are ill from eleven to one: one is there, and none where only two would be; never fewer than none. */
    @Test
    void whoIsAwayIsTakenOffTheHours() {
        Rota rota = new Rota(
                        ZoneOffset.UTC,
                        List.of(
                                hours("06:00", "14:00", 1, DayOfWeek.MONDAY),
                                hours("12:00", "22:00", 2, DayOfWeek.MONDAY)))
                .with(List.of(new Rota.Away(
                        Instant.parse("2026-03-02T11:00:00Z"), Instant.parse("2026-03-02T13:00:00Z"), 2)));
        assertThat(cooksAt(rota, "2026-03-02T10:59:00Z")).isEqualTo(1);
        assertThat(cooksAt(rota, "2026-03-02T11:00:00Z")).isZero();
        assertThat(cooksAt(rota, "2026-03-02T12:30:00Z")).isEqualTo(1);
        assertThat(cooksAt(rota, "2026-03-02T13:00:00Z")).isEqualTo(3);
        assertThatThrownBy(() -> new Rota.Away(MONDAY, MONDAY, 1)).isInstanceOf(Refusal.class);
    }

    @Test
    void stretchesFollowEachOtherWithoutAGap() {
        Rota rota = Rota.daily(ZoneOffset.UTC, LocalTime.of(8, 0), LocalTime.of(20, 0));
        List<Rota.Present> all = rota.between(MONDAY, MONDAY.plus(Duration.ofDays(3)));
        assertThat(all.get(0).from()).isEqualTo(MONDAY);
        assertThat(all.get(all.size() - 1).to()).isEqualTo(MONDAY.plus(Duration.ofDays(3)));
        for (int i = 1; i < all.size(); i++) {
            assertThat(all.get(i).from()).isEqualTo(all.get(i - 1).to());
            assertThat(all.get(i).cooks()).isNotEqualTo(all.get(i - 1).cooks());
        }
    }

    @Test
    void hoursWithoutADayOrACookAreRefused() {
        assertThatThrownBy(() -> hours("06:00", "14:00", 0, DayOfWeek.MONDAY)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> hours("06:00", "14:00", 1)).isInstanceOf(Refusal.class);
    }

    /** Closed from ten to five: one look at half past one leaves no four hours alone, one at eleven does, and none is refused. */
    @Test
    void whoLooksInIsThereOftenEnoughOrThePolicyIsRefused() {
        Rota rota = Rota.daily(ZoneOffset.UTC, LocalTime.of(5, 0), LocalTime.of(22, 0));
        Rota once = rota.checkedAt(List.of(LocalTime.of(1, 30)));
        Unattended.CHECKS.unlessKept(once, MONDAY);
        assertThat(once.looks(MONDAY, MONDAY.plus(Duration.ofDays(2)))).hasSize(2);
        assertThatThrownBy(() -> Unattended.CHECKS.unlessKept(rota.checkedAt(List.of(LocalTime.of(23, 0))), MONDAY))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("05:00; at most four hours");
        assertThatThrownBy(() -> Unattended.CHECKS.unlessKept(rota, MONDAY)).isInstanceOf(Refusal.class);
        Unattended.NEVER.unlessKept(rota, MONDAY);
        Unattended.ALLOWED.unlessKept(rota, MONDAY);
        assertThat(rota.checkedAt(List.of(LocalTime.of(12, 0))).looks(MONDAY, MONDAY.plus(Duration.ofDays(3))))
                .as("somebody is there then")
                .isEmpty();
    }
}
