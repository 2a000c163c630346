package potamos.core.batch;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import potamos.core.quantity.Volume;

/** What becomes of the strained stock: the lots in which it is put away, and what leaves them. */
final class ShelfLog {

    private final Map<String, BatchState.Lot> lots = new LinkedHashMap<>();
    private Volume delivered = Volume.ZERO;
    private Volume discarded = Volume.ZERO;
    private Volume spoiled = Volume.ZERO;
    private Volume drawnOff = Volume.ZERO;
    private Volume drawnBefore = Volume.ZERO;

    void stored(ShelfEvent.Stored e) {
        lots.put(e.stamp().id(), BatchState.Lot.of(e));
    }

    void delivered(ShelfEvent.Delivered e) {
        delivered = delivered.plus(e.litres());
        leaves(e.lot(), e.litres());
    }

    void discarded(ShelfEvent.Discarded e) {
        if (lots.isEmpty() || e.lot().equals(ShelfEvent.REST)) {
            spoiled(e.litres());
        } else {
            discarded = discarded.plus(e.litres());
            leaves(e.lot(), e.litres());
        }
    }

    void drawnOff(ShelfEvent.DrawnOff e) {
        if (e.lot().equals(ShelfEvent.REST)) {
            drawnBefore = drawnBefore.plus(e.litres());
        } else {
            drawnOff = drawnOff.plus(e.litres());
            leaves(e.lot(), e.litres());
        }
    }

    void moved(ShelfEvent.Moved e) {
        lots.computeIfPresent(e.lot(), (id, lot) -> lot.moved(e));
    }

    /** Lost before it was put away. */
    void spoiled(Volume litres) {
        spoiled = spoiled.plus(litres);
    }

    /** Out of a lot that is named, or of the only one; where that was taken back since, it is short. */
    private void leaves(String named, Volume litres) {
        String id = state().lot(named).map(BatchState.Lot::id).orElse(named);
        lots.compute(id, (key, lot) -> (lot == null ? BatchState.Lot.gone(key) : lot).less(litres.litres()));
    }

    BatchState.Shelf state() {
        return new BatchState.Shelf(List.copyOf(lots.values()), delivered, discarded, spoiled, drawnOff, drawnBefore);
    }
}
