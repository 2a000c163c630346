package potamos.core.liquor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

class LiquorTest {

    private static Clarity.Handling handling(double scum, double boiled, int stirs, boolean poured, int passes) {
        return new Clarity.Handling(scum, boiled, stirs, 0, poured, passes, false, 0);
    }

    @Test
    void aStockThatNothingWasDoneToIsClear() {
        Clarity clear = Clarity.of(handling(0, 0, 0, false, 2));
        assertThat(clear.index()).isEqualTo(100);
        assertThat(clear.shares()).isEmpty();
    }

    @Test
    void whatIsMissingIsSharedOutOverItsCauses() {
        Clarity cloudy = Clarity.of(handling(2, 30, 3, true, 1));
        double shared =
                cloudy.shares().stream().mapToDouble(Clarity.Share::points).sum();
        assertThat(cloudy.index() + shared).isCloseTo(100, within(1e-9));
        assertThat(cloudy.shares().get(0).cause()).isEqualTo(Clarity.Cause.BOILED);
        assertThat(cloudy.shares()).hasSize(5);
    }

    @Test
    void anHourOfBoilingIsCloudyAndAnotherPassHelps() {
        Clarity boiled = Clarity.of(handling(1.2, 60, 0, false, 2));
        assertThat(boiled.index()).isBetween(25.0, 36.0);
        assertThat(Clarity.of(handling(1.2, 60, 0, false, 3)).index()).isGreaterThan(boiled.index());
    }

    /** Each cause alone: it takes something, twice as much of it takes more, and one strainer more gives some back of what can be strained out. */
    @ParameterizedTest
    @EnumSource(
            value = Clarity.Cause.class,
            names = {"SCUM", "BOILED", "STIRRED", "MUSH", "POURED", "PRESSED", "THICKENED"})
    void eachCauseTakesItsShare(Clarity.Cause cause) {
        Clarity once = Clarity.of(alone(cause, 1, 2));
        assertThat(once.shares())
                .singleElement()
                .satisfies(share -> assertThat(share.cause()).isEqualTo(cause))
                .satisfies(share -> assertThat(share.points()).isCloseTo(100 - once.index(), within(1e-9)));
        double passed = Clarity.of(alone(cause, 1, 3)).index();
        double load = -Math.log(once.index() / 100);
        if (cause == Clarity.Cause.THICKENED) {
            assertThat(passed).as("what is in it on purpose passes").isEqualTo(once.index());
        } else {
            assertThat(-Math.log(passed / 100) / load).isCloseTo(0.8, within(1e-9));
        }
        if (cause != Clarity.Cause.POURED && cause != Clarity.Cause.PRESSED) {
            assertThat(-Math.log(Clarity.of(alone(cause, 2, 2)).index() / 100)).isCloseTo(2 * load, within(1e-9));
            assertThat(Clarity.of(alone(cause, -1, 2)).shares())
                    .as("less than none is none")
                    .isEmpty();
        }
    }

    private static Clarity.Handling alone(Clarity.Cause cause, int much, int passes) {
        return new Clarity.Handling(
                cause == Clarity.Cause.SCUM ? much : 0,
                cause == Clarity.Cause.BOILED ? much : 0,
                cause == Clarity.Cause.STIRRED ? much : 0,
                cause == Clarity.Cause.MUSH ? much : 0,
                cause == Clarity.Cause.POURED,
                passes,
                cause == Clarity.Cause.PRESSED,
                cause == Clarity.Cause.THICKENED ? much : 0);
    }

    @ParameterizedTest
    @CsvSource({
        "5.9, POURS, false",
        "6, COATS, false",
        "12, TREMBLES, true",
        "21.9, TREMBLES, true",
        "22, SETS, true",
        "35, SETS, true",
        "35.1, CUTS, true"
    })
    void theWordOfABodySaysWhetherItSets(double gPerL, Body word, boolean sets) {
        assertThat(Body.of(gPerL)).isEqualTo(word);
        assertThat(word.sets()).isEqualTo(sets);
    }

    @Test
    void saltStaysWhileWaterGoes() {
        Salt salt = Salt.of(40, 20, 0.25);
        assertThat(salt.gPerL()).isEqualTo(2);
        assertThat(salt.afterGPerL()).isEqualTo(8);
        assertThat(salt.tooMuch()).isTrue();
        assertThat(Salt.of(40, 20, salt.mostFraction()).afterGPerL()).isCloseTo(Salt.WARN_G_PER_L, within(1e-9));
        assertThat(Salt.of(40, 20, 0.5).tooMuch()).isFalse();
    }

    @Test
    void wineGoesDownAndItsSulphitesStay() {
        Wine wine = Wine.reduced(Volume.ofLitres(1.5), 0.33, 90);
        assertThat(wine.kept().litres()).isCloseTo(0.495, within(1e-9));
        assertThat(wine.sulphitesMg()).isCloseTo(135, within(1e-9));
        assertThatThrownBy(() -> Wine.reduced(Volume.ofLitres(1), 0, 90)).isInstanceOf(Refusal.class);
    }

    @Test
    void aRefractometerReadsGelatinRicherThanItIs() {
        assertThat(Brix.gPerL(4)).isBetween(25.0, 40.0).isLessThan(40);
        for (double g = 0; g < 300; g += 7) {
            assertThat(Brix.gPerL(Brix.ofGelatin(g))).isCloseTo(g, within(1e-9));
        }
        assertThatThrownBy(() -> Brix.gPerL(95)).isInstanceOf(Refusal.class);
    }
}
