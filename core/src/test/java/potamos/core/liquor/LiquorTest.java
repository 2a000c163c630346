package potamos.core.liquor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
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
