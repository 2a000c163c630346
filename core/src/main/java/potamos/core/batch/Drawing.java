package potamos.core.batch;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import potamos.core.formula.Draw;
import potamos.core.quantity.Volume;

/** Stock that a pot is drawn with: what was planned, what is drawn, and what is still to be. */
public final class Drawing {

    private Drawing() {}

    /**
     * What the pot will have been drawn with: what is drawn, and as much of the plan as is still missing. Whoever draws from another lot than was planned draws so
     * much less of the plan.
     *
     * @param filled whether the pot is: then what was planned and not drawn did not go in
     */
    static List<Draw> standing(List<Draw> planned, List<Draw> drawn, boolean filled) {
        List<Draw> all = new ArrayList<>(drawn);
        if (!filled) {
            all.addAll(open(planned, drawn));
        }
        return bySource(all);
    }

    /** What a batch is still to be drawn with: nothing once it is filled. */
    public static List<Draw> open(Plan standing, BatchState state) {
        boolean filled = !state.course().isEmpty() || !state.stage().open();
        return filled ? List.of() : open(standing.charge().formula().fill().draws(), state.drawn());
    }

    /** What of the plan is still to be drawn. */
    static List<Draw> open(List<Draw> planned, List<Draw> drawn) {
        double missing = Draw.all(planned).minus(Draw.all(drawn)).litres();
        List<Draw> open = new ArrayList<>();
        for (Draw draw : planned) {
            Volume ofIt = Draw.all(
                    drawn.stream().filter(d -> d.source().equals(draw.source())).toList());
            double of = Math.min(draw.litres().minus(ofIt).litres(), missing);
            if (of >= Draw.LEAST_LITRES) {
                open.add(draw.of(Volume.ofLitres(of)));
                missing -= of;
            }
        }
        return open;
    }

    private static List<Draw> bySource(List<Draw> draws) {
        Map<String, Draw> all = new LinkedHashMap<>();
        draws.forEach(draw -> all.merge(
                draw.source(), draw, (one, more) -> one.of(one.litres().plus(more.litres()))));
        return List.copyOf(all.values());
    }
}
