package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.quantity.Refusal;

/** The least bed that meets something, where it is known what that is. */
class LeastBedTest {

    private static double least(DoubleUnaryOperator f, double from) {
        return LeastBed.where(f, from, "litres");
    }

    /** Wherever the search is told to begin, above and below it too. */
    @ParameterizedTest
    @CsvSource({
        "5, 0.05",
        "5, 1",
        "5, 5",
        "5, 7",
        "5, 1000",
        "0.05, 0.05",
        "0.07, 0.05",
        "0.1, 0.05",
        "0.1, 0.1",
        "300, 200",
        "600, 0.05",
        "600, 500"
    })
    void isFoundWhetherItLacksOrIsTooMuch(double kg, double from) {
        assertThat(least(x -> x - kg, from)).isCloseTo(kg, within(1e-8));
        assertThat(least(x -> x * x - kg * kg, from)).isCloseTo(kg, within(1e-8));
        if (from <= kg) {
            assertThat(least(x -> kg - x, from)).isCloseTo(kg, within(1e-8));
        }
    }

    @Test
    void ofTwoItIsTheLess() {
        assertThat(least(x -> (x - 2) * (x - 50), 0.05)).isCloseTo(2, within(1e-8));
        assertThat(least(x -> (2 - x) * (x - 50), 0.05)).isCloseTo(2, within(1e-8));
    }

    @Test
    void isRefusedByItsFieldWhereThereIsNone() {
        assertThatThrownBy(() -> least(x -> x - 601, 0.05))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo("litres"))
                .hasMessageContaining("nothing between 50 g and 600 kg");
        assertThatThrownBy(() -> least(x -> -1, 0.05)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> least(x -> 1, 3)).isInstanceOf(Refusal.class);
    }

    /** A run of a pot is what each look costs: litres in proportion to the bed are found by the ends of their bracket and one or two more. */
    @Test
    void looksAsSeldomAsItCan() {
        AtomicInteger looks = new AtomicInteger();
        least(
                x -> {
                    looks.incrementAndGet();
                    return x - 5;
                },
                4);
        assertThat(looks.get()).isLessThanOrEqualTo(4);
    }
}
