package potamos.server.batches;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.batch.Amendment;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.Fact;
import potamos.core.figure.Figures;

/**
 * An entry of the record in plain figures. A corrected entry keeps its first figures and carries the corrected ones beside them.
 *
 * @param seq         order of arrival
 * @param by          initials
 * @param correctedTo the figures that now count
 * @param correctedAt the moment that now counts, where a correction moved it
 * @param reason      why it was corrected or withdrawn, the last time; of a correction or a withdrawal, its own
 * @param late        entered from memory, more than a quarter of an hour after it happened
 * @param corrects    the number of the entry that a correction or a withdrawal names
 * @param corrections every one of this entry, in the order of arrival
 */
record EventView(
        @NotNull String id,
        int seq,
        @NotNull String kind,
        @NotNull Instant at,
        @NotNull Instant recordedAt,
        @NotNull String by,
        @NotNull String byName,
        @NotNull @Schema(ref = FIGURES) Figures figures,
        @Schema(ref = FIGURES) Optional<Figures> correctedTo,
        Optional<Instant> correctedAt,
        boolean withdrawn,
        Optional<String> reason,
        boolean late,
        Optional<Integer> corrects,
        @NotNull List<CorrectionView> corrections) {

    /** Where the contract tells what figures there are. */
    static final String FIGURES = "#/components/schemas/Figures";

    /**
     * A correction of an entry, or its withdrawal.
     *
     * @param seq     the number of the correction itself
     * @param figures what it says instead; empty for a withdrawal
     * @param at      when it says that it was, if it moves the moment
     */
    record CorrectionView(
            int seq,
            @NotNull Instant recordedAt,
            @NotNull String by,
            @NotNull String byName,
            @NotNull String reason,
            @Schema(ref = FIGURES) Optional<Figures> figures,
            Optional<Instant> at) {}

    static List<EventView> all(List<Logged> logged) {
        Map<String, Integer> numbers = new HashMap<>();
        Map<String, List<Logged>> corrections = new HashMap<>();
        for (Logged entry : logged) {
            numbers.putIfAbsent(entry.event().stamp().id(), entry.seq());
            target(entry.event())
                    .ifPresent(id -> corrections
                            .computeIfAbsent(id, of -> new ArrayList<>())
                            .add(entry));
        }
        return logged.stream()
                .map(entry -> of(
                        entry,
                        target(entry.event()).map(numbers::get),
                        corrections.getOrDefault(entry.event().stamp().id(), List.of())))
                .toList();
    }

    private static EventView of(Logged entry, Optional<Integer> corrects, List<Logged> corrections) {
        BatchEvent event = entry.event();
        Optional<Amendment.Corrected> corrected = last(corrections, Amendment.Corrected.class);
        Optional<Amendment.Withdrawn> withdrawn = last(corrections, Amendment.Withdrawn.class);
        return new EventView(
                event.stamp().id(),
                entry.seq(),
                kind(event),
                event.stamp().at(),
                entry.recordedAt(),
                event.stamp().by(),
                entry.byName(),
                figures(event),
                corrected.map(c -> figures(c.replacement())),
                corrected.map(Amendment.Corrected::replacement).flatMap(told -> moved(event, told)),
                withdrawn.isPresent(),
                reason(event)
                        .or(() -> withdrawn.map(Amendment.Withdrawn::reason))
                        .or(() -> corrected.map(Amendment.Corrected::reason))
                        .filter(reason -> !reason.isEmpty()),
                event.stamp().late(),
                corrects,
                corrections.stream().map(each -> correction(event, each)).toList());
    }

    /** What a correction or a withdrawal says of itself. */
    private static Optional<String> reason(BatchEvent event) {
        if (event instanceof Amendment.Corrected corrected) {
            return Optional.of(corrected.reason());
        }
        return event instanceof Amendment.Withdrawn withdrawn ? Optional.of(withdrawn.reason()) : Optional.empty();
    }

    /** Which entry a correction or a withdrawal names. */
    private static Optional<String> target(BatchEvent event) {
        if (event instanceof Amendment.Corrected corrected) {
            return Optional.of(corrected.event());
        }
        return event instanceof Amendment.Withdrawn withdrawn ? Optional.of(withdrawn.event()) : Optional.empty();
    }

    private static CorrectionView correction(BatchEvent corrected, Logged entry) {
        Optional<Fact> replacement = Optional.of(entry.event())
                .filter(Amendment.Corrected.class::isInstance)
                .map(event -> ((Amendment.Corrected) event).replacement());
        return new CorrectionView(
                entry.seq(),
                entry.recordedAt(),
                entry.event().stamp().by(),
                entry.byName(),
                reason(entry.event()).orElse(""),
                replacement.map(Fact::figures),
                replacement.flatMap(told -> moved(corrected, told)));
    }

    /** When it was as it is told right, if that is another moment. */
    private static Optional<Instant> moved(BatchEvent told, Fact right) {
        return Optional.of(right.stamp().at())
                .filter(at -> !at.equals(told.stamp().at()));
    }

    private static <T> Optional<T> last(List<Logged> all, Class<T> kind) {
        return all.stream()
                .map(Logged::event)
                .filter(kind::isInstance)
                .map(kind::cast)
                .reduce((first, last) -> last);
    }

    /** The kind as acts name it. */
    static String kind(BatchEvent event) {
        return event instanceof Amendment amendment
                ? amendment.name()
                : ((Fact) event).kind().name();
    }

    /** What an entry says: of a correction, what it puts in the place of another; of a withdrawal, nothing. */
    static Figures figures(BatchEvent event) {
        if (event instanceof Amendment.Corrected corrected) {
            return corrected.replacement().figures();
        }
        return event instanceof Fact fact ? fact.figures() : Figures.NONE;
    }
}
