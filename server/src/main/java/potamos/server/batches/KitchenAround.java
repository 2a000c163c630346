package potamos.server.batches;

import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Component;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.ChoreEvent;
import potamos.core.batch.Expectation;
import potamos.core.batch.FinishEvent;
import potamos.core.batch.LotEvent;
import potamos.core.batch.Plan;
import potamos.core.batch.PotEvent;
import potamos.core.batch.ShelfEvent;
import potamos.core.batch.SlipEvent;
import potamos.core.batch.Stage;
import potamos.core.formula.Contents;
import potamos.core.quantity.Refusal;
import potamos.server.accounts.Person;
import potamos.server.coldside.Shelf;
import potamos.server.coldside.Stops;
import potamos.server.larder.Boxes;
import potamos.server.problems.Conflict;
import potamos.server.problems.NotFound;
import potamos.server.stations.Calls;
import potamos.server.stations.Stations;

/** What the kitchen around a batch has against an act that makes sense for the batch by itself: other batches, calls, the larder, stopped lots. */
@Component
class KitchenAround {

    private final BatchMapper mapper;
    private final CleanDowns cleanDowns;
    private final Calls calls;
    private final Stations stations;
    private final Boxes boxes;
    private final Stops stops;
    private final Shelf shelf;

    KitchenAround(
            BatchMapper mapper,
            CleanDowns cleanDowns,
            Calls calls,
            Stations stations,
            Boxes boxes,
            Stops stops,
            Shelf shelf) {
        this.mapper = mapper;
        this.cleanDowns = cleanDowns;
        this.calls = calls;
        this.stations = stations;
        this.boxes = boxes;
        this.stops = stops;
        this.shelf = shelf;
    }

    /**
     * What can be said before it is known whether the act makes sense.
     *
     * @throws Conflict where the vessel or the lot is not to be had
     * @throws Refusal  where the act names what is not this kitchen's, or not what was asked for
     */
    void before(
            Person person, BatchMapper.BatchRow row, Plan plan, List<Logged> logged, BatchEvent event, Instant told) {
        if (event instanceof ShelfEvent.Delivered delivered) {
            stations.one(person.kitchenId(), delivered.station());
        }
        if (event instanceof SlipEvent slip) {
            unlessTheirs(person, row, slip);
        }
        if (event instanceof ChoreEvent.Took took) {
            boxes.mayTake(row.kitchenId(), plan.charge().formula(), took);
        }
        if (event instanceof PotEvent.Filled) {
            unlessTaken(row, plan);
        }
        if (event instanceof PotEvent.Filled
                || event instanceof FinishEvent.Passed
                || event instanceof FinishEvent.Strained) {
            cleanDowns.unlessWanted(row, plan, Batch.replay(plan, Logged.events(logged), told));
        }
    }

    /**
     * What can be said only when it does: which lot it was, and what is in it.
     *
     * @throws Conflict where nobody may hand it out, or put it elsewhere
     */
    void after(Person person, BatchMapper.BatchRow row, Plan plan, BatchEvent event, BatchState state) {
        Instant at = event.stamp().at();
        if (event instanceof ShelfEvent.Delivered delivered) {
            unlessAskedFor(person, plan, state, delivered);
            if (!delivered.lot().equals(ShelfEvent.REST)) {
                stops.unlessHandedOut(row.kitchenId(), lot(state, delivered.lot()), at);
            }
        }
        if (event instanceof LotEvent.Moved moved) {
            stops.unlessMoved(row.kitchenId(), lot(state, moved.lot()), at);
        }
    }

    /** A station says what became of what it was handed itself. */
    private void unlessTheirs(Person person, BatchMapper.BatchRow row, SlipEvent slip) {
        boolean theirs = person.stationId() == null
                || shelf.handed(row.kitchenId(), slip.slip())
                        .filter(handed -> handed.stationId().equals(person.stationId()))
                        .isPresent();
        if (!theirs) {
            throw new NotFound("slip");
        }
    }

    private static String lot(BatchState state, String named) {
        return state.shelf().lot(named).orElseThrow().id();
    }

    /** Nothing is filled into a vessel that another stock is still in: two plans of one vessel follow each other, and the first may run late. */
    private void unlessTaken(BatchMapper.BatchRow row, Plan plan) {
        mapper.open(row.kitchenId()).stream()
                .filter(other ->
                        !other.id().equals(row.id()) && other.vesselId().equals(row.vesselId()))
                .filter(other -> Stage.valueOf(other.stage()).hot())
                .findFirst()
                .ifPresent(other -> {
                    throw new Conflict(
                            "vessel",
                            plan.charge().run().vessel().name() + " still has batch " + other.number()
                                    + " in it. Strain that first, or log it there if it is done.");
                });
    }

    /** A delivery is against a call of its station, and never brings what the call leaves out; without a call, not what the station never has. */
    private void unlessAskedFor(Person person, Plan plan, BatchState state, ShelfEvent.Delivered delivered) {
        Contents contents = Expectation.contents(delivered.lot(), plan, state);
        String name = plan.charge().formula().name();
        if (delivered.call().isEmpty()) {
            Stations.Station station = stations.one(person.kitchenId(), delivered.station());
            station.needs().refused(name, contents).ifPresent(reason -> {
                throw Refusal.of("stationId", "not what " + station.name() + " ever has: " + reason);
            });
            return;
        }
        Calls.Call call = calls.of(person, delivered.call());
        if (!call.stationId().equals(delivered.station())) {
            throw Refusal.of("callId", "that call is another station's");
        }
        call.needs().refused(name, contents).ifPresent(reason -> {
            throw Refusal.of("callId", "not what " + call.stationName() + " asked for: " + reason);
        });
    }
}
