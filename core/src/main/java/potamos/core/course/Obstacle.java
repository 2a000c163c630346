package potamos.core.course;

import java.util.Arrays;
import java.util.Optional;

/** Why a batch does not go in at a start. */
public enum Obstacle {
    PAST,
    SOMEBODY_THERE,
    VESSEL(Use.Kind.VESSEL),
    BURNER(Use.Kind.BURNER),
    OVEN(Use.Kind.OVEN),
    CONTAINER(Use.Kind.CONTAINER),
    STRAINERS(Use.Kind.STRAINERS),
    CHILLER(Use.Kind.CHILLER),
    BED(Use.Kind.BED),
    ICE,
    /** The cold store is full when it would be put there. */
    SHELF;

    private final Use.Kind thing;

    Obstacle() {
        this(null);
    }

    Obstacle(Use.Kind thing) {
        this.thing = thing;
    }

    /** The thing that is taken, where it is one. */
    Optional<Use.Kind> thing() {
        return Optional.ofNullable(thing);
    }

    /** That a thing is taken. */
    static Obstacle of(Use.Kind thing) {
        return Arrays.stream(values())
                .filter(obstacle -> obstacle.thing == thing)
                .findFirst()
                .orElseThrow();
    }
}
