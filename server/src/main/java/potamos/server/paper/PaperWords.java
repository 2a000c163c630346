package potamos.server.paper;

import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** How paper says times and kinds. */
public final class PaperWords {

    public static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);
    public static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.UK);

    private PaperWords() {}

    /** Kinds as a sentence would have them: {@code BRING_UP} and {@code weighed-in} as "Bring up" and "Weighed in". */
    public static String sentence(String kind) {
        return capital(kind.toLowerCase(Locale.ROOT).replace('_', ' ').replace('-', ' '));
    }

    public static String capital(String words) {
        return words.isEmpty() ? words : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }
}
