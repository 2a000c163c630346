package potamos.server.batches;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import potamos.core.batch.Amendment;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.Drawing;
import potamos.core.batch.Expectation;
import potamos.core.batch.OfAnother;
import potamos.core.batch.Plan;
import potamos.core.batch.ShelfEvent;
import potamos.core.batch.Stage;
import potamos.core.figure.Figure;
import potamos.core.formula.Draw;
import potamos.core.formula.Formula;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.safety.Kept;
import potamos.server.KitchenClock;
import potamos.server.charges.ChargeRequest;
import potamos.server.charges.Sources;
import potamos.server.coldside.Shelf;
import potamos.server.coldside.Stops;
import potamos.server.kitchen.Kitchens;
import potamos.server.problems.Conflict;

/** Stock of one batch in the pot of another: out of a lot, or straight out of what is strained. Both batches have an entry of it, or neither has. */
@Component
class Drawings implements Sources {

    /** More lots than a cook looks through. */
    private static final int MOST = 200;

    private final BatchMapper mapper;
    private final Histories histories;
    private final Shelf shelf;
    private final Stops stops;
    private final Kitchens kitchens;
    private final KitchenClock clock;

    Drawings(BatchMapper mapper, Histories histories, Shelf shelf, Stops stops, Kitchens kitchens, KitchenClock clock) {
        this.mapper = mapper;
        this.histories = histories;
        this.shelf = shelf;
        this.stops = stops;
        this.kitchens = kitchens;
        this.clock = clock;
    }

    /**
     * Something to draw from.
     *
     * @param all   of it that is there
     * @param planned litres of it that other pots are going to be drawn with
     * @param batch that it is of
     * @param formula of it
     * @param lot   that it lies in; nothing where it is not put away yet
     */
    record Source(Draw all, double planned, BatchMapper.BatchRow batch, Formula formula, Optional<Shelf.Lying> lot) {}

    /** What belongs into another batch when something is logged in one. */
    record Elsewhere(String batchId, BatchEvent event) {}

    /** Everything that a pot may be drawn with now: what is strained and not put away first, then the lots that have to go first. */
    List<Source> open(String kitchenId) {
        List<Source> open = new ArrayList<>();
        Map<String, Double> planned = planned(kitchenId);
        mapper.open(kitchenId).forEach(row -> rest(standing(row), planned).ifPresent(open::add));
        LocalDate today = kitchens.of(kitchenId).day(clock.instant());
        Map<String, Standing> of = new HashMap<>();
        shelf.lots(kitchenId, today, MOST).stream()
                .filter(lot -> !lot.stopped()
                        && lot.kept() == Kept.COLD
                        && !lot.useBy().isBefore(today))
                .filter(lot -> lot.left().litres() >= Draw.LEAST_LITRES)
                .forEach(lot -> open.add(source(
                        lot, of.computeIfAbsent(lot.batchId(), id -> standing(batch(kitchenId, id))), planned)));
        return open;
    }

    @Override
    public List<Draw> of(String kitchenId, List<ChargeRequest.DrawBody> asked) {
        if (asked.stream().map(ChargeRequest.DrawBody::sourceId).distinct().count() < asked.size()) {
            throw Refusal.of("draws", "each lot stands once");
        }
        Map<String, Double> planned = planned(kitchenId);
        return asked.stream()
                .map(one -> {
                    Source source = source(kitchenId, one.sourceId(), planned);
                    Draw all = source.all();
                    double there = Math.max(0, all.litres().litres() - source.planned());
                    if (one.litres() > there + 1e-6) {
                        String set = source.planned() > 0 ? ", and not planned for another pot" : "";
                        throw Refusal.outside("draws", "more than is left of " + all.name() + set, 0, there, "L");
                    }
                    return all.of(Volume.ofLitres(one.litres()));
                })
                .toList();
    }

    /** Litres by source that the pots are going to be drawn with which are accepted and not filled. */
    private Map<String, Double> planned(String kitchenId) {
        Map<String, Double> planned = new HashMap<>();
        mapper.open(kitchenId).stream()
                .filter(row -> Stage.valueOf(row.stage()).compareTo(Stage.FILL) <= 0)
                .map(this::standing)
                .forEach(pot -> Drawing.open(pot.plan(), pot.state())
                        .forEach(draw ->
                                planned.merge(draw.source(), draw.litres().litres(), Double::sum)));
        return planned;
    }

    /**
     * The entry, with what is known of the stock where it is of another batch, whatever it said of that itself.
     *
     * @throws Conflict where nobody may have that stock
     */
    BatchEvent known(BatchMapper.BatchRow row, BatchEvent told) {
        if (!(told instanceof OfAnother drew)) {
            return told;
        }
        Source source = source(row.kitchenId(), drew.stock().source(), Map.of());
        if (source.batch().id().equals(row.id())) {
            throw Refusal.of(Figure.source().name(), "it is this batch's own stock");
        }
        source.lot()
                .ifPresent(lot -> stops.unlessHandedOut(
                        row.kitchenId(), lot.id(), drew.stamp().at()));
        return drew.knowing(source.all(), source.lot().map(Shelf.Lying::useBy));
    }

    /** What the batch has to be told that is drawn from, when a pot is, or when that is taken back. */
    Optional<Elsewhere> elsewhere(BatchMapper.BatchRow row, Plan plan, List<Logged> logged, BatchEvent event) {
        if (event instanceof OfAnother drew) {
            Optional<Shelf.Lying> lot = shelf.lot(row.kitchenId(), drew.stock().source());
            String into = plan.charge().formula().name() + ", batch " + row.number();
            return Optional.of(new Elsewhere(
                    giver(lot, drew),
                    new ShelfEvent.DrawnOff(
                            paired(drew.stamp()),
                            drew.stock().litres(),
                            lot.map(Shelf.Lying::id).orElse(ShelfEvent.REST),
                            row.id(),
                            into)));
        }
        if (event instanceof Amendment.Withdrawn withdrawn) {
            return logged.stream()
                    .map(Logged::event)
                    .filter(e -> e.stamp().id().equals(withdrawn.event()))
                    .filter(OfAnother.class::isInstance)
                    .map(OfAnother.class::cast)
                    .findFirst()
                    .map(drew -> new Elsewhere(
                            giver(shelf.lot(row.kitchenId(), drew.stock().source()), drew),
                            new Amendment.Withdrawn(
                                    paired(withdrawn.stamp()),
                                    paired(drew.stamp()).id(),
                                    withdrawn.reason())));
        }
        return Optional.empty();
    }

    /** The batch that gives. */
    private static String giver(Optional<Shelf.Lying> lot, OfAnother drew) {
        return lot.map(Shelf.Lying::batchId).orElse(drew.stock().source());
    }

    /** @throws Refusal where one of two entries is logged or changed without the other */
    void unlessPaired(List<Logged> logged, BatchEvent event) {
        if (event instanceof ShelfEvent.DrawnOff) {
            throw Refusal.of("kind", "is logged in the batch that it is drawn for");
        }
        if (event instanceof Amendment amendment
                && logged.stream()
                        .anyMatch(l -> l.event().stamp().id().equals(amendment.event())
                                && l.event() instanceof ShelfEvent.DrawnOff)) {
            throw Refusal.of("corrects", "take it back in the batch that it was drawn for");
        }
    }

    /** The stamp of the other of two entries: the same whenever it is asked for, so that sent twice it is still one. */
    private static BatchEvent.Stamp paired(BatchEvent.Stamp stamp) {
        String id = UUID.nameUUIDFromBytes(("drawn-off " + stamp.id()).getBytes(StandardCharsets.UTF_8))
                .toString();
        return new BatchEvent.Stamp(id, stamp.at(), stamp.by(), stamp.entered());
    }

    private record Standing(BatchMapper.BatchRow row, Plan plan, BatchState state) {}

    private Standing standing(BatchMapper.BatchRow row) {
        List<BatchEvent> events = Logged.events(histories.of(row.id()));
        Plan plan = Batch.standing(histories.plan(row), events);
        return new Standing(row, plan, Batch.replay(plan, events, clock.instant()));
    }

    private BatchMapper.BatchRow batch(String kitchenId, String id) {
        return mapper.byId(id, kitchenId)
                .orElseThrow(() -> Refusal.of("draws", "this kitchen has no such lot, and no such batch"));
    }

    private Source source(String kitchenId, String id, Map<String, Double> planned) {
        Optional<Shelf.Lying> lot = shelf.lot(kitchenId, id);
        Standing of = standing(batch(kitchenId, lot.map(Shelf.Lying::batchId).orElse(id)));
        return lot.map(lying -> source(lying, of, planned))
                .or(() -> rest(of, planned))
                .orElseThrow(() -> Refusal.of(
                        "draws", "nothing is left of batch " + of.row().number()));
    }

    private static Source source(Shelf.Lying lot, Standing of, Map<String, Double> planned) {
        String name = lot.formulaName() + " " + lot.code();
        if (lot.left().litres() < Draw.LEAST_LITRES) {
            throw Refusal.of("draws", "nothing is left of " + name);
        }
        return source(lot.id(), name, lot.left(), of, planned, Optional.of(lot));
    }

    /** What of a batch is strained and not put away. */
    private static Optional<Source> rest(Standing of, Map<String, Double> planned) {
        Volume rest = Expectation.notPutAway(of.state());
        String name =
                of.plan().charge().formula().name() + ", batch " + of.row().number();
        return rest.litres() < Draw.LEAST_LITRES
                ? Optional.empty()
                : Optional.of(source(of.row().id(), name, rest, of, planned, Optional.empty()));
    }

    private static Source source(
            String id, String name, Volume there, Standing of, Map<String, Double> planned, Optional<Shelf.Lying> lot) {
        return new Source(
                Expectation.drawn(id, name, there, of.plan(), of.state()),
                planned.getOrDefault(id, 0.0),
                of.row(),
                of.plan().charge().formula(),
                lot);
    }
}
