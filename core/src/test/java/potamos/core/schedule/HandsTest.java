package potamos.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.batch.DueAct;
import potamos.core.batch.DueAct.Cost;
import potamos.core.batch.DueAct.Kind;

class HandsTest {

    private static final Instant NOW = Samples.EIGHT;
    private static final Duration HOUR = Duration.ofHours(1);

    private static Instant in(int minutes) {
        return NOW.plus(Duration.ofMinutes(minutes));
    }

    private static Hands.Wanted want(String batch, Kind kind, int due, int grace, Cost cost) {
        return new Hands.Wanted(batch, new DueAct(kind, -1, in(due), in(due + grace), 0, cost, List.of()));
    }

    private static Hands.Placed placed(List<Hands.Placed> all, Kind kind) {
        return all.stream()
                .filter(p -> p.wanted().act().kind() == kind)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void actsThatDoNotMeetKeepTheirTimes() {
        List<Hands.Placed> day = Hands.settle(
                List.of(want("a", Kind.STRAIN, 5, 10, Cost.SAFETY), want("b", Kind.SKIM, 30, 10, Cost.CLARITY)),
                NOW,
                HOUR);
        assertThat(day).allSatisfy(p -> {
            assertThat(p.because()).isEmpty();
            assertThat(p.from()).isEqualTo(p.wanted().act().due());
        });
    }

    @Test
    void whatIsWorseLostKeepsItsTimeAndTheOtherGivesWayWithAReason() {
        List<Hands.Placed> day = Hands.settle(
                List.of(want("a", Kind.SKIM, 10, 20, Cost.CLARITY), want("b", Kind.BEGIN_COOLING, 9, 10, Cost.SAFETY)),
                NOW,
                HOUR);
        assertThat(placed(day, Kind.BEGIN_COOLING).from()).isEqualTo(in(9));
        Hands.Placed skim = placed(day, Kind.SKIM);
        assertThat(skim.from()).isEqualTo(in(15));
        assertThat(skim.because().orElseThrow().batch()).isEqualTo("b");
        assertThat(skim.late()).isFalse();
    }

    @Test
    void whatWouldBeLateAfterwardsIsDoneBeforeWhereThatHarmsNothing() {
        List<Hands.Placed> day = Hands.settle(
                List.of(want("a", Kind.TURN, 11, 5, Cost.FLAVOUR), want("b", Kind.STRAIN, 12, 10, Cost.SAFETY)),
                NOW,
                HOUR);
        Hands.Placed turn = placed(day, Kind.TURN);
        assertThat(turn.from()).isEqualTo(in(7));
        assertThat(turn.because()).isPresent();
    }

    @Test
    void nothingIsStrainedBeforeItsTime() {
        List<Hands.Placed> day = Hands.settle(
                List.of(want("a", Kind.STRAIN, 11, 2, Cost.TIME), want("b", Kind.BEGIN_COOLING, 12, 10, Cost.SAFETY)),
                NOW,
                HOUR);
        assertThat(placed(day, Kind.STRAIN).from()).isEqualTo(in(18));
        assertThat(placed(day, Kind.STRAIN).late()).isTrue();
    }

    @Test
    void oneHandInPassingIsInNobodysWay() {
        List<Hands.Placed> day = Hands.settle(
                List.of(
                        want("a", Kind.READ_TEMPERATURE, 10, 10, Cost.CLARITY),
                        want("b", Kind.STRAIN, 10, 10, Cost.SAFETY)),
                NOW,
                HOUR);
        assertThat(day).hasSize(1);
    }

    @Test
    void anOverdueActIsPlacedNowAndNotInThePast() {
        List<Hands.Placed> day = Hands.settle(List.of(want("a", Kind.SKIM, -20, 5, Cost.CLARITY)), NOW, HOUR);
        assertThat(day.get(0).from()).isEqualTo(NOW);
        assertThat(day.get(0).late()).isTrue();
    }

    @Test
    void twoActsOfOnePotFollowEachOtherWithoutAClash() {
        List<Hands.Placed> day = Hands.settle(
                List.of(want("a", Kind.PASS, 10, 10, Cost.TIME), want("a", Kind.STRAIN, 10, 10, Cost.TIME)), NOW, HOUR);
        assertThat(day).allSatisfy(p -> assertThat(p.because()).isEmpty());
    }

    static LongStream seeds() {
        return LongStream.range(1, 30);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void noTwoPotsEverHaveBothHandsAtOnce(long seed) {
        Random random = new Random(seed);
        List<Hands.Wanted> wanted = new ArrayList<>();
        for (int i = 0; i < 14; i++) {
            wanted.add(want(
                    "pot " + random.nextInt(6),
                    Kind.values()[random.nextInt(Kind.values().length)],
                    random.nextInt(70) - 10,
                    random.nextInt(20),
                    Cost.values()[random.nextInt(Cost.values().length)]));
        }
        List<Hands.Placed> day = Hands.settle(wanted, NOW, HOUR);
        for (Hands.Placed one : day) {
            assertThat(one.from()).isAfterOrEqualTo(NOW);
            for (Hands.Placed other : day) {
                boolean samePot = one.wanted().batch().equals(other.wanted().batch());
                boolean meet =
                        one.from().isBefore(other.until()) && other.from().isBefore(one.until());
                assertThat(samePot || !meet).as("%s and %s", one, other).isTrue();
            }
        }
    }

    /** With so many pots there is more to do than anybody can; that it is said must not itself take a minute. */
    @Test
    void moreThanAnyoneCanDoFollowsOneAfterAnother() {
        List<Hands.Wanted> wanted = new ArrayList<>();
        for (int pot = 0; pot < 400; pot++) {
            for (Kind kind : List.of(Kind.SKIM, Kind.TOP_UP, Kind.STRAIN, Kind.STORE, Kind.TURN)) {
                wanted.add(want("pot " + pot, kind, pot % 50, 10, Cost.YIELD));
            }
        }
        List<Hands.Placed> day = Hands.settle(wanted, NOW, HOUR);
        assertThat(day).hasSameSizeAs(wanted).isSortedAccordingTo(Comparator.comparing(Hands.Placed::from));
        Instant busyUntil = NOW;
        for (Hands.Placed act : day) {
            if (act.from().isAfter(NOW.plus(HOUR).plus(Duration.ofMinutes(12)))) {
                assertThat(act.from()).isAfterOrEqualTo(busyUntil);
                busyUntil = act.until();
            }
        }
        assertThat(busyUntil).isAfter(NOW.plus(Duration.ofDays(2)));
    }
}
