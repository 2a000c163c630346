package potamos.server.coldside;

import io.swagger.v3.oas.annotations.Operation;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.figure.Figure;
import potamos.core.formula.Contents;
import potamos.server.Json;
import potamos.server.KitchenClock;
import potamos.server.Table;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.kitchen.Kitchens;
import potamos.server.paper.PaperWords;
import potamos.server.problems.NotFound;

/** Lots on labels and as a table. */
@RestController
class LotPapersEndpoint {

    private static final int LOTS_IN_A_TABLE = 2000;

    private final LotMapper mapper;
    private final Kitchens kitchens;
    private final KitchenClock clock;
    private final Json json;
    /** Where people reach this kitchen, as it was told; what a request says of itself could send a scanned label anywhere. */
    private final String publicAddress;

    LotPapersEndpoint(
            LotMapper mapper,
            Kitchens kitchens,
            KitchenClock clock,
            Json json,
            @Value("${potamos.address}") String publicAddress) {
        this.mapper = mapper;
        this.kitchens = kitchens;
        this.clock = clock;
        this.json = json;
        this.publicAddress = publicAddress;
    }

    @Operation(summary = "The same as a table, up to two thousand lots")
    @GetMapping(path = "/api/lots.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> table(@AuthenticationPrincipal Person person) {
        person.require(Role.Right.READ);
        LocalDate today = kitchens.of(person.kitchenId()).day(clock.instant());
        String table = Table.written(lines -> {
            lines.add(
                    "lot",
                    "batch",
                    "stock",
                    "litres",
                    "left_litres",
                    "made_at",
                    "use_by",
                    "kept",
                    "place",
                    "container",
                    "containers",
                    "cubes",
                    "allergens",
                    "allergens_unknown",
                    "gelatin_g_per_l",
                    "cooling",
                    "released_by",
                    "released_at",
                    "released_for",
                    "stopped");
            mapper.onShelf(person.kitchenId(), today, 0, LOTS_IN_A_TABLE).forEach(row -> {
                Contents contents = contents(row.contents());
                lines.add(
                        row.code(),
                        row.batchNumber(),
                        row.formulaName(),
                        row.litres(),
                        row.leftLitres(),
                        row.madeAt(),
                        row.useBy(),
                        Figure.word(row.kept()),
                        row.place(),
                        row.container(),
                        row.containers(),
                        row.cubes(),
                        contents.allergens().stream().map(Figure::word).collect(Collectors.joining(" ")),
                        contents.unknown(),
                        contents.gelatinGPerL(),
                        Figure.word(row.verdict()),
                        row.releasedBy(),
                        row.releasedAt(),
                        row.releasedFor(),
                        row.stopped());
            });
        });
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"lots.csv\"")
                .body(table);
    }

    @Operation(summary = "The label of a lot")
    @GetMapping(path = "/api/lots/{id}/label.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> label(@AuthenticationPrincipal Person person, @PathVariable String id) throws IOException {
        person.require(Role.Right.READ);
        LotMapper.LotRow row = mapper.byId(id, person.kitchenId()).orElseThrow(() -> new NotFound("lot"));
        Kitchens.Kitchen kitchen = kitchens.of(person.kitchenId());
        byte[] pdf = label(row, kitchen, person, 1).alone();
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"label-" + row.code() + ".pdf\"")
                .body(pdf);
    }

    /** One label for each container, eight to a sheet. */
    @Operation(summary = "The labels of all that a batch was put away in, on sheets")
    @GetMapping(path = "/api/batches/{id}/labels.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> labels(@AuthenticationPrincipal Person person, @PathVariable String id) throws IOException {
        person.require(Role.Right.READ);
        List<LotMapper.LotRow> lots = mapper.ofBatch(id, person.kitchenId());
        if (lots.isEmpty()) {
            throw new NotFound("lot");
        }
        Kitchens.Kitchen kitchen = kitchens.of(person.kitchenId());
        List<Label> labels = lots.stream()
                .flatMap(row -> IntStream.rangeClosed(1, row.containers())
                        .mapToObj(number -> label(row, kitchen, person, number)))
                .toList();
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"labels.pdf\"")
                .body(Label.sheets(labels));
    }

    private Label label(LotMapper.LotRow row, Kitchens.Kitchen kitchen, Person person, int number) {
        Contents contents = contents(row.contents());
        return new Label(
                kitchen.name(),
                row.formulaName(),
                row.code() + (row.containers() > 1 ? "·" + number : ""),
                row.litres() / row.containers(),
                row.cubes() > 0,
                kitchen.day(row.madeAt()),
                row.useBy(),
                row.kept(),
                List.copyOf(contents.allergens()),
                contents.unknown(),
                row.releasedBy() == null
                        ? ""
                        : row.releasedBy() + ", "
                                + PaperWords.DAY.format(row.releasedAt().atZone(kitchen.zone())),
                publicAddress + "/lots/" + row.id(),
                person.units());
    }

    private Contents contents(String written) {
        return json.read(written, Contents.class);
    }
}
