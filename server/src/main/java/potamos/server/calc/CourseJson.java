package potamos.server.calc;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A kitchen and what is asked of it, and the course that answers. */
final class CourseJson {

    private CourseJson() {}

    // --- asked ---------------------------------------------------------------------------------------------------

    record CourseVesselIn(
            @NotNull @Size(max = 40) @Schema(example = "Pot 24")
            String name,

            @Schema(
                    allowableValues = {"cylinder", "pan", "kettle"},
                    example = "cylinder")
            String shape,

            @Schema(example = "36") Double diameterCm,
            @Schema(example = "40") Double heightCm,
            Double lengthCm,
            Double breadthCm,
            Double bowlCm,
            Double kappa,
            Double metalKg,

            @Schema(description = "What its own heat gives to the liquor; left out, it stands on a burner.")
            Double heatKw)
            implements CalcJson.VesselAsked {}

    record BurnerIn(
            @NotNull @Size(max = 40) @Schema(example = "Burner 1")
            String name,

            @NotNull @Schema(example = "9") Double kw,
            @Schema(example = "0.5") Double efficiency) {}

    record OvenIn(
            @NotNull @Size(max = 40) @Schema(example = "East")
            String name,

            @NotNull @Schema(example = "6") Integer trays,
            @Schema(example = "true") Boolean fan) {}

    record ChillerIn(
            @NotNull
            @Schema(
                    allowableValues = {"ice-bath", "blast", "cold-store", "freezer"},
                    example = "ice-bath")
            String kind,

            @Size(max = 40)
            @Schema(
                    description = "What stages call it; left out, its kind. Of blast chillers no two are called alike.",
                    example = "Blast chiller")
            String name,

            @Schema(
                    description =
                            "Of stock, that a blast chiller takes at once, left out 60; of a cold store that stand in it, left out as many as there are.",
                    example = "60")
            Double litres,

            @Schema(description = "Air of a blast chiller; left out -5.", example = "-5")
            Double airC,

            @Schema(description = "What its bin holds, for an ice bath.", example = "60")
            Double iceKg,

            @Schema(example = "18") Double iceKgPerH) {}

    record CourseContainerIn(
            @NotNull @Size(max = 40) @Schema(example = "10 L bain")
            String name,

            @NotNull @Schema(example = "8") Integer count,

            @Schema(
                    allowableValues = {"cylinder", "pan"},
                    example = "cylinder")
            String shape,

            @Schema(example = "24") Double diameterCm,
            @Schema(example = "25") Double heightCm,
            Double lengthCm,
            Double breadthCm,
            String material,
            Double wallMm)
            implements CalcJson.ContainerAsked {}

    record HoursIn(
            @Schema(description = "Weekdays on which they begin, as mon … sun; left out, every day.")
            List<@NotNull String> days,

            @NotNull @Schema(example = "08:00", type = "string", format = "time")
            LocalTime from,

            @NotNull
            @Schema(
                    description = "On the next day where it is not after from.",
                    example = "22:00",
                    type = "string",
                    format = "time")
            LocalTime to,

            @Schema(example = "1") Integer cooks) {}

    record KitchenIn(
            @Schema(example = "0") Double altitudeM,
            @Schema(example = "12") Double tapC,
            @Schema(example = "UTC") String zone,
            @NotEmpty @Valid @Size(max = 30) List<CourseVesselIn> vessels,
            @Valid @Size(max = 60) List<BurnerIn> burners,
            @Valid @Size(max = 20) List<OvenIn> ovens,
            @Valid @Size(max = 20) List<ChillerIn> chillers,
            @NotEmpty @Valid @Size(max = 40) List<CourseContainerIn> containers,

            @Schema(
                    description = "How many batches can be strained at once; left out, there are always enough.",
                    example = "2")
            Integer strainerSets,

            @Valid @Size(max = 60) List<HoursIn> hours,

            @Schema(
                    description = "What simmers while nobody is there: nothing, what is low and covered, or anything.",
                    allowableValues = {"never", "checks", "allowed"},
                    example = "allowed")
            String unattended,

            @Schema(example = "us-food-code") Object profile) {}

    record CallIn(
            @NotNull @Size(max = 60) @Schema(example = "c1") String id,

            @NotNull @Size(max = 60) @Schema(example = "Sauce")
            String station,

            @NotNull
            @Schema(
                    description = "The slug of a formula of the book, or a whole formula in the open format.",
                    example = "white-chicken")
            Object formula,

            @NotNull @Schema(example = "8") Double litres,

            @NotNull @Schema(example = "2026-03-02T17:00:00Z")
            Instant by,

            @Schema(example = "1") Double weight,
            List<@NotNull String> without) {}

    /** A stock that there is, or that there is going to be. */
    interface MadeIn {
        String id();

        String formula();

        Double litres();

        Instant useBy();

        List<String> allergens();
    }

    record LotIn(
            @NotNull @Size(max = 60) String id,

            @NotNull @Schema(description = "The slug of its formula.")
            String formula,

            @NotNull Double litres,
            @NotNull Instant useBy,

            @Schema(description = "Left out, nobody knows: it is for no call that is without something.")
            List<@NotNull String> allergens)
            implements MadeIn {}

    record RunningIn(
            @NotNull @Size(max = 60) String id,

            @NotNull @Schema(description = "The slug of its formula.")
            String formula,

            @NotNull Double litres,

            @NotNull @Schema(description = "When its litres can be had.")
            Instant ready,

            @NotNull Instant useBy,
            List<@NotNull String> allergens,
            String vessel,
            String burner,

            @Schema(description = "When its vessel is empty and washed; left out, when it is ready.")
            Instant until)
            implements MadeIn {}

    record PinnedIn(
            @NotNull @Size(max = 60) String id,
            @NotNull Object formula,
            @NotNull Double litres,
            @NotNull String vessel,
            String burner,
            @NotNull Instant start) {}

    record CourseIn(
            @NotNull @Schema(example = "2026-03-02T06:00:00Z")
            Instant now,

            @Schema(description = "How many days it looks ahead, 1 to 14.", example = "7")
            Double untilDays,

            @Schema(description = "Seconds in which a better one may be looked for, 0 to 60.", example = "5")
            Double seconds,

            @NotNull @Valid KitchenIn kitchen,
            @NotNull @Valid @Size(max = 200) List<CallIn> calls,
            @Valid @Size(max = 200) List<LotIn> shelf,
            @Valid @Size(max = 60) List<RunningIn> running,
            @Valid @Size(max = 60) List<PinnedIn> pinned) {}

    // --- answered ------------------------------------------------------------------------------------------------

    record UseOut(@NotNull String kind, @NotNull String name, int amount) {}

    record StageOut(
            @NotNull String stage,
            @NotNull Instant from,
            @NotNull Instant to,
            @NotNull List<UseOut> uses) {}

    record BatchOut(
            @NotNull String id,
            @NotNull String formula,
            double litres,
            @NotNull String vessel,
            Optional<String> burner,
            @NotNull Instant start,
            @NotNull Instant ready,
            @NotNull Instant useBy,
            @NotNull List<StageOut> stages) {}

    record AllocationOut(@NotNull String call, @NotNull String from, double litres) {}

    record UnmetOut(
            @NotNull String call, double litres, @NotNull String why) {}

    record LateOut(
            @NotNull String call,
            double litres,
            double lateMin,
            @NotNull String why) {}

    record ValueOut(@NotNull String level, double value, Optional<Double> bound) {}

    record BrokenOut(
            @NotNull String rule,
            @NotNull List<String> batches,
            @NotNull String thing,
            @NotNull Instant from,
            @NotNull Instant to) {}

    record CourseOut(
            @NotNull List<BatchOut> batches,
            @NotNull List<AllocationOut> allocations,
            @NotNull List<UnmetOut> unmet,
            @NotNull List<LateOut> late,
            @NotNull List<ValueOut> values,
            @NotNull List<BrokenOut> broken,

            @Schema(description = "Share by which the best can be better at most; nothing where no bound is known.")
            Optional<Double> gap,

            @NotNull @Schema(allowableValues = {"proven", "within", "constructive"})
            String how,

            @NotNull Map<String, Object> defaults) {}
}
