package potamos.course;

import com.google.ortools.Loader;

/** The solver's own library, which is there on Linux alone. */
final class Native {

    private static final boolean THERE = loads();

    private Native() {}

    /** Whether it could be loaded. Where it could not, the core's course stands. */
    static boolean there() {
        return THERE;
    }

    private static boolean loads() {
        try {
            Loader.loadNativeLibraries();
            return true;
        } catch (LinkageError | RuntimeException none) {
            System.getLogger(Native.class.getName())
                    .log(
                            System.Logger.Level.WARNING,
                            "The solver does not load here: courses are laid without it.",
                            none);
            return false;
        }
    }
}
