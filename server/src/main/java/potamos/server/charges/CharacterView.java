package potamos.server.charges;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import potamos.core.charge.Aroma;
import potamos.core.charge.Character;
import potamos.core.charge.Charge;
import potamos.core.liquor.Clarity;
import potamos.core.liquor.CutAdviser;
import potamos.core.liquor.Taint;

/** What the stock will taste and look like. */
public record CharacterView(
        @NotNull List<CutView> cuts,
        double clarity,
        @NotNull BandView clarityBand,
        @NotNull List<ClarityShareView> clarityShares,
        @NotNull List<TaintView> taints,
        double saltGPerL,
        double saltAfterGPerL,
        boolean saltTooMuch,
        double sulphitesMgPerL,
        boolean declaresSulphites,
        double aroma,
        boolean flat) {
    public static CharacterView of(Charge charge) {
        Character character = charge.character();
        Aroma aroma = Aroma.of(charge);
        return new CharacterView(
                character.cuts().stream()
                        .map(c -> new CutView(
                                c.id(),
                                c.name(),
                                c.cutMm(),
                                c.minutes(),
                                c.spent(),
                                c.advice().smallestMm(),
                                c.advice().largestMm(),
                                c.fit(),
                                BandView.of(c.spread())))
                        .toList(),
                character.clarity().index(),
                BandView.of(character.spread().clarity()),
                ClarityShareView.all(character.clarity()),
                character.taints().stream()
                        .map(t -> new TaintView(t.kind(), t.value(), t.limit(), t.unit()))
                        .toList(),
                character.salt().gPerL(),
                character.salt().afterGPerL(),
                character.salt().tooMuch(),
                character.sulphitesMgPerL(),
                character.declaresSulphites(),
                aroma.index(),
                aroma.flat());
    }

    /** A cut part: how much of its flavour it gives, and which cuts would fit. */
    public record CutView(
            @NotNull String id,
            @NotNull String name,
            double cutMm,
            double minutes,
            double spent,
            double smallestMm,
            double largestMm,
            @NotNull CutAdviser.Fit fit,
            @NotNull BandView spread) {}

    public record ClarityShareView(@NotNull Clarity.Cause cause, double points) {
        public static List<ClarityShareView> all(Clarity clarity) {
            return clarity.shares().stream()
                    .map(s -> new ClarityShareView(s.cause(), s.points()))
                    .toList();
        }
    }

    public record TaintView(
            @NotNull Taint.Kind kind,
            double value,
            double limit,
            @NotNull String unit) {}
}
