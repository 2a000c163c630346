package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.batch.BatchEvent.Stamp;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/** What holds for every kind of event, the ones to come included. */
class EventKindTest {

    private static final Instant AT = Samples.EIGHT;
    private static final Stamp LATER = new Stamp("c", AT.plus(Duration.ofHours(1)), "TB");

    static List<EventKind<?>> kinds() {
        return EventKind.all();
    }

    /** A kind and one of its figures. */
    static Stream<Object[]> figures() {
        return kinds().stream()
                .flatMap(kind -> kind.figures().stream().map(figure -> new Object[] {kind, figure.name()}));
    }

    @Test
    void everyRecordOfAFactIsAKind() {
        Set<Object> records = Arrays.stream(Fact.class.getPermittedSubclasses())
                .flatMap(group -> Arrays.stream(group.getPermittedSubclasses()))
                .collect(Collectors.toSet());
        assertThat(kinds().stream().<Object>map(EventKind::type)).hasSameElementsAs(records);
    }

    @Test
    void namesAreGivenOnce() {
        assertThat(kinds().stream().map(EventKind::name)).doesNotHaveDuplicates();
        assertThat(EventKind.of("skimmed")).contains(PotEvent.Skimmed.KIND);
        assertThat(EventKind.of("corrected")).isEmpty();
    }

    /** Kinds that share a record are stored as that record; what a stock becomes is for whoever may judge or hand it out. */
    @Test
    void whatIsStoredAndWhoIsTrustedIsSaid() {
        assertThat(kinds().stream().map(EventKind::storedAs))
                .contains("judged", "strained")
                .doesNotContain("judged-enough");
        assertThat(FinishEvent.Strained.KIND.trust()).isEqualTo(EventKind.Trust.JUDGEMENT);
        assertThat(ShelfEvent.Delivered.KIND.trust()).isEqualTo(EventKind.Trust.HANDING_OUT);
        assertThat(PotEvent.Skimmed.KIND.trust()).isEqualTo(EventKind.Trust.WORK);
        assertThat(PotEvent.Skimmed.KIND).hasToString("skimmed");
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void whatIsMadeOfFiguresTellsThem(EventKind<?> kind) {
        Figures told = SampleEvents.figures(kind);
        Fact made = kind.make(new Stamp("a", AT, "IV"), told);
        assertThat(made.kind()).isEqualTo(kind);
        assertThat(made.figures()).isEqualTo(told);
        assertThat(made.stamp().at()).isEqualTo(AT);
    }

    @ParameterizedTest
    @MethodSource("figures")
    void aCorrectedFigureLeavesEveryOtherOneAsItWas(EventKind<?> kind, String name) {
        Fact first = kind.make(new Stamp("a", AT, "IV"), SampleEvents.figures(kind));
        Object right = SampleEvents.within(figure(kind, name), 0.5);
        Amendment.Corrected corrected = Batch.correction(
                List.of(first), "a", Amendment.Change.of(new Figures(Map.of(name, right))), LATER, "misread");
        Map<String, Object> expected = new LinkedHashMap<>(first.figures().byName());
        expected.put(name, right);
        assertThat(corrected.replacement().figures().byName()).isEqualTo(expected);
        assertThat(corrected.replacement().stamp().at()).isEqualTo(AT);
        assertThat(corrected.replacement().stamp().by()).isEqualTo("IV");
        assertThat(corrected.replacement().stamp().late()).isTrue();
    }

    @ParameterizedTest
    @MethodSource("figures")
    void aFigureOutsideItsRangeIsRefusedByItsName(EventKind<?> kind, String name) {
        Figure<?> figure = figure(kind, name);
        Map<String, Object> told =
                new LinkedHashMap<>(SampleEvents.figures(kind).byName());
        told.put(name, SampleEvents.outside(figure));
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> kind.make(new Stamp("a", AT, "IV"), new Figures(told)))
                .satisfies(refusal -> assertThat(refusal.field()).isEqualTo(name));
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void aFigureThatAKindDoesNotHaveIsRefused(EventKind<?> kind) {
        Figures foreign = new Figures(Map.of("nobody", 1.0));
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> kind.make(
                        new Stamp("a", AT, "IV"), SampleEvents.figures(kind).with(foreign)))
                .satisfies(refusal -> assertThat(refusal.field()).isEqualTo("nobody"));
    }

    @Test
    void anotherWeightKeepsTheLot() {
        Fact weighed = new ChoreEvent.WeighedIn(new Stamp("a", AT, "IV"), BatchEvent.BED, Mass.ofKg(12), "KL-217");
        Amendment.Corrected corrected = Batch.correction(
                List.of(weighed), "a", Amendment.Change.of(new Figures(Map.of("kg", 12.6))), LATER, "wrong scale");
        assertThat(corrected.replacement())
                .isEqualTo(new ChoreEvent.WeighedIn(
                        weighed.stamp().enteredAt(LATER.entered()), BatchEvent.BED, Mass.ofKg(12.6), "KL-217"));
    }

    @Test
    void otherLitresKeepThePassesAndThePressing() {
        Fact strained = new FinishEvent.Strained(new Stamp("a", AT, "IV"), Volume.ofLitres(14), 4, true);
        Amendment.Corrected corrected = Batch.correction(
                List.of(strained), "a", Amendment.Change.of(new Figures(Map.of("litres", 13.5))), LATER, "misread");
        assertThat(corrected.replacement())
                .isEqualTo(new FinishEvent.Strained(
                        strained.stamp().enteredAt(LATER.entered()), Volume.ofLitres(13.5), 4, true));
    }

    @Test
    void aSecondCorrectionStartsFromTheFirst() {
        Fact strained = new FinishEvent.Strained(new Stamp("a", AT, "IV"), Volume.ofLitres(14), 4, true);
        Amendment.Corrected once = Batch.correction(
                List.of(strained), "a", Amendment.Change.of(new Figures(Map.of("litres", 13.5))), LATER, "misread");
        Amendment.Corrected twice = Batch.correction(
                List.of(strained, once), "a", Amendment.Change.of(new Figures(Map.of("passes", 3))), LATER, "misread");
        assertThat(twice.replacement().figures().byName())
                .containsEntry("litres", 13.5)
                .containsEntry("passes", 3)
                .containsEntry("pressed", true);
    }

    @Test
    void aCorrectionSaysWhatAndWhy() {
        Fact skimmed = new PotEvent.Skimmed(new Stamp("a", AT, "IV"), Volume.ofLitres(0.2));
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() ->
                        Batch.correction(List.of(skimmed), "a", Amendment.Change.of(Figures.NONE), LATER, "misread"))
                .withMessageContaining("changes a figure");
        assertThatExceptionOfType(Refusal.class)
                .isThrownBy(() -> Batch.correction(
                        List.of(skimmed), "a", Amendment.Change.of(new Figures(Map.of("litres", 0.3))), LATER, " "))
                .satisfies(refusal -> assertThat(refusal.field()).isEqualTo("reason"));
    }

    private static Figure<?> figure(EventKind<?> kind, String name) {
        return kind.figures().stream()
                .filter(figure -> figure.name().equals(name))
                .findFirst()
                .orElseThrow();
    }
}
