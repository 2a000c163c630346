package potamos.server.problems;

import java.util.stream.Collectors;
import potamos.core.quantity.Refusal;
import tools.jackson.core.JacksonException;

/** What cannot be read, in words for whoever sent it: where, and what is wrong there, without the names that our classes have. */
public final class Unreadable {

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

    static String path(JacksonException json) {
        return json.getPath().stream()
                .map(step -> step.getPropertyName() == null ? "" + step.getIndex() : step.getPropertyName())
                .collect(Collectors.joining("."));
    }

    static String reason(JacksonException json) {
        String said = json.getOriginalMessage();
        if (said.contains("Unrecognized property")) {
            return "nobody knows this field";
        }
        return said.contains(A_MOMENT) ? A_MOMENT : "not of the kind that belongs here";
    }
}
