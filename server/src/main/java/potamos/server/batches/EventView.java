package potamos.server.batches;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.batch.BatchEvent;
import potamos.server.Json;

/**
 * An entry of the record in plain figures. A corrected entry keeps its first figures and carries the corrected ones beside them.
 *
 * @param seq         order of arrival
 * @param by          initials
 * @param correctedTo the figures that now count
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
        @NotNull Figures figures,
        Optional<Figures> correctedTo,
        boolean withdrawn,
        Optional<String> reason,
        boolean late,
        Optional<Integer> corrects,
        @NotNull List<CorrectionView> corrections) {

    /** Whatever figures an entry has. */
    record Figures(
            Optional<String> part,
            Optional<Double> litres,
            Optional<Double> kg,
            Optional<Double> celsius,
            Optional<Double> belowRimCm,
            Optional<Long> longerMin,
            Optional<String> words,
            Optional<String> stationId,
            Optional<Integer> step,
            Optional<String> card,
            Optional<Double> value) {}

    /**
     * A correction of an entry, or its withdrawal.
     *
     * @param seq     the number of the correction itself
     * @param figures what it says instead; empty for a withdrawal
     */
    record CorrectionView(
            int seq,
            @NotNull Instant recordedAt,
            @NotNull String by,
            @NotNull String byName,
            @NotNull String reason,
            Optional<Figures> figures) {}

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
        Optional<BatchEvent.Corrected> corrected = last(corrections, BatchEvent.Corrected.class);
        Optional<BatchEvent.Withdrawn> withdrawn = last(corrections, BatchEvent.Withdrawn.class);
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
                withdrawn.isPresent(),
                reason(event)
                        .or(() -> withdrawn.map(BatchEvent.Withdrawn::reason))
                        .or(() -> corrected.map(BatchEvent.Corrected::reason))
                        .filter(reason -> !reason.isEmpty()),
                event.stamp().late(),
                corrects,
                corrections.stream().map(EventView::correction).toList());
    }

    /** What a correction or a withdrawal says of itself. */
    private static Optional<String> reason(BatchEvent event) {
        if (event instanceof BatchEvent.Corrected corrected) {
            return Optional.of(corrected.reason());
        }
        return event instanceof BatchEvent.Withdrawn withdrawn ? Optional.of(withdrawn.reason()) : Optional.empty();
    }

    /** Which entry a correction or a withdrawal names. */
    private static Optional<String> target(BatchEvent event) {
        if (event instanceof BatchEvent.Corrected corrected) {
            return Optional.of(corrected.event());
        }
        return event instanceof BatchEvent.Withdrawn withdrawn ? Optional.of(withdrawn.event()) : Optional.empty();
    }

    private static CorrectionView correction(Logged entry) {
        return new CorrectionView(
                entry.seq(),
                entry.recordedAt(),
                entry.event().stamp().by(),
                entry.byName(),
                reason(entry.event()).orElse(""),
                Optional.of(entry.event())
                        .filter(BatchEvent.Corrected.class::isInstance)
                        .map(EventView::figures));
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
        if (event instanceof BatchEvent.Judged judged) {
            return judged.enough() ? "judged-enough" : "judged-not-yet";
        }
        return Json.kindOf(event.getClass());
    }

    static Figures figures(BatchEvent event) {
        String part = null;
        Double litres = null;
        Double kg = null;
        Double celsius = null;
        Double belowRim = null;
        Long longer = null;
        String words = null;
        String station = null;
        Integer step = null;
        String card = null;
        Double value = null;
        if (event instanceof BatchEvent.WeighedIn e) {
            part = e.part();
            kg = e.mass().kg();
            words = e.lot();
        } else if (event instanceof BatchEvent.Began e) {
            step = e.step();
        } else if (event instanceof BatchEvent.Finished e) {
            step = e.step();
        } else if (event instanceof BatchEvent.CardRead e) {
            card = e.card().name();
            value = e.value();
        } else if (event instanceof BatchEvent.BrixRead e) {
            value = e.degrees();
        } else if (event instanceof BatchEvent.Tasted e) {
            words = e.words();
        } else if (event instanceof BatchEvent.TakenOut e) {
            part = e.part();
        } else if (event instanceof BatchEvent.Degreased e) {
            litres = e.fat().litres();
        } else if (event instanceof BatchEvent.Reduced e) {
            litres = e.left().litres();
        } else if (event instanceof BatchEvent.Filled e) {
            litres = e.water().litres();
            celsius = e.temperature().celsius();
        } else if (event instanceof BatchEvent.Skimmed e) {
            litres = e.liquor().litres();
        } else if (event instanceof BatchEvent.LevelRead e) {
            belowRim = e.belowRim().cm();
        } else if (event instanceof BatchEvent.TemperatureRead e) {
            celsius = e.temperature().celsius();
        } else if (event instanceof BatchEvent.ToppedUp e) {
            litres = e.water().litres();
            celsius = e.temperature().celsius();
        } else if (event instanceof BatchEvent.Added e) {
            part = e.part();
            kg = e.mass().kg();
        } else if (event instanceof BatchEvent.Judged e && !e.enough()) {
            longer = e.longer().toMinutes();
        } else if (event instanceof BatchEvent.Strained e) {
            litres = e.out().litres();
        } else if (event instanceof BatchEvent.CoolingRead e) {
            celsius = e.temperature().celsius();
        } else if (event instanceof BatchEvent.Reheated e) {
            celsius = e.temperature().celsius();
        } else if (event instanceof BatchEvent.Stored e) {
            litres = e.litres().litres();
            words = e.place();
        } else if (event instanceof BatchEvent.Delivered e) {
            litres = e.litres().litres();
            station = e.station();
        } else if (event instanceof BatchEvent.Discarded e) {
            litres = e.litres().litres();
            words = e.reason();
        } else if (event instanceof BatchEvent.Abandoned e) {
            words = e.reason();
        } else if (event instanceof BatchEvent.Noted e) {
            words = e.words();
        } else if (event instanceof BatchEvent.Corrected e) {
            return figures(e.replacement());
        } else if (event instanceof BatchEvent.Withdrawn e) {
            words = e.reason();
        }
        return new Figures(
                Optional.ofNullable(part),
                Optional.ofNullable(litres),
                Optional.ofNullable(kg),
                Optional.ofNullable(celsius),
                Optional.ofNullable(belowRim),
                Optional.ofNullable(longer),
                Optional.ofNullable(words).filter(w -> !w.isEmpty()),
                Optional.ofNullable(station),
                Optional.ofNullable(step),
                Optional.ofNullable(card),
                Optional.ofNullable(value));
    }
}
