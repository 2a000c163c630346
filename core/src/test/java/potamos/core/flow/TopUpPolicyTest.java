package potamos.core.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.charge.ChargeSolver;
import potamos.core.formula.Book;
import potamos.core.formula.PotPhase.TopUp.Keeps;
import potamos.core.quantity.Length;
import potamos.core.quantity.Volume;

/** When a pot gets water, and how much. */
class TopUpPolicyTest {

    private static final TopUpPolicy HELD = new TopUpPolicy(Keeps.HELD, Length.ofCm(2), 1);
    private static final TopUpPolicy ROUNDS = new TopUpPolicy(Keeps.IN_ROUNDS, Length.ofCm(2), 1);
    private static final TopUpPolicy LEFT = new TopUpPolicy(Keeps.LEFT, Length.ofCm(2), 1);

    private static TopUpPolicy.Down down(double cm, double missing) {
        return new TopUpPolicy.Down(cm, missing, 20 - missing);
    }

    /** Up to three quarters of an hour not at all, from an hour and a quarter on in full, and between them by the minute. */
    @ParameterizedTest
    @CsvSource({"20, 0", "45, 0", "50, 0.166667", "60, 0.5", "74, 0.966667", "75, 1", "240, 1"})
    void aShortSimmerGetsLessOfIt(int minutes, double share) {
        TopUpPolicy policy = TopUpPolicy.of(ChargeSolver.solve(
                        Book.whiteChicken().simmeredFor(Duration.ofMinutes(minutes)),
                        Samples.pot(Samples.cylinder(36, 40)),
                        Samples.bones(8))
                .run());
        assertThat(policy.share()).isCloseTo(share, within(1e-6));
        assertThat(policy.keeps()).isEqualTo(share > 0 ? Keeps.HELD : Keeps.LEFT);
        assertThat(policy.amount(3).litres()).isCloseTo(3 * share, within(1e-5));
    }

    @Test
    void ofWhatARoundTookThreeQuartersComeBack() {
        assertThat(HELD.inRounds()).isFalse();
        assertThat(ROUNDS.inRounds()).isTrue();
        assertThat(HELD.amount(4).litres()).isEqualTo(4);
        assertThat(ROUNDS.amount(4).litres()).isEqualTo(3);
        assertThat(HELD.amount(-1).litres()).isZero();
    }

    @ParameterizedTest
    @CsvSource({
        // minutes left, cm down, litres missing, last done; held, in rounds
        "120, 1.9, 2,    false, false, false",
        "120, 2.0, 2,    false, true,  false",
        "120, 2.5, 4.9,  false, true,  false",
        "120, 2.5, 5,    false, true,  true",
        "120, 2.5, 6,    true,  false, false",
        "31,  0.1, 0.1,  false, false, false",
        "30,  0.1, 0.1,  false, true,  true",
        "5,   0.1, 0.1,  false, true,  true",
        "30,  2.5, 6,    true,  false, false",
    })
    void waterGoesInWhenItIsDownSoFarAndOnceMoreBeforeTheEnd(
            double left, double cm, double missing, boolean lastDone, boolean held, boolean rounds) {
        assertThat(HELD.now(left, down(cm, missing), lastDone)).isEqualTo(held);
        assertThat(ROUNDS.now(left, down(cm, missing), lastDone)).isEqualTo(rounds);
        assertThat(LEFT.now(left, down(cm, missing), lastDone)).isFalse();
    }

    @Test
    void aPotWithNothingInItIsNotDown() {
        assertThat(ROUNDS.now(120, new TopUpPolicy.Down(0, 0, 0), false)).isFalse();
    }

    @Test
    void theNextOneComesWhenSteamHasTakenItDown() {
        // Held: 2 cm less the 0.5 that it is down, at 1 cm an hour.
        assertThat(HELD.hoursTo(down(0.5, 1), 3, 1)).isCloseTo(1.5, within(1e-12));
        assertThat(HELD.hoursTo(down(3, 1), 3, 1)).isCloseTo(-1, within(1e-12));
        // In rounds: a quarter of twenty litres less the one that is missing, at 2 L an hour.
        assertThat(ROUNDS.hoursTo(down(0.5, 1), 2, 1)).isCloseTo(2, within(1e-12));
        assertThat(HELD.hoursTo(down(0, 0), 0, 0)).as("no steam, not soon").isCloseTo(200, within(1e-9));
        assertThat(ROUNDS.hoursTo(down(0, 0), 0, 0)).isCloseTo(500, within(1e-9));
    }

    @Test
    void aQuarterOfAPerCentIsNotWorthAJug() {
        assertThat(TopUpPolicy.worthIt(Volume.ofLitres(0.05), Volume.ofLitres(20)))
                .isFalse();
        assertThat(TopUpPolicy.worthIt(Volume.ofLitres(0.06), Volume.ofLitres(20)))
                .isTrue();
    }

    @Test
    void theLastComesHalfAnHourBeforeTheEnd() {
        Instant end = Instant.parse("2026-03-03T12:00:00Z");
        assertThat(HELD.last(end)).isEqualTo(Instant.parse("2026-03-03T11:30:00Z"));
    }
}
