package potamos.server.courses;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import potamos.core.course.Kept;
import potamos.core.quantity.Volume;
import potamos.core.safety.Keeping;
import potamos.server.stations.Calls;

/** What stands in the cold store, or comes there, and is none of a course's own: promised to calls, or not fit for any. */
final class ColdStore {

    private ColdStore() {}

    /** Of lots, from now on. */
    static List<Kept> standing(List<ShelfMapper.Parted> lots, Instant now, ZoneId zone) {
        List<Kept> kept = new ArrayList<>();
        for (ShelfMapper.Parted parted : lots) {
            Instant good = Keeping.endOf(parted.lot().useBy(), zone);
            Instant fetched = Optional.ofNullable(parted.lot().lastBy())
                    .filter(by -> by.isAfter(now) && by.isBefore(good))
                    .orElse(good);
            if (parted.promisedL() > 0) {
                kept.add(new Kept(now, fetched, Volume.ofLitres(parted.promisedL())));
            }
            if (parted.lot().verdict().fails()) {
                kept.add(new Kept(now, good, Volume.ofLitres(parted.spareL())));
            }
        }
        return kept;
    }

    /** Of batches under way, from when each is ready until its calls are due. */
    static List<Kept> coming(List<Running.Standing> underWay, List<Calls.Call> calls) {
        Map<String, Instant> due = calls.stream().collect(Collectors.toMap(Calls.Call::id, Calls.Call::readyBy));
        List<Kept> kept = new ArrayList<>();
        for (Running.Standing batch : underWay) {
            Instant ready = batch.ahead().ready();
            batch.promised()
                    .forEach((call, litres) ->
                            kept.add(new Kept(ready, due.getOrDefault(call, ready), Volume.ofLitres(litres))));
        }
        return kept;
    }
}
