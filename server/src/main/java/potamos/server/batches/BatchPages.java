package potamos.server.batches;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import potamos.core.batch.ShelfEvent;
import potamos.server.accounts.Person;
import potamos.server.stations.Calls;

/** Everything about a batch, with the call that it answers and the lot that it became. */
@Component
class BatchPages {

    private final Batches batches;
    private final BatchMapper mapper;
    private final Calls calls;
    private final CleanDowns cleanDowns;

    BatchPages(Batches batches, BatchMapper mapper, Calls calls, CleanDowns cleanDowns) {
        this.cleanDowns = cleanDowns;
        this.batches = batches;
        this.mapper = mapper;
        this.calls = calls;
    }

    Page of(Person person, String id) {
        return of(person, batches.whole(person, id));
    }

    /** The same after an act, with what it has changed where it went in among others. */
    Page after(Person person, String id, Optional<Batches.Inserted> inserted) {
        Batches.Loaded loaded = batches.whole(person, id);
        return of(person, loaded, inserted.map(i -> InsertedView.of(loaded.plan(), i.at(), i.before(), i.after())));
    }

    Page of(Person person, Batches.Loaded loaded) {
        return of(person, loaded, Optional.empty());
    }

    private Page of(Person person, Batches.Loaded loaded, Optional<InsertedView> inserted) {
        List<Page.CallRef> made = mapper.calls(loaded.row().id()).stream()
                .map(row -> calls.of(person, row.callId()))
                .map(c -> new Page.CallRef(
                        c.id(), c.stationName(), c.litres(), c.owed().open().litres(), c.status()))
                .toList();
        Optional<String> lot = loaded.events().stream()
                .map(Logged::event)
                .filter(ShelfEvent.Stored.class::isInstance)
                .map(e -> e.stamp().id())
                .reduce((first, last) -> last);
        boolean onShelf = loaded.state().shelf().stored().litres() > 0;
        Optional<Page.CleanDownView> cleanDown = cleanDowns
                .before(loaded.row(), loaded.plan(), loaded.state())
                .map(wanted -> new Page.CleanDownView(
                        wanted.vessel(),
                        wanted.after(),
                        wanted.stock(),
                        wanted.of().stream().sorted().toList()));
        return Page.of(loaded, made, onShelf ? lot : Optional.empty(), cleanDown, inserted);
    }
}
