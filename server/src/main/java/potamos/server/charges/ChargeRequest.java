package potamos.server.charges;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import potamos.server.exchange.FormulaJson;
import potamos.server.exchange.SchoolsJson;

/**
 * What to solve.
 *
 * @param formula  slug of one of the kitchen's; null when a draft is given
 * @param draft    a formula that is being written and not stored yet
 * @param vesselId where; null takes the smallest that fits
 * @param burnerId under it; null takes the strongest
 * @param goal     what is given
 * @param value    litres, kg or cm of the goal; nothing for a full vessel
 * @param schools  choices on which practitioners differ; null leaves the formula as it is
 * @param bed      shares by kind of bed, adding up to 1; null leaves the mix as it is
 * @param cutMm    edge of the pieces by part, or of the bed; null leaves the cuts as they are
 * @param swaps    another item in the place of a part, by part; null leaves the parts as they are
 * @param draws    stock of the kitchen in the place of water; null fills the pot as the formula has it
 * @param brought  bed and parts that came out of other pots; null where that is not known yet
 * @param readyBy  when it is wanted; null means no plan is laid
 * @param startAt  a start that the cook chose; null lets the plan find the latest
 */
public record ChargeRequest(
        @Size(max = 60) String formula,
        FormulaJson draft,
        @Size(max = 36) String vesselId,
        @Size(max = 36) String burnerId,
        @NotNull GoalKind goal,
        Double value,
        SchoolsJson schools,
        @Size(max = 6) List<BedShareBody> bed,
        @Size(max = 40) Map<String, Double> cutMm,
        @Size(max = 20) Map<String, String> swaps,
        @Size(max = 20) @Valid List<DrawBody> draws,
        @Size(max = 10) @Valid List<BroughtBody> brought,
        Instant readyBy,
        Instant startAt) {

    /** Which side of the charge is given. */
    public enum GoalKind {
        LITRES,
        BED,
        VESSEL,
        WATER,
        /** The water line above the bottom, in cm. */
        LEVEL
    }

    /** A kind of bed of the kitchen and its share. */
    public record BedShareBody(@NotNull String kind, double share) {}

    /**
     * Stock that is drawn.
     *
     * @param sourceId a lot, or a batch of which not all is put away
     * @param litres   of it
     */
    public record DrawBody(
            @NotNull @Size(max = 36) String sourceId,
            @NotNull Double litres) {}

    /**
     * What came out of another pot.
     *
     * @param part  {@code bed}, or the id of the part that it stands for
     * @param boxId of the larder
     */
    public record BroughtBody(
            @NotNull @Size(max = 60) String part,
            @NotNull @Size(max = 36) String boxId) {}

    /** The same with other choices. */
    ChargeRequest withSchools(SchoolsJson other) {
        return new ChargeRequest(
                formula, draft, vesselId, burnerId, goal, value, other, bed, cutMm, swaps, draws, brought, readyBy,
                startAt);
    }

    /** The same for a formula that is told whole, and the stock that it is drawn with. */
    public ChargeRequest withDraft(FormulaJson other, List<DrawBody> otherDraws) {
        return new ChargeRequest(
                formula,
                other,
                vesselId,
                burnerId,
                goal,
                value,
                schools,
                bed,
                cutMm,
                swaps,
                otherDraws,
                brought,
                readyBy,
                startAt);
    }

    /** The same goal for another formula as it is written. */
    ChargeRequest of(String slug) {
        return new ChargeRequest(
                slug, null, vesselId, burnerId, goal, value, null, null, null, null, null, null, readyBy, startAt);
    }

    /** A plain request, as from a call. */
    public static ChargeRequest forLitres(
            String formula, double litres, String vesselId, String burnerId, Instant readyBy, Instant startAt) {
        return new ChargeRequest(
                formula,
                null,
                vesselId,
                burnerId,
                GoalKind.LITRES,
                litres,
                null,
                null,
                null,
                null,
                null,
                null,
                readyBy,
                startAt);
    }
}
