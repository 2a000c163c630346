package potamos.core.figure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.batch.EventKind;
import potamos.core.heat.Cover;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** Each quantity crosses a wire and comes back; what is no figure of its kind is refused by name. */
class FigureTest {

    static Stream<Arguments> figures() {
        return Stream.of(
                Arguments.of(Figure.litres(0, 10), "litres", 2.5, Volume.ofLitres(2.5), "L"),
                Arguments.of(Figure.kg(0, 10), "kg", 2.5, Mass.ofKg(2.5), "kg"),
                Arguments.of(Figure.celsius("ovenC", 0, 300), "ovenC", 210.0, Temperature.ofCelsius(210), "°C"),
                Arguments.of(Figure.cm("dropCm", 10), "dropCm", 2.5, Length.ofCm(2.5), "cm"),
                Arguments.of(Figure.duration("min"), "min", 1.5, Duration.ofSeconds(90), "min"),
                Arguments.of(Figure.minutes("longerMin", 60), "longerMin", 15, Duration.ofMinutes(15), "min"),
                Arguments.of(Figure.mark("shade", 1, 8, "on the card"), "shade", 5.5, 5.5, "on the card"),
                Arguments.of(Figure.count("passes", 1, 6, "passes"), "passes", 3, 3, "passes"),
                Arguments.of(Figure.step(60), "step", 2, 2, ""),
                Arguments.of(Figure.yes("pressed"), "pressed", true, true, ""),
                Arguments.of(Figure.words(), "words", "round", "round", "characters"),
                Arguments.of(Figure.part(), "part", "onion", "onion", "characters"),
                Arguments.of(Figure.station(), "stationId", "soup", "soup", "characters"),
                Arguments.of(Figure.call(), "callId", "7", "7", "characters"),
                Arguments.of(Figure.choice("cover", Cover.class), "cover", "lid-ajar", Cover.LID_AJAR, ""));
    }

    @ParameterizedTest
    @MethodSource("figures")
    <T> void crossesAWireAndComesBack(Figure<T> figure, String name, Object wire, T value, String unit) {
        assertThat(figure.name()).isEqualTo(name);
        assertThat(figure.unit()).isEqualTo(unit);
        assertThat(figure.wire(value)).isEqualTo(wire);
        assertThat(figure.value(wire)).isEqualTo(value);
        assertThat(wire).isInstanceOf(figure.quantity().wire());
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> figure.value(List.of()))
                .satisfies(refusal -> assertThat(refusal.field()).isEqualTo(name));
    }

    @Test
    void aTextMayBeAsLongAsItsLongest() {
        Figure<String> part = Figure.part();
        String longest = "x".repeat((int) part.most());
        assertThat(part.check(longest)).isEqualTo(longest);
        assertThatExceptionOfType(Refusal.class).isThrownBy(() -> part.check(longest + "x"));
    }

    @Test
    void aConstantIsFoundByItsWordAlone() {
        assertThat(Figure.constant(Cover.class, "lid-on")).contains(Cover.LID_ON);
        assertThat(Figure.constant(Cover.class, "LID_ON")).isEmpty();
        assertThat(Figure.choice("cover", Cover.class).choices())
                .hasSize(Cover.values().length)
                .contains("paper-lid");
    }

    @Test
    void whatIsSentAsNothingIsNotSaid() {
        Map<String, Object> sent = new HashMap<>();
        sent.put("litres", null);
        sent.put("passes", 3);
        assertThat(Figures.said(sent)).containsExactly(Map.entry("passes", 3));
        assertThat(Figures.said(null)).isEmpty();
    }

    @Test
    void figuresAreTakenByNameAndWhatIsNotKnownIsRefused() {
        Figure<Volume> litres = Figure.litres(0, 10);
        Figure<Integer> passes = Figure.count("passes", 1, 6, "passes");
        Figures said = Figures.NONE.with(litres, Volume.ofLitres(4)).with(new Figures(Map.of("passes", 2)));
        assertThat(said.get(litres)).isEqualTo(Volume.ofLitres(4));
        assertThat(said.has(passes)).isTrue();
        assertThat(said.or(passes, 5)).isEqualTo(2);
        assertThat(said.only(List.of(litres, passes), "unknown")).isEqualTo(said);
        assertThat(Figures.NONE.has(passes)).isFalse();
        assertThat(Figures.NONE.or(passes, 5)).isEqualTo(5);
        assertThat(Figures.NONE.isEmpty()).isTrue();
        assertThat(said.isEmpty()).isFalse();
        assertThat(said.with(new Figures(Map.of("passes", 3))).get(passes)).isEqualTo(3);
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> said.only(List.of(litres), "unknown"))
                .satisfies(refusal -> assertThat(refusal.field()).isEqualTo("passes"));
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> new Figures(Map.of("part", " ")).get(Figure.part()))
                .withMessage("is needed here");
    }

    @Test
    void aRecordTellsWhatItSaysAndNothingOfWhatItDoesNot() {
        Telling<Map<String, String>> telling = new Telling<>();
        telling.add(Figure.words("why"), record -> record.get("why"));
        telling.add(Figure.part(), record -> record.get("part"));
        assertThat(telling.figures()).extracting(Figure::name).containsExactly("why", "part");
        assertThat(telling.of(Map.of("why", "", "part", "onion")).byName()).containsExactly(Map.entry("part", "onion"));
        assertThat(telling.of(Map.of("why", "smelled")).byName()).containsExactly(Map.entry("why", "smelled"));
    }

    @Test
    void severalWordsCrossInOneLineAndOneThatIsNoneIsRefused() {
        Figure<Set<Cover>> covers = Figure.choices("covers", Cover.class);
        assertThat(covers.wire(Set.of(Cover.LID_ON, Cover.OPEN))).isEqualTo("open lid-on");
        assertThat(covers.value("lid-on  open")).containsExactlyInAnyOrder(Cover.OPEN, Cover.LID_ON);
        assertThat(covers.value("")).isEmpty();
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> covers.value("open cloth"))
                .withMessage("one of open, paper-lid, lid-ajar, lid-on");
    }

    @Test
    void aDayIsADayOfTheCalendar() {
        Figure<LocalDate> day = Figure.day("packed");
        assertThat(day.value("2028-02-29")).isEqualTo(LocalDate.of(2028, 2, 29));
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> day.value("2027-02-29"))
                .satisfies(refusal -> assertThat(refusal.field()).isEqualTo("packed"));
    }

    /** As a scale, a jug and a ruler read it. */
    @Test
    void aNumberIsSaidNoFinerThanItIsMeasured() {
        assertThat(Figure.Quantity.LITRES.measured(2.50049)).isEqualTo(new BigDecimal("2.5"));
        assertThat(Figure.Quantity.LITRES.measured(-0.0001)).isEqualTo(BigDecimal.ZERO);
        assertThat(Figure.Quantity.CELSIUS.measured(84.96)).isEqualTo(new BigDecimal("85"));
        assertThat(Figure.Quantity.COUNT.measured(120)).isEqualTo(new BigDecimal("120"));
    }

    @Test
    void figuresOfSeveralKindsStandOnce() {
        Figure<Volume> litres = Figure.litres(0, 10);
        Figure<Volume> again = Figure.litres(1, 5);
        Figure<Integer> passes = Figure.count("passes", 1, 6, "passes");
        assertThat(Telling.once(Stream.of(List.of(litres), List.of(again, passes))))
                .containsExactly(litres, passes);
    }

    @Test
    void everyFigureOfAnEventIsAmongAllOfThem() {
        List<String> all = EventKind.everyFigure().stream().map(Figure::name).toList();
        assertThat(all).doesNotHaveDuplicates();
        for (EventKind<?> kind : EventKind.all()) {
            assertThat(all)
                    .containsAll(kind.figures().stream().map(Figure::name).toList());
        }
    }
}
