package potamos.core.course;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.core.batch.Timeline;
import potamos.core.cooling.IceBin;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;

/**
 * What one way of making a batch takes of a kitchen, in seconds from its start: told once, and tried at many starts.
 *
 * @param attended in which somebody must be there
 * @param endsAt   when its litres are ready
 */
record Footprint(List<Span> attended, List<Thing> things, Optional<Ice> ice, Family family, long endsAt) {

    record Span(long from, long to) {}

    /** A thing of the kitchen, taken so often. */
    record Thing(Use.Kind kind, String name, long from, long to, int amount) {}

    record Ice(long at, IceBin.Use use) {}

    /** Of a draft that starts at the beginning of all clocks. */
    static Footprint of(Draft atZero, Unattended unattended) {
        return of(atZero.charge().formula(), atZero.timeline(), atZero.uses(), atZero.ice(), unattended);
    }

    /** Of stages that begin there. */
    static Footprint of(
            Formula formula, Timeline atZero, List<Use> uses, Optional<IceBin.Use> ice, Unattended unattended) {
        return new Footprint(
                Attendance.of(formula, atZero, unattended).stream()
                        .map(s -> new Span(s.from().getEpochSecond(), s.to().getEpochSecond()))
                        .toList(),
                uses.stream()
                        .map(use -> new Thing(
                                use.kind(),
                                use.name(),
                                use.from().getEpochSecond(),
                                use.to().getEpochSecond(),
                                use.amount()))
                        .toList(),
                ice.map(use -> new Ice(use.at().getEpochSecond(), use)),
                formula.family(),
                atZero.ready().getEpochSecond());
    }

    Optional<IceBin.Use> iceFrom(Instant start) {
        return ice.map(i -> new IceBin.Use(start.plusSeconds(i.at), i.use.ice()));
    }
}
