package potamos.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import potamos.core.quantity.Refusal;

class StandingTest {

    private static final ZoneId ZURICH = ZoneId.of("Europe/Zurich");
    private static final Set<DayOfWeek> DAILY = Set.of(DayOfWeek.values());

    private static List<String> from(Standing standing, String now, String last) {
        return standing.from(Instant.parse(now), LocalDate.parse(last), ZURICH).stream()
                .map(wanted -> wanted.by().toString())
                .toList();
    }

    @Test
    void itIsWantedOnItsDaysAtItsHourAndNotOnThoseThatAreLeftOut() {
        Standing soup = new Standing(
                Set.of(DayOfWeek.TUESDAY, DayOfWeek.FRIDAY),
                LocalTime.of(10, 30),
                Set.of(LocalDate.parse("2026-03-06")));
        assertThat(from(soup, "2026-03-02T05:00:00Z", "2026-03-13"))
                .containsExactly("2026-03-03T09:30:00Z", "2026-03-10T09:30:00Z", "2026-03-13T09:30:00Z");
        assertThat(from(soup.skipping(LocalDate.parse("2026-03-06"), false), "2026-03-02T05:00:00Z", "2026-03-08"))
                .containsExactly("2026-03-03T09:30:00Z", "2026-03-06T09:30:00Z");
        assertThat(from(soup.skipping(LocalDate.parse("2026-03-03"), true), "2026-03-02T05:00:00Z", "2026-03-08"))
                .isEmpty();
    }

    @Test
    void todaysIsWantedUntilItsHourHasPassed() {
        Standing soup = new Standing(DAILY, LocalTime.of(10, 30), Set.of());
        assertThat(from(soup, "2026-03-02T09:29:59Z", "2026-03-02")).containsExactly("2026-03-02T09:30:00Z");
        assertThat(from(soup, "2026-03-02T09:30:00Z", "2026-03-02")).isEmpty();
        assertThat(from(soup, "2026-03-02T09:30:00Z", "2026-03-01")).isEmpty();
    }

    /** The night of 29 March the clocks go from two to three: half past two is half past three then. */
    @Test
    void theNightTheClocksChangeHasItOnce() {
        Standing night = new Standing(DAILY, LocalTime.of(2, 30), Set.of());
        assertThat(from(night, "2026-03-27T12:00:00Z", "2026-03-30"))
                .containsExactly("2026-03-28T01:30:00Z", "2026-03-29T01:30:00Z", "2026-03-30T00:30:00Z");
        assertThat(from(night, "2026-10-24T12:00:00Z", "2026-10-26"))
                .containsExactly("2026-10-25T00:30:00Z", "2026-10-26T01:30:00Z");
    }

    @Test
    void ofTheDaysThatAreLeftOutItTellsThoseThatWouldHaveBeen() {
        Standing soup = new Standing(
                Set.of(DayOfWeek.TUESDAY),
                LocalTime.of(10, 30),
                Set.of(LocalDate.parse("2026-03-03"), LocalDate.parse("2026-03-04"), LocalDate.parse("2026-03-10")));
        LocalDate last = LocalDate.parse("2026-04-01");
        assertThat(soup.leftOut(Instant.parse("2026-03-03T09:00:00Z"), last, ZURICH))
                .containsExactly(LocalDate.parse("2026-03-03"), LocalDate.parse("2026-03-10"));
        assertThat(soup.leftOut(Instant.parse("2026-03-03T10:00:00Z"), last, ZURICH))
                .containsExactly(LocalDate.parse("2026-03-10"));
    }

    @Test
    void onNoDayItIsNoCall() {
        assertThatThrownBy(() -> new Standing(Set.of(), LocalTime.NOON, Set.of()))
                .isInstanceOf(Refusal.class);
    }
}
