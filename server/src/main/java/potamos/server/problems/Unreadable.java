package potamos.server.problems;

import java.time.Instant;
import java.util.stream.Collectors;
import potamos.core.quantity.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.databind.exc.MismatchedInputException;

/** What cannot be read, in words for whoever sent it: where, and what is wrong there, without the names that our classes have. */
public final class Unreadable {

    /** Of what has to be told and is not. */
    static final String MISSING = "is missing";

    private static final String A_MOMENT = "a moment between the years 2000 and 2200";

    private Unreadable() {}

    /**
     * The same as a refusal.
     *
     * @param under where in the request the part stands that was read by itself
     */
    public static Refusal refusal(String under, JacksonException json) {
        if (json.getCause() instanceof Refusal refusal) {
            return refusal;
        }
        String path = path(json);
        return Refusal.of(path.isEmpty() ? under : under + "." + path, reason(json));
    }

    /** As every other refusal names it: {@code calls[0].by}. */
    static String path(JacksonException json) {
        return json.getPath().stream()
                .map(step ->
                        step.getPropertyName() == null ? "[" + step.getIndex() + "]" : "." + step.getPropertyName())
                .collect(Collectors.joining())
                .replaceFirst("^\\.", "");
    }

    static String reason(JacksonException json) {
        if (json instanceof StreamReadException) {
            return "is no JSON from here on: it ends too soon, or a sign is wrong";
        }
        String said = json.getOriginalMessage();
        if (said.contains("Unrecognized property")) {
            return "nobody knows this field";
        }
        if (said.startsWith("Cannot map `null`")) {
            return MISSING;
        }
        if (said.contains(A_MOMENT)) {
            return A_MOMENT;
        }
        boolean moment = json instanceof MismatchedInputException other && other.getTargetType() == Instant.class;
        return moment ? "a moment with its zone, as 2026-03-02T05:00:00Z" : "not of the kind that belongs here";
    }
}
