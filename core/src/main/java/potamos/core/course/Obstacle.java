package potamos.core.course;

/** Why a batch does not go in at a start. */
public enum Obstacle {
    PAST,
    SOMEBODY_THERE,
    VESSEL,
    BURNER,
    OVEN,
    CONTAINER,
    ICE;

    /** The thing that is taken, where it is one. */
    Use.Kind thing() {
        return Use.Kind.valueOf(name());
    }
}
