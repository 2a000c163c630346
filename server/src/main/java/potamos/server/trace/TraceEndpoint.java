package potamos.server.trace;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.batch.Stage;
import potamos.core.larder.Goods;
import potamos.server.PublishedSchema;
import potamos.server.Table;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import tools.jackson.databind.json.JsonMapper;

/** Where things came from and where they went, over HTTP. */
@RestController
class TraceEndpoint {

    /** A box of the larder. */
    record TracedBox(
            @NotNull String id,
            @NotNull String name,
            @NotNull String supplier,
            @NotNull String supplierLot,
            double kg,
            @NotNull LocalDate cameOn,
            boolean stopped) {}

    /** What a batch took of a box. */
    record TracedTaking(
            @NotNull String boxId,
            @NotNull String batchId,
            @NotNull String part,
            double kg,
            @NotNull Instant at) {}

    record TracedBatch(
            @NotNull String id,
            int number,
            @NotNull String formulaName,
            @NotNull Instant acceptedAt,
            @NotNull Stage stage) {}

    /**
     * Stock of a batch, out of a lot or before it was put away, that went into another; or what was left over of it.
     *
     * @param litres   of stock
     * @param kg       of what was left over
     * @param leftOver what that is
     */
    record TracedDrawing(
            @NotNull String id,
            @NotNull String batchId,
            Optional<String> lotId,
            @NotNull String intoId,
            Optional<Double> litres,
            Optional<Double> kg,
            Optional<String> leftOver,
            @NotNull Instant at) {
        static TracedDrawing of(TraceMapper.DrawnRow row) {
            boolean stock = row.goods() == null;
            return new TracedDrawing(
                    row.id(),
                    row.batchId(),
                    Optional.ofNullable(row.lotId()),
                    row.intoId(),
                    stock ? Optional.of(row.amount()) : Optional.empty(),
                    stock ? Optional.empty() : Optional.of(row.amount()),
                    Optional.ofNullable(row.goods()).map(Goods::nameOf),
                    row.at());
        }
    }

    /** Bones, fat and what else is left over of a batch, in the larder. */
    record TracedLeftover(
            @NotNull String boxId,
            @NotNull String batchId,
            @NotNull String name,
            double kg,
            boolean stopped) {}

    /** {@code stopped} is why nobody may hand it out. */
    record TracedLot(
            @NotNull String id,
            @NotNull String batchId,
            @NotNull String code,
            double litres,
            double leftL,
            @NotNull LocalDate useBy,
            @NotNull String place,
            Optional<String> stopped) {}

    record TracedSlip(
            @NotNull String id,
            Optional<String> lotId,
            @NotNull String batchId,
            @NotNull String stationName,
            double litres,
            @NotNull Instant at,
            @NotNull String by) {}

    /** Everything that hangs together, from the larder to the stations. */
    record TraceView(
            @NotNull List<TracedBox> boxes,
            @NotNull List<TracedTaking> taken,
            @NotNull List<TracedBatch> before,
            @NotNull List<TracedBatch> batches,
            @NotNull List<TracedDrawing> drawn,
            @NotNull List<TracedLot> lots,
            @NotNull List<TracedLeftover> left,
            @NotNull List<TracedSlip> slips) {
        static TraceView of(Traces.Trace trace) {
            return new TraceView(
                    trace.boxes().stream()
                            .map(b -> new TracedBox(
                                    b.id(),
                                    Goods.nameOf(b.goods()),
                                    b.supplier(),
                                    b.supplierLot(),
                                    b.kg(),
                                    b.cameOn(),
                                    b.stopped()))
                            .toList(),
                    trace.taken().stream()
                            .map(t -> new TracedTaking(t.boxId(), t.batchId(), t.part(), t.kg(), t.at()))
                            .toList(),
                    batchesOf(trace.before()),
                    batchesOf(trace.batches()),
                    trace.drawn().stream().map(TracedDrawing::of).toList(),
                    trace.lots().stream()
                            .map(l -> new TracedLot(
                                    l.id(),
                                    l.batchId(),
                                    l.code(),
                                    l.litres(),
                                    l.leftL(),
                                    l.useBy(),
                                    l.place(),
                                    Optional.ofNullable(l.stopped())))
                            .toList(),
                    trace.left().stream()
                            .map(l -> new TracedLeftover(
                                    l.id(), l.batchId(), Goods.nameOf(l.goods()), l.kg(), l.stopped()))
                            .toList(),
                    trace.slips().stream()
                            .map(s -> new TracedSlip(
                                    s.id(),
                                    Optional.ofNullable(s.lotId()),
                                    s.batchId(),
                                    s.stationName(),
                                    s.litres(),
                                    s.at(),
                                    s.by()))
                            .toList());
        }
    }

    private static List<TracedBatch> batchesOf(List<TraceMapper.BatchRow> rows) {
        return rows.stream()
                .map(b ->
                        new TracedBatch(b.id(), b.number(), b.formulaName(), b.acceptedAt(), Stage.valueOf(b.stage())))
                .toList();
    }

    record RecallIn(
            @NotBlank @Size(max = 60) String what,
            @Size(max = 300) String reason) {}

    private final Traces traces;
    private final PublishedSchema schemas;
    private final JsonMapper mapper;

    TraceEndpoint(Traces traces, PublishedSchema schemas, JsonMapper mapper) {
        this.traces = traces;
        this.schemas = schemas;
        this.mapper = mapper;
    }

    @Operation(summary = "Everything that hangs together with a supplier's lot, a box, a batch or a lot of stock")
    @GetMapping("/api/trace")
    TraceView trace(@AuthenticationPrincipal Person person, @RequestParam String what) {
        return TraceView.of(traces.of(person, what));
    }

    @Operation(
            summary =
                    "Stops all that is left of a supplier's lot, a box, a batch or a lot of stock, and of what was made of it")
    @PostMapping("/api/trace/recalls")
    TraceView recall(@AuthenticationPrincipal Person person, @Valid @RequestBody RecallIn body) {
        return TraceView.of(traces.recall(person, body.what(), body.reason() == null ? "" : body.reason()));
    }

    @Operation(summary = "The same as linked data (JSON-LD), in terms of schema.org")
    @GetMapping(path = "/api/trace.jsonld", produces = "application/ld+json")
    String linked(@AuthenticationPrincipal Person person, @RequestParam String what) {
        return LinkedTrace.of(mapper, traces.of(person, what));
    }

    @Operation(summary = "What a trace is like as JSON, as a JSON Schema")
    @GetMapping(path = "/api/trace/schema.json", produces = "application/schema+json")
    String schema(@AuthenticationPrincipal Person person) {
        person.require(Right.READ);
        return schemas.of("What hangs together, from the larder to the stations", TraceView.class);
    }

    /** One row for each thing, in the order in which it went from the larder to the stations. */
    @Operation(summary = "The same as a table")
    @GetMapping(path = "/api/trace.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> table(@AuthenticationPrincipal Person person, @RequestParam String what) {
        TraceView trace = trace(person, what);
        String table = Table.written(lines -> {
            lines.add("what", "id", "of", "name", "amount", "unit", "when", "who");
            trace.boxes()
                    .forEach(b -> lines.add(
                            "box", b.id(), b.supplierLot(), b.name(), b.kg(), "kg", b.cameOn(), b.supplier()));
            trace.taken().forEach(t -> lines.add("taken", t.batchId(), t.boxId(), t.part(), t.kg(), "kg", t.at(), ""));
            Stream.concat(trace.before().stream(), trace.batches().stream())
                    .forEach(b -> lines.add("batch", b.id(), b.number(), b.formulaName(), "", "", b.acceptedAt(), ""));
            trace.drawn()
                    .forEach(d -> lines.add(
                            "drawn",
                            d.intoId(),
                            d.batchId(),
                            d.leftOver().or(d::lotId),
                            d.litres().or(d::kg),
                            d.litres().isPresent() ? "L" : "kg",
                            d.at(),
                            ""));
            trace.lots()
                    .forEach(l ->
                            lines.add("lot", l.id(), l.batchId(), l.code(), l.litres(), "L", l.useBy(), l.place()));
            trace.left().forEach(l -> lines.add("left over", l.boxId(), l.batchId(), l.name(), l.kg(), "kg", "", ""));
            trace.slips()
                    .forEach(s -> lines.add(
                            "slip",
                            s.id(),
                            s.lotId().orElse(s.batchId()),
                            s.stationName(),
                            s.litres(),
                            "L",
                            s.at(),
                            s.by()));
        });
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"trace.csv\"")
                .body(table);
    }
}
