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
import potamos.server.Table;
import potamos.server.accounts.Person;

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

    /** Stock of a batch, out of a lot or before it was put away, that went into another. */
    record TracedDrawing(
            @NotNull String id,
            @NotNull String batchId,
            Optional<String> lotId,
            @NotNull String intoId,
            double litres,
            @NotNull Instant at) {}

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
                    trace.drawn().stream()
                            .map(d -> new TracedDrawing(
                                    d.id(),
                                    d.batchId(),
                                    Optional.ofNullable(d.lotId()),
                                    d.intoId(),
                                    d.litres(),
                                    d.at()))
                            .toList(),
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

    TraceEndpoint(Traces traces) {
        this.traces = traces;
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
                    .forEach(d -> lines.add("drawn", d.intoId(), d.batchId(), d.lotId(), d.litres(), "L", d.at(), ""));
            trace.lots()
                    .forEach(l ->
                            lines.add("lot", l.id(), l.batchId(), l.code(), l.litres(), "L", l.useBy(), l.place()));
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
