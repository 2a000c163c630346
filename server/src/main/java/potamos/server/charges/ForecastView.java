package potamos.server.charges;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import potamos.core.charge.Charge;
import potamos.core.flow.Forecast;
import potamos.core.liquor.Body;

/** What a charge will do over the fire. */
public record ForecastView(
        double bringUpMin,
        double simmerMin,
        double simmerC,
        @NotNull List<PointView> course,
        @NotNull List<TopUpView> topUps,
        Optional<Double> bedBareAtMin,
        @NotNull BandView yieldL,
        double evaporatedL,
        double gelatinGPerL,
        @NotNull Body body,
        @NotNull SpreadView spread) {
    public static ForecastView of(Charge charge) {
        Forecast forecast = charge.forecast();
        return new ForecastView(
                forecast.bringUpMin(),
                forecast.simmerMin(),
                forecast.simmerAt().celsius(),
                forecast.course().stream()
                        .map(p -> new PointView(
                                p.minute(),
                                p.contentsL(),
                                Math.max(0, p.contentsL() - solids(charge, p)),
                                p.levelCm(),
                                p.celsius(),
                                p.evaporatedL(),
                                p.gelatinGPerL()))
                        .toList(),
                forecast.topUps().stream()
                        .map(t -> new TopUpView(t.minute(), t.water().litres()))
                        .toList(),
                forecast.bedBareAtMin().isPresent()
                        ? Optional.of(forecast.bedBareAtMin().getAsDouble())
                        : Optional.empty(),
                BandView.of(forecast.yield()),
                forecast.evaporated().litres(),
                forecast.gelatinGPerL(),
                forecast.body(),
                new SpreadView(
                        BandView.of(forecast.spread().bringUpMin()),
                        BandView.of(forecast.spread().evaporatedL()),
                        BandView.of(forecast.spread().gelatinGPerL())));
    }

    private static double solids(Charge charge, Forecast.Point point) {
        double simmered = point.minute() - charge.forecast().bringUpMin();
        return charge.run().solidsIn(simmered).litres();
    }

    /** The pot at a moment: {@code litres} with its solids, {@code liquorL} without. */
    public record PointView(
            double minute,
            double litres,
            double liquorL,
            double levelCm,
            double celsius,
            double evaporatedL,
            double gelatinGPerL) {}

    public record TopUpView(double minute, double litres) {}

    /** Bands of what is foretold beside the yield. */
    public record SpreadView(
            @NotNull BandView bringUpMin,
            @NotNull BandView evaporatedL,
            @NotNull BandView gelatinGPerL) {}
}
