package potamos.core.course;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.IceBin;
import potamos.core.formula.Formula;
import potamos.core.quantity.Mass;
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
     * A batch where a cook wants it.
     *
     * @param vessel by its name
     * @param burner by its name; nothing takes the strongest
     * @throws Refusal on {@code vessel} when it is not there, does not give as much, or stands on no such burner
     */
    public static Draft pinned(
            Equipment equipment,
            Formula formula,
            Volume litres,
            String vessel,
            Optional<String> burner,
            Instant start,
            String id) {
        return new Ways(equipment)
                .of(formula, litres.litres())
                .filter(way -> way.charge().run().vessel().name().equals(vessel))
                .filter(way -> burner.isEmpty() || burner.equals(way.burner()))
                .findFirst()
                .orElseThrow(() -> Refusal.of("vessel", "no vessel of this name gives as much, on such a burner"))
                .startingAt(start, id, equipment);
    }

    /** When a draft of a charge that is ready then is good no more. */
    static Instant useBy(Charge charge, Equipment equipment, Instant ready) {
        ZoneId zone = equipment.rota().zone();
        LocalDate made = ready.atZone(zone).toLocalDate();
        LocalDate last = Keeping.coldUseBy(made, charge.formula().coldDays(), equipment.limits());
        return last.plusDays(1).atStartOfDay(zone).toInstant();
    }

    public Volume litres() {
        return charge.forecast().yield().mid() < 0
                ? Volume.ZERO
                : Volume.ofLitres(charge.forecast().yield().mid());
    }

    public Instant start() {
        return timeline.start();
    }

    public Instant ready() {
        return timeline.ready();
    }

    /** Everything that it takes, and for how long. */
    public List<Use> uses() {
        List<Use> uses = new ArrayList<>(Use.of(charge, timeline, burner, oven));
        timeline.step(Stage.COOL)
                .ifPresent(cool -> cooling.groups()
                        .forEach(group -> uses.add(new Use(
                                Use.Kind.CONTAINER, group.container().name(), cool.from(), ready(), group.count()))));
        return uses;
    }

    /** Ice that its baths take. */
    public Optional<IceBin.Use> ice() {
        double kg = cooling.groups().stream()
                .flatMap(group -> group.plan().bath().stream())
                .mapToDouble(bath -> bath.ice().kg())
                .sum();
        return kg > 0
                ? timeline.step(Stage.COOL).map(cool -> new IceBin.Use(cool.from(), Mass.ofKg(kg)))
                : Optional.empty();
    }
}
