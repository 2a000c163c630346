package potamos.core.course;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Stream;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.Roasting;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.IceBin;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.safety.Keeping;

/**
 * A batch as a course has it, not accepted yet.
 *
 * @param burner   under its vessel; nothing where that stands on none
 * @param oven     that it simmers in; what it is roasted in the charge says
 * @param cooling  how its litres are split
 * @param useBy    until when they are good
 */
public record Draft(
        String id,
        Charge charge,
        Optional<String> burner,
        Optional<String> oven,
        ContainerSplit cooling,
        Timeline timeline,
        Instant useBy) {

    /**
     * Where a batch is made, and from when.
     *
     * @param vessel by its name
     * @param burner by its name; nothing takes the strongest that is free
     */
    public record Spot(String vessel, Optional<String> burner, Instant start) {}

    /**
     * A batch where a cook wants it. What nobody has named, as its oven, is what has room beside the others then.
     *
     * @param beside what stands already
     * @throws Refusal on {@code vessel} when it is not there, does not give as much, or stands on no such burner
     */
    public static Draft pinned(Course beside, Formula formula, Volume litres, Spot spot, String id) {
        Diary diary = new Diary(beside);
        return made(
                beside.equipment(),
                diary,
                formula,
                litres,
                spot,
                id,
                way -> diary.taken(way.takes(), spot.start()).isEmpty());
    }

    /**
     * A batch that is accepted, where it was accepted: what it has already it keeps, whoever else wants it by now.
     *
     * @param oven    that it is to be roasted in; nothing where nothing is roasted
     * @param chiller that it is to be cooled in; nothing for a bath
     * @throws Refusal on {@code vessel} when it could not be made so today
     */
    public static Draft accepted(
            Course beside,
            Formula formula,
            Volume litres,
            Spot spot,
            String id,
            Optional<String> oven,
            Optional<String> chiller) {
        return made(
                beside.equipment(),
                new Diary(beside),
                formula,
                litres,
                spot,
                id,
                way -> way.charge().roasting().map(Roasting::oven).equals(oven)
                        && way.cooling().chiller().equals(chiller));
    }

    private static Draft made(
            Equipment equipment,
            Diary diary,
            Formula formula,
            Volume litres,
            Spot spot,
            String id,
            Predicate<Ways.Way> rather) {
        Ways ways = new Ways(equipment);
        Supplier<Stream<Ways.Way>> all = () -> ways.in(formula, litres.litres(), spot.vessel(), spot.burner());
        return all.get()
                .filter(rather)
                .findFirst()
                .or(() -> all.get().findFirst())
                .map(way -> spot.burner().isPresent()
                        ? way.startingAt(spot.start(), id, equipment, spot.burner())
                        : diary.placed(way, spot.start(), id))
                .orElseThrow(() -> Refusal.of("vessel", "no vessel of this name gives as much, on such a burner"));
    }

    /** The same batch, started at another moment. */
    Draft startingAt(Instant start, Equipment equipment) {
        return of(id, charge, burner, oven, cooling, timeline.parts(), start, equipment);
    }

    /** A batch of such stages, started at a moment. */
    static Draft of(
            String id,
            Charge charge,
            Optional<String> burner,
            Optional<String> oven,
            ContainerSplit cooling,
            List<Timeline.Part> parts,
            Instant start,
            Equipment equipment) {
        Timeline timeline = Timeline.startingAt(start, parts);
        Instant useBy = Keeping.coldUntil(
                timeline.ready(),
                charge.formula().coldDays(),
                equipment.limits(),
                equipment.rota().zone());
        return new Draft(id, charge, burner, oven, cooling, timeline, useBy);
    }

    /** The name of its vessel. */
    public String vessel() {
        return charge.run().vessel().name();
    }

    public Volume litres() {
        return Volume.ofLitres(Math.max(0, charge.forecast().yield().mid()));
    }

    public Instant start() {
        return timeline.start();
    }

    public Instant ready() {
        return timeline.ready();
    }

    /** Everything that it takes, and for how long. */
    public List<Use> uses() {
        return Stream.concat(Use.of(charge, timeline, burner, oven).stream(), Use.cooled(cooling, timeline).stream())
                .toList();
    }

    /** The same as a footprint, to be tried at other starts. */
    Footprint takes(Equipment equipment) {
        return Footprint.of(
                charge, timeline.parts(), burner.stream().toList(), oven, Optional.of(cooling), equipment.unattended());
    }

    /** Stretches in which somebody must be there. */
    List<Attendance.Stretch> attended(Equipment equipment) {
        return Attendance.of(charge.formula(), timeline, equipment.unattended());
    }

    /** Ice that its baths take. */
    public Optional<IceBin.Use> ice() {
        return Use.ice(cooling, timeline);
    }
}
