package potamos.server.exchange;

import potamos.core.figure.Figures;
import potamos.core.formula.Phase;
import potamos.core.formula.PhaseKind;
import potamos.core.quantity.Refusal;
import potamos.server.exchange.FormulaJson.PhaseJson;

/** A phase of the core and its form in the open format, both ways. */
final class PhaseForm {

    private PhaseForm() {}

    static PhaseJson write(Phase phase) {
        return new PhaseJson(phase.kind().name(), phase.kind().figuresOf(phase).byName());
    }

    /**
     * @throws Refusal on the field of the phase that is missing, unknown or out of range
     */
    static Phase read(PhaseJson form) {
        return PhaseKind.of(Refusal.unlessGiven("phase", form.phase()))
                .orElseThrow(() -> Refusal.of("phase", "nobody knows this phase"))
                .make(new Figures(form.figures()));
    }
}
