package potamos.server.trace;

import java.util.List;
import potamos.core.larder.Goods;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A trace as linked data (JSON-LD 1.1) in the terms of schema.org, as far as they fit: what was bought, what was made of it, who was handed what.
 *
 * <p>A box and a lot are products with a quantity; a batch is an action with what went in as its objects and what came of it as its results; a slip is a transfer.
 *
 * @see <a href="https://schema.org/CreateAction">schema.org</a>
 */
final class LinkedTrace {

    /** Codes of the UN for kilograms and litres, as schema.org asks for them. */
    private static final String KILOGRAM = "KGM";

    private static final String LITRE = "LTR";
    private static final String BOX = "urn:potamos:box:";
    private static final String BATCH = "urn:potamos:batch:";
    private static final String LOT = "urn:potamos:lot:";
    private static final String SLIP = "urn:potamos:slip:";

    private final JsonMapper mapper;
    private final Traces.Trace trace;
    private final ArrayNode graph;

    private LinkedTrace(JsonMapper mapper, Traces.Trace trace, ArrayNode graph) {
        this.mapper = mapper;
        this.trace = trace;
        this.graph = graph;
    }

    static String of(JsonMapper mapper, Traces.Trace trace) {
        ObjectNode document = mapper.createObjectNode();
        document.putObject("@context").put("@vocab", "https://schema.org/");
        LinkedTrace linked = new LinkedTrace(mapper, trace, document.putArray("@graph"));
        linked.products();
        trace.before().forEach(linked::batch);
        trace.batches().forEach(linked::batch);
        trace.slips().forEach(linked::slip);
        return document.toPrettyString();
    }

    private void products() {
        trace.boxes().forEach(box -> {
            ObjectNode product = product(BOX + box.id(), Goods.nameOf(box.goods()), box.kg(), KILOGRAM);
            product.put("identifier", box.supplierLot());
            if (!box.supplier().isEmpty()) {
                product.putObject("manufacturer").put("@type", "Organization").put("name", box.supplier());
            }
            product.put("purchaseDate", box.cameOn().toString());
        });
        trace.lots().forEach(lot -> {
            ObjectNode product = product(LOT + lot.id(), name(lot.batchId()), lot.litres(), LITRE);
            product.put("identifier", lot.code());
            product.put("expires", lot.useBy().toString());
        });
        trace.left().forEach(left -> product(BOX + left.id(), Goods.nameOf(left.goods()), left.kg(), KILOGRAM));
    }

    private ObjectNode product(String id, String name, double amount, String unit) {
        ObjectNode product = graph.addObject();
        product.put("@id", id);
        product.put("@type", "Product");
        product.put("name", name);
        product.set("size", quantity(amount, unit));
        return product;
    }

    private void batch(TraceMapper.BatchRow batch) {
        ObjectNode action = graph.addObject();
        action.put("@id", BATCH + batch.id());
        action.put("@type", "CreateAction");
        action.put("name", batch.formulaName());
        action.put("identifier", String.valueOf(batch.number()));
        action.put("startTime", batch.acceptedAt().toString());
        ArrayNode objects = action.putArray("object");
        trace.taken().stream()
                .filter(taken -> taken.batchId().equals(batch.id()))
                .forEach(taken -> used(objects, BOX + taken.boxId(), taken.kg(), KILOGRAM));
        trace.drawn().stream()
                .filter(drawn -> drawn.intoId().equals(batch.id()))
                .forEach(drawn -> used(
                        objects,
                        of(drawn.lotId(), drawn.batchId()),
                        drawn.amount(),
                        drawn.goods() == null ? LITRE : KILOGRAM));
        ArrayNode results = action.putArray("result");
        ids(results, trace.lots(), batch.id());
        trace.left().stream()
                .filter(left -> left.batchId().equals(batch.id()))
                .forEach(left -> results.addObject().put("@id", BOX + left.id()));
    }

    private static void ids(ArrayNode results, List<TraceMapper.LotRow> lots, String batch) {
        lots.stream()
                .filter(lot -> lot.batchId().equals(batch))
                .forEach(lot -> results.addObject().put("@id", LOT + lot.id()));
    }

    /** So much of something, which is the whole thing only where all of it was used. */
    private void used(ArrayNode objects, String id, double amount, String unit) {
        ObjectNode part = objects.addObject();
        part.put("@type", "TypeAndQuantityNode");
        part.put("amountOfThisGood", amount);
        part.put("unitCode", unit);
        part.putObject("typeOfGood").put("@id", id);
    }

    private void slip(TraceMapper.SlipRow slip) {
        ObjectNode action = graph.addObject();
        action.put("@id", SLIP + slip.id());
        action.put("@type", "SendAction");
        action.put("startTime", slip.at().toString());
        action.putObject("agent").put("@type", "Person").put("name", slip.by());
        action.putObject("recipient").put("@type", "Organization").put("name", slip.stationName());
        used(action.putArray("object"), of(slip.lotId(), slip.batchId()), slip.litres(), LITRE);
    }

    /** A lot, or the batch itself of what lay in none. */
    private static String of(String lotId, String batchId) {
        return lotId == null ? BATCH + batchId : LOT + lotId;
    }

    private ObjectNode quantity(double amount, String unit) {
        return mapper.createObjectNode()
                .put("@type", "QuantitativeValue")
                .put("value", amount)
                .put("unitCode", unit);
    }

    private String name(String batchId) {
        return trace.batches().stream()
                .filter(batch -> batch.id().equals(batchId))
                .map(TraceMapper.BatchRow::formulaName)
                .findFirst()
                .orElse("");
    }
}
