package potamos.server.kitchen;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.constraints.NotNull;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.cooling.Chiller.Kind;
import potamos.core.cooling.Container;
import potamos.core.cooling.Container.Wall;
import potamos.core.course.Rota;
import potamos.core.course.Unattended;
import potamos.core.quantity.Basis;
import potamos.core.safety.LimitProfile;
import potamos.core.vessel.BedKind;
import potamos.core.vessel.Shape;
import potamos.server.Json;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;

/** What a kitchen is and what stands in it. */
@RestController
@RequestMapping("/api/kitchen")
class KitchenEndpoint {

    /** A stage of cooling in plain figures. */
    record StageView(double fromC, double toC, long withinMin) {}

    record LimitsView(
            @NotNull String id,
            @NotNull String name,
            @NotNull String source,
            @NotNull List<StageView> stages,
            double hotHoldC,
            double coldStoreC,
            double reheatC,
            long reheatWithinMin,
            Optional<Long> beginWithinMin,
            int coldDays,
            int dayOfMaking) {
        static LimitsView of(LimitProfile limits) {
            return new LimitsView(
                    limits.id(),
                    limits.name(),
                    limits.source(),
                    limits.stages().stream()
                            .map(s -> new StageView(
                                    s.from().celsius(),
                                    s.to().celsius(),
                                    s.within().toMinutes()))
                            .toList(),
                    limits.hotHold().celsius(),
                    limits.coldStore().celsius(),
                    limits.reheat().celsius(),
                    limits.reheatWithin().toMinutes(),
                    limits.beginWithin().map(Duration::toMinutes),
                    limits.coldDays(),
                    limits.dayOfMaking());
        }
    }

    record BurnerView(@NotNull String id, @NotNull String name, double ratedKw, double efficiency) {}

    record OvenView(
            @NotNull String id,
            @NotNull String name,
            int trays,
            boolean convection,
            double factor,
            @NotNull Basis basis) {}

    record ContainerView(
            @NotNull String id,
            @NotNull String name,
            @NotNull String shape,
            double widthCm,
            double breadthCm,
            double heightCm,
            @NotNull Wall material,
            double wallMm,
            double holdsL,
            int owned) {
        static ContainerView of(String id, Kitchens.OwnedContainer owned) {
            Container container = owned.container();
            Shape shape = container.shape();
            return new ContainerView(
                    id,
                    container.name(),
                    Json.kindOf(shape),
                    shape.width().cm(),
                    shape instanceof Shape.Pan pan
                            ? pan.breadth().cm()
                            : shape.width().cm(),
                    shape.height().cm(),
                    container.wall(),
                    container.thick().cm() * 10,
                    container.holds().litres(),
                    owned.owned());
        }
    }

    record ChillerView(
            @NotNull String id,
            @NotNull String name,
            @NotNull Kind kind,
            double litres,
            double airC,
            double iceKg,
            double iceKgPerH) {}

    /** Figures of a kind of bed, per kg. */
    record BedView(
            @NotNull String id,
            @NotNull String name,
            double bulkKgPerL,
            double trueKgPerL,
            double collagenGPerKg,
            double halfTimeH,
            double fatGPerKg,
            double scumRawG,
            double scumBlanchedG,
            double scumRoastedG,
            double uptakeDrainedLPerKg,
            double uptakePressedLPerKg,
            double settlesTo) {
        static BedView of(BedKind k) {
            return new BedView(
                    k.id(),
                    k.name(),
                    k.bulkKgPerL(),
                    k.trueKgPerL(),
                    k.collagenGPerKg(),
                    k.halfTimeH(),
                    k.fatGPerKg(),
                    k.scum().rawG(),
                    k.scum().blanchedG(),
                    k.scum().roastedG(),
                    k.uptakeDrained(),
                    k.uptakePressed(),
                    k.settlesTo());
        }
    }

    /** Hours of some weekdays, in their order; {@code to} is on the next day where it is not after {@code from}. */
    record HoursView(
            @NotNull List<DayOfWeek> days,
            @NotNull String from,
            @NotNull String to,
            int cooks) {
        static HoursView of(Rota.Hours hours) {
            return new HoursView(
                    hours.days().stream().sorted().toList(),
                    hours.from().toString(),
                    hours.to().toString(),
                    hours.cooks());
        }
    }

    /** Everything that stands in a kitchen. */
    record KitchenView(
            @NotNull String name,
            double altitudeM,
            double boilingC,
            @NotNull String units,
            @NotNull String timeZone,
            @NotNull List<HoursView> hours,
            @NotNull Unattended unattended,
            @NotNull List<String> checks,
            double airC,
            double humidity,
            double airSpeedMS,
            double tapC,
            double callTolerance,
            int strainerSets,
            @NotNull LimitsView limits,
            @NotNull List<LimitsView> shipped,
            @NotNull List<Drawn> vessels,
            @NotNull List<BurnerView> burners,
            @NotNull List<OvenView> ovens,
            @NotNull List<ContainerView> containers,
            @NotNull List<ChillerView> chillers,
            @NotNull List<BedView> beds,
            @NotNull Bodies.Usual usual) {}

    private final Kitchens kitchens;

    KitchenEndpoint(Kitchens kitchens) {
        this.kitchens = kitchens;
    }

    @Operation(summary = "The kitchen with everything that stands in it")
    @GetMapping
    KitchenView kitchen(@AuthenticationPrincipal Person person) {
        person.require(Role.Right.READ);
        String id = person.kitchenId();
        Kitchens.Kitchen kitchen = kitchens.of(id);
        return new KitchenView(
                kitchen.name(),
                kitchen.air().altitude().metres(),
                kitchen.air().boilingPoint().celsius(),
                kitchen.units(),
                kitchen.zone().getId(),
                kitchen.rota().hours().stream().map(HoursView::of).toList(),
                kitchen.unattended(),
                kitchen.rota().checks().stream().map(LocalTime::toString).toList(),
                kitchen.air().temperature().celsius(),
                kitchen.air().humidity(),
                kitchen.air().speedMS(),
                kitchen.tap().celsius(),
                kitchen.callTolerance(),
                kitchen.strainerSets(),
                LimitsView.of(kitchen.limits()),
                LimitProfile.shipped().stream().map(LimitsView::of).toList(),
                kitchens.vessels(id).stream()
                        .map(v -> Drawn.of(v.id(), v.figures()))
                        .toList(),
                kitchens.burners(id).stream()
                        .map(b -> new BurnerView(
                                b.id(),
                                b.name(),
                                b.figures().rated().watts() / 1000,
                                b.figures().efficiency()))
                        .toList(),
                kitchens.ovens(id).stream()
                        .map(o -> new OvenView(
                                o.id(),
                                o.name(),
                                o.figures().trays(),
                                o.figures().convection(),
                                o.figures().factor().value(),
                                o.figures().factor().basis()))
                        .toList(),
                kitchens.containers(id).stream()
                        .map(c -> ContainerView.of(c.id(), c.figures()))
                        .toList(),
                kitchens.chillers(id).stream()
                        .map(c -> new ChillerView(
                                c.id(),
                                c.name(),
                                c.figures().kind(),
                                c.figures().litres(),
                                c.figures().air().celsius(),
                                c.figures().iceKg(),
                                c.figures().iceKgPerH()))
                        .toList(),
                kitchens.beds(id).stream().map(BedView::of).toList(),
                Bodies.Usual.OF_THE_BOOK);
    }
}
