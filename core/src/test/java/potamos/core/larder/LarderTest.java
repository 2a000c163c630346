package potamos.core.larder;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/** What of the boxes that there are goes into a pot. */
class LarderTest {

    private static final ZoneId ZONE = ZoneId.of("Europe/Zurich");
    private static final Instant NOW = Instant.parse("2026-03-03T08:00:00Z");
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 3);
    private static final Temperature STORE = Temperature.ofCelsius(3);

    private static Box box(String id, String goods, double kg, LocalDate useBy) {
        return new Box(
                id,
                Goods.find(goods).orElseThrow(),
                Mass.ofKg(kg),
                Optional.ofNullable(useBy),
                false,
                Optional.empty(),
                Optional.empty(),
                false,
                Optional.empty());
    }

    private static Box frozen(String id, String goods, double kg, double thickCm) {
        Goods what = Goods.find(goods).orElseThrow();
        return new Box(
                id,
                what,
                Mass.ofKg(kg),
                Optional.of(TODAY.plusDays(60)),
                true,
                Optional.empty(),
                Optional.of(Thaw.takes(Mass.ofKg(kg), what.kgPerL(), Length.ofCm(thickCm), STORE)),
                false,
                Optional.empty());
    }

    private static Larder.Cover take(double kg, String goods, Box... boxes) {
        return new Larder(List.of(boxes), ZONE).take(goods, Mass.ofKg(kg), NOW);
    }

    @Test
    void whatHasToGoFirstGoesFirstAndTheRestIsMissing() {
        Larder.Cover cover = take(
                9.05,
                "chicken-carcass",
                box("later", "chicken-carcass", 6.2, TODAY.plusDays(3)),
                box("sooner", "chicken-carcass", 2, TODAY.plusDays(1)),
                box("veal", "veal-knuckle-breast", 20, TODAY));
        assertThat(cover.draws()).extracting(draw -> draw.box().id()).containsExactly("sooner", "later");
        assertThat(cover.there().kg()).isCloseTo(8.2, within(1e-9));
        assertThat(cover.missing().kg()).isCloseTo(0.85, within(1e-9));
    }

    @Test
    void theKitchensOwnTrimIsUsedUpFirst() {
        Box bought = box("a", "onion", 2, TODAY.plusDays(9));
        Box trim = new Box(
                "z",
                bought.goods(),
                Mass.ofKg(1),
                bought.useBy(),
                true,
                Optional.empty(),
                Optional.empty(),
                true,
                Optional.empty());
        // Frozen onion goes into the pot as it is.
        assertThat(take(1.5, "onion", bought, trim).draws())
                .extracting(draw -> draw.box().id())
                .containsExactly("z", "a");
    }

    @Test
    void whatIsPastItsDayOrStoppedStaysWhereItIs() {
        Box stopped = new Box(
                "s",
                Goods.find("chicken-carcass").orElseThrow(),
                Mass.ofKg(9),
                Optional.of(TODAY),
                false,
                Optional.empty(),
                Optional.empty(),
                false,
                Optional.of("smelled"));
        Larder.Cover cover = take(5, "chicken-carcass", stopped, box("old", "chicken-carcass", 9, TODAY.minusDays(1)));
        assertThat(cover.draws()).isEmpty();
        assertThat(cover.missing().kg()).isEqualTo(5);
        assertThat(box("today", "chicken-carcass", 9, TODAY).refused(TODAY, NOW))
                .isEmpty();
    }

    @Test
    void whatLiesFrozenIsNotThereYetAndNotMissing() {
        Larder.Cover cover = take(
                8,
                "chicken-carcass",
                box("fresh", "chicken-carcass", 3, TODAY.plusDays(90)),
                frozen("ice", "chicken-carcass", 4, 10));
        assertThat(cover.there().kg()).isEqualTo(3);
        assertThat(cover.toThaw().kg()).isEqualTo(4);
        assertThat(cover.missing().kg()).isEqualTo(1);
        assertThat(cover.frozen().get(0).box().thaws().orElseThrow())
                .isBetween(Duration.ofHours(20), Duration.ofHours(48));
    }

    @Test
    void whatThawsIsThereFromWhenItIsSoft() {
        Box thawing = new Box(
                "t",
                Goods.find("fish-frames").orElseThrow(),
                Mass.ofKg(4),
                Optional.of(TODAY.plusDays(2)),
                false,
                Optional.of(NOW.plus(Duration.ofHours(20))),
                Optional.of(Duration.ofHours(20)),
                false,
                Optional.empty());
        assertThat(thawing.refused(TODAY, NOW)).hasValue(Box.Refused.FROZEN);
        assertThat(thawing.refused(TODAY, NOW.plus(Duration.ofHours(20)))).isEmpty();
    }

    @Test
    void aChargeIsCoveredKindByKindAndTheLarderIsNotChangedByAsking() {
        Charge charge = Samples.charge(Samples.kettle(), Samples.bones(20));
        Larder larder = new Larder(
                List.of(box("bones", "chicken-carcass", 50, TODAY), box("onion", "onion", 0.4, TODAY)), ZONE);
        List<Larder.Cover> covers = larder.covers(charge, NOW);
        assertThat(covers).extracting(Larder.Cover::goods).contains("chicken-carcass", "onion", "carrot");
        assertThat(covers.get(0).wanted().kg()).isEqualTo(20);
        assertThat(covers.get(0).missing().kg()).isZero();
        assertThat(larder.covers(charge, NOW)).isEqualTo(covers);
    }

    /** However much is asked for, nothing is given twice, and what is given, frozen and missing is what was wanted. */
    @RepeatedTest(100)
    void nothingIsGivenTwice(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<Box> boxes = new ArrayList<>();
        Map<String, Double> there = new HashMap<>();
        for (int i = 0; i < 12; i++) {
            double kg = random.nextDouble() * 5;
            boxes.add(
                    random.nextInt(4) == 0
                            ? frozen("b" + i, "chicken-carcass", kg, 8)
                            : box("b" + i, "chicken-carcass", kg, TODAY.plusDays(random.nextInt(5) - 2)));
            there.put("b" + i, kg);
        }
        Larder larder = new Larder(boxes, ZONE);
        for (int i = 0; i < 6; i++) {
            double wanted = 0.1 + random.nextDouble() * 12;
            Larder.Cover cover = larder.take("chicken-carcass", Mass.ofKg(wanted), NOW);
            assertThat(cover.there().kg()
                            + cover.toThaw().kg()
                            + cover.missing().kg())
                    .isCloseTo(wanted, within(1e-9));
            cover.draws()
                    .forEach(draw -> there.merge(draw.box().id(), -draw.mass().kg(), Double::sum));
            cover.frozen()
                    .forEach(draw -> there.merge(draw.box().id(), -draw.mass().kg(), Double::sum));
        }
        assertThat(there.values()).allMatch(left -> left > -1e-9);
    }

    /** By the hours that kitchens count with: a day for a flat box, a day and a half for one of ten centimetres. */
    @ParameterizedTest
    @CsvSource({"5, 5, 12, 24", "10, 10, 28, 44", "20, 15, 45, 80"})
    void aBoxThawsByItsThickness(double kg, double thickCm, int least, int most) {
        Duration takes = Thaw.takes(Mass.ofKg(kg), 0.6, Length.ofCm(thickCm), STORE);
        assertThat(takes).isBetween(Duration.ofHours(least), Duration.ofHours(most));
        assertThat(Thaw.takes(Mass.ofKg(kg), 0.6, Length.ofCm(thickCm * 1.2), STORE))
                .isGreaterThan(takes);
        assertThat(Thaw.takes(Mass.ofKg(kg / 4), 0.6, Length.ofCm(thickCm), STORE))
                .as("what is thawed from its sides too is soft sooner")
                .isLessThan(takes);
        assertThat(Thaw.takes(Mass.ofKg(kg), 0.6, Length.ofCm(thickCm), Temperature.ofCelsius(7)))
                .isLessThan(takes);
    }

    @ParameterizedTest
    @CsvSource({"0.5, 3, thickCm", "80, 3, thickCm", "10, -2, storeC", "10, 22, storeC"})
    void whatNobodyThawsSoIsRefused(double thickCm, double storeC, String field) {
        assertThatThrownBy(() -> Thaw.takes(Mass.ofKg(5), 0.6, Length.ofCm(thickCm), Temperature.ofCelsius(storeC)))
                .isInstanceOfSatisfying(
                        Refusal.class, refusal -> assertThat(refusal.field()).isEqualTo(field));
    }

    @Test
    void whatIsLeftOverLiesInTheLarderAndNobodyDeliversIt() {
        for (String left : List.of("spent-bones", "picked-meat", "rendered-fat")) {
            assertThat(Goods.leftOver(left)).as(left).isTrue();
            assertThat(Goods.any(left)).as(left).isPresent();
            assertThat(Goods.find(left)).as(left).isEmpty();
        }
        assertThat(Goods.leftOver("onion")).isFalse();
        assertThat(Goods.find("roasted-vegetables")).as("made in the kitchen").isEmpty();
        assertThat(Goods.any("onion")).isEqualTo(Goods.find("onion"));
        assertThat(Goods.any("saffron-of-the-moon")).isEmpty();
        assertThat(Goods.nameOf("spent-bones")).isEqualTo("Spent bones");
        assertThat(Goods.nameOf("saffron-of-the-moon")).isEqualTo("saffron-of-the-moon");
    }

    @Test
    void theFatOfTheKitchensOwnStocksServesForOilAndForNothingElse() {
        Goods fat = Goods.any("rendered-fat").orElseThrow();
        Goods onion = Goods.any("onion").orElseThrow();
        assertThat(fat.serves("oil")).isTrue();
        assertThat(fat.serves("rendered-fat")).isTrue();
        assertThat(fat.serves("onion")).isFalse();
        assertThat(onion.serves("onion")).isTrue();
        assertThat(onion.serves("oil")).isFalse();
    }

    @Test
    void bonesAndShellsAreRawAndVegetablesAreNot() {
        assertThat(Goods.find("crustacean-shells").orElseThrow().raw()).isTrue();
        assertThat(Goods.find("kelp").orElseThrow().raw()).isFalse();
        assertThat(Goods.find("onion").orElseThrow().raw()).isFalse();
        assertThat(Goods.all()).extracting(Goods::id).doesNotHaveDuplicates();
    }
}
