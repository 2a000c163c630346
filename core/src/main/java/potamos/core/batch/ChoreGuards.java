package potamos.core.batch;

import static potamos.core.batch.Guards.once;
import static potamos.core.batch.Guards.require;

import potamos.core.formula.Formula;
import potamos.core.formula.Phase;
import potamos.core.quantity.Refusal;

/** What makes no sense before the water: a phase that the procedure does not have, twice the same, a flame over a lit burner. */
final class ChoreGuards {

    private ChoreGuards() {}

    static void check(Plan plan, BatchState state, BatchEvent next) {
        Formula formula = plan.charge().formula();
        boolean strained = state.strained().isPresent();
        if (next instanceof BatchEvent.Began began) {
            BatchState.Chore chore = chore(state, began.step());
            require(!strained, "the pot is already strained");
            require(Chores.timed(formula.procedure().get(began.step())), "only its end is logged");
            once(chore.began(), "it is already under way");
            once(chore.finished(), "it is already done");
        } else if (next instanceof BatchEvent.Finished finished) {
            BatchState.Chore chore = chore(state, finished.step());
            require(!strained, "the pot is already strained");
            once(chore.finished(), "it is already done");
            boolean flame = formula.procedure().get(finished.step()) instanceof Phase.Flame;
            require(
                    !flame || state.prep().burnerOff().isPresent(),
                    "put the burner out and log that first: nothing is flamed over a lit burner");
        } else if (next instanceof BatchEvent.Turned) {
            require(underWay(formula, state, Phase.Roast.class), "there is nothing in the oven");
        } else if (next instanceof BatchEvent.WaterChanged) {
            require(underWay(formula, state, Phase.Soak.class), "nothing is soaking");
        } else if (next instanceof BatchEvent.BurnerOff) {
            require(formula.phase(Phase.Flame.class).isPresent(), "this procedure flames nothing");
            once(state.prep().burnerOff(), "the burner is already off");
        } else if (next instanceof BatchEvent.CardRead card && card.card() == BatchEvent.Card.SHADE) {
            boolean roasted = state.prep().chores().stream()
                    .anyMatch(c -> c.began().isPresent() && formula.procedure().get(c.step()) instanceof Phase.Roast);
            require(roasted, "there is nothing in the oven yet to hold against the shade card");
        }
    }

    private static BatchState.Chore chore(BatchState state, int step) {
        return state.prep().chores().stream()
                .filter(chore -> chore.step() == step)
                .findFirst()
                .orElseThrow(() -> Refusal.of("step", "this procedure has no such phase before its water"));
    }

    private static boolean underWay(Formula formula, BatchState state, Class<? extends Phase> kind) {
        return state.prep().chores().stream()
                .anyMatch(
                        c -> c.underWay() && kind.isInstance(formula.procedure().get(c.step())));
    }
}
