package potamos.server.coldside;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.Fact;
import potamos.core.batch.Plan;
import potamos.core.batch.ShelfEvent;
import potamos.core.charge.Contents;
import potamos.core.safety.Keeping;
import potamos.server.Json;

/** Keeps the rows of lots and deliveries in step with the events of a batch, always by making them anew. */
@Service
public class Shelf {

    private static final DateTimeFormatter CODE_DAY = DateTimeFormatter.ofPattern("yyMMdd");

    private final LotMapper mapper;
    private final Json json;

    Shelf(LotMapper mapper, Json json) {
        this.json = json;
        this.mapper = mapper;
    }

    /** Makes the rows of a batch from what is now believed of it. */
    public void rebuild(
            String kitchenId,
            ZoneId zone,
            String batchId,
            int number,
            Plan plan,
            List<Fact> believed,
            BatchState state) {
        mapper.forgetDeliveries(batchId);
        mapper.forgetLots(batchId);
        Optional<ShelfEvent.Stored> stored = believed.stream()
                .filter(ShelfEvent.Stored.class::isInstance)
                .map(ShelfEvent.Stored.class::cast)
                .findFirst();
        if (stored.isEmpty()) {
            return;
        }
        ShelfEvent.Stored lot = stored.get();
        LocalDate made = state.cooling()
                .strainedAt()
                .orElse(lot.stamp().at())
                .atZone(zone)
                .toLocalDate();
        mapper.insertLot(
                lot.stamp().id(),
                kitchenId,
                batchId,
                CODE_DAY.format(made) + "-" + number,
                lot.litres().litres(),
                state.shelf().left().litres(),
                lot.stamp().at(),
                Keeping.coldUseBy(made, plan.charge().formula().coldDays(), plan.limits()),
                json.write(Contents.of(plan.charge())),
                lot.place(),
                state.cooling().verdict().map(v -> v.overall().name()).orElse("NOT_SHOWN"));
        for (BatchEvent event : believed) {
            if (event instanceof ShelfEvent.Delivered delivered) {
                mapper.insertDelivery(
                        delivered.stamp().id(),
                        kitchenId,
                        batchId,
                        lot.stamp().id(),
                        delivered.station(),
                        delivered.call().isEmpty() ? null : delivered.call(),
                        delivered.litres().litres(),
                        delivered.stamp().at());
            }
        }
    }
}
