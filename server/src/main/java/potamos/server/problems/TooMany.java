package potamos.server.problems;

import java.io.Serial;

/** Too often in too short a time. */
public class TooMany extends RuntimeException {
    @Serial
    private static final long serialVersionUID = 1L;

    private final long retryAfterS;

    public TooMany(String reason, long retryAfterS) {
        super(reason);
        this.retryAfterS = retryAfterS;
    }

    public long retryAfterS() {
        return retryAfterS;
    }
}
