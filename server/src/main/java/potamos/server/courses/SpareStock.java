package potamos.server.courses;

import java.time.LocalDate;
import org.springframework.stereotype.Component;
import potamos.server.charges.Supposing;
import potamos.server.stations.OnHand;

/** Spare litres: of lots on the shelf, and of batches under way. */
@Component
class SpareStock implements OnHand {

    private final ShelfMapper shelf;
    private final Running running;

    SpareStock(ShelfMapper shelf, Running running) {
        this.shelf = shelf;
        this.running = running;
    }

    @Override
    public double litres(String kitchenId, String formulaSlug, LocalDate goodOn) {
        double there = ShelfMapper.spare(shelf.parted(kitchenId, goodOn)).stream()
                .filter(lot -> lot.slug().equals(formulaSlug) && !lot.verdict().fails())
                .mapToDouble(ShelfMapper.OnShelf::spareL)
                .sum();
        double coming = running.of(kitchenId, Supposing.NOTHING).stream()
                .flatMap(batch -> batch.spare().stream())
                .filter(lot -> lot.formula().equals(formulaSlug))
                .mapToDouble(lot -> lot.litres().litres())
                .sum();
        return there + coming;
    }
}
