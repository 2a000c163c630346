package potamos.server.coldside;

import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.ColdEvent;
import potamos.core.batch.Expectation;
import potamos.core.batch.Fact;
import potamos.core.batch.Plan;
import potamos.core.batch.PutAway;
import potamos.core.batch.ShelfEvent;
import potamos.core.batch.SlipEvent;
import potamos.core.formula.Draw;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Kept;
import potamos.server.Json;

/** Keeps the rows of lots and deliveries in step with the events of a batch, always by making them anew. */
@Service
public class Shelf {

    private static final DateTimeFormatter CODE_DAY = DateTimeFormatter.ofPattern("yyMMdd");

    static final String NOT_WRITTEN_DOWN = "{\"allergens\":[],\"traces\":[],\"gelatinGPerL\":0,\"unknown\":true}";

    /** Of a lot {@code l}, as a column; what an earlier version made says nothing of it. */
    public static final String CONTENTS = "COALESCE(l.contents, '" + Shelf.NOT_WRITTEN_DOWN + "') AS contents";

    private static final int LETTERS = 26;

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
        mapper.forgetDrawings(batchId);
        mapper.forgetLots(batchId);
        LocalDate made = state.cooling()
                .strainedAt()
                .orElse(plan.accepted())
                .atZone(zone)
                .toLocalDate();
        String verdict = state.cooling().verdict().map(v -> v.overall().name()).orElse("NOT_SHOWN");
        String release = believed.stream()
                .filter(ColdEvent.Released.class::isInstance)
                .map(released -> released.stamp().id())
                .findFirst()
                .orElse(null);
        List<PutAway.Lot> lots = state.shelf().lots();
        for (int i = 0; i < lots.size(); i++) {
            PutAway.Lot lot = lots.get(i);
            mapper.insertLot(new LotMapper.NewLot(
                    lot.id(),
                    kitchenId,
                    batchId,
                    CODE_DAY.format(made) + "-" + number + letter(i),
                    lot.litres().litres(),
                    lot.left().litres(),
                    lot.at(),
                    lot.useBy(made, plan, zone),
                    json.write(lot.contents(plan)),
                    lot.place(),
                    verdict,
                    lot.kept(),
                    lot.container(),
                    lot.count(),
                    lot.cubesLeft(),
                    lot.thawed(),
                    lot.blend().isEmpty()
                            ? null
                            : json.write(new Blend(lot.blend().stream()
                                    .map(poured -> Blend.PouredIn.of(poured.stock()))
                                    .toList())),
                    release));
        }
        for (BatchEvent event : believed) {
            if (event instanceof ShelfEvent.DrawnOff drawn) {
                mapper.insertDrawing(
                        drawn.stamp().id(),
                        kitchenId,
                        batchId,
                        drawn.lot().equals(ShelfEvent.REST) ? null : drawn.lot(),
                        drawn.batch(),
                        drawn.litres().litres(),
                        drawn.stamp().at());
            }
        }
        Map<String, SlipEvent.TakenOver> takenOver = believed.stream()
                .filter(SlipEvent.TakenOver.class::isInstance)
                .map(SlipEvent.TakenOver.class::cast)
                .collect(Collectors.toMap(SlipEvent.TakenOver::slip, taken -> taken));
        for (BatchEvent event : believed) {
            if (event instanceof ShelfEvent.Delivered delivered) {
                PutAway.Slip slip = state.shelf().slip(delivered.stamp().id()).orElseThrow();
                Optional<SlipEvent.TakenOver> taken = Optional.ofNullable(takenOver.get(slip.id()));
                mapper.insertDelivery(new LotMapper.NewDelivery(
                        slip.id(),
                        kitchenId,
                        batchId,
                        slip.lot().equals(ShelfEvent.REST) ? null : slip.lot(),
                        slip.station(),
                        delivered.call().isEmpty() ? null : delivered.call(),
                        slip.litres().litres(),
                        delivered.stamp().at(),
                        json.write(Expectation.contents(slip.lot(), plan, state)),
                        delivered.temperature().map(Temperature::celsius).orElse(null),
                        taken.map(t -> t.stamp().id()).orElse(null),
                        taken.map(t -> t.stamp().at()).orElse(null),
                        slip.back().litres()));
            }
        }
    }

    /** What was poured to a lot of other batches. */
    record Blend(List<PouredIn> parts) {

        record PouredIn(@NotNull String sourceId, @NotNull String name, double litres) {
            private static PouredIn of(Draw stock) {
                return new PouredIn(stock.source(), stock.name(), stock.litres().litres());
            }
        }
    }

    /** Litres that were handed to a station, and by which batch. */
    public record Handed(String id, String batchId, String stationId) {}

    public Optional<Handed> handed(String kitchenId, String id) {
        return mapper.handed(id, kitchenId);
    }

    /**
     * A lot, for whoever draws from it.
     *
     * @param stopped whether nobody may
     */
    public record Lying(
            String id,
            String batchId,
            String code,
            String formulaName,
            Volume left,
            LocalDate useBy,
            Kept kept,
            boolean stopped) {
        private static Lying of(LotMapper.LotRow row) {
            return new Lying(
                    row.id(),
                    row.batchId(),
                    row.code(),
                    row.formulaName(),
                    Volume.ofLitres(row.leftLitres()),
                    row.useBy(),
                    row.kept(),
                    row.stopped() != null);
        }
    }

    public Optional<Lying> lot(String kitchenId, String id) {
        return mapper.byId(id, kitchenId).map(Lying::of);
    }

    /** What can still be used, first what has to go first, so many at the most. */
    public List<Lying> lots(String kitchenId, LocalDate today, int most) {
        return mapper.onShelf(kitchenId, today, 0, most).stream().map(Lying::of).toList();
    }

    /** The first lot has the number of its batch alone, as it always had; those after it a letter, as they are said aloud. */
    private static String letter(int place) {
        if (place == 0) {
            return "";
        }
        String more = place < LETTERS ? "" : Integer.toString(place / LETTERS);
        return (char) ('a' + place % LETTERS) + more;
    }
}
