package potamos.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

class MinimumTest {

    @ParameterizedTest
    @CsvSource({
        // Nothing there: all of it. What is there, and what is on its way, is not asked for again.
        "10, 0, 0, 10",
        "10, 4, 0, 6",
        "10, 4, 6, 0",
        "10, 12, 0, 0",
        // In halves, upwards; and no pot is put on for a ladle that lacks.
        "10, 3.3, 0, 7",
        "10, 8.5, 0, 0",
        "10, 8, 0, 2",
        "1, 0.6, 0, 0",
        "1, 0.5, 0, 0.5",
    })
    void whatLacksIsAskedForOnceItIsWorthAPot(double least, double there, double coming, double asks) {
        assertThat(new Minimum(Volume.ofLitres(least))
                        .asks(Volume.ofLitres(there), Volume.ofLitres(coming))
                        .litres())
                .isEqualTo(asks);
    }

    @Test
    void nothingAndTooMuchAreNoMinimum() {
        assertThatThrownBy(() -> new Minimum(Volume.ZERO)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new Minimum(Volume.ofLitres(301))).isInstanceOf(Refusal.class);
    }
}
