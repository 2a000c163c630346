package potamos.server.coldside;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.formula.Contents;
import potamos.core.formula.Family;
import potamos.core.quantity.Refusal;
import potamos.core.safety.Allergen;
import potamos.core.safety.Kept;
import potamos.server.Json;
import potamos.server.KitchenClock;
import potamos.server.PublishedSchema;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.kitchen.Kitchens;
import potamos.server.problems.NotFound;

/** Lots, labels and deliveries over HTTP. */
@RestController
class LotEndpoint {

    private static final Duration LOOK_BACK = Duration.ofDays(7);

    record LotView(
            @NotNull String id,
            @NotNull String batchId,
            int batchNumber,
            @NotNull String code,
            @NotNull String formulaName,
            @NotNull Family family,
            double gelatinGPerL,
            double litres,
            double leftL,
            @NotNull Instant madeAt,
            @NotNull LocalDate useBy,
            boolean pastUseBy,
            @NotNull List<Allergen> allergens,
            boolean allergensUnknown,
            @NotNull String place,
            @NotNull CoolingVerdict.Outcome verdict,
            @NotNull Kept kept,
            @NotNull String container,
            int containers,
            int cubes,
            boolean thawed,
            @NotNull List<Shelf.Blend.PouredIn> blend,
            Optional<ReleasedView> released,
            Optional<String> stopped,
            @NotNull List<DeliveryView> deliveries,
            @NotNull List<DrawnOffView> drawnOff) {}

    /** Who answers for it that its record does not prove, and why. */
    record ReleasedView(
            @NotNull String by,
            @NotNull Instant at,
            @NotNull String words) {}

    /** Litres that went into the pot of another batch. */
    record DrawnOffView(
            @NotNull String batchId,
            int batchNumber,
            @NotNull String formulaName,
            double litres,
            @NotNull Instant at) {}

    /** Handed to a station: out of a lot, or before it lay in any; {@code backL} of it came back. */
    record DeliveryView(
            @NotNull String id,
            Optional<String> lotId,
            Optional<String> lotCode,
            @NotNull String formulaName,
            @NotNull String stationId,
            @NotNull String stationName,
            Optional<String> callId,
            double litres,
            @NotNull Instant deliveredAt,
            Optional<LocalDate> useBy,
            @NotNull List<Allergen> allergens,
            boolean allergensUnknown,
            @NotNull String deliveredBy,
            Optional<Double> celsius,
            Optional<Instant> takenOverAt,
            Optional<String> takenOverBy,
            double backL) {}

    private static final int LOTS_AT_ONCE = 100;
    private static final int MOST_LOTS = 100_000;

    private final LotMapper mapper;
    private final Stops stops;
    private final Kitchens kitchens;
    private final KitchenClock clock;
    private final Json json;
    private final PublishedSchema schemas;

    LotEndpoint(
            LotMapper mapper, Stops stops, Kitchens kitchens, KitchenClock clock, Json json, PublishedSchema schemas) {
        this.schemas = schemas;
        this.mapper = mapper;
        this.stops = stops;
        this.kitchens = kitchens;
        this.clock = clock;
        this.json = json;
    }

    /** Up to a hundred lots with something left, from the given place on: first what has to go first, at the end what is past its day. */
    @Operation(summary = "What is on the shelf, first what has to go first")
    @GetMapping("/api/lots")
    List<LotView> onShelf(@AuthenticationPrincipal Person person, @RequestParam(defaultValue = "0") int from) {
        person.require(Role.Right.READ);
        Refusal.unlessWithin("from", from, 0, MOST_LOTS, "lots");
        LocalDate today = today(person);
        return mapper.onShelf(person.kitchenId(), today, from, LOTS_AT_ONCE).stream()
                .map(row -> view(row, today, List.of(), List.of()))
                .toList();
    }

    @Operation(summary = "What lots are like as JSON, as a JSON Schema")
    @GetMapping(path = "/api/lots/schema.json", produces = "application/schema+json")
    String schema(@AuthenticationPrincipal Person person) {
        person.require(Role.Right.READ);
        return schemas.ofMany("What is on the shelf of a kitchen", LotView.class);
    }

    @Operation(summary = "What deliveries are like as JSON, as a JSON Schema")
    @GetMapping(path = "/api/deliveries/schema.json", produces = "application/schema+json")
    String schemaOfDeliveries(@AuthenticationPrincipal Person person) {
        person.requireALook();
        return schemas.ofMany("What was handed to stations", DeliveryView.class);
    }

    @Operation(summary = "A lot with what became of it")
    @GetMapping("/api/lots/{id}")
    LotView one(@AuthenticationPrincipal Person person, @PathVariable String id) {
        person.requireALook();
        LotMapper.LotRow row = mapper.byId(id, person.kitchenId()).orElseThrow(() -> new NotFound("lot"));
        List<LotMapper.DeliveryRow> deliveries = mapper.deliveriesOfLot(id, person.kitchenId());
        if (person.stationId() != null) {
            // A station may look up what it was given, and sees only its own slips.
            deliveries = deliveries.stream()
                    .filter(d -> d.stationId().equals(person.stationId()))
                    .toList();
            if (deliveries.isEmpty()) {
                throw new NotFound("lot");
            }
        }
        List<LotMapper.DrawingRow> drawn =
                person.stationId() == null ? mapper.drawingsOfLot(id, person.kitchenId()) : List.of();
        return view(row, today(person), deliveries, drawn);
    }

    record StopIn(@Size(max = 300) String reason) {}

    @Operation(summary = "Stops a lot: nobody may hand it out")
    @PostMapping("/api/lots/{id}/stop")
    LotView stop(@AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody StopIn body) {
        stops.stop(person, id, body.reason() == null ? "" : body.reason());
        return one(person, id);
    }

    @Operation(summary = "Releases a lot that was stopped")
    @DeleteMapping("/api/lots/{id}/stop")
    LotView release(@AuthenticationPrincipal Person person, @PathVariable String id) {
        stops.release(person, id);
        return one(person, id);
    }

    @Operation(summary = "What was delivered lately")
    @GetMapping("/api/deliveries")
    List<DeliveryView> deliveries(@AuthenticationPrincipal Person person) {
        person.requireALook();
        Instant since = clock.instant().minus(LOOK_BACK);
        return mapper.deliveries(person.kitchenId(), person.stationId(), since).stream()
                .map(this::view)
                .toList();
    }

    private Contents contents(String written) {
        return json.read(written, Contents.class);
    }

    private LocalDate today(Person person) {
        return kitchens.of(person.kitchenId()).day(clock.instant());
    }

    private LotView view(
            LotMapper.LotRow row,
            LocalDate today,
            List<LotMapper.DeliveryRow> deliveries,
            List<LotMapper.DrawingRow> drawn) {
        Contents contents = contents(row.contents());
        return new LotView(
                row.id(),
                row.batchId(),
                row.batchNumber(),
                row.code(),
                row.formulaName(),
                row.family(),
                contents.gelatinGPerL(),
                row.litres(),
                row.leftLitres(),
                row.madeAt(),
                row.useBy(),
                today.isAfter(row.useBy()),
                List.copyOf(contents.allergens()),
                contents.unknown(),
                row.place(),
                row.verdict(),
                row.kept(),
                row.container(),
                row.containers(),
                row.cubes(),
                row.thawed(),
                Optional.ofNullable(row.blend())
                        .map(blend -> json.read(blend, Shelf.Blend.class).parts())
                        .orElse(List.of()),
                Optional.ofNullable(row.releasedBy())
                        .map(by -> new ReleasedView(by, row.releasedAt(), row.releasedFor())),
                Optional.ofNullable(row.stopped()),
                deliveries.stream().map(this::view).toList(),
                drawn.stream()
                        .map(d -> new DrawnOffView(d.intoId(), d.intoNumber(), d.intoName(), d.litres(), d.drawnAt()))
                        .toList());
    }

    private DeliveryView view(LotMapper.DeliveryRow row) {
        Contents contents = contents(row.contents());
        return new DeliveryView(
                row.id(),
                Optional.ofNullable(row.lotId()),
                Optional.ofNullable(row.lotCode()),
                row.formulaName(),
                row.stationId(),
                row.stationName(),
                Optional.ofNullable(row.callId()),
                row.litres(),
                row.deliveredAt(),
                Optional.ofNullable(row.useBy()),
                List.copyOf(contents.allergens()),
                contents.unknown(),
                row.deliveredBy(),
                Optional.ofNullable(row.celsius()),
                Optional.ofNullable(row.takenOverAt()),
                Optional.ofNullable(row.takenOverBy()),
                row.backLitres());
    }
}
