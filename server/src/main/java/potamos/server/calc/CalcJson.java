package potamos.server.calc;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.server.charges.BandView;
import potamos.server.exchange.SchoolsJson;

/** What calculations take and answer. Everything that is not marked required may be left out; the book's figure then stands in and is told. */
final class CalcJson {

    private CalcJson() {}

    // --- what is shared ------------------------------------------------------------------------------------------

    record AirIn(
            @Schema(example = "26") Double temperatureC,
            @Schema(example = "0.6") Double humidity,
            @Schema(example = "0.1") Double speedMS) {}

    /** What a vessel is made of, in whatever body it is told. */
    interface VesselAsked {
        String shape();

        Double diameterCm();

        Double heightCm();

        Double lengthCm();

        Double breadthCm();

        Double bowlCm();

        Double kappa();

        Double metalKg();
    }

    record VesselIn(
            @Schema(
                    allowableValues = {"cylinder", "pan", "kettle"},
                    example = "cylinder")
            String shape,

            @Schema(example = "40") Double diameterCm,
            @Schema(example = "40") Double heightCm,
            Double lengthCm,
            Double breadthCm,
            Double bowlCm,
            @Schema(example = "1.0") Double kappa,
            Double metalKg)
            implements VesselAsked {}

    // --- charge --------------------------------------------------------------------------------------------------

    record GoalIn(
            @NotNull
            @Schema(
                    allowableValues = {"yield", "bed", "vessel", "water"},
                    example = "yield")
            String kind,

            @Schema(example = "20") Double litres,
            Double kg) {}

    /** What a charge is solved from, in whatever body it is told. */
    interface ChargeAsked {
        Object formula();

        GoalIn goal();

        VesselIn vessel();

        SchoolsJson school();

        Double altitudeM();

        AirIn air();

        Double heatKw();

        Double simmerC();

        /** Stock in the place of water. */
        default List<DrawIn> draws() {
            return List.of();
        }
    }

    record DrawIn(
            @Schema(example = "8") Double litres,
            @Schema(example = "18") Double gelatinGPerL,
            @Schema(example = "0") Double saltGPerL,

            @Schema(description = "In it; an empty list is none, and left out it is not known.")
            List<String> allergens) {}

    record ChargeIn(
            @NotNull
            @Schema(
                    description = "The slug of a formula of the book, or a whole formula in the open format.",
                    example = "white-chicken")
            Object formula,

            @NotNull GoalIn goal,
            VesselIn vessel,
            SchoolsJson school,
            @Schema(example = "0") Double altitudeM,
            AirIn air,
            @Schema(example = "4.5") Double heatKw,
            Double simmerC,
            @Size(max = 20) List<DrawIn> draws)
            implements ChargeAsked {}

    record PartOut(
            @NotNull String item,
            @NotNull String name,
            @NotNull String kind,
            double kg,
            long intoTheSimmerMin,
            double cutMm) {}

    record EntryOut(@NotNull String cause, double litres, boolean inward) {}

    record WarningOut(
            @NotNull String kind,
            double value,
            double limit,
            @NotNull String unit,
            boolean stops) {}

    record ChargeOut(
            double bedKg,
            double waterL,
            @NotNull List<PartOut> parts,
            double levelBelowRimCm,
            double coverCm,
            boolean fits,
            @NotNull BandView yieldL,
            @NotNull List<EntryOut> ledger,
            @NotNull List<WarningOut> warnings,
            double bringUpMin,
            double simmerMin,
            double reductionMin,
            double gelatinGPerL,
            @NotNull BandView gelatinBand,
            @NotNull String body,
            double clarity,
            double saltGPerL,
            double sulphitesMgPerL,
            @NotNull List<String> allergens,
            boolean allergensUnknown,
            @NotNull Map<String, Object> defaults) {}

    // --- simmer --------------------------------------------------------------------------------------------------

    record BedIn(
            @Schema(example = "chicken-carcass") String kind,
            @NotNull @Schema(example = "12") Double massKg,
            Double bulkKgPerL,
            Double trueKgPerL,
            @Schema(example = "28") Double collagenGPerKg,
            @Schema(example = "1.6") Double halfTimeH,
            Double fatGPerKg,
            Double scumGPerKg,
            Double uptakeLPerKg,
            Double settlesTo) {}

    record SimmerIn(
            @Schema(example = "0") Double altitudeM,
            AirIn air,
            VesselIn vessel,
            @NotNull BedIn bed,
            @NotNull @Schema(example = "20") Double waterL,

            @Schema(
                    allowableValues = {"open", "paper-lid", "lid-ajar", "lid-on"},
                    example = "open")
            String cover,

            @Schema(example = "93") Double simmerC,
            @NotNull @Schema(example = "240") Double simmerMin,

            @Schema(
                    allowableValues = {"none", "hold"},
                    example = "none")
            String topUp,

            @Schema(example = "10") Double stepMin) {}

    record PointOut(
            double minute,
            double litres,
            double levelBelowRimCm,
            double temperatureC,
            double evaporatedL,
            double gelatinGPerL) {}

    record TopUpOut(double minute, double litres) {}

    @JsonInclude(JsonInclude.Include.ALWAYS)
    record SimmerOut(
            @NotNull List<PointOut> series,
            @NotNull List<EntryOut> ledger,
            double boilingPointC,

            @NotNull @Schema(nullable = true, description = "null when the bed stays covered")
            Optional<Double> bedBareAtMin,

            @NotNull List<TopUpOut> topUps,
            @NotNull Map<String, Object> defaults) {}

    // --- cooling -------------------------------------------------------------------------------------------------

    record StockIn(
            @NotNull @Schema(example = "20") Double litres,
            @Schema(example = "90") Double startC,
            Boolean sets) {}

    /** What a container is made of, in whatever body it is told. */
    interface ContainerAsked {
        String shape();

        Double diameterCm();

        Double heightCm();

        Double lengthCm();

        Double breadthCm();

        String material();

        Double wallMm();
    }

    record ContainerIn(
            @Schema(
                    allowableValues = {"cylinder", "pan"},
                    example = "cylinder")
            String shape,

            @Schema(example = "36") Double diameterCm,
            @Schema(example = "40") Double heightCm,
            Double lengthCm,
            Double breadthCm,

            @Schema(
                    allowableValues = {"steel", "aluminium", "plastic"},
                    example = "steel")
            String material,

            @Schema(example = "1") Double wallMm,
            @Schema(example = "1") Integer count)
            implements ContainerAsked {}

    record MediumIn(
            @NotNull
            @Schema(
                    allowableValues = {"ice-bath", "cold-store", "blast", "ice-paddle"},
                    example = "ice-bath")
            String kind,

            @Schema(example = "20") Double iceKg,
            @Schema(example = "20") Double waterKg,
            @Schema(example = "12") Double waterC,
            @Schema(example = "true") Boolean stirred,
            Double airC) {}

    record CoolingIn(
            @NotNull StockIn stock,
            ContainerIn container,
            @NotNull MediumIn medium,

            @Schema(
                    allowableValues = {"us-food-code", "au-nz-3-2-2", "ca-retail", "fr-2009", "uk-cook-chill"},
                    example = "us-food-code")
            String profile) {}

    record CurvePointOut(double minute, double stockC, double coreC, double bathC) {}

    @JsonInclude(JsonInclude.Include.ALWAYS)
    record CrossingOut(
            double c,

            @Schema(nullable = true, description = "null when it does not get there")
            Optional<Double> minute,

            @Schema(nullable = true, description = "one time in ten it is quicker")
            Optional<Double> earliest,

            @Schema(nullable = true, description = "one time in ten it is slower; null when it might never get there")
            Optional<Double> latest) {}

    @JsonInclude(JsonInclude.Include.ALWAYS)
    record CoolingOut(
            @NotNull List<CurvePointOut> curve,
            @NotNull List<CrossingOut> crossings,

            @Schema(
                    description =
                            "what the heat of the stock alone melts, down to the end of the profile's first stage")
            double iceNeededKg,

            @Schema(
                    nullable = true,
                    description =
                            "what this bath needs, its water counted in and 15 % to spare, down to the profile's coldest;"
                                    + " null where it cools in something else")
            Optional<Double> iceForBathKg,

            @NotNull @Schema(allowableValues = {"pass", "tight", "fail"})
            String verdict,

            @NotNull List<String> reasons,
            @NotNull Map<String, Object> defaults) {}

    // --- cut and convert -----------------------------------------------------------------------------------------

    record CutIn(
            @Schema(example = "93") Double simmerC,
            @NotNull @Schema(example = "120") Double simmerMin,
            @NotNull @Schema(example = "15") Double edgeMm,

            @Schema(
                    allowableValues = {"cube", "slice"},
                    example = "cube")
            String cut) {}

    record CutOut(
            double spent,
            double largestMm,
            double smallestMm,
            @NotNull String fit,
            @NotNull Map<String, Object> defaults) {}

    record ConvertIn(
            @NotNull @Schema(example = "6") Double value,
            @NotNull @Schema(example = "us-qt") String from,
            @NotNull @Schema(example = "L") String to,

            @Schema(description = "Needed between weights, volumes and counts.", example = "onion")
            String item) {}

    record ConvertOut(
            double value,
            @NotNull String unit,

            @NotNull @Schema(allowableValues = {"exact", "density", "piece"})
            String basis) {}

    // --- verdict -------------------------------------------------------------------------------------------------

    record ProfileStageIn(Double fromC, Double toC, Double withinMin) {}

    record ProfileIn(List<ProfileStageIn> stages, Double reheatC, Double reheatWithinMin, Double beginWithinMin) {}

    record ReadingIn(
            @NotNull @Schema(example = "30") Double minute,
            @NotNull @Schema(example = "54") Double c,

            @Schema(description = "The minute at which it was entered; left out, it was entered as it was read.")
            Double enteredAt) {}

    record ReheatIn(
            @NotNull @Schema(example = "150") Double minute,
            @NotNull @Schema(example = "76") Double c,

            @Schema(description = "The minute at which it was entered; left out, it was entered as it happened.")
            Double enteredAt) {}

    record VerdictIn(
            @NotNull
            @Schema(
                    description = "The id of a profile that ships, or one inline: stages with fromC, toC and withinMin,"
                            + " reheatC, reheatWithinMin and beginWithinMin.",
                    example = "us-food-code")
            Object profile,

            @NotNull @Schema(description = "All minutes count from one moment of the caller's choice.", example = "0")
            Double heatEndsAt,

            @Schema(
                    description =
                            "Taken for the beginning of cooling, where the profile asks when that was and beganAt is left out.",
                    example = "20",
                    nullable = true)
            Double strainedAt,

            @Schema(description = "When cooling began.", nullable = true)
            Double beganAt,

            @NotNull @Valid @Size(max = 2000) List<ReadingIn> readings,
            @Valid @Size(max = 20) List<ReheatIn> reheats,
            @Schema(example = "3") Double mediumC,

            @Schema(
                    description =
                            "What it cools in, as in cooling; with its medium it says how fast the stock can fall at most.")
            @Valid
            ContainerIn container,

            @Valid MediumIn medium,
            @NotNull @Schema(example = "400") Double until) {}

    /** What is not known stands there as null: other programs were told so. */
    @JsonInclude(JsonInclude.Include.ALWAYS)
    record VerdictStageOut(
            double fromC,
            double toC,
            double withinMin,

            @Schema(nullable = true, description = "the same as opened")
            Optional<Double> clockFromMin,

            @Schema(nullable = true, description = "the minute of the reading that shows it; null when none does")
            Optional<Double> crossedAtMin,

            @Schema(nullable = true, description = "when its clock opened; null while it has not")
            Optional<Double> opened,

            @Schema(nullable = true) Optional<Double> deadline,

            @Schema(nullable = true, description = "the place among the readings of the one that shows it")
            Optional<Integer> provenBy,

            @NotNull String verdict,

            @Schema(description = "the same as why") @NotNull
            String reason,

            @NotNull String why) {}

    /** Whether cooling began in time after the heat. */
    @JsonInclude(JsonInclude.Include.ALWAYS)
    record BeginOut(
            double deadline,
            @Schema(nullable = true) Optional<Double> began,
            @NotNull String verdict,
            @NotNull String why) {}

    record VerdictOut(
            @NotNull String verdict,
            @NotNull List<VerdictStageOut> stages,

            @Schema(description = "left out where the profile asks nothing of it, or nobody told when cooling began")
            Optional<BeginOut> begin,

            @Schema(description = "places of the readings that prove nothing until another one agrees") @NotNull
            List<Integer> doubtful,

            @NotNull List<String> allowed,
            @NotNull Map<String, Object> defaults) {}

    // --- forecast ------------------------------------------------------------------------------------------------

    record ForecastIn(
            @NotNull
            @Schema(
                    description = "The slug of a formula of the book, or a whole formula in the open format.",
                    example = "white-chicken")
            Object formula,

            @NotNull GoalIn goal,
            VesselIn vessel,
            SchoolsJson school,
            @Schema(example = "0") Double altitudeM,
            AirIn air,
            @Schema(example = "4.5") Double heatKw,
            Double simmerC,

            @NotNull
            @Size(max = 1000)
            @Schema(
                    description = "What happened, oldest first: minute and kind, and the figures of that kind as the"
                            + " record of a batch names them.",
                    example = "[{\"minute\": 5, \"kind\": \"weighed-in\", \"part\": \"bed\", \"kg\": 7}]")
            List<Map<String, Object>> acts,

            @NotNull @Schema(example = "120") Double atMinute)
            implements ChargeAsked {}

    record DueOut(@NotNull String kind, double inMin, double amount) {}

    @JsonInclude(JsonInclude.Include.ALWAYS)
    record ForecastOut(
            @NotNull String stage,
            double litresInPot,

            @Schema(nullable = true, description = "null while there is no water in it")
            Optional<Double> levelBelowRimCm,

            double temperatureC,
            @NotNull BandView kappa,
            @NotNull BandView expectedOutL,
            @Schema(description = "In the litres expected.") double gelatinGPerL,
            double clarity,
            @NotNull List<EntryOut> ledger,
            @NotNull List<DueOut> due,
            @NotNull Map<String, Object> defaults) {}
}
