package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.quantity.Temperature;

class NotYetTest {

    private static final Instant NOW = Samples.EIGHT.plus(Duration.ofMinutes(235));

    private final Plan plan = Samples.plan();
    private final List<BatchEvent> events = new ArrayList<>();

    @BeforeEach
    void simmering() {
        events.add(new ChoreEvent.WeighedIn(
                Samples.at(5), BatchEvent.BED, plan.charge().run().bed().mass(), "L1"));
        events.add(new PotEvent.Filled(Samples.at(10), plan.charge().water(), Temperature.ofCelsius(12)));
        events.add(new PotEvent.HeatOn(Samples.at(12)));
        events.add(new PotEvent.SimmerReached(Samples.at(60)));
    }

    private NotYet longer(int minutes) {
        return NotYet.of(plan, events, NOW, Duration.ofMinutes(minutes));
    }

    @Test
    void longerMovesEverythingAfterItByAsMuch() {
        NotYet half = longer(30);
        NotYet whole = longer(60);
        assertThat(Duration.between(half.ends(), whole.ends())).isEqualTo(Duration.ofMinutes(30));
        assertThat(Duration.between(half.ready(), whole.ready())).isEqualTo(Duration.ofMinutes(30));
        assertThat(Duration.between(half.offTheBurner(), whole.offTheBurner())).isEqualTo(Duration.ofMinutes(30));
        assertThat(whole.late().minus(half.late())).isEqualTo(Duration.ofMinutes(30));
    }

    /** It rests on its burner, and is strained beside it. */
    @Test
    void theBurnerIsFreeOnceItHasRested() {
        long restS = (long) (plan.charge().run().restMin() * 60);
        assertThat(restS).isPositive();
        // From where it was to end, three hours after it had begun.
        assertThat(longer(30).ends()).isEqualTo(Samples.at(60 + 180 + 30).at());
        assertThat(longer(30).offTheBurner()).isEqualTo(longer(30).ends().plusSeconds(restS));
        assertThat(longer(0).offTheBurner()).isEqualTo(NOW.plusSeconds(restS));
    }

    @Test
    void enoughEndsNow() {
        assertThat(longer(0).ends()).isEqualTo(NOW);
        assertThat(longer(0).offTheBurner())
                .isAfterOrEqualTo(NOW)
                .isBefore(longer(15).offTheBurner());
    }

    @Test
    void itSteamsAwayAndGetsRicher() {
        NotYet half = longer(30);
        NotYet whole = longer(60);
        assertThat(whole.gelatinGPerL()).isGreaterThan(half.gelatinGPerL());
        assertThat(whole.litres().mid()).isLessThanOrEqualTo(half.litres().mid() + 0.05);
    }

    @Test
    void whatItSaysIsWhatHappensWhenItIsJudgedSo() {
        NotYet told = longer(30);
        events.add(new PotEvent.Judged(new BatchEvent.Stamp("j", NOW, "IR"), false, Duration.ofMinutes(30)));
        BatchState state = Batch.replay(plan, events, NOW);
        assertThat(Outlook.of(plan, state).ready()).isEqualTo(told.ready());
        assertThat(Expectation.litresOut(plan, state).mid())
                .isCloseTo(told.litres().mid(), within(1e-9));
    }

    @Test
    void askingChangesNothing() {
        int before = events.size();
        longer(60);
        assertThat(events).hasSize(before);
    }
}
