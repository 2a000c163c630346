package potamos.core.batch;

import java.time.Duration;
import java.util.function.Function;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/**
 * A figure of an event: its name, its quantity and the range in which it makes sense. Whatever reads, writes, asks for or prints events goes by these, so
 * that none of them has a list of its own.
 *
 * @param <T> what the figure is in the core
 */
public final class Figure<T> {

    /** Largest figures that a batch could log. */
    static final double MOST_LITRES = 500;

    static final double MOST_KG = 400;
    static final int LONGEST_TEXT = 500;
    private static final int LONGEST_NAME = 60;
    private static final int LONGEST_ID = 36;

    /** What a figure tells, and as what it crosses a wire. */
    public enum Quantity {
        LITRES(Double.class, "L"),
        KILOGRAMS(Double.class, "kg"),
        CELSIUS(Double.class, "°C"),
        CENTIMETRES(Double.class, "cm"),
        MINUTES(Integer.class, "min"),
        COUNT(Integer.class, ""),
        /** A place on a card, or degrees on a refractometer. */
        MARK(Double.class, ""),
        YES(Boolean.class, ""),
        WORDS(String.class, ""),
        /** A part of the formula, a kind of its bed, or the bed. */
        PART(String.class, ""),
        /** A phase by its place in the procedure, from 0. */
        STEP(Integer.class, ""),
        /** One of {@link JudgingCard}. */
        CARD(String.class, ""),
        STATION(String.class, ""),
        CALL(String.class, "");

        private final Class<?> wire;
        private final String unit;

        Quantity(Class<?> wire, String unit) {
            this.wire = wire;
            this.unit = unit;
        }

        /** {@code Double}, {@code Integer}, {@code Boolean} or {@code String}. */
        public Class<?> wire() {
            return wire;
        }

        public String unit() {
            return unit;
        }
    }

    private final String name;
    private final Quantity quantity;
    private final double least;
    private final double most;
    private final String unit;
    private final Function<T, Object> wire;
    private final Function<Object, T> value;

    private Figure(
            String name,
            Quantity quantity,
            double least,
            double most,
            String unit,
            Function<T, Object> wire,
            Function<Object, T> value) {
        this.name = name;
        this.quantity = quantity;
        this.least = least;
        this.most = most;
        this.unit = unit;
        this.wire = wire;
        this.value = value;
    }

    static Figure<Volume> litres(double least, double most) {
        return number("litres", Quantity.LITRES, least, most, Volume::litres, Volume::ofLitres);
    }

    static Figure<Mass> kg(double least, double most) {
        return number("kg", Quantity.KILOGRAMS, least, most, Mass::kg, Mass::ofKg);
    }

    static Figure<Temperature> celsius(double least, double most) {
        return number("celsius", Quantity.CELSIUS, least, most, Temperature::celsius, Temperature::ofCelsius);
    }

    static Figure<Length> belowRimCm(double most) {
        return number("belowRimCm", Quantity.CENTIMETRES, 0, most, Length::cm, Length::ofCm);
    }

    static Figure<Double> value(double least, double most, String unit) {
        return new Figure<>(
                "value", Quantity.MARK, least, most, unit, degrees -> degrees, wire -> ((Number) wire).doubleValue());
    }

    static Figure<Duration> minutes(String name, int most) {
        return new Figure<>(
                name,
                Quantity.MINUTES,
                0,
                most,
                Quantity.MINUTES.unit(),
                longer -> (int) longer.toMinutes(),
                wire -> Duration.ofMinutes(((Number) wire).longValue()));
    }

    static Figure<Integer> count(String name, int least, int most, String unit) {
        return new Figure<>(
                name, Quantity.COUNT, least, most, unit, count -> count, wire -> ((Number) wire).intValue());
    }

    static Figure<Integer> step(int most) {
        return new Figure<>("step", Quantity.STEP, 0, most, "", step -> step, wire -> ((Number) wire).intValue());
    }

    static Figure<Boolean> yes(String name) {
        return new Figure<>(name, Quantity.YES, 0, 1, "", yes -> yes, wire -> (Boolean) wire);
    }

    /** What somebody says, up to 500 characters. */
    static Figure<String> words() {
        return text("words", Quantity.WORDS, LONGEST_TEXT);
    }

    static Figure<String> part() {
        return text("part", Quantity.PART, LONGEST_NAME);
    }

    static Figure<String> station() {
        return text("stationId", Quantity.STATION, LONGEST_ID);
    }

    static Figure<String> call() {
        return text("callId", Quantity.CALL, LONGEST_ID);
    }

    static Figure<JudgingCard> card() {
        return new Figure<>("card", Quantity.CARD, 0, LONGEST_NAME, "", JudgingCard::name, wire -> {
            for (JudgingCard card : JudgingCard.values()) {
                if (card.name().equalsIgnoreCase((String) wire)) {
                    return card;
                }
            }
            throw Refusal.of("card", "one of shade, set, ladle");
        });
    }

    private static <Q> Figure<Q> number(
            String name,
            Quantity quantity,
            double least,
            double most,
            Function<Q, Object> wire,
            Function<Double, Q> value) {
        return new Figure<>(
                name,
                quantity,
                least,
                most,
                quantity.unit(),
                wire,
                number -> value.apply(((Number) number).doubleValue()));
    }

    private static Figure<String> text(String name, Quantity quantity, int longest) {
        return new Figure<>(name, quantity, 0, longest, "characters", words -> words, wire -> ((String) wire).trim());
    }

    /**
     * Lets a value pass that makes sense.
     *
     * @return the value
     * @throws Refusal with this figure's name and range when it does not
     */
    T check(T value) {
        if (value == null) {
            throw Refusal.of(name, "is needed here");
        }
        Object told = wire.apply(value);
        if (told instanceof Number number) {
            Refusal.unlessWithin(name, number.doubleValue(), least, most, unit);
        } else if (told instanceof String text && text.length() > most) {
            throw Refusal.outside(name, "longer than can be kept", 0, most, "characters");
        }
        return value;
    }

    Object wire(T of) {
        return wire.apply(of);
    }

    /**
     * What a wire says.
     *
     * @throws Refusal when it is something else than this figure's quantity, or outside its range
     */
    T value(Object told) {
        boolean number = quantity.wire() == Double.class || quantity.wire() == Integer.class;
        if (number ? !(told instanceof Number) : !quantity.wire().isInstance(told)) {
            throw Refusal.of(name, "is something else than is asked for here");
        }
        if (told instanceof Number n) {
            Refusal.unlessWithin(name, n.doubleValue(), least, most, unit);
            boolean whole = n.doubleValue() == Math.floor(n.doubleValue());
            if (quantity.wire() == Integer.class && !whole) {
                throw Refusal.outside(name, "a whole number", least, most, unit);
            }
        }
        return check(value.apply(told));
    }

    /** As acts, tables and forms name it. */
    public String name() {
        return name;
    }

    public Quantity quantity() {
        return quantity;
    }

    /** The smallest number that makes sense; of a text, its least length. */
    public double least() {
        return least;
    }

    /** The largest number that makes sense; of a text, its greatest length. */
    public double most() {
        return most;
    }

    public String unit() {
        return unit;
    }
}
