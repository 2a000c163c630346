package potamos.server;

import java.util.Arrays;
import java.util.Collection;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/** How a few words stand in one column. */
public final class Joined {

    private static final String BETWEEN = ",";

    private Joined() {}

    /** Words in order, so that the same set is written the same. */
    public static String written(Collection<?> words) {
        return words.stream().map(Object::toString).sorted().collect(Collectors.joining(BETWEEN));
    }

    /** The set that was written. */
    public static <T> Set<T> read(String written, Function<String, T> word) {
        return Arrays.stream(written.split(BETWEEN))
                .filter(one -> !one.isEmpty())
                .map(word)
                .collect(Collectors.toSet());
    }
}
