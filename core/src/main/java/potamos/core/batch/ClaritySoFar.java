package potamos.core.batch;

import potamos.core.charge.Clouding;
import potamos.core.formula.FinishPhase;
import potamos.core.liquor.Clarity;

/**
 * Clarity as the pot was handled, beside the plan's. While it simmers this is what it would be if it were strained now as planned: skims that were left
 * out and minutes of boil are in it already.
 *
 * @param planned as foreseen when the plan was accepted
 * @param soFar   by what was done; the plan's before the pot has come to its simmer, whether anybody was there to log it or not
 */
public record ClaritySoFar(Clarity planned, Clarity soFar) {

    public static ClaritySoFar of(Plan plan, BatchState state) {
        Clarity planned = plan.charge().character().clarity();
        if (state.simmer().reached().isEmpty() && state.pot().simmers().isEmpty()) {
            return new ClaritySoFar(planned, planned);
        }
        double litres = state.strained().orElse(state.pot().liquor()).litres();
        Clouding clouding = Clouding.of(plan.charge(), litres);
        FinishPhase.Strain strain = plan.charge().run().strain();
        return new ClaritySoFar(
                planned,
                clouding.clarity(new Clouding.Handled(
                        state.simmer().skims(),
                        state.pot().boiledMin(),
                        strain.transfer(),
                        state.finish()
                                .strained()
                                .map(FinishEvent.Strained::passes)
                                .orElse(strain.passes()),
                        state.finish()
                                .strained()
                                .map(FinishEvent.Strained::pressed)
                                .orElse(strain.pressed()))));
    }
}
