package potamos.server.batches;

import io.swagger.v3.oas.annotations.Operation;
import java.io.StringWriter;
import java.util.Locale;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.batch.ColdGrounds;
import potamos.core.batch.Expectation;
import potamos.server.accounts.Person;
import potamos.server.charges.GroundsView;
import potamos.server.kitchen.Kitchens;
import potamos.server.photos.Photos;

/** A batch looked back on: its curves, and its record in the open formats and on paper. */
@RestController
@RequestMapping("/api/batches/{id}")
class RecordEndpoint {

    private final Batches batches;
    private final BatchPages pages;
    private final Photos photos;
    private final Kitchens kitchens;

    RecordEndpoint(Batches batches, BatchPages pages, Photos photos, Kitchens kitchens) {
        this.batches = batches;
        this.pages = pages;
        this.photos = photos;
        this.kitchens = kitchens;
    }

    @Operation(summary = "Curves of a batch, as planned and as it went")
    @GetMapping("/course")
    CourseView course(@AuthenticationPrincipal Person person, @PathVariable String id) {
        return CourseView.of(batches.whole(person, id));
    }

    @Operation(summary = "What the figures of a batch rest on")
    @GetMapping("/grounds")
    GroundsView grounds(@AuthenticationPrincipal Person person, @PathVariable String id) {
        Batches.Standing standing = batches.load(person, id);
        return GroundsView.of(
                standing.plan().charge(),
                Expectation.why(standing.plan(), standing.state()),
                ColdGrounds.of(
                        standing.plan().cooling(), standing.state().cooling().projection()));
    }

    /** As it was recorded: exported again, also from another copy of the store, it is the same to the byte until something is entered. */
    @Operation(summary = "The record of a batch in the open format")
    @GetMapping(path = "/record.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<Page> json(@AuthenticationPrincipal Person person, @PathVariable String id) {
        Page page = pages.of(person, batches.asRecorded(person, id));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(page.card().number(), "json"))
                .body(page);
    }

    @Operation(summary = "The record of a batch as a table")
    @GetMapping(path = "/record.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> csv(@AuthenticationPrincipal Person person, @PathVariable String id) {
        Page page = pages.of(person, id);
        StringWriter out = new StringWriter();
        RecordCsv.write(page, out);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(page.card().number(), "csv"))
                .body(out.toString());
    }

    @Operation(summary = "The record of a batch, to print")
    @GetMapping(path = "/record.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    byte[] pdf(@AuthenticationPrincipal Person person, @PathVariable String id) {
        Batches.Loaded loaded = batches.whole(person, id);
        return RecordSheet.of(
                kitchens.of(person.kitchenId()),
                pages.of(person, loaded),
                CourseView.of(loaded),
                photos.prints(person, id),
                person.units());
    }

    private static String attachment(int number, String type) {
        return String.format(Locale.ROOT, "attachment; filename=\"batch-%d.%s\"", number, type);
    }
}
