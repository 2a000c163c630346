package potamos.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.core.formula.Book;

class PlannerTest {

    private static final Instant DAY = Instant.parse("2026-03-03T00:00:00Z");
    private static final List<Planner.Shift> SHIFTS =
            List.of(new Planner.Shift(hour(6), hour(22)), new Planner.Shift(hour(30), hour(46)));
    private static final List<Timeline.Part> EIGHT_HOURS = List.of(
            new Timeline.Part(Stage.SIMMER, Duration.ofHours(5)), new Timeline.Part(Stage.COOL, Duration.ofHours(3)));

    private static Instant hour(int hour) {
        return DAY.plus(Duration.ofHours(hour));
    }

    @Test
    void whatIsWantedInTheMorningIsMadeTheEveningBefore() {
        Planner.Proposal proposal = Planner.backwards(EIGHT_HOURS, hour(34), hour(8), SHIFTS);
        assertThat(proposal.timeline().start()).isEqualTo(hour(14));
        assertThat(proposal.timeline().ready()).isEqualTo(hour(22));
        assertThat(proposal.inTime()).isTrue();
    }

    @Test
    void whatIsWantedInTheEveningIsReadyJustThen() {
        Planner.Proposal proposal = Planner.backwards(EIGHT_HOURS, hour(44), hour(8), SHIFTS);
        assertThat(proposal.timeline().ready()).isEqualTo(hour(44));
    }

    @Test
    void tooLateStartsNowAndSaysSo() {
        Planner.Proposal proposal = Planner.backwards(EIGHT_HOURS, hour(14), hour(8), SHIFTS);
        assertThat(proposal.timeline().start()).isEqualTo(hour(8));
        assertThat(proposal.inTime()).isFalse();
    }

    @Test
    void stagesFollowEachOtherWithoutGaps() {
        Timeline timeline = Samples.plan().timeline();
        for (int i = 1; i < timeline.steps().size(); i++) {
            assertThat(timeline.steps().get(i).from())
                    .isEqualTo(timeline.steps().get(i - 1).to());
        }
    }

    @Test
    void blanchingAddsItsOwnBringUp() {
        CoolingCurve curve = Cooler.curve(Samples.iceBath(15));
        Charge plain =
                ChargeSolver.solve(Book.whiteChicken(), Samples.pot(Samples.cylinder(36, 40)), Samples.litres(15));
        Charge blanched = ChargeSolver.solve(
                Book.whiteChicken().blanched(true), Samples.pot(Samples.cylinder(36, 40)), Samples.litres(15));
        Duration without = length(Planner.parts(plain, curve, Samples.US));
        Duration with = length(Planner.parts(blanched, curve, Samples.US));
        assertThat(with.minus(without))
                .isGreaterThan(Duration.ofMinutes((long) plain.forecast().bringUpMin()));
    }

    private static Duration length(List<Timeline.Part> parts) {
        return parts.stream().map(Timeline.Part::length).reduce(Duration.ZERO, Duration::plus);
    }
}
