package potamos.core.batch;

import java.util.List;
import potamos.core.figure.Figure;
import potamos.core.formula.PrepPhase;
import potamos.core.liquor.Brix;
import potamos.core.quantity.Refusal;

/** What somebody saw, tasted or remarked; it moves no litres. */
public sealed interface LookEvent extends Fact {

    List<EventKind<? extends LookEvent>> KINDS = List.of(CardRead.KIND, BrixRead.KIND, Tasted.KIND, Noted.KIND);

    /** Held against one of the kitchen's cards. */
    record CardRead(Stamp stamp, JudgingCard card, double value) implements LookEvent {
        static final Figure<JudgingCard> CARD = Figure.choice("card", JudgingCard.class, JudgingCard::name);
        static final Figure<Double> PLACE = Figure.mark("value", 1, 8, "on the card");

        public static final EventKind<CardRead> KIND = EventKind.named("card-read", CardRead.class)
                .with(CARD, CardRead::card)
                .with(PLACE, CardRead::value)
                .made((stamp, f) -> new CardRead(stamp, f.get(CARD), f.get(PLACE)))
                .when((is, e) -> {
                    boolean shade = e.card == JudgingCard.SHADE;
                    is.require(shade || is.full(), "there is no stock yet to hold against a card");
                    is.require(
                            !shade || is.begun(PrepPhase.Roast.class),
                            "there is nothing in the oven yet to hold against the shade card");
                })
                .then(Replay::cardRead);

        public CardRead {
            Refusal.unlessWithin(PLACE.name(), value, card.least(), card.most(), PLACE.unit());
        }

        @Override
        public EventKind<CardRead> kind() {
            return KIND;
        }
    }

    /** The liquor on a refractometer. */
    record BrixRead(Stamp stamp, double degrees) implements LookEvent {
        static final Figure<Double> DEGREES = Figure.mark("value", 0, Brix.MOST, "°Bx");

        public static final EventKind<BrixRead> KIND = EventKind.named("brix-read", BrixRead.class)
                .with(DEGREES, BrixRead::degrees)
                .made((stamp, f) -> new BrixRead(stamp, f.get(DEGREES)))
                .when((is, e) -> is.require(is.full(), "there is no stock yet to put on a refractometer"))
                .then(Replay::brixRead);

        public BrixRead {
            DEGREES.check(degrees);
        }

        @Override
        public EventKind<BrixRead> kind() {
            return KIND;
        }
    }

    /** What it tastes of, and what the bones look like; several words, each from a short list or the cook's own. */
    record Tasted(Stamp stamp, String words) implements LookEvent {
        static final Figure<String> WORDS = Figure.words();

        public static final EventKind<Tasted> KIND = EventKind.named("tasted", Tasted.class)
                .with(WORDS, Tasted::words)
                .made((stamp, f) -> new Tasted(stamp, f.get(WORDS)))
                .when((is, e) -> is.require(is.full(), "there is no stock yet to taste"))
                .then(Replay::remembered);

        public Tasted {
            WORDS.check(words);
        }

        @Override
        public EventKind<Tasted> kind() {
            return KIND;
        }
    }

    /** A remark. */
    record Noted(Stamp stamp, String words) implements LookEvent {
        static final Figure<String> WORDS = Figure.words();

        public static final EventKind<Noted> KIND = EventKind.named("noted", Noted.class)
                .with(WORDS, Noted::words)
                .made((stamp, f) -> new Noted(stamp, f.get(WORDS)))
                .when((is, e) -> {})
                .then(Replay::remembered);

        public Noted {
            WORDS.check(words);
        }

        @Override
        public EventKind<Noted> kind() {
            return KIND;
        }
    }
}
