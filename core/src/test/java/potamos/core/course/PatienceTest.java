package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.charge.Needs;
import potamos.core.formula.Book;
import potamos.core.quantity.Volume;

/** A course for whoever does not wait for all of it. */
class PatienceTest {

    private static Course week() {
        Weeks.Week week = Weeks.of(7, 40, 6);
        return Course.open(
                week.equipment(), Weeks.MONDAY, Weeks.MONDAY.plus(Duration.ofDays(7)), week.calls(), week.lots());
    }

    @ParameterizedTest
    @ValueSource(longs = {0, 1, 50, 500, 5_000})
    void whatIsLaidUntilThenStandsAndTheRestSaysThatThereWasNoTime(long starts) {
        Course begun = week();
        Constructive.Laid laid = Constructive.lay(begun, Patience.ENDLESS.atMost(starts));
        assertThat(laid.course().check()).isEmpty();
        laid.course()
                .unmet()
                .forEach(
                        unmet -> assertThat(laid.why()).containsKey(unmet.call().id()));
        assertThat(laid.whole()).isEqualTo(!laid.why().containsValue(Constructive.NO_TIME));
        if (starts <= 1) {
            assertThat(laid.course().drafts()).isEmpty();
            assertThat(laid.whole()).isFalse();
        }
    }

    @Test
    void whoeverWaitsGetsAllOfIt() {
        Course begun = week();
        Constructive.Laid whole = Constructive.lay(begun);
        assertThat(whole.whole()).isTrue();
        assertThat(Constructive.lay(begun, Patience.ENDLESS.atMost(Long.MAX_VALUE))
                        .course()
                        .drafts())
                .isEqualTo(whole.course().drafts());
    }

    /** Half a tonne in two hours is more than the pots make until it is as late as never: what they make may be laid, and the rest says so. */
    @Test
    void aCallForMoreThanTheVesselsMakeInItsTimeSaysSo() {
        Course week = week();
        Call much = new Call(
                "much",
                "sauce",
                Book.whiteChicken(),
                Volume.ofLitres(500),
                week.now().plus(Duration.ofHours(2)),
                1,
                Needs.NONE);
        Course begun = Course.open(Weeks.of(7, 4, 2).equipment(), week.now(), week.until(), List.of(much), List.of());
        Constructive.Laid laid = Constructive.lay(begun);
        assertThat(laid.course().unmet()).hasSize(1);
        assertThat(laid.why().get("much")).contains("more than the vessels here make in its time");
    }
}
