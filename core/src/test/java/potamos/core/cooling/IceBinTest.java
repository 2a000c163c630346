package potamos.core.cooling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.cooling.IceBin.Use;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;

/** Whether there is ice at the hour at which it is wanted. */
class IceBinTest {

    private static final Instant NOW = Samples.EIGHT;

    private static Use use(double hour, double kg) {
        return new Use(in(hour), Mass.ofKg(kg));
    }

    private static Instant in(double hours) {
        return NOW.plus(Duration.ofMinutes((long) (hours * 60)));
    }

    @ParameterizedTest
    @CsvSource({
        // One bath of 40 kg at ten leaves 20 of 60; the machine makes 18 kg in an hour until it is full again.
        "1, 60",
        "2, 20",
        "3, 38",
        "4, 56",
        "5, 60",
        "30, 60",
    })
    void aBinFillsAgainAfterABath(double hour, double kg) {
        IceBin bin = new IceBin(Mass.ofKg(60), 18);
        assertThat(bin.at(NOW, List.of(use(2, 40)), in(hour)).kg()).isCloseTo(kg, within(1e-6));
    }

    @Test
    void bathsCloseToEachOtherEmptyItWhateverTheirOrderIsToldIn() {
        IceBin bin = new IceBin(Mass.ofKg(60), 18);
        List<Use> told = List.of(use(3, 50), use(2, 40), use(9, 60));
        assertThat(bin.at(NOW, told, in(3)).kg()).isZero();
        assertThat(bin.at(NOW, told, in(4)).kg()).isCloseTo(18, within(1e-6));
    }

    @Test
    void boughtIceDoesNotComeBack() {
        IceBin bin = new IceBin(Mass.ofKg(60), 0);
        assertThat(bin.at(NOW, List.of(use(2, 40)), in(20)).kg()).isCloseTo(20, within(1e-6));
    }

    @Test
    void whatIsOverdueIsTakenNow() {
        IceBin bin = new IceBin(Mass.ofKg(60), 18);
        assertThat(bin.at(NOW, List.of(use(-2, 40)), in(1)).kg()).isCloseTo(38, within(1e-6));
    }

    /** What one bath more may take leaves the later ones theirs. */
    @ParameterizedTest
    @CsvSource({
        // A bath of 40 kg at ten: an hour before it the full bin may give what it still makes, and what the bath
        // leaves.
        "1, 38",
        "2, 20",
        "3, 38",
        // Early enough, the machine makes good all that is taken.
        "-4, 60",
    })
    void whatMayBeTakenLeavesTheOthersTheirs(double hour, double kg) {
        IceBin bin = new IceBin(Mass.ofKg(60), 18);
        List<Use> others = List.of(use(2, 40));
        Instant before = NOW.minus(Duration.ofHours(9));
        assertThat(bin.spare(before, others, in(hour)).kg()).isCloseTo(kg, within(0.05));
        assertThat(bin.has(before, others, use(hour, kg))).isTrue();
        assertThat(bin.has(before, others, use(hour, kg + 0.05))).isFalse();
    }

    /** Looked at one after another, by what is in the bin: with one bath more each of the others still finds what it takes. */
    @Test
    void oneMoreHasItsIceWhereEachLaterOneHas() {
        Random random = new Random(11);
        int fine = 0;
        for (int round = 0; round < 400; round++) {
            IceBin bin = new IceBin(Mass.ofKg(60), random.nextInt(20));
            List<Use> others = random.ints(random.nextInt(7), 0, 40)
                    .mapToObj(half -> use(half / 2.0 - 2, 5 + random.nextInt(30)))
                    .toList();
            Use more = use(random.nextInt(40) / 2.0 - 2, 5 + random.nextInt(40));
            boolean each = bin.at(NOW, others, more.at()).kg() >= more.ice().kg();
            for (Use one : others) {
                List<Use> beside = new ArrayList<>(others);
                beside.remove(one);
                beside.add(more);
                each &= one.at().isBefore(more.at())
                        || bin.at(NOW, beside, one.at()).kg() >= one.ice().kg() - 0.02;
            }
            assertThat(bin.has(NOW, others, more))
                    .as("%s beside %s", more, others)
                    .isEqualTo(each);
            fine += each ? 1 : 0;
        }
        assertThat(fine).isBetween(50, 350);
    }

    /** Wherever it is looked at, the line is what is in the bin: down at each bath, up by the machine, flat once it is full. */
    @Test
    void itsLineIsWhatIsInTheBin() {
        IceBin bin = new IceBin(Mass.ofKg(60), 18);
        List<Use> uses = List.of(use(-1, 5), use(3, 50), use(2, 20), use(9, 60));
        List<IceBin.Level> levels = bin.levels(NOW, uses, in(20));
        assertThat(levels.get(levels.size() - 1).at()).isEqualTo(in(20));
        for (int i = 1; i < levels.size(); i++) {
            IceBin.Level from = levels.get(i - 1);
            IceBin.Level to = levels.get(i);
            assertThat(to.at()).isAfterOrEqualTo(from.at());
            if (from.at().isBefore(to.at())) {
                Instant middle =
                        from.at().plus(Duration.between(from.at(), to.at()).dividedBy(2));
                assertThat(bin.at(NOW, uses, middle).kg())
                        .isCloseTo((from.ice().kg() + to.ice().kg()) / 2, within(0.02));
            }
        }
        assertThat(levels).anyMatch(level -> level.ice().kg() == 0);
        assertThat(new IceBin(Mass.ofKg(10), 0).levels(NOW, List.of(use(1, 4)), in(5)))
                .extracting(level -> level.ice().kg())
                .containsExactly(10.0, 10.0, 6.0, 6.0);
    }

    private static Chiller chiller(Chiller.Kind kind, double iceKg, double kgPerH) {
        return new Chiller(kind.name() + iceKg, kind, 50, Temperature.ofCelsius(2), iceKg, kgPerH);
    }

    @Test
    void theIceOfAKitchenIsThatOfItsBathsWhichHaveAny() {
        assertThat(IceBin.of(List.of(
                        chiller(Chiller.Kind.ICE_BATH, 40, 10),
                        chiller(Chiller.Kind.ICE_BATH, 20, 8),
                        chiller(Chiller.Kind.ICE_BATH, 0, 5),
                        chiller(Chiller.Kind.BLAST, 30, 7))))
                .contains(new IceBin(Mass.ofKg(60), 18));
        assertThat(IceBin.of(List.of(chiller(Chiller.Kind.ICE_BATH, 0, 5), chiller(Chiller.Kind.FREEZER, 30, 7))))
                .isEmpty();
    }

    /** Another may lack a cube, which nobody misses; what is asked for is all there, to a gram. */
    @Test
    void whatIsAskedForIsThereToAGramAndOfTheOthersToACube() {
        IceBin bin = new IceBin(Mass.ofKg(60), 0);
        List<Use> others = List.of(use(5, 40));
        assertThat(bin.has(NOW, others, use(2, 20.015))).isTrue();
        assertThat(bin.has(NOW, others, use(2, 20.025))).isFalse();
        assertThat(bin.has(NOW, others, use(6, 20.0005))).isTrue();
        assertThat(bin.has(NOW, others, use(6, 20.015))).isFalse();
        assertThat(bin.has(NOW, others, use(5, 20))).isTrue();
        assertThat(bin.has(NOW, others, use(5, 20.1))).isFalse();
    }

    @Test
    void itsLineEndsWhereItIsToldToAndFillsOnlyAsFarAsThere() {
        IceBin bin = new IceBin(Mass.ofKg(60), 20);
        assertThat(bin.levels(NOW, List.of(use(1, 40), use(4, 30), use(9, 5)), in(4)))
                .containsExactly(
                        new IceBin.Level(NOW, Mass.ofKg(60)),
                        new IceBin.Level(in(1), Mass.ofKg(60)),
                        new IceBin.Level(in(1), Mass.ofKg(20)),
                        new IceBin.Level(in(3), Mass.ofKg(60)),
                        new IceBin.Level(in(4), Mass.ofKg(60)));
    }
}
