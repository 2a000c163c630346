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
import potamos.core.quantity.Temperature;

/**
 * What one way of making a batch takes of a kitchen, in seconds from its start: told once, and tried at many starts.
 *
 * @param attended in which somebody must be there
 * @param endsAt   when its litres are ready
 */
record Footprint(List<Span> attended, List<Thing> things, Optional<Ice> ice, Family family, long endsAt) {

    record Span(long from, long to) {}

    /**
     * A thing of the kitchen, taken so often.
     *
     * @param names of those that are as good as each other, any one of which will do
     * @param heat  that an oven is set to for it; nothing where it is taken as a whole
     */
    record Thing(Use.Kind kind, List<String> names, long from, long to, int amount, Optional<Temperature> heat) {

        /** What it is called where one is meant. */
        String name() {
            return names.get(0);
        }

        /** Whether another that has some of the same at the same time may leave enough of it. */
        boolean sharesWith(Optional<Temperature> other) {
            return names.size() > 1 || kind.shared(heat, other);
        }
    }

    record Ice(long at, IceBin.Use use) {}

    /**
     * Of a batch that starts at the beginning of all clocks.
     *
     * @param burners any one of which it may stand on; none where it stands on none
     * @param cooling how its litres are split; nothing where containers, chillers and ice are not looked at
     */
    static Footprint of(
            Charge charge,
            List<Timeline.Part> parts,
            List<String> burners,
            Optional<String> oven,
            Optional<ContainerSplit> cooling,
            Unattended unattended) {
        Timeline atZero = Timeline.startingAt(Instant.EPOCH, parts);
        return new Footprint(
                Attendance.of(charge.formula(), atZero, unattended).stream()
                        .map(s -> new Span(s.from().getEpochSecond(), s.to().getEpochSecond()))
                        .toList(),
                Stream.concat(
                                Use.of(charge, atZero, burners.stream().findFirst(), oven).stream(),
                                cooling.stream().flatMap(split -> Use.cooled(split, atZero).stream()))
                        .map(use -> new Thing(
                                use.kind(),
                                use.kind() == Use.Kind.BURNER ? burners : List.of(use.name()),
                                use.from().getEpochSecond(),
                                use.to().getEpochSecond(),
                                use.amount(),
                                use.heat()))
                        .toList(),
                cooling.flatMap(split -> Use.ice(split, atZero))
                        .map(use -> new Ice(use.at().getEpochSecond(), use)),
                charge.formula().family(),
                atZero.ready().getEpochSecond());
    }

    /** The same where it is not looked at whether there is ice for it. */
    Footprint withoutIce() {
        return new Footprint(attended, things, Optional.empty(), family, endsAt);
    }

    Optional<IceBin.Use> iceFrom(Instant start) {
        return ice.map(i -> new IceBin.Use(start.plusSeconds(i.at), i.use.ice()));
    }
}
