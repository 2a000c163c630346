package potamos.core.figure;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/**
 * A figure of an event or a phase: its name, its quantity and the range in which it makes sense. Whatever reads, writes, asks for or prints them goes by these, so
 * that none of them has a list of its own.
 *
 * @param <T> what the figure is in the core
 */
public final class Figure<T> {

    /** Largest figures that a batch could log. */
    public static final double MOST_LITRES = 500;

    public static final double MOST_KG = 400;
    public static final int LONGEST_TEXT = 500;
    private static final int LONGEST_MIN = 7 * 24 * 60;
    private static final int LONGEST_NAME = 60;
    private static final int LONGEST_ID = 36;

    /** What a figure tells, and as what it crosses a wire. */
    public enum Quantity {
        LITRES(Double.class, "L", 3),
        KILOGRAMS(Double.class, "kg", 3),
        CELSIUS(Double.class, "°C", 1),
        CENTIMETRES(Double.class, "cm", 1),
        MINUTES(Integer.class, "min"),
        /** Minutes and parts of them. */
        DURATION(Double.class, "min", 1),
        COUNT(Integer.class, ""),
        /** A place on a card, or degrees on a refractometer. */
        MARK(Double.class, "", 1),
        YES(Boolean.class, ""),
        WORDS(String.class, ""),
        /** A day of the calendar. */
        DAY(String.class, ""),
        /** A part of the formula, a kind of its bed, or the bed. */
        PART(String.class, ""),
        /** A phase by its place in the procedure, from 0. */
        STEP(Integer.class, ""),
        /** One of the {@link Figure#choices()}. */
        CHOICE(String.class, ""),
        /** Any number of the {@link Figure#choices()}, with a space between them. */
        CHOICES(String.class, ""),
        /** A lot of this batch by its id. */
        LOT(String.class, ""),
        /** A box of the larder by its id. */
        BOX(String.class, ""),
        /** A lot of any batch, or a batch of which not all is put away, by its id. */
        SOURCE(String.class, ""),
        BATCH(String.class, ""),
        STATION(String.class, ""),
        /** What was handed to a station, by the id of its entry. */
        SLIP(String.class, ""),
        CALL(String.class, "");

        private final Class<?> wire;
        private final String unit;
        private final int places;

        Quantity(Class<?> wire, String unit) {
            this(wire, unit, 0);
        }

        Quantity(Class<?> wire, String unit, int places) {
            this.wire = wire;
            this.unit = unit;
            this.places = places;
        }

        /** A number as finely as anything in a kitchen measures it: a computed amount that was taken as it stood says no more than a measured one. */
        public BigDecimal measured(double number) {
            BigDecimal shown = BigDecimal.valueOf(number).setScale(places, RoundingMode.HALF_UP);
            return shown.signum() == 0
                    ? BigDecimal.ZERO
                    : new BigDecimal(shown.stripTrailingZeros().toPlainString());
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
    private final List<String> choices;
    private final Function<T, Object> wire;
    private final Function<Object, T> value;

    private Figure(
            String name,
            Quantity quantity,
            double least,
            double most,
            String unit,
            List<String> choices,
            Function<T, Object> wire,
            Function<Object, T> value) {
        this.name = name;
        this.quantity = quantity;
        this.least = least;
        this.most = most;
        this.unit = unit;
        this.choices = choices;
        this.wire = wire;
        this.value = value;
    }

    public static Figure<Volume> litres(double least, double most) {
        return litres("litres", least, most);
    }

    /** The same under a name of its own. */
    public static Figure<Volume> litres(String name, double least, double most) {
        return number(name, Quantity.LITRES, least, most, Volume::litres, Volume::ofLitres);
    }

    public static Figure<Mass> kg(double least, double most) {
        return number("kg", Quantity.KILOGRAMS, least, most, Mass::kg, Mass::ofKg);
    }

    public static Figure<Temperature> celsius(String name, double least, double most) {
        return number(name, Quantity.CELSIUS, least, most, Temperature::celsius, Temperature::ofCelsius);
    }

    public static Figure<Length> cm(String name, double most) {
        return number(name, Quantity.CENTIMETRES, 0, most, Length::cm, Length::ofCm);
    }

    /** Minutes and parts of them, up to a week. */
    public static Figure<Duration> duration(String name) {
        return duration(name, 0, LONGEST_MIN);
    }

    public static Figure<Duration> duration(String name, int leastMin, int mostMin) {
        return number(
                name,
                Quantity.DURATION,
                leastMin,
                mostMin,
                length -> length.toMillis() / 60_000.0,
                min -> Duration.ofMillis((long) (min * 60_000 + 0.5)));
    }

    /** A number with a unit of its own. */
    public static Figure<Double> mark(String name, double least, double most, String unit) {
        return number(name, Quantity.MARK, least, most, unit, number -> number, number -> number);
    }

    public static Figure<Duration> minutes(String name, int most) {
        return new Figure<>(
                name,
                Quantity.MINUTES,
                0,
                most,
                Quantity.MINUTES.unit(),
                List.of(),
                longer -> (int) longer.toMinutes(),
                wire -> Duration.ofMinutes(((Number) wire).longValue()));
    }

    public static Figure<Integer> count(String name, int least, int most, String unit) {
        return whole(name, Quantity.COUNT, least, most, unit);
    }

    public static Figure<Integer> step(int most) {
        return whole("step", Quantity.STEP, 0, most, "");
    }

    public static Figure<Boolean> yes(String name) {
        return new Figure<>(name, Quantity.YES, 0, 1, "", List.of(), yes -> yes, wire -> (Boolean) wire);
    }

    /** What somebody says, up to 500 characters. */
    public static Figure<String> words() {
        return text("words", Quantity.WORDS, LONGEST_TEXT);
    }

    /** The same under a name of its own. */
    public static Figure<String> words(String name) {
        return text(name, Quantity.WORDS, LONGEST_TEXT);
    }

    /** A day of the calendar, as 2026-03-04. */
    public static Figure<LocalDate> day(String name) {
        return new Figure<>(name, Quantity.DAY, 0, LONGEST_ID, "", List.of(), LocalDate::toString, wire -> {
            try {
                return LocalDate.parse((String) wire);
            } catch (DateTimeParseException unreadable) {
                throw Refusal.of(name, "a day as 2026-03-04");
            }
        });
    }

    public static Figure<String> lot() {
        return text("lotId", Quantity.LOT, LONGEST_ID);
    }

    public static Figure<String> part() {
        return text("part", Quantity.PART, LONGEST_NAME);
    }

    public static Figure<String> box() {
        return text("boxId", Quantity.BOX, LONGEST_ID);
    }

    public static Figure<String> source() {
        return text("sourceId", Quantity.SOURCE, LONGEST_ID);
    }

    public static Figure<String> batch() {
        return text("batchId", Quantity.BATCH, LONGEST_ID);
    }

    /** Any number of a few words, with a space between them. */
    public static <E extends Enum<E>> Figure<Set<E>> choices(String name, Class<E> of) {
        return new Figure<>(
                name,
                Quantity.CHOICES,
                0,
                LONGEST_TEXT,
                "characters",
                Stream.of(of.getEnumConstants()).map(Figure::word).toList(),
                some -> some.stream().sorted().map(Figure::word).collect(Collectors.joining(" ")),
                wire -> Stream.of(((String) wire).split(" "))
                        .filter(word -> !word.isEmpty())
                        .map(word -> constant(of, word)
                                .orElseThrow(() -> Refusal.noneOf(
                                        name, Stream.of(of.getEnumConstants()).map(Figure::word))))
                        .collect(Collectors.toUnmodifiableSet()));
    }

    public static Figure<String> station() {
        return text("stationId", Quantity.STATION, LONGEST_ID);
    }

    public static Figure<String> slip() {
        return text("slipId", Quantity.SLIP, LONGEST_ID);
    }

    public static Figure<String> call() {
        return text("callId", Quantity.CALL, LONGEST_ID);
    }

    /** One of a few words: {@code LID_AJAR} is {@code lid-ajar}. */
    public static <E extends Enum<E>> Figure<E> choice(String name, Class<E> of) {
        return choice(name, of, Figure::word);
    }

    /** The same where the words are told otherwise. */
    public static <E extends Enum<E>> Figure<E> choice(String name, Class<E> of, Function<E, String> word) {
        List<E> all = List.of(of.getEnumConstants());
        List<String> words = all.stream().map(word).toList();
        return new Figure<>(name, Quantity.CHOICE, 0, LONGEST_NAME, "", words, word::apply, wire -> {
            for (int i = 0; i < words.size(); i++) {
                if (words.get(i).equalsIgnoreCase((String) wire)) {
                    return all.get(i);
                }
            }
            throw Refusal.noneOf(name, words.stream());
        });
    }

    /** How a constant is written: small letters, hyphens between words. */
    public static String word(Enum<?> constant) {
        StringBuilder word = new StringBuilder();
        // Without a locale: in one of them the small I has no dot.
        constant.name()
                .chars()
                .map(c -> c == '_' ? '-' : c >= 'A' && c <= 'Z' ? c - 'A' + 'a' : c)
                .forEach(c -> word.append((char) c));
        return word.toString();
    }

    /** The constant that is written so, if there is one. */
    public static <E extends Enum<E>> Optional<E> constant(Class<E> of, String word) {
        return Stream.of(of.getEnumConstants())
                .filter(constant -> word(constant).equals(word))
                .findFirst();
    }

    private static Figure<Integer> whole(String name, Quantity quantity, int least, int most, String unit) {
        return new Figure<>(
                name, quantity, least, most, unit, List.of(), count -> count, wire -> ((Number) wire).intValue());
    }

    private static <Q> Figure<Q> number(
            String name,
            Quantity quantity,
            double least,
            double most,
            Function<Q, Object> wire,
            Function<Double, Q> value) {
        return number(name, quantity, least, most, quantity.unit(), wire, value);
    }

    private static <Q> Figure<Q> number(
            String name,
            Quantity quantity,
            double least,
            double most,
            String unit,
            Function<Q, Object> wire,
            Function<Double, Q> value) {
        return new Figure<>(
                name,
                quantity,
                least,
                most,
                unit,
                List.of(),
                wire,
                number -> value.apply(((Number) number).doubleValue()));
    }

    private static Figure<String> text(String name, Quantity quantity, int longest) {
        return new Figure<>(
                name, quantity, 0, longest, "characters", List.of(), words -> words, wire -> ((String) wire).trim());
    }

    /**
     * Lets a value pass that makes sense.
     *
     * @return the value
     * @throws Refusal with this figure's name and range when it does not
     */
    public T check(T value) {
        Object told = wire.apply(Refusal.unlessGiven(name, value));
        if (told instanceof Number number) {
            Refusal.unlessWithin(name, number.doubleValue(), least, most, unit);
        } else if (told instanceof String text && text.length() > most) {
            throw Refusal.outside(name, "longer than can be kept", 0, most, "characters");
        }
        return value;
    }

    public Object wire(T of) {
        return wire.apply(of);
    }

    /**
     * What a wire says.
     *
     * @throws Refusal when it is something else than this figure's quantity, or outside its range
     */
    public T value(Object told) {
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

    /** The words of a {@link Quantity#CHOICE} or of {@link Quantity#CHOICES}; of everything else none. */
    public List<String> choices() {
        return choices;
    }
}
