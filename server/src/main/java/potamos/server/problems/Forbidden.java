package potamos.server.problems;

import java.io.Serial;

/** This person may not do that. */
public class Forbidden extends RuntimeException {
    @Serial
    private static final long serialVersionUID = 1L;

    public Forbidden(String reason) {
        super(reason);
    }
}
