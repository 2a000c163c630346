package potamos.server.batches;

import com.fasterxml.jackson.annotation.JsonAnySetter;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.batch.Amendment;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchEvent.Stamp;
import potamos.core.batch.EventKind;
import potamos.core.figure.Figures;
import potamos.core.quantity.Refusal;
import potamos.server.Ids;

/**
 * Something done, as a screen sends it. Beside these fields it carries the figures of its kind, each under its name; a correction carries those that it
 * changes.
 *
 * @param id       made by the screen, a UUID; sending it again changes nothing
 * @param kind     as events are named: {@code weighed-in}, {@code skimmed}, {@code topped-up}, …
 * @param at       when it happened
 * @param sentAt   what the sender's clock, by which {@code at} goes, says as it sends; an act from a clock that is wrong is put right by how far it is
 *                 off. Nothing: {@code at} stands as it is
 * @param corrects the id of the entry that a {@code corrected} or {@code withdrawn} names
 * @param reason   why, of these two
 * @param happenedAt of a {@code corrected}: when the entry that it names really happened; nothing when that was told right
 * @param figures  by name
 */
public record Act(
        @NotNull @Pattern(regexp = Ids.PATTERN) String id,

        @NotBlank @Size(max = 30) String kind,
        @NotNull Instant at,
        Instant sentAt,
        @Size(max = 36) String corrects,
        @Size(max = 500) String reason,
        Instant happenedAt,
        @JsonAnySetter @Schema(hidden = true) Map<String, Object> figures) {

    /** So long may an act be under way; what is further off than that is a clock. */
    private static final Duration ON_ITS_WAY = Duration.ofSeconds(20);

    /** What is sent as nothing is not said. */
    public Act {
        figures = Figures.said(figures);
    }

    /**
     * The event that this act is.
     *
     * @param by     initials of the person
     * @param logged what was logged of the batch so far
     * @param now    the kitchen's clock
     * @throws Refusal with the field that is missing, unknown or out of range
     */
    BatchEvent event(String by, List<BatchEvent> logged, Instant now) {
        Stamp stamp = new Stamp(id, happened(now), by, now);
        Figures told = new Figures(figures);
        return switch (kind) {
            case Amendment.Corrected.NAME -> Batch.correction(logged, named(), change(told), stamp, why());
            case Amendment.Withdrawn.NAME -> new Amendment.Withdrawn(stamp, named(), why());
            default ->
                EventKind.of(kind)
                        .orElseThrow(() -> Refusal.of("kind", "nobody knows this kind of act"))
                        .make(stamp, told);
        };
    }

    /** When it happened, on the kitchen's clock. */
    private Instant happened(Instant now) {
        Duration off = sentAt == null ? Duration.ZERO : Duration.between(sentAt, now);
        return off.abs().compareTo(ON_ITS_WAY) < 0 ? at : at.plus(off);
    }

    private Amendment.Change change(Figures told) {
        return new Amendment.Change(told, Optional.ofNullable(happenedAt));
    }

    private String named() {
        return Refusal.unlessGiven("corrects", corrects);
    }

    private String why() {
        return reason == null ? "" : reason.trim();
    }
}
