package potamos.server.batches;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.core.batch.BatchState;
import potamos.core.batch.Plan;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.cooling.Reading;

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
        Optional<BeginView> begin,
        @NotNull List<AskView> asks,
        Optional<Instant> released,
        @NotNull List<CoolingVerdict.Way> allowed,
        @NotNull String profile,
        @NotNull String source,
        double coldestC,
        double reheatC,
        int reheats,
        Optional<Double> mediumC,
        Optional<Double> perMinute) {

    /** A reading; one that proves nothing until another one agrees is doubtful. */
    record ReadingView(@NotNull Instant at, double celsius, boolean doubtful) {}

    /** Whether cooling began in time after the end of the heat. */
    record BeginView(
            @NotNull Instant deadline,
            Optional<Instant> began,
            @NotNull CoolingVerdict.Outcome outcome,
            @NotNull CoolingVerdict.Reason reason) {}

    /** A reading that would prove something: of so much or less, or so much or more where it is to be hot still. */
    record AskView(
            @NotNull CoolingVerdict.Proves proves,
            double celsius,
            @NotNull Instant at,
            Optional<Instant> by) {}

    record StageVerdictView(
            double fromC,
            double toC,
            long withinMin,
            Optional<Instant> opened,
            Optional<Instant> deadline,
            Optional<Instant> provenAt,
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
                        .map(r -> new ReadingView(
                                r.at(),
                                r.temperature().celsius(),
                                cooling.verdict()
                                        .filter(v -> v.doubtful().contains(r))
                                        .isPresent()))
                        .toList(),
                cooling.outcome(),
                cooling.verdict()
                        .map(v -> v.stages().stream()
                                .map(s -> new StageVerdictView(
                                        s.stage().from().celsius(),
                                        s.stage().to().celsius(),
                                        s.stage().within().toMinutes(),
                                        s.opened(),
                                        s.deadline(),
                                        s.provenBy().map(Reading::at),
                                        s.projected(),
                                        s.outcome(),
                                        s.reason()))
                                .toList())
                        .orElse(List.of()),
                cooling.verdict()
                        .flatMap(CoolingVerdict::begin)
                        .map(b -> new BeginView(b.deadline(), b.began(), b.outcome(), b.reason())),
                cooling.verdict().stream()
                        .flatMap(v -> v.asks().stream())
                        .map(a -> new AskView(a.proves(), a.celsius().celsius(), a.at(), a.by()))
                        .toList(),
                cooling.released(),
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
