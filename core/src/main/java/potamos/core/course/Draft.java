package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.Roasting;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.IceBin;
import potamos.core.flow.Run;
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

    /** A vessel is washed before the next stock goes in. */
    public static final Duration WASH = Duration.ofMinutes(10);

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

    /** Everything that it takes, and for how long; a vessel with the time to wash it. */
    public List<Use> uses() {
        List<Use> uses = new ArrayList<>();
        Run run = charge.run();
        Instant filled = first(Stage.BLANCH).or(() -> first(Stage.FILL)).orElse(start());
        Instant lit = first(Stage.BLANCH).or(() -> first(Stage.BRING_UP)).orElse(start());
        Instant emptied = last(Stage.STRAIN).orElse(ready());
        Instant offTheHeat = last(Stage.REDUCE).or(() -> last(Stage.SIMMER)).orElse(emptied);
        boolean reducesLater = offTheHeat.isAfter(emptied);
        Instant vesselFree = (reducesLater ? offTheHeat : emptied).plus(WASH);
        uses.add(new Use(Use.Kind.VESSEL, run.vessel().name(), filled, vesselFree, 1));
        burner.ifPresent(name -> uses.add(new Use(Use.Kind.BURNER, name, lit, offTheHeat, 1)));
        oven.ifPresent(name -> uses.add(new Use(Use.Kind.OVEN, name, lit, offTheHeat, 1)));
        charge.roasting()
                .map(Roasting::oven)
                .ifPresent(name -> timeline.step(Stage.PREPARE)
                        .ifPresent(step -> uses.add(new Use(Use.Kind.OVEN, name, step.from(), step.to(), 1))));
        Instant cooled = first(Stage.COOL).orElse(emptied);
        cooling.groups()
                .forEach(group -> uses.add(
                        new Use(Use.Kind.CONTAINER, group.container().name(), cooled, ready(), group.count())));
        return uses;
    }

    /** Ice that its baths take. */
    public Optional<IceBin.Use> ice() {
        double kg = cooling.groups().stream()
                .flatMap(group -> group.plan().bath().stream())
                .mapToDouble(bath -> bath.ice().kg())
                .sum();
        return kg > 0 ? first(Stage.COOL).map(at -> new IceBin.Use(at, Mass.ofKg(kg))) : Optional.empty();
    }

    private Optional<Instant> first(Stage stage) {
        return timeline.step(stage).map(Timeline.Step::from);
    }

    private Optional<Instant> last(Stage stage) {
        return timeline.step(stage).map(Timeline.Step::to);
    }
}
