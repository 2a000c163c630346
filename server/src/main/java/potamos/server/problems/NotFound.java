package potamos.server.problems;

import java.io.Serial;

/** There is no such thing, or it is not this person's to see; which of the two is not told. */
public class NotFound extends RuntimeException {
    @Serial
    private static final long serialVersionUID = 1L;

    public NotFound(String what) {
        super("There is no such " + what + " here.");
    }
}
