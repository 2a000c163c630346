package potamos.server.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.NoSuchElementException;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.batch.Amendment;
import potamos.core.batch.DueAct;
import potamos.core.batch.EventKind;
import potamos.core.formula.PhaseKind;

/** Nothing that the core tells apart is without a word of its own on paper. */
class WordsTest {

    /** Said by the phase that begins or ends, not by the act. */
    private static final Set<DueAct.Kind> BY_THEIR_PHASE = Set.of(DueAct.Kind.BEGIN, DueAct.Kind.END);

    static Stream<Enum<?>> constants() {
        return Words.HEADINGS.keySet().stream()
                .<Enum<?>>flatMap(type -> Stream.of(type.getEnumConstants()))
                .filter(constant -> !BY_THEIR_PHASE.contains(constant));
    }

    @ParameterizedTest
    @MethodSource("constants")
    void everyConstantHasItsWord(Enum<?> constant) {
        assertThat(Words.ENGLISH.of(constant)).isNotBlank().doesNotContain("_");
    }

    @Test
    void everyEntryItsFiguresAndEveryPhaseHaveTheirs() {
        for (EventKind<?> kind : EventKind.all()) {
            assertThat(Words.ENGLISH.event(kind.name())).isNotBlank();
            kind.figures()
                    .forEach(figure -> assertThat(Words.ENGLISH.figure(kind.name(), figure.name()))
                            .isNotBlank());
        }
        assertThat(Words.ENGLISH.event(Amendment.Corrected.NAME)).isEqualTo("Correction");
        for (PhaseKind<?> kind : PhaseKind.all()) {
            assertThat(Words.ENGLISH.phase(kind.name())).isNotBlank();
        }
        Stream.concat(EventKind.everyFigure().stream(), PhaseKind.everyFigure().stream())
                .flatMap(figure -> figure.choices().stream())
                .forEach(choice ->
                        assertThat(Words.ENGLISH.choice(choice)).isNotBlank().doesNotContain("_"));
    }

    @Test
    void whatNobodyWroteDownIsNotMadeUp() {
        assertThatThrownBy(() -> Words.ENGLISH.event("baked"))
                .isInstanceOf(NoSuchElementException.class)
                .hasMessageContaining("baked");
    }
}
