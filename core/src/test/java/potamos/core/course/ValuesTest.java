package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.batch.Stage;
import potamos.core.charge.Needs;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.quantity.Volume;

/** How good a course is: what each of its figures counts, and which of them counts first. */
class ValuesTest {

    private static final Instant NOW = Weeks.MONDAY;
    private static final Instant UNTIL = NOW.plus(Duration.ofDays(5));
    private static final Instant BY = NOW.plus(Duration.ofHours(18));

    private final Equipment kitchen = Weeks.equipment(4, Unattended.ALLOWED, Weeks.longDays(1));

    private static final Values USUAL = new Values(1, 1, 1, 1, 1, 10);

    /** Better by a little on one level, and far worse on all after it. */
    @ParameterizedTest
    @CsvSource({
        "0, 9, 9, 9, 9, 99",
        "1, 0.9, 9, 9, 9, 99",
        "1, 1, 0.9, 9, 9, 99",
        "1, 1, 1, 0.9, 9, 99",
        "1, 1, 1, 1, 0.9, 99",
        "1, 1, 1, 1, 1, 9.9"
    })
    void anEarlierFigureCountsBeforeAllLater(
            int broken, double late, double wasted, double cook, double slack, double kwh) {
        Values better = new Values(broken, late, wasted, cook, slack, kwh);
        assertThat(better).isLessThan(USUAL);
        assertThat(USUAL).isGreaterThan(better);
    }

    /** A hundredth of a litre and a minute decide nothing: then the next figure does. */
    @ParameterizedTest
    @CsvSource({"1.01, 1, 1, 1", "1, 1.01, 1, 1", "1, 1, 1.02, 1", "1, 1, 1, 1.02"})
    void whatNobodyWouldNoticeDecidesNothing(double late, double wasted, double cook, double slack) {
        assertThat(new Values(1, late, wasted, cook, slack, 9)).isLessThan(USUAL);
        assertThat(new Values(1, late, wasted, cook, slack, 10)).isEqualByComparingTo(USUAL);
    }

    @Test
    void litresLateAreCountedInDrops() {
        assertThat(new Values(0, 0.15, 0, 0, 0, 0).lateSteps()).isEqualTo(3);
        assertThat(new Values(0, 0.17, 0, 0, 0, 0).lateSteps()).isEqualTo(3);
        assertThat(new Values(0, 0.18, 0, 0, 0, 0).lateSteps()).isEqualTo(4);
    }

    private static Call call(double litres, double weight) {
        return new Call("call", "Sauce", Book.whiteChicken(), Volume.ofLitres(litres), BY, weight, Needs.NONE);
    }

    private static Lot lot(double litres, Instant from, Instant useBy) {
        return new Lot(
                "lot",
                "white-chicken",
                Volume.ofLitres(litres),
                from,
                useBy,
                new Contents(Set.of(), Set.of(), 0, false));
    }

    private Values values(Call call, Lot lot, double gives) {
        return new Course(
                        kitchen,
                        NOW,
                        UNTIL,
                        List.of(call),
                        List.of(lot),
                        Busy.NONE,
                        List.of(),
                        List.of(new Allocation("call", "lot", Volume.ofLitres(gives))))
                .values();
    }

    /** Six litres for a station that counts twice: two hours late is a quarter of them, from eight hours on all. */
    @ParameterizedTest
    @CsvSource({"-60, 0, 0", "-30, 0, 0.5", "0, 0, 1", "120, 3, 1", "480, 12, 1", "900, 12, 1"})
    void lateLitresCountByTheirHoursAndTheirStation(int minutesLate, double late, double slack) {
        Values values = values(call(6, 2), lot(6, BY.plus(Duration.ofMinutes(minutesLate)), UNTIL), 6);
        assertThat(values.lateL()).isCloseTo(late, within(1e-9));
        assertThat(values.slackShort()).isCloseTo(slack, within(1e-9));
    }

    @Test
    void whatNeverComesCountsInFull() {
        assertThat(values(call(6, 2), lot(9, NOW, UNTIL), 4).lateL()).isCloseTo(4, within(1e-9));
    }

    @Test
    void whatNobodyCalledForByItsUseByIsWasted() {
        assertThat(values(call(6, 1), lot(9, NOW, UNTIL.minusSeconds(1)), 6).wastedL())
                .isCloseTo(3, within(1e-9));
        assertThat(values(call(6, 1), lot(9, NOW, UNTIL), 6).wastedL())
                .as("still good then")
                .isZero();
        assertThat(values(call(6, 1), lot(6, NOW, UNTIL.minusSeconds(1)), 6).wastedL())
                .isZero();
    }

    /** The burner over the hours of the way up, 0.04 kWh for each kilogram of ice, and half an hour of a cook for each batch. */
    @Test
    void aBatchTakesItsBurnersHeatItsIceAndHalfAnHour() {
        Draft one = draft("one", NOW.plus(Duration.ofHours(3)));
        Draft two = draft("two", NOW.plus(Duration.ofHours(30)));
        double heat = one.charge().run().burner().rated().watts()
                / 1000
                * one.timeline().step(Stage.BRING_UP).orElseThrow().length().toSeconds()
                / 3600;
        double ice = one.ice().orElseThrow().ice().kg() * 0.04;
        assertThat(heat).isPositive();
        assertThat(ice).isPositive();
        assertThat(of(one).kwh()).isCloseTo(heat + ice, within(1e-9));
        assertThat(of(one).cookH()).isCloseTo(0.5, within(1e-9));
        assertThat(of(one, two).kwh()).isCloseTo(2 * (heat + ice), within(1e-9));
        assertThat(of(one, two).cookH()).isCloseTo(1, within(1e-9));
        assertThat(Course.leastCookH(3)).isEqualTo(1.5);
    }

    private Values of(Draft... drafts) {
        return new Course(kitchen, NOW, UNTIL, List.of(), List.of(), Busy.NONE, List.of(drafts), List.of()).values();
    }

    private Draft draft(String id, Instant start) {
        Ways.Way way = new Ways(kitchen)
                .of(Book.whiteChicken(), 6)
                .filter(one ->
                        one.startingAt(start, id, kitchen, one.burner()).ice().isPresent())
                .findFirst()
                .orElseThrow();
        return way.startingAt(start, id, kitchen, way.burner());
    }

    @Test
    void aStationCountsAsMuchAsItsKitchenSays() {
        assertThat(List.of(Importance.LESS, Importance.USUAL, Importance.MORE, Importance.MOST))
                .extracting(Importance::weight)
                .containsExactly(0.5, 1.0, 2.0, 4.0);
        Wanted wanted = new Wanted(
                Book.whiteChicken(), List.of(new Wanted.Part(call(6, 2), 6), new Wanted.Part(call(3, 0.5), 3)));
        assertThat(wanted.weight()).isEqualTo(2);
        assertThat(call(6, 2).of(Volume.ofLitres(2)))
                .isEqualTo(new Call("call", "Sauce", Book.whiteChicken(), Volume.ofLitres(2), BY, 2, Needs.NONE));
    }
}
