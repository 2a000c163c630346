package potamos.server.charges;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import potamos.core.charge.Charge;
import potamos.core.flow.Ground;
import potamos.core.flow.Grounds;
import potamos.core.flow.Why;

/** What the figures of a pot rest on, asked for when somebody opens one. */
public record GroundsView(
        @NotNull List<ChargeView.WhyView> litres,
        @NotNull List<GroundView> gelatin,
        @NotNull List<GroundView> bringUp,
        @NotNull List<GroundView> steam,
        @NotNull List<GroundView> cooling) {

    /** One thing that a figure rests on, in its measure, and its part of what is not known. */
    public record GroundView(
            @NotNull Ground.Term term,
            double value,
            @NotNull Ground.Measure measure,
            @NotNull Why.Basis basis,
            double bandShare) {
        static List<GroundView> of(List<Ground> grounds) {
            return grounds.stream()
                    .map(g -> new GroundView(g.term(), g.value(), g.term().measure(), g.basis(), g.bandShare()))
                    .toList();
        }
    }

    public static GroundsView of(Charge charge, List<Why> litres, List<Ground> cooling) {
        return new GroundsView(
                ChargeView.WhyView.of(litres),
                GroundView.of(Grounds.gelatin(charge.run(), charge.forecast())),
                GroundView.of(Grounds.bringUp(charge.run(), charge.forecast())),
                GroundView.of(Grounds.steam(charge.run(), charge.forecast())),
                GroundView.of(cooling));
    }
}
