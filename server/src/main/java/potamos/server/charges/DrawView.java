package potamos.server.charges;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import potamos.core.charge.Charge;
import potamos.core.formula.Draw;
import potamos.core.liquor.Body;
import potamos.core.safety.Allergen;

/**
 * Stock in the place of water.
 *
 * @param sourceId the lot, or the batch of what is not put away
 */
public record DrawView(
        @NotNull String sourceId,
        @NotNull String name,
        double litres,
        double gelatinGPerL,
        @NotNull Body body,
        double saltGPerL,
        @NotNull List<Allergen> allergens,
        boolean allergensUnknown) {

    public static DrawView of(Draw draw) {
        return new DrawView(
                draw.source(),
                draw.name(),
                draw.litres().litres(),
                draw.contents().gelatinGPerL(),
                Body.of(draw.contents().gelatinGPerL()),
                draw.saltGPerL(),
                List.copyOf(draw.contents().allergens()),
                draw.contents().unknown());
    }

    public static List<DrawView> of(Charge charge) {
        return charge.formula().fill().draws().stream().map(DrawView::of).toList();
    }
}
