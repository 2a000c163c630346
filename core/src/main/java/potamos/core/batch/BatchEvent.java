package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import potamos.core.liquor.Brix;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** Something that happened to a batch. Events are only ever added; a mistake is mended by another event that names it. */
public sealed interface BatchEvent {

    /** Largest figures that a batch could log. */
    double MOST_LITRES = 500;

    double MOST_KG = 400;
    int LONGEST_TEXT = 500;

    /** Phases that a procedure can have. */
    int MOST_STEPS = 60;

    Stamp stamp();

    /**
     * Which event, when it happened, and by whom.
     *
     * @param id      made by whoever logged it, so that a repeated sending is recognised
     * @param at      when it happened, not when it arrived
     * @param by      the person
     * @param entered when it was told; never earlier than it happened
     */
    record Stamp(String id, Instant at, String by, Instant entered) {
        /** Told so long afterwards, it is from memory. */
        public static final Duration LATE = Duration.ofMinutes(15);

        public Stamp {
            entered = entered == null || entered.isBefore(at) ? at : entered;
        }

        /** Told as it happened. */
        public Stamp(String id, Instant at, String by) {
            this(id, at, by, at);
        }

        /** Whether it was told from memory, and not as it happened. */
        public boolean late() {
            return entered.isAfter(at.plus(LATE));
        }

        /** The same event, told at another time: a correction tells it anew. */
        public Stamp enteredAt(Instant when) {
            return new Stamp(id, at, by, when);
        }
    }

    /** The bed or a part on the scale; {@code part} is {@link #BED} or the part's id. */
    record WeighedIn(Stamp stamp, String part, Mass mass, String lot) implements BatchEvent {
        public WeighedIn {
            Refusal.unlessWithin("kg", mass.kg(), 0.001, MOST_KG, "kg");
            text("lot", lot);
        }
    }

    /** A phase before the pot is under way: in the oven, in its soak, in the pan. {@code step} is its place in the procedure, from 0. */
    record Began(Stamp stamp, int step) implements BatchEvent {
        public Began {
            Refusal.unlessWithin("step", step, 0, MOST_STEPS, "");
        }
    }

    /** A phase before the pot is done. */
    record Finished(Stamp stamp, int step) implements BatchEvent {
        public Finished {
            Refusal.unlessWithin("step", step, 0, MOST_STEPS, "");
        }
    }

    /** Bones turned in the oven; tray 0 is all of them. */
    record Turned(Stamp stamp, int tray) implements BatchEvent {
        public Turned {
            Refusal.unlessWithin("tray", tray, 0, 60, "");
        }
    }

    /** Fresh cold water on a soak. */
    record WaterChanged(Stamp stamp) implements BatchEvent {}

    /** The burner is off and the hood clear, before a spirit is flamed. */
    record BurnerOff(Stamp stamp) implements BatchEvent {}

    /** Held against one of the kitchen's cards. */
    record CardRead(Stamp stamp, Card card, double value) implements BatchEvent {
        public CardRead {
            Refusal.unlessWithin("value", value, card.least(), card.most(), "on the card");
        }
    }

    /** The kitchen's cards. */
    enum Card {
        /** Roast: 1 raw to 8 black. */
        SHADE(1, 8),
        /** A spoonful on a cold plate: 1 pours like water, 2 coats, 3 trembles, 4 sets, 5 cuts. */
        SET(1, 5),
        /** A ladleful against the light: 1 cloudy to 5 the ladle's bottom shows. */
        LADLE(1, 5);

        private final double least;
        private final double most;

        Card(double least, double most) {
            this.least = least;
            this.most = most;
        }

        public double least() {
            return least;
        }

        public double most() {
            return most;
        }
    }

    /** The liquor on a refractometer. */
    record BrixRead(Stamp stamp, double degrees) implements BatchEvent {
        public BrixRead {
            Refusal.unlessWithin("value", degrees, 0, Brix.MOST, "°Bx");
        }
    }

    /** What it tastes of, and what the bones look like; several words, each from a short list or the cook's own. */
    record Tasted(Stamp stamp, String words) implements BatchEvent {
        public Tasted {
            text("words", words);
        }
    }

    /** Reached the temperature of a warm steep, and held there. */
    record Held(Stamp stamp) implements BatchEvent {}

    /** Part of the bed lifted out before the rest is done, as kelp is; {@code part} is its kind. */
    record TakenOut(Stamp stamp, String part) implements BatchEvent {}

    /** Through one of the strainers, before the last. */
    record Passed(Stamp stamp) implements BatchEvent {}

    /** Fat lifted. */
    record Degreased(Stamp stamp, Volume fat) implements BatchEvent {
        public Degreased {
            Refusal.unlessWithin("litres", fat.litres(), 0, MOST_LITRES, "L");
        }
    }

    /** Boiled down to its mark: the litres that are left. */
    record Reduced(Stamp stamp, Volume left) implements BatchEvent {
        public Reduced {
            Refusal.unlessWithin("litres", left.litres(), 0.05, MOST_LITRES, "L");
        }
    }

    /** The bed was blanched and the pot washed. */
    record Blanched(Stamp stamp) implements BatchEvent {}

    /** Water drawn. */
    record Filled(Stamp stamp, Volume water, Temperature temperature) implements BatchEvent {
        public Filled {
            Refusal.unlessWithin("litres", water.litres(), 0.1, MOST_LITRES, "L");
            Refusal.unlessWithin("celsius", temperature.celsius(), 0, 100, "°C");
        }
    }

    /** Burner lit. */
    record HeatOn(Stamp stamp) implements BatchEvent {}

    /** The foam that comes just before the first bubbles. */
    record FirstFoam(Stamp stamp) implements BatchEvent {}

    /** Turned down to the simmer. */
    record SimmerReached(Stamp stamp) implements BatchEvent {}

    /** Scum taken off, and the liquor that went with it. */
    record Skimmed(Stamp stamp, Volume liquor) implements BatchEvent {
        public Skimmed {
            Refusal.unlessWithin("litres", liquor.litres(), 0, 20, "L");
        }
    }

    /** The level as read on the ruler. */
    record LevelRead(Stamp stamp, Length belowRim) implements BatchEvent {
        public LevelRead {
            Refusal.unlessWithin("belowRimCm", belowRim.cm(), 0, 200, "cm");
        }
    }

    /** The liquor's temperature. */
    record TemperatureRead(Stamp stamp, Temperature temperature) implements BatchEvent {
        public TemperatureRead {
            Refusal.unlessWithin("celsius", temperature.celsius(), 0, 110, "°C");
        }
    }

    /** Water added to a working pot. */
    record ToppedUp(Stamp stamp, Volume water, Temperature temperature) implements BatchEvent {
        public ToppedUp {
            Refusal.unlessWithin("litres", water.litres(), 0.05, MOST_LITRES, "L");
            Refusal.unlessWithin("celsius", temperature.celsius(), 0, 100, "°C");
        }
    }

    /** A part put into the pot. */
    record Added(Stamp stamp, String part, Mass mass) implements BatchEvent {
        public Added {
            Refusal.unlessWithin("kg", mass.kg(), 0.0001, MOST_KG, "kg");
        }
    }

    /** A look at the simmer: enough, or not yet and how much longer. */
    record Judged(Stamp stamp, boolean enough, Duration longer) implements BatchEvent {
        public Judged {
            Refusal.unlessWithin("longerMin", longer.toMinutes(), 0, 24 * 60, "min");
        }
    }

    /** Strained off, and the litres that came out. */
    record Strained(Stamp stamp, Volume out, int passes, boolean pressed) implements BatchEvent {
        public Strained {
            Refusal.unlessWithin("litres", out.litres(), 0, MOST_LITRES, "L");
            Refusal.unlessWithin("passes", passes, 1, 6, "passes");
        }
    }

    /** Cooling set up as planned. */
    record CoolingBegan(Stamp stamp) implements BatchEvent {}

    /** The stock's temperature while it cools. */
    record CoolingRead(Stamp stamp, Temperature temperature) implements BatchEvent {
        public CoolingRead {
            Refusal.unlessWithin("celsius", temperature.celsius(), -30, 105, "°C");
        }
    }

    /** Reheated after a failed stage; cooling starts again. */
    record Reheated(Stamp stamp, Temperature temperature) implements BatchEvent {
        public Reheated {
            Refusal.unlessWithin("celsius", temperature.celsius(), 50, 105, "°C");
        }
    }

    /** Put away as a lot. */
    record Stored(Stamp stamp, Volume litres, String place) implements BatchEvent {
        public Stored {
            Refusal.unlessWithin("litres", litres.litres(), 0.05, MOST_LITRES, "L");
            text("place", place);
        }
    }

    /** Handed to a station. */
    record Delivered(Stamp stamp, String station, String call, Volume litres) implements BatchEvent {
        public Delivered {
            Refusal.unlessWithin("litres", litres.litres(), 0.05, MOST_LITRES, "L");
        }
    }

    /** Thrown away. */
    record Discarded(Stamp stamp, Volume litres, String reason) implements BatchEvent {
        public Discarded {
            Refusal.unlessWithin("litres", litres.litres(), 0.05, MOST_LITRES, "L");
            text("reason", reason);
        }
    }

    /** Given up before anything was strained. */
    record Abandoned(Stamp stamp, String reason) implements BatchEvent {
        public Abandoned {
            text("reason", reason);
        }
    }

    /** A remark. */
    record Noted(Stamp stamp, String words) implements BatchEvent {
        public Noted {
            text("words", words);
        }
    }

    /** An earlier event, told right. The replacement carries the stamp of what it replaces, but for the time if that was wrong. */
    record Corrected(Stamp stamp, String event, BatchEvent replacement, String reason) implements BatchEvent {
        public Corrected {
            text("reason", reason);
            if (replacement instanceof Corrected || replacement instanceof Withdrawn) {
                throw Refusal.of("event", "a correction cannot itself be corrected; correct the first entry again");
            }
        }
    }

    /** An earlier event that did not happen. */
    record Withdrawn(Stamp stamp, String event, String reason) implements BatchEvent {
        public Withdrawn {
            text("reason", reason);
        }
    }

    /** The name of the bed among the parts. */
    String BED = "bed";

    private static void text(String field, String words) {
        if (words == null || words.length() > LONGEST_TEXT) {
            throw Refusal.outside(field, "up to 500 characters", 0, LONGEST_TEXT, "characters");
        }
    }
}
