package potamos.server;

/** Ids that a screen makes before it sends what they name, so that what is sent again is known again. */
public final class Ids {

    /** A UUID in small letters. */
    public static final String PATTERN = "[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}";

    private Ids() {}
}
