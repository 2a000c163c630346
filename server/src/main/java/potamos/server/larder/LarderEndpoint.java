package potamos.server.larder;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.larder.Box;
import potamos.core.larder.Goods;
import potamos.core.quantity.Refusal;
import potamos.server.PublishedSchema;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.kitchen.Kitchens;
import potamos.server.paper.PaperUnits;

/** The larder over HTTP. */
@RestController
@RequestMapping("/api/larder")
class LarderEndpoint {

    private static final int BOXES_AT_ONCE = 200;
    private static final int MOST_BOXES = 100_000;

    /**
     * A box.
     *
     * @param kg       that came in
     * @param leftKg   of them
     * @param useBy    last day; of what thaws, by when it was taken out; nothing where it keeps
     * @param warm     whether it was warmer at the door than the kitchen's limits let it be
     * @param softAt   when what thaws is soft
     * @param refused  why it may not be used now
     * @param stopped  what somebody said who stopped it
     * @param of       what it is left over of; nothing of what was delivered
     */
    record BoxView(
            @NotNull String id,
            @NotNull String goods,
            @NotNull String name,
            boolean bed,
            boolean raw,
            double kg,
            double leftKg,
            @NotNull LocalDate cameOn,
            Optional<LocalDate> useBy,
            boolean frozen,
            Optional<Double> thickCm,
            Optional<Double> doorC,
            boolean warm,
            @NotNull String supplier,
            @NotNull String supplierLot,
            Optional<Double> pricePerKg,
            @NotNull String note,
            boolean trim,
            @NotNull String takenInBy,
            @NotNull Instant takenInAt,
            Optional<Instant> softAt,
            Optional<Box.Refused> refused,
            Optional<String> stopped,
            Optional<LeftOf> of) {
        static BoxView of(Boxes.Stands stands) {
            LarderMapper.BoxRow row = stands.row();
            Box box = stands.box();
            return new BoxView(
                    row.id(),
                    box.goods().id(),
                    box.goods().name(),
                    box.goods().bed(),
                    box.goods().raw(),
                    row.kg(),
                    box.left().kg(),
                    row.cameOn(),
                    box.useBy(),
                    box.frozen(),
                    Optional.ofNullable(row.thickCm()),
                    Optional.ofNullable(row.doorC()),
                    stands.warm(),
                    row.supplier(),
                    row.supplierLot(),
                    Optional.ofNullable(row.pricePerKg()),
                    row.note(),
                    row.trim(),
                    row.takenInBy(),
                    row.takenInAt(),
                    stands.softAt(),
                    stands.refused(),
                    Optional.ofNullable(row.stopped()),
                    Optional.ofNullable(row.batchId())
                            .map(batch -> new LeftOf(batch, row.batchNumber(), row.formulaName())));
        }
    }

    /** The batch that it is left over of. */
    record LeftOf(
            @NotNull String batchId,
            int batchNumber,
            @NotNull String formulaName) {}

    /** A box with all that became of it. */
    record BoxPage(@NotNull BoxView box, @NotNull List<StoryView> story) {}

    /**
     * Something that became of a box.
     *
     * @param kind  as an entry, or {@code TAKEN} by a batch
     * @param kg    by which it changed what is left
     */
    record StoryView(
            @NotNull String id,
            @NotNull Instant at,
            @NotNull String by,
            @NotNull StoryKind kind,
            double kg,
            @NotNull String reason,
            Optional<String> batchId,
            Optional<Integer> batchNumber,
            Optional<String> formulaName) {}

    enum StoryKind {
        COUNTED,
        TAKEN_OUT,
        THAWING,
        STOPPED,
        RELEASED,
        TAKEN;

        static StoryKind of(Optional<Boxes.Entry> entry) {
            return entry.map(kind -> switch (kind) {
                        case COUNTED -> COUNTED;
                        case TAKEN_OUT -> TAKEN_OUT;
                        case THAWING -> THAWING;
                        case STOPPED -> STOPPED;
                        case RELEASED -> RELEASED;
                    })
                    .orElse(TAKEN);
        }
    }

    /** What can come in; {@code raw} is asked for its temperature at the door and its use-by, and frozen for how thick it lies. */
    record GoodsView(@NotNull String id, @NotNull String name, boolean bed, boolean raw) {}

    record BoxIn(
            @NotNull @Pattern(regexp = "[0-9a-f-]{36}") String id,
            @NotBlank @Size(max = 60) String goods,
            @NotNull Double kg,
            LocalDate cameOn,
            LocalDate useBy,
            Boolean frozen,
            Double thickCm,
            Double doorC,
            @Size(max = 80) String supplier,
            @Size(max = 60) String supplierLot,
            Double pricePerKg,
            @Size(max = 300) String note,
            Boolean trim) {
        Intake intake(LocalDate today) {
            return new Intake(
                    goods,
                    kg,
                    cameOn == null ? today : cameOn,
                    useBy,
                    Boolean.TRUE.equals(frozen) || Boolean.TRUE.equals(trim),
                    thickCm,
                    doorC,
                    told(supplier),
                    told(supplierLot),
                    pricePerKg,
                    told(note),
                    Boolean.TRUE.equals(trim));
        }

        private static String told(String words) {
            return words == null ? "" : words.trim();
        }
    }

    record EntryIn(
            @NotNull @Pattern(regexp = "[0-9a-f-]{36}") String id,
            @NotNull Boxes.Entry kind,
            Double kg,
            @Size(max = 300) String reason) {}

    private final Boxes boxes;
    private final LarderTable table;
    private final Kitchens kitchens;
    private final PublishedSchema schemas;
    private final String publicAddress;

    LarderEndpoint(
            Boxes boxes,
            LarderTable table,
            Kitchens kitchens,
            PublishedSchema schemas,
            @Value("${potamos.address}") String publicAddress) {
        this.schemas = schemas;
        this.kitchens = kitchens;
        this.publicAddress = publicAddress;
        this.boxes = boxes;
        this.table = table;
    }

    /** Up to two hundred boxes with something left, from the given place on. */
    @Operation(summary = "What lies in the larder, first what has to go first")
    @GetMapping
    List<BoxView> left(@AuthenticationPrincipal Person person, @RequestParam(defaultValue = "0") int from) {
        Refusal.unlessWithin("from", from, 0, MOST_BOXES, "boxes");
        return boxes.left(person, from, BOXES_AT_ONCE).stream().map(BoxView::of).toList();
    }

    @Operation(summary = "What the larder is like as JSON, as a JSON Schema")
    @GetMapping(path = "/schema.json", produces = "application/schema+json")
    String schema(@AuthenticationPrincipal Person person) {
        person.require(Right.READ);
        return schemas.ofMany("What lies in the larder of a kitchen", BoxView.class);
    }

    @Operation(summary = "What can come in")
    @GetMapping("/goods")
    List<GoodsView> goods(@AuthenticationPrincipal Person person) {
        person.requireALook();
        return Goods.all().stream()
                .map(goods -> new GoodsView(goods.id(), goods.name(), goods.bed(), goods.raw()))
                .toList();
    }

    @Operation(summary = "A box with all that became of it")
    @GetMapping("/boxes/{id}")
    BoxPage one(@AuthenticationPrincipal Person person, @PathVariable String id) {
        return new BoxPage(
                BoxView.of(boxes.one(person, id)),
                boxes.story(person, id).stream()
                        .map(row -> new StoryView(
                                row.id(),
                                row.at(),
                                row.by(),
                                StoryKind.of(Optional.ofNullable(row.kind())),
                                row.kg(),
                                row.reason(),
                                Optional.ofNullable(row.batchId()),
                                Optional.ofNullable(row.batchNumber()),
                                Optional.ofNullable(row.formulaName())))
                        .toList());
    }

    @Operation(summary = "The label of a box")
    @GetMapping(path = "/boxes/{id}/label.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> label(@AuthenticationPrincipal Person person, @PathVariable String id) throws IOException {
        Boxes.Stands stands = boxes.one(person, id);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"box.pdf\"")
                .body(BoxLabel.of(
                        kitchens.of(person.kitchenId()).name(),
                        stands,
                        publicAddress + "/larder/" + id,
                        PaperUnits.of(person.units())));
    }

    @Operation(summary = "Takes something in")
    @PostMapping("/boxes")
    @ResponseStatus(HttpStatus.CREATED)
    BoxView takeIn(@AuthenticationPrincipal Person person, @Valid @RequestBody BoxIn body) {
        boxes.takeIn(person, body.id(), body.intake(boxes.today(person.kitchenId())));
        return BoxView.of(boxes.one(person, body.id()));
    }

    @Operation(summary = "Tells what became of a box: counted, taken out, put to thaw, stopped or released")
    @PostMapping("/boxes/{id}/entries")
    BoxPage enter(@AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody EntryIn body) {
        boxes.enter(person, id, body.id(), body.kind(), body.kg(), body.reason() == null ? "" : body.reason());
        return one(person, id);
    }

    @Operation(
            summary =
                    "Takes in every line of a table: goods, kg, use by and what else is told; all of its lines or none")
    @PostMapping(path = "/table", consumes = "text/csv")
    List<BoxView> table(@AuthenticationPrincipal Person person, @RequestBody String csv) {
        return table.takeIn(person, csv).stream()
                .map(id -> BoxView.of(boxes.one(person, id)))
                .toList();
    }

    @Operation(summary = "What lies in the larder as a table")
    @GetMapping(path = "/boxes.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> boxes(@AuthenticationPrincipal Person person) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"larder.csv\"")
                .body(LarderTable.written(boxes.left(person, 0, MOST_BOXES)));
    }
}
