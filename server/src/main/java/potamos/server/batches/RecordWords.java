package potamos.server.batches;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import potamos.core.batch.EventKind;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.server.charges.ChargeView;
import potamos.server.paper.PaperUnits;
import potamos.server.paper.Words;

/** Entries of a record as paper says them. */
final class RecordWords {

    private final PaperUnits units;
    private final Page page;

    RecordWords(PaperUnits units, Page page) {
        this.units = units;
        this.page = page;
    }

    /** Everything that was read, weighed or said. */
    String figures(String kind, Figures figures) {
        Map<String, Object> told = figures.byName();
        return EventKind.everyFigure().stream()
                .filter(figure -> told.containsKey(figure.name()))
                .map(figure -> words(kind, figure, told))
                .filter(words -> !words.isEmpty())
                .collect(Collectors.joining(", "));
    }

    private String words(String kind, Figure<?> figure, Map<String, Object> told) {
        Object value = told.get(figure.name());
        return switch (figure.quantity()) {
            case PART -> partName((String) value);
            case STEP -> phaseName((int) value).orElse("");
            case CHOICE -> Words.ENGLISH.choice((String) value);
            case MARK ->
                String.format(Locale.ROOT, "%.1f", (double) value)
                        + (told.containsKey("card") ? "" : " " + figure.unit());
            case KILOGRAMS -> units.mass(Mass.ofKg((double) value));
            case LITRES -> units.jug((double) value);
            case CENTIMETRES -> units.cm((double) value) + " below the rim";
            case CELSIUS -> units.celsius(Temperature.ofCelsius((double) value));
            case MINUTES, DURATION -> "+" + PaperUnits.minutes(((Number) value).doubleValue());
            case COUNT ->
                (int) value == 0
                        ? ""
                        : figure.unit().isEmpty()
                                ? Words.ENGLISH.figure(kind, figure.name()).toLowerCase(Locale.ROOT) + " " + value
                                : value + " " + figure.unit();
            case YES ->
                (boolean) value ? Words.ENGLISH.figure(kind, figure.name()).toLowerCase(Locale.ROOT) : "";
            case WORDS -> (String) value;
            case DAY -> Words.ENGLISH.figure(kind, figure.name()).toLowerCase(Locale.ROOT) + " " + value;
            case CHOICES ->
                Stream.of(((String) value).split(" "))
                        .filter(word -> !word.isEmpty())
                        .map(Words.ENGLISH::choice)
                        .collect(Collectors.joining(", "));
            case LOT, BOX, SOURCE, BATCH, STATION, SLIP, CALL -> "";
        };
    }

    private String partName(String id) {
        return page.parts().stream()
                .filter(part -> part.id().equals(id))
                .map(ChargeView.PartView::name)
                .findFirst()
                .orElse(page.bedName());
    }

    private Optional<String> phaseName(int step) {
        return page.chores().stream()
                .filter(chore -> chore.step() == step)
                .map(chore -> Words.ENGLISH.phase(chore.phase()).toLowerCase(Locale.ROOT))
                .findFirst();
    }
}
