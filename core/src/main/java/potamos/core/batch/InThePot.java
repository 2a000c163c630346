package potamos.core.batch;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import potamos.core.formula.Brought;
import potamos.core.formula.Draw;
import potamos.core.formula.Formula;
import potamos.core.quantity.Mass;

/**
 * What of a record decides how its plan stands: a plan stands the same as long as this is the same.
 *
 * @param as      the formula with what it is drawn with and what came out of other pots
 * @param weighed bed and parts, by id
 */
record InThePot(Formula as, Map<String, Mass> weighed) {

    InThePot {
        weighed = Map.copyOf(weighed);
    }

    static InThePot of(Plan plan, List<Fact> believed) {
        Map<String, Mass> weighed = new HashMap<>();
        List<Draw> drawn = new ArrayList<>();
        List<Brought> brought = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        boolean filled = false;
        for (Fact event : believed) {
            if (event instanceof ChoreEvent.WeighedIn in) {
                weighed.put(in.part(), in.mass());
            } else if (event instanceof ChoreEvent.Took took) {
                weighed.merge(took.part(), took.mass(), Mass::plus);
                taken.add(took.part());
                took.contents().ifPresent(in -> brought.add(new Brought(took.part(), took.box(), in)));
            } else if (event instanceof ChoreEvent.Drew drew) {
                drawn.add(drew.draw());
            }
            filled |= event instanceof PotEvent.Filled;
        }
        Formula formula = plan.charge().formula();
        // What was planned to come out of another pot stands until something is taken for that part.
        formula.fill().brought().stream()
                .filter(one -> !taken.contains(one.part()))
                .forEach(brought::add);
        return new InThePot(
                formula.drawing(Drawing.standing(formula.fill().draws(), drawn, filled))
                        .bringing(brought),
                weighed);
    }
}
