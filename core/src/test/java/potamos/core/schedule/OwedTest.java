package potamos.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/** What a call still lacks, and when it may be closed. */
class OwedTest {

    private static Owed owed(double asked, double delivered, double promised) {
        return new Owed(Volume.ofLitres(asked), Volume.ofLitres(delivered), Volume.ofLitres(promised), Owed.TOLERANCE);
    }

    @ParameterizedTest
    @CsvSource({
        // A plan for less than was asked keeps the rest open.
        "20, 0, 8.2, 11.8",
        "20, 8, 0.2, 11.8",
        "12, 0, 10.5, 1.5",
        // What lacks within the tolerance is nobody's to plan.
        "12, 0, 11.6, 0",
        "3, 2.9, 0, 0",
        "12, 0, 14, 0",
    })
    void whatNobodyHasPlannedIsOpen(double asked, double delivered, double promised, double open) {
        assertThat(owed(asked, delivered, promised).open().litres()).isCloseTo(open, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({
        "3, 2.9, false, true",
        "3, 2.96, true, true",
        "3, 2.8, false, false",
        "20, 19.4, false, true",
        "20, 18, false, false"
    })
    void aCallWithinTheToleranceMayBeClosedAsMet(double asked, double delivered, boolean met, boolean nearly) {
        assertThat(owed(asked, delivered, 0).met()).isEqualTo(met);
        assertThat(owed(asked, delivered, 0).nearlyMet()).isEqualTo(nearly);
    }

    @ParameterizedTest
    @CsvSource({"20, 8, 12", "12, 12, 0", "12, 13.5, 0"})
    void whatIsDueIsStillToBeHandedOver(double asked, double delivered, double due) {
        assertThat(owed(asked, delivered, 0).due().litres()).isCloseTo(due, within(1e-9));
    }

    @Test
    void aToleranceThatWouldHideAShortCallIsRefused() {
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> Owed.checked(0.25))
                .satisfies(refusal -> assertThat(refusal.field()).isEqualTo("callTolerance"));
        assertThat(Owed.checked(0.2)).isEqualTo(0.2);
    }
}
