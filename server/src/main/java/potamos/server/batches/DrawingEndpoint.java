package potamos.server.batches;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.formula.Family;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.charges.DrawView;
import potamos.server.coldside.Shelf;

/** What a pot may be drawn with, over HTTP. */
@RestController
class DrawingEndpoint {

    /**
     * Something to draw from.
     *
     * @param stock    with all of its litres that are there
     * @param plannedL of them that other pots are going to be drawn with
     * @param useBy    of a lot; nothing where it is strained and not put away yet
     */
    record SourceView(
            @NotNull DrawView stock,
            double plannedL,
            @NotNull String batchId,
            int batchNumber,
            @NotNull String formulaName,
            @NotNull Family family,
            Optional<LocalDate> useBy) {
        static SourceView of(Drawings.Source source) {
            return new SourceView(
                    DrawView.of(source.all()),
                    source.planned(),
                    source.batch().id(),
                    source.batch().number(),
                    source.formula().name(),
                    source.formula().family(),
                    source.lot().map(Shelf.Lying::useBy));
        }
    }

    private final Drawings drawings;

    DrawingEndpoint(Drawings drawings) {
        this.drawings = drawings;
    }

    @Operation(
            summary =
                    "Stock that a pot may be drawn with: strained and not put away, and lots, first what has to go first")
    @GetMapping("/api/sources")
    @Transactional(readOnly = true)
    List<SourceView> sources(@AuthenticationPrincipal Person person) {
        person.require(Right.READ);
        return drawings.open(person.kitchenId()).stream().map(SourceView::of).toList();
    }
}
