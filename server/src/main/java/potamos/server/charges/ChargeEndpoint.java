package potamos.server.charges;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.batch.ColdGrounds;
import potamos.core.charge.Charge;
import potamos.core.course.Opening;
import potamos.core.flow.Forecaster;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.exchange.ChargeCsv;
import potamos.server.exchange.ProductionSheet;

/** Solving over HTTP; answers while a finger drags. Changes nothing. */
@RestController
class ChargeEndpoint {

    /** A vessel's share of litres that are split. */
    record SplitView(@NotNull String vesselId, @NotNull String vesselName, double litres, double bedKg, double waterL) {
        static SplitView of(Planning.Share share) {
            return new SplitView(
                    share.vessel().id(),
                    share.vessel().name(),
                    share.charge().forecast().yield().mid(),
                    share.charge().run().raw().kg(),
                    share.charge().water().litres());
        }
    }

    /** A formula's answer to a goal, or why it has none. */
    record OverviewView(
            @NotNull String slug,
            Optional<String> vesselName,
            double bedKg,
            double waterL,
            double litres,
            double gelatinGPerL,
            boolean fits,
            Optional<Instant> startAt,
            Optional<Boolean> inTime,
            Optional<String> refusal) {
        static OverviewView of(Planning.Answer answer) {
            Optional<Charge> charge = answer.proposed().map(Planning.Proposed::charge);
            Optional<Opening.Proposal> times = answer.proposed().flatMap(Planning.Proposed::times);
            return new OverviewView(
                    answer.formula().slug(),
                    answer.proposed().map(proposed -> proposed.vessel().name()),
                    charge.map(c -> c.run().raw().kg()).orElse(0.0),
                    charge.map(c -> c.water().litres()).orElse(0.0),
                    charge.map(c -> c.forecast().yield().mid()).orElse(0.0),
                    charge.map(c -> c.forecast().gelatinGPerL()).orElse(0.0),
                    charge.map(Charge::fits).orElse(false),
                    times.map(t -> t.timeline().start()),
                    times.map(Opening.Proposal::inTime),
                    answer.refusal());
        }
    }

    private final Planning planning;
    private final KitchenClock clock;

    ChargeEndpoint(Planning planning, KitchenClock clock) {
        this.planning = planning;
        this.clock = clock;
    }

    /** The charge as a table. */
    @Operation(summary = "A charge as a table")
    @PostMapping(path = "/api/charges/table.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> table(@AuthenticationPrincipal Person person, @Valid @RequestBody ChargeRequest request) {
        person.require(Role.Right.READ);
        Planning.Proposed proposed = planning.glance(person.kitchenId(), request);
        return ResponseEntity.ok().body(ChargeCsv.write(proposed.charge()));
    }

    /** The charge as a production sheet. */
    @Operation(summary = "A charge as a sheet to work by")
    @PostMapping(path = "/api/charges/sheet.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> sheet(@AuthenticationPrincipal Person person, @Valid @RequestBody ChargeRequest request) {
        person.require(Role.Right.READ);
        Planning.Proposed proposed = planning.glance(person.kitchenId(), request);
        return ResponseEntity.ok(ProductionSheet.of(
                proposed.kitchen().name(),
                proposed.charge(),
                proposed.times().map(Opening.Proposal::timeline),
                proposed.kitchen().zone(),
                person.units(),
                clock.instant()));
    }

    /** What each other school would change; needs a vessel. */
    @Operation(summary = "What each other school would change in a charge")
    @PostMapping("/api/charges/effects")
    List<Effects.EffectView> effects(
            @AuthenticationPrincipal Person person, @Valid @RequestBody ChargeRequest request) {
        person.require(Role.Right.READ);
        return planning.effects(person.kitchenId(), request);
    }

    /** Every formula with the same goal. */
    @Operation(summary = "What every formula would come to for one goal")
    @PostMapping("/api/charges/overview")
    List<OverviewView> overview(@AuthenticationPrincipal Person person, @Valid @RequestBody ChargeRequest request) {
        person.require(Role.Right.READ);
        return planning.overview(person.kitchenId(), request).stream()
                .map(OverviewView::of)
                .toList();
    }

    /** The fewest free vessels that give litres which no single one does. */
    @Operation(summary = "A call shared out over several vessels")
    @PostMapping("/api/charges/split")
    List<SplitView> split(@AuthenticationPrincipal Person person, @Valid @RequestBody ChargeRequest request) {
        person.require(Role.Right.READ);
        return planning.split(person.kitchenId(), request).stream()
                .map(SplitView::of)
                .toList();
    }

    @Operation(summary = "What the figures of a charge rest on")
    @PostMapping("/api/charges/grounds")
    GroundsView grounds(@AuthenticationPrincipal Person person, @Valid @RequestBody ChargeRequest request) {
        person.require(Role.Right.READ);
        Planning.Proposed proposed = planning.glance(person.kitchenId(), request);
        Charge charge = proposed.charge();
        return GroundsView.of(
                charge,
                Forecaster.why(charge.run(), charge.forecast()),
                ColdGrounds.of(proposed.cooling().slowest().plan(), Optional.empty()));
    }

    @Operation(summary = "Solves a formula for a goal in a vessel of the kitchen")
    @PostMapping("/api/charges")
    ChargeView solve(@AuthenticationPrincipal Person person, @Valid @RequestBody ChargeRequest request) {
        person.require(Role.Right.READ);
        Planning.Proposed proposed = planning.glance(person.kitchenId(), request);
        return ChargeView.of(proposed, request.readyBy(), clock.instant());
    }
}
