package potamos.core.batch;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import potamos.core.quantity.Volume;

/** What becomes of the strained stock: the lots in which it is put away, and what leaves them, and what of that comes back. */
final class ShelfLog {

    private final Map<String, PutAway.Lot> lots = new LinkedHashMap<>();
    private final Map<String, PutAway.Slip> slips = new LinkedHashMap<>();
    private Volume delivered = Volume.ZERO;
    private Volume discarded = Volume.ZERO;
    private Volume spoiled = Volume.ZERO;
    private Volume unstored = Volume.ZERO;
    private Volume missing = Volume.ZERO;

    void stored(ShelfEvent.Stored e) {
        lots.put(e.stamp().id(), PutAway.Lot.of(e));
    }

    void delivered(ShelfEvent.Delivered e) {
        delivered = delivered.plus(e.litres());
        slips.put(e.stamp().id(), PutAway.Slip.of(e, leaves(e.lot(), e.litres())));
    }

    void takenOver(SlipEvent.TakenOver e) {
        slips.computeIfPresent(e.slip(), (id, slip) -> slip.takenOver(e.stamp().at()));
    }

    /** @param keeps whether it may be handed out again: then it is in its lot once more */
    void returned(SlipEvent.Returned e, boolean keeps) {
        slips.computeIfPresent(e.slip(), (id, slip) -> {
            if (keeps && lots.containsKey(slip.lot())) {
                lots.computeIfPresent(
                        slip.lot(), (key, lot) -> lot.less(-e.litres().litres()));
            } else {
                discarded = discarded.plus(e.litres());
            }
            return slip.less(e.litres());
        });
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
        leaves(e.lot(), e.litres());
    }

    void moved(LotEvent.Moved e) {
        lots.computeIfPresent(e.lot(), (id, lot) -> lot.moved(e));
    }

    void blended(LotEvent.Blended e) {
        PutAway.Lot of = lots.getOrDefault(e.lot(), PutAway.Lot.gone(e.lot()));
        leaves(e.lot(), e.litres());
        lots.put(e.stamp().id(), of.blended(e));
    }

    void counted(LotEvent.Counted e) {
        lots.computeIfPresent(e.lot(), (id, lot) -> {
            missing = missing.plus(lot.left()).minus(e.litres());
            return lot.withLeft(e.litres());
        });
    }

    /** Lost before it was put away. */
    void spoiled(Volume litres) {
        spoiled = spoiled.plus(litres);
    }

    /**
     * Out of a lot that is named, or of the only one, or of what is not put away; where a lot was taken back since, it is short.
     *
     * @return which it was
     */
    private String leaves(String named, Volume litres) {
        if (named.equals(ShelfEvent.REST)) {
            unstored = unstored.plus(litres);
            return named;
        }
        String id = state().lot(named).map(PutAway.Lot::id).orElse(named);
        lots.compute(id, (key, lot) -> (lot == null ? PutAway.Lot.gone(key) : lot).less(litres.litres()));
        return id;
    }

    PutAway state() {
        return new PutAway(
                List.copyOf(lots.values()),
                List.copyOf(slips.values()),
                delivered,
                discarded,
                spoiled,
                unstored,
                missing);
    }
}
