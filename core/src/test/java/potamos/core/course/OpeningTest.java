package potamos.core.course;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;

class OpeningTest {

    private static final Instant NOW = Instant.parse("2026-03-02T08:00:00Z");
    private static final Rota DAY = Rota.daily(ZoneOffset.UTC, LocalTime.of(6, 0), LocalTime.of(22, 0));

    private static Instant hour(int hour) {
        return Instant.parse("2026-03-02T00:00:00Z").plus(Duration.ofHours(hour));
    }

    private static Opening opening(Formula formula, Unattended unattended, Rota rota, Use... taken) {
        Equipment kitchen = Weeks.equipment(3, unattended, rota);
        Charge charge =
                new Ways(kitchen).of(formula, 6).findFirst().orElseThrow().charge();
        List<Timeline.Part> eight = List.of(
                new Timeline.Part(Stage.FILL, Duration.ofMinutes(30)),
                new Timeline.Part(Stage.SIMMER, Duration.ofMinutes(300)),
                new Timeline.Part(Stage.STRAIN, Duration.ofMinutes(30)),
                new Timeline.Part(Stage.COOL, Duration.ofHours(2)));
        Course begun =
                Weeks.taken(Course.open(kitchen, NOW, NOW.plus(Duration.ofDays(10)), List.of(), List.of()), taken);
        return new Opening(charge, eight, Optional.of("burner 0"), Optional.empty(), begun);
    }

    private static Opening chicken(Use... taken) {
        return opening(Book.whiteChicken(), Unattended.NEVER, DAY, taken);
    }

    @Test
    void whatIsWantedInTheMorningIsMadeTheEveningBefore() {
        Opening.Proposal proposal = chicken().latest(hour(34));
        assertThat(proposal.timeline().ready()).isEqualTo(hour(22));
        assertThat(proposal.inTime()).isTrue();
        assertThat(proposal.attended()).isTrue();
        assertThat(proposal.free()).isTrue();
    }

    @Test
    void whatIsWantedInTheEveningIsReadyJustThen() {
        assertThat(chicken().latest(hour(44)).timeline().ready()).isEqualTo(hour(44));
    }

    @Test
    void whatCannotBeInTimeBeginsNowAndSaysSo() {
        Opening.Proposal proposal = chicken().latest(hour(14));
        assertThat(proposal.timeline().start()).isEqualTo(NOW);
        assertThat(proposal.inTime()).isFalse();
        assertThat(proposal.attended()).isTrue();
    }

    /** A pot that is in use until noon can be planned for the afternoon, and for tomorrow. */
    @Test
    void aVesselThatIsInUseTodayIsFreeTomorrow() {
        Use untilNoon = new Use(Use.Kind.VESSEL, "pot 0", NOW, hour(12), 1);
        assertThat(chicken(untilNoon).latest(hour(44)).timeline().ready()).isEqualTo(hour(44));
        Opening.Proposal today = chicken(untilNoon).latest(hour(17));
        assertThat(today.timeline().start()).isEqualTo(hour(12));
        assertThat(today.inTime()).isFalse();
        assertThat(today.free()).isTrue();
        Opening.Proposal chosen = chicken(untilNoon).at(NOW, hour(17));
        assertThat(chosen.free()).isFalse();
        assertThat(chosen.inTime()).isTrue();
    }

    @Test
    void aBurnerThatAnotherPotStandsOnIsNotFreeMeanwhile() {
        Use lit = new Use(Use.Kind.BURNER, "burner 0", NOW, hour(20), 1);
        assertThat(chicken(lit).at(NOW, hour(22)).free()).isFalse();
        Use other = new Use(Use.Kind.BURNER, "burner 1", NOW, hour(20), 1);
        assertThat(chicken(other).at(NOW, hour(22)).free()).isTrue();
    }

    /** Where nothing simmers alone, what is longer than the day is begun in time and said to be unattended. */
    @Test
    void whatIsLongerThanTheDayIsLaidInTimeAndSaidToBeUnattended() {
        Rota short_ = Rota.daily(ZoneOffset.UTC, LocalTime.of(8, 0), LocalTime.of(13, 0));
        Opening.Proposal never =
                opening(Book.whiteChicken(), Unattended.NEVER, short_).latest(hour(60));
        assertThat(never.attended()).isFalse();
        assertThat(never.inTime()).isTrue();
        assertThat(never.timeline().ready()).isEqualTo(hour(60));
        Opening.Proposal alone =
                opening(Book.whiteChicken(), Unattended.ALLOWED, short_).latest(hour(60));
        assertThat(alone.attended()).isFalse();
        Rota long_ = Rota.daily(ZoneOffset.UTC, LocalTime.of(8, 0), LocalTime.of(18, 0));
        assertThat(opening(Book.whiteChicken(), Unattended.ALLOWED, long_)
                        .latest(hour(60))
                        .attended())
                .isTrue();
    }
}
