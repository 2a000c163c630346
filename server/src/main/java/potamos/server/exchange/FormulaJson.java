package potamos.server.exchange;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import potamos.core.figure.Figures;

/**
 * A formula in the open format, described by {@code /formula.schema.json}. Figures of beds and items are written out, so that a formula means the same
 * in another kitchen; on reading they may be left out where the book knows the kind or the item.
 *
 * <p>Times are minutes, temperatures °C, lengths in the unit that their name ends with.
 */
public record FormulaJson(
        @NotNull String format,
        int formatVersion,
        @NotNull String slug,
        @NotNull String name,
        @NotNull String family,
        int version,
        @NotNull List<BedJson> bed,
        @NotNull WaterJson water,
        @NotNull List<PartJson> parts,
        @NotNull List<PhaseJson> procedure,
        int coldDays,
        int frozenMonths,
        @NotNull List<String> cautions) {

    public static final String FORMAT = "potamos-formula";
    public static final int FORMAT_VERSION = 1;

    /** A kind of bed and its share of the mass. */
    public record BedJson(@NotNull String kind, String name, double share, Double cutMm, BedFigures figures) {}

    /** Figures of a kind of bed, per kg. */
    public record BedFigures(
            double bulkKgPerL,
            double trueKgPerL,
            double collagenGPerKg,
            double halfTimeH,
            double fatGPerKg,
            double scumRawG,
            double scumBlanchedG,
            double scumRoastedG,
            double uptakeDrainedLPerKg,
            double uptakePressedLPerKg,
            double settlesTo,
            double heatKjPerKgK) {}

    /** What decides the water; {@code value} in L/kg or cm, none for {@code to-the-line}. */
    public record WaterJson(@NotNull String rule, Double value) {}

    /** Something that goes in. */
    public record PartJson(
            @NotNull String item,
            String name,
            @NotNull AmountJson amount,
            @NotNull WhenJson when,
            Double cutMm,
            ItemFigures figures) {}

    /** One of the three is given. */
    public record AmountJson(Double percentOfBed, Double gramsPerKgBed, Double gramsPerLitre) {}

    /** When a part goes in: with the bed, or so many minutes before the end of the simmer, or into it. */
    public record WhenJson(Boolean withTheBed, Double beforeTheEndMin, Double intoTheSimmerMin) {}

    /** Figures of an item. */
    public record ItemFigures(
            @NotNull String kind,
            double kgPerL,
            double pieceG,
            double driedKgPerL,
            double uptakeLPerKg,
            double saltGPerKg,
            double sulphitesMgPerL,
            @NotNull List<String> traits,
            @NotNull List<String> allergens) {}

    /**
     * A phase. Beside its name it carries the figures of its kind, each under its own.
     *
     * @param phase   the kind's name
     * @param figures by name
     */
    public record PhaseJson(
            @NotNull String phase,

            @JsonAnySetter @JsonAnyGetter @Schema(hidden = true)
            Map<String, Object> figures) {

        /** What is written as nothing is not said. */
        public PhaseJson {
            figures = Figures.said(figures);
        }
    }
}
