package potamos.server.accounts;

import java.time.Duration;

/** How long a visit may last. */
public final class SessionLife {
    /** A long shift, and the way home; after that everybody signs in again, however busy they were. */
    public static final Duration LONGEST = Duration.ofHours(14);

    /** A PIN signs for a stretch of work at a shared tablet; whoever has not touched it for so long has gone. */
    public static final Duration UNTOUCHED = Duration.ofMinutes(2);

    private SessionLife() {}
}
