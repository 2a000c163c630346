package potamos.server.problems;

import java.io.Serial;

/** It would have been fine, had not something else happened first. */
public class Conflict extends RuntimeException {
    @Serial
    private static final long serialVersionUID = 1L;

    private final String field;

    public Conflict(String field, String reason) {
        super(reason);
        this.field = field;
    }

    public String field() {
        return field;
    }
}
