package potamos.server.calc;

import java.util.LinkedHashMap;
import java.util.Map;

/** What a caller left out and which figure of the book stood in for it, by the path of the field. */
final class Defaults {

    private final Map<String, Object> taken = new LinkedHashMap<>();

    /** The given value, or the book's, which is then noted. */
    <T> T or(String path, T given, T book) {
        if (given != null) {
            return given;
        }
        taken.put(path, book);
        return book;
    }

    Map<String, Object> taken() {
        return taken;
    }
}
