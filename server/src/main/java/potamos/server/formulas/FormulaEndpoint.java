package potamos.server.formulas;

import io.swagger.v3.oas.annotations.Hidden;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;
import potamos.core.formula.Pantry;
import potamos.core.safety.Allergen;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.exchange.FormulaFile;
import potamos.server.exchange.FormulaForm;
import potamos.server.exchange.FormulaJson;
import potamos.server.exchange.Recipe;
import potamos.server.kitchen.Kitchens;

/** Formulas over HTTP: the shelf, versions, and files in and out. */
@RestController
@RequestMapping("/api/formulas")
class FormulaEndpoint {

    static final String LD_JSON = "application/ld+json";

    record ShelfView(
            @NotNull String slug,
            @NotNull String name,
            @NotNull Family family,
            int version,
            boolean retired,
            @NotNull List<Allergen> allergens,
            @NotNull List<String> bed,
            @NotNull List<String> bedKinds,
            double simmerMin,
            int coldDays) {
        static ShelfView of(Formula formula, boolean retired) {
            return new ShelfView(
                    formula.slug(),
                    formula.name(),
                    formula.family(),
                    formula.version(),
                    retired,
                    List.copyOf(formula.allergens()),
                    formula.bed().stream().map(b -> b.kind().name()).toList(),
                    formula.bed().stream().map(b -> b.kind().id()).toList(),
                    formula.simmer().usual().toSeconds() / 60.0,
                    formula.coldDays());
        }
    }

    record VersionView(
            int version,
            @NotNull String name,
            Optional<Instant> savedAt,
            Optional<String> savedBy,
            @NotNull String note) {}

    record FormulaView(
            @NotNull FormulaJson formula,
            boolean retired,
            @NotNull List<VersionView> versions) {}

    record Edit(
            @NotNull FormulaJson formula,
            int basedOn,
            @Size(max = 300) String note) {}

    record Added(
            @NotNull FormulaJson formula, @Size(max = 300) String note) {}

    record Retirement(boolean retired) {}

    record Restoration(int version) {}

    record KindView(@NotNull String id, @NotNull String name) {}

    record ItemView(
            @NotNull String id,
            @NotNull String name,
            @NotNull FormulaJson.ItemFigures figures) {}

    /** What an editor offers: kinds of bed and items with their figures. */
    record Larder(@NotNull List<KindView> beds, @NotNull List<ItemView> items) {}

    /** What was read from a file, and what of the file could not be kept. */
    record Imported(@NotNull FormulaJson formula, @NotNull List<String> lost) {}

    private final Formulas formulas;
    private final FormulaFile files;
    private final Kitchens kitchens;

    FormulaEndpoint(Formulas formulas, FormulaFile files, Kitchens kitchens) {
        this.formulas = formulas;
        this.files = files;
        this.kitchens = kitchens;
    }

    @Operation(summary = "Every formula of the kitchen")
    @GetMapping
    List<ShelfView> shelf(@AuthenticationPrincipal Person person) {
        person.require(Right.READ);
        return formulas.shelf(person.kitchenId()).stream()
                .map(s -> ShelfView.of(s.formula(), s.retired()))
                .toList();
    }

    @Operation(summary = "Kinds of bed and items that formulas are made of")
    @GetMapping("/larder")
    Larder larder(@AuthenticationPrincipal Person person) {
        person.require(Right.READ);
        return new Larder(
                kitchens.beds(person.kitchenId()).stream()
                        .map(k -> new KindView(k.id(), k.name()))
                        .toList(),
                Pantry.items().stream()
                        .map(i -> new ItemView(i.id(), i.name(), FormulaForm.figures(i)))
                        .toList());
    }

    @Operation(summary = "A formula with its versions")
    @GetMapping("/{slug}")
    FormulaView one(
            @AuthenticationPrincipal Person person,
            @PathVariable String slug,
            @RequestParam(required = false) Integer version) {
        person.require(Right.READ);
        String kitchen = person.kitchenId();
        Formula formula = version == null ? formulas.of(kitchen, slug) : formulas.version(kitchen, slug, version);
        return new FormulaView(
                FormulaForm.write(formula),
                formulas.retired(kitchen, slug),
                formulas.versions(kitchen, slug).stream()
                        .map(v -> new VersionView(
                                v.version(),
                                v.name(),
                                Optional.ofNullable(v.savedAt()),
                                Optional.ofNullable(v.savedBy()),
                                v.note()))
                        .toList());
    }

    @Operation(summary = "Adds a formula")
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    FormulaView add(@AuthenticationPrincipal Person person, @Valid @RequestBody Added body) {
        Formula added = formulas.add(person, FormulaForm.read(body.formula()), body.note());
        return one(person, added.slug(), null);
    }

    @Operation(summary = "Another version of a formula")
    @PutMapping("/{slug}")
    FormulaView edit(@AuthenticationPrincipal Person person, @PathVariable String slug, @Valid @RequestBody Edit body) {
        formulas.edit(person, slug, FormulaForm.read(body.formula()), body.basedOn(), body.note());
        return one(person, slug, null);
    }

    @Operation(summary = "Takes a formula out of use")
    @PostMapping("/{slug}/retirement")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void retire(@AuthenticationPrincipal Person person, @PathVariable String slug, @RequestBody Retirement body) {
        formulas.retire(person, slug, body.retired());
    }

    @Operation(summary = "Brings an earlier version of a formula back")
    @PostMapping("/{slug}/restoration")
    FormulaView restore(
            @AuthenticationPrincipal Person person, @PathVariable String slug, @RequestBody Restoration body) {
        formulas.restore(person, slug, body.version());
        return one(person, slug, null);
    }

    @Operation(summary = "A formula as a file in the open format")
    @GetMapping(path = "/{slug}/file.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> file(@AuthenticationPrincipal Person person, @PathVariable String slug) {
        person.require(Right.READ);
        return attachment(slug + ".json", files.write(formulas.of(person.kitchenId(), slug)));
    }

    @Operation(summary = "A formula as a recipe in JSON-LD")
    @GetMapping(path = "/{slug}/recipe.jsonld", produces = LD_JSON)
    ResponseEntity<String> recipe(@AuthenticationPrincipal Person person, @PathVariable String slug) {
        person.require(Right.READ);
        return attachment(slug + ".jsonld", Recipe.write(formulas.of(person.kitchenId(), slug)));
    }

    /** The schema that formula files are checked against. */
    @Hidden
    @GetMapping(path = "/schema.json", produces = "application/schema+json")
    String schema() {
        return files.schema();
    }

    /** Reads a file without storing it, so that it can be looked at first. */
    @Operation(summary = "Reads a file, and keeps nothing of it")
    @PostMapping(path = "/reading", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    Imported read(@AuthenticationPrincipal Person person, @RequestBody byte[] file) {
        person.require(Right.SET_UP);
        if (Recipe.looksLikeOne(file)) {
            Recipe.Read read = Recipe.read(file);
            return new Imported(FormulaForm.write(read.formula()), read.lost());
        }
        return new Imported(FormulaForm.write(files.read(file)), List.of());
    }

    private static ResponseEntity<String> attachment(String name, String body) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(body);
    }
}
