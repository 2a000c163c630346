package potamos.server.batches;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.core.batch.BatchState;
import potamos.core.batch.Plan;
import potamos.core.cooling.CoolingVerdict;

/**
 * Readings of a cooling and how they stand against the limits.
 *
 * @param chiller that it is planned to stand in; nothing in an ice bath
 */
record CoolView(
        Optional<String> chiller,
        Optional<Instant> strainedAt,
        Optional<Instant> began,
        @NotNull List<ReadingView> readings,
        @NotNull CoolingVerdict.Outcome overall,
        @NotNull List<StageVerdictView> stages,
        @NotNull List<CoolingVerdict.Way> allowed,
        @NotNull String profile,
        @NotNull String source,
        double coldestC,
        double reheatC,
        int reheats,
        Optional<Double> mediumC,
        Optional<Double> perMinute) {

    record ReadingView(@NotNull Instant at, double celsius) {}

    record StageVerdictView(
            double fromC,
            double toC,
            long withinMin,
            Optional<Instant> started,
            Optional<Instant> deadline,
            Optional<Instant> crossed,
            Optional<Instant> projected,
            @NotNull CoolingVerdict.Outcome outcome,
            @NotNull CoolingVerdict.Reason reason) {}

    static CoolView of(Plan plan, BatchState state) {
        BatchState.Cooling cooling = state.cooling();
        return new CoolView(
                plan.cooling().chiller(),
                cooling.strainedAt(),
                cooling.began(),
                cooling.readings().stream()
                        .map(r -> new ReadingView(r.at(), r.temperature().celsius()))
                        .toList(),
                cooling.verdict().map(CoolingVerdict::overall).orElse(CoolingVerdict.Outcome.WAITING),
                cooling.verdict()
                        .map(v -> v.stages().stream()
                                .map(s -> new StageVerdictView(
                                        s.stage().from().celsius(),
                                        s.stage().to().celsius(),
                                        s.stage().within().toMinutes(),
                                        s.started(),
                                        s.deadline(),
                                        s.crossed(),
                                        s.projected(),
                                        s.outcome(),
                                        s.reason()))
                                .toList())
                        .orElse(List.of()),
                cooling.allowed(),
                plan.limits().name(),
                plan.limits().source(),
                plan.limits().coldest().celsius(),
                plan.limits().reheat().celsius(),
                cooling.reheats(),
                cooling.projection().map(p -> p.mediumC()),
                cooling.projection().map(p -> p.perMinute()));
    }
}
