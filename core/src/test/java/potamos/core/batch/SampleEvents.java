package potamos.core.batch;

import java.util.LinkedHashMap;
import java.util.Map;
import potamos.core.Samples;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;

/** Events of any kind, made from what the kind tells of its figures. */
public final class SampleEvents {

    private SampleEvents() {}

    /** One event of a kind, always the same. */
    public static Fact of(EventKind<?> kind) {
        return kind.make(new BatchEvent.Stamp("event of " + kind, Samples.EIGHT, "IV"), figures(kind));
    }

    static Figures figures(EventKind<?> kind) {
        Map<String, Object> told = new LinkedHashMap<>();
        kind.figures().forEach(figure -> told.put(figure.name(), within(figure, 0.25)));
        return new Figures(told);
    }

    /** A value within a figure's range; a card's places are those that all cards have. */
    static Object within(Figure<?> figure, double share) {
        double number = figure.quantity() == Figure.Quantity.MARK
                ? 2 + 2 * share
                : figure.least() + share * (figure.most() - figure.least());
        return switch (figure.quantity()) {
            case CHOICE -> figure.choices().get(Math.min(figure.choices().size() - 1, share < 0.5 ? 1 : 2));
            case CHOICES -> String.join(" ", figure.choices().subList(0, share < 0.5 ? 1 : 2));
            case YES -> share < 0.5;
            case MINUTES, COUNT, STEP -> (int) number;
            case WORDS, PART, LOT, BOX, SOURCE, BATCH, STATION, SLIP, CALL -> share < 0.5 ? "bed" : "another";
            case DAY -> share < 0.5 ? "2026-03-05" : "2026-03-06";
            default -> number;
        };
    }

    static Object outside(Figure<?> figure) {
        return switch (figure.quantity()) {
            case CHOICE, CHOICES -> "TAROT";
            case YES -> "perhaps";
            case MINUTES, COUNT, STEP -> (int) figure.most() + 1;
            case WORDS, PART, LOT, BOX, SOURCE, BATCH, STATION, SLIP, CALL -> "x".repeat((int) figure.most() + 1);
            case DAY -> "tomorrow";
            default -> figure.most() + 1;
        };
    }
}
