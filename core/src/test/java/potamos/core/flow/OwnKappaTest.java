package potamos.core.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.quantity.Band;

/** How much a run steams, by what is known of its vessel and what its readings have shown: weighed by hand. */
class OwnKappaTest {

    private final OwnKappa own = new OwnKappa(0.2);

    private void read(int hour, double steamed, double known) {
        own.read(Samples.EIGHT.plus(Duration.ofHours(hour)), steamed, known, 0.1 * known);
    }

    @Test
    void beforeAnyReadingItIsTheVessels() {
        assertThat(own.shown()).isFalse();
        assertThat(own.share()).isEqualTo(1);
        assertThat(own.sd()).isCloseTo(0.2, within(1e-12));
        assertThat(own.kappa(0.8).mid()).isEqualTo(0.8);
        assertThat(own.kappa(0.8).high() - 0.8).isCloseTo(Band.Z90 * 0.8 * 0.2, within(1e-9));
    }

    /** One share is known to a fifth and the other read to a tenth: the reading weighs four times as much. */
    @Test
    void aReadingWeighsAsMuchAsItIsSharp() {
        read(1, 3, 2);
        assertThat(own.shown()).isTrue();
        assertThat(own.share()).isCloseTo((25 * 1 + 100 * 1.5) / 125, within(1e-12));
        assertThat(own.sd()).isCloseTo(1 / Math.sqrt(125), within(1e-12));
    }

    /** After three hours an earlier reading counts for 1/e of itself. */
    @Test
    void anOldReadingFades() {
        read(0, 3, 2);
        read(3, 4, 4);
        double faded = 100 / Math.E;
        assertThat(own.share()).isCloseTo((25 + faded * 1.5 + 100) / (25 + faded + 100), within(1e-12));
        assertThat(own.sd()).isCloseTo(1 / Math.sqrt(125 + faded), within(1e-12));
    }

    @Test
    void nothingSteamsLessThanNothing() {
        for (int hour = 0; hour < 9; hour++) {
            own.read(Samples.EIGHT.plus(Duration.ofHours(hour)), -5, 2, 0.002);
        }
        assertThat(own.share()).isEqualTo(0.05);
    }

    @Test
    void aCopyGoesItsOwnWay() {
        read(0, 3, 2);
        OwnKappa copy = new OwnKappa(own);
        assertThat(copy.share()).isEqualTo(own.share());
        assertThat(copy.sd()).isEqualTo(own.sd());
        assertThat(copy.shown()).isTrue();
        double before = own.share();
        read(1, 2, 2);
        assertThat(copy.share()).isEqualTo(before);
        copy.read(Samples.EIGHT.plus(Duration.ofHours(1)), 2, 2, 0.2);
        assertThat(copy.share()).isEqualTo(own.share());
    }
}
