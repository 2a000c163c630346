package potamos.core.vessel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.formula.Beds;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

class ShapeTest {

    static Stream<Shape> shapes() {
        return Stream.of(
                new Shape.Cylinder(Length.ofCm(36), Length.ofCm(40)),
                new Shape.Pan(Length.ofCm(53), Length.ofCm(32.5), Length.ofCm(10)),
                new Shape.Kettle(Length.ofCm(55), Length.ofCm(39.5), Length.ofCm(12)),
                new Shape.Kettle(Length.ofCm(40), Length.ofCm(40), Length.ofCm(20)));
    }

    @ParameterizedTest
    @MethodSource("shapes")
    void levelAndVolumeAreEachOthersInverse(Shape shape) {
        for (double share = 0.001; share <= 1.2; share += 0.037) {
            Length level = shape.height().times(share);
            assertThat(shape.levelAt(shape.volumeAt(level)).cm()).isCloseTo(level.cm(), within(1e-6));
        }
    }

    @ParameterizedTest
    @MethodSource("shapes")
    void moreVolumeStandsHigher(Shape shape) {
        double before = -1;
        for (double litres = 0; litres < shape.brimful().litres(); litres += 0.5) {
            double level = shape.levelAt(Volume.ofLitres(litres)).cm();
            assertThat(level).isGreaterThan(before);
            before = level;
        }
    }

    @ParameterizedTest
    @MethodSource("shapes")
    void theSurfaceIsTheSlopeOfTheVolume(Shape shape) {
        for (double cm = 1; cm < shape.height().cm() - 1; cm += 1.3) {
            double below = shape.volumeAt(Length.ofCm(cm - 1e-4)).cubicCm();
            double above = shape.volumeAt(Length.ofCm(cm + 1e-4)).cubicCm();
            assertThat(shape.surfaceDm2(Length.ofCm(cm)) * 100).isCloseTo((above - below) / 2e-4, within(0.5));
        }
    }

    @Test
    void theEightyLitreKettleHoldsEightyLitres() {
        Shape kettle = new Shape.Kettle(Length.ofCm(55), Length.ofCm(39.5), Length.ofCm(12));
        assertThat(kettle.brimful().litres()).isCloseTo(80, within(1.0));
    }

    /** Walls and bottom under the level: a disc and a band, a rectangle and four strips, the cap of a sphere and a band. */
    @Test
    void whatIsWettedIsBottomAndWalls() {
        Length level = Length.ofCm(20);
        assertThat(new Shape.Cylinder(Length.ofCm(40), Length.ofCm(40)).wettedDm2(level))
                .isCloseTo(Math.PI * 4 + Math.PI * 8, within(1e-9));
        Shape pan = new Shape.Pan(Length.ofCm(50), Length.ofCm(30), Length.ofCm(25));
        assertThat(pan.wettedDm2(level)).isCloseTo(15 + 20 + 12, within(1e-9));
        assertThat(pan.width().cm()).isEqualTo(50);
        // Half a sphere of 20 cm, and 8 cm of wall above it.
        Shape kettle = new Shape.Kettle(Length.ofCm(40), Length.ofCm(40), Length.ofCm(20));
        assertThat(kettle.wettedDm2(Length.ofCm(28))).isCloseTo(2 * Math.PI * 4 + Math.PI * 3.2, within(1e-9));
        assertThat(kettle.wettedDm2(Length.ofCm(10))).isCloseTo(Math.PI * 4, within(1e-9));
    }

    @Test
    void aLevelAndItsDistanceFromTheRimAreTheSame() {
        Vessel pot = vessel(40);
        assertThat(pot.belowRim(Length.ofCm(33)).cm()).isCloseTo(7, within(1e-12));
        assertThat(pot.levelBelowRim(Length.ofCm(7)).cm()).isCloseTo(33, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -4, 1e6, Double.NaN, Double.POSITIVE_INFINITY})
    void impossibleDiametersAreRefused(double diameter) {
        assertThatThrownBy(() -> new Shape.Cylinder(Length.ofCm(diameter), Length.ofCm(30)))
                .isInstanceOf(Refusal.class);
    }

    @Test
    void freeboardIsFiveCentimetresOrATenthOfTheHeight() {
        assertThat(vessel(30).freeboard().cm()).isEqualTo(5);
        assertThat(vessel(80).freeboard().cm()).isCloseTo(8, within(1e-12));
    }

    @Test
    void aBedIsCoveredByTheWaterBetweenItsPieces() {
        Bed bed = new Bed(Beds.CHICKEN_CARCASS, Mass.ofKg(11));
        assertThat(bed.waterToCover().litres()).isCloseTo(11 / 0.5 - 11 / 1.1, within(1e-12));
        Vessel vessel = vessel(40);
        Volume covered = bed.waterToCover().plus(bed.displacedVolume());
        assertThat(vessel.shape().levelAt(covered).cm())
                .isCloseTo(bed.rawHeight(vessel).cm(), within(1e-9));
        assertThat(bed.height(vessel, 1).cm())
                .isCloseTo(0.8 * bed.rawHeight(vessel).cm(), within(1e-9));
    }

    private static Vessel vessel(double height) {
        return new Vessel(
                "pot",
                new Shape.Cylinder(Length.ofCm(36), Length.ofCm(height)),
                Vessel.bookKappa(),
                Mass.ofKg(5),
                Vessel.Handling.LIFTED);
    }
}
