package potamos.core.course;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.IceBin;
import potamos.core.formula.Family;

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

    /**
     * Of a batch that starts at the beginning of all clocks.
     *
     * @param cooling how its litres are split; nothing where containers and ice are not looked at
     */
    static Footprint of(
            Charge charge,
            List<Timeline.Part> parts,
            Optional<String> burner,
            Optional<String> oven,
            Optional<ContainerSplit> cooling,
            Unattended unattended) {
        Timeline atZero = Timeline.startingAt(Instant.EPOCH, parts);
        return new Footprint(
                Attendance.of(charge.formula(), atZero, unattended).stream()
                        .map(s -> new Span(s.from().getEpochSecond(), s.to().getEpochSecond()))
                        .toList(),
                Stream.concat(
                                Use.of(charge, atZero, burner, oven).stream(),
                                cooling.stream().flatMap(split -> Use.of(split, atZero).stream()))
                        .map(use -> new Thing(
                                use.kind(),
                                use.name(),
                                use.from().getEpochSecond(),
                                use.to().getEpochSecond(),
                                use.amount()))
                        .toList(),
                cooling.flatMap(split -> Use.ice(split, atZero))
                        .map(use -> new Ice(use.at().getEpochSecond(), use)),
                charge.formula().family(),
                atZero.ready().getEpochSecond());
    }

    Optional<IceBin.Use> iceFrom(Instant start) {
        return ice.map(i -> new IceBin.Use(start.plusSeconds(i.at), i.use.ice()));
    }
}
