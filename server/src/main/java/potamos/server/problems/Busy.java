package potamos.server.problems;

import java.io.Serial;

/** Not now: as many are at it as can be. */
public class Busy extends RuntimeException {
    @Serial
    private static final long serialVersionUID = 1L;

    private final long retryAfterS;

    public Busy(String reason, long retryAfterS) {
        super(reason);
        this.retryAfterS = retryAfterS;
    }

    public long retryAfterS() {
        return retryAfterS;
    }
}
