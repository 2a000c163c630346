package potamos.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static potamos.core.formula.BookTest.assertField;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;
import potamos.core.quantity.Refusal;

/** Every kind of phase tells itself whole: what it says makes it again, what it needs is asked for, what it does not know is refused. */
class PhaseKindTest {

    /** What a new phase does not say, because most never do. */
    private static final Set<String> SELDOM = Set.of("simmerOvenC", "refillInRounds");

    static List<PhaseKind<?>> kinds() {
        return PhaseKind.all();
    }

    /** Records of the phases, as the compiler knows them. */
    private static Stream<Class<?>> records(Class<?> family) {
        return Stream.of(family.getPermittedSubclasses())
                .flatMap(member -> member.isInterface() ? records(member) : Stream.of(member));
    }

    @Test
    void everyPhaseIsAmongTheKinds() {
        assertThat(PhaseKind.all().stream().<Class<?>>map(PhaseKind::type))
                .containsExactlyInAnyOrderElementsOf(records(Phase.class).toList());
        assertThat(PhaseKind.all().stream().map(PhaseKind::name)).doesNotHaveDuplicates();
    }

    @Test
    void everyPhaseOfTheBookIsMadeAgainOfWhatItSays() {
        for (Formula formula : Book.formulas()) {
            for (Phase phase : formula.procedure()) {
                assertThat(phase.kind().make(phase.kind().figuresOf(phase)))
                        .as(formula.slug() + " " + phase.kind())
                        .isEqualTo(phase);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void whatIsUsualMakesAPhaseThatSaysIt(PhaseKind<?> kind) {
        Phase usual = kind.make(kind.usual());
        assertThat(usual).isInstanceOf(kind.type());
        assertThat(usual.kind()).isSameAs(kind);
        assertThat(kind.figuresOf(usual)).isEqualTo(kind.usual());
        assertThat(kind.usual().byName().keySet())
                .containsExactlyElementsOf(kind.figures().stream()
                        .map(Figure::name)
                        .filter(name -> !SELDOM.contains(name))
                        .toList());
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void whatIsNeededIsAskedForAndTheRestMayBeLeftOut(PhaseKind<?> kind) {
        Map<String, Object> needed = new HashMap<>(kind.usual().byName());
        kind.figures().stream().filter(figure -> !kind.needs(figure)).forEach(figure -> needed.remove(figure.name()));
        assertThat(kind.make(new Figures(needed))).isInstanceOf(kind.type());
        for (Figure<?> figure : kind.figures()) {
            if (kind.needs(figure)) {
                Map<String, Object> without = new HashMap<>(needed);
                without.remove(figure.name());
                assertField(figure.name(), () -> kind.make(new Figures(without)));
            }
        }
        assertField("weather", () -> kind.make(new Figures(Map.of("weather", "fair"))));
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void whatIsOutsideItsRangeIsRefusedByNameWithTheRange(PhaseKind<?> kind) {
        for (Figure<?> figure : kind.figures()) {
            if (kind.usual().byName().get(figure.name()) instanceof Number) {
                for (double beyond : new double[] {figure.least() - 1, figure.most() + 1}) {
                    Map<String, Object> told = new HashMap<>(kind.usual().byName());
                    told.put(figure.name(), figure.quantity().wire() == Integer.class ? (Object) (int) beyond : beyond);
                    Refusal refusal = catchThrowableOfType(Refusal.class, () -> kind.make(new Figures(told)));
                    assertThat(refusal)
                            .as(kind + " " + figure.name() + " " + beyond)
                            .isNotNull();
                    assertThat(refusal.field()).isEqualTo(figure.name());
                    assertThat(refusal.low()).isEqualTo(figure.least());
                    assertThat(refusal.high()).isEqualTo(figure.most());
                }
            }
        }
    }
}
