package potamos.server.courses;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import potamos.core.formula.Family;

/**
 * Litres that a call is going to get of what is made already, or is being made.
 *
 * @param from when they stand in the cold store
 * @param by   when they are wanted
 */
record Promised(
        String callId, String station, String formulaName, Family family, double litres, Instant from, Instant by) {

    /** How late they come; nothing where they are in time. */
    Duration late() {
        return from.isAfter(by) ? Duration.between(by, from) : Duration.ZERO;
    }

    /** What stands in the cold store goes to whoever is due first; the rest comes when its batch is ready. */
    static List<Promised> of(
            List<ShelfMapper.ForCall> calls,
            List<ShelfMapper.Parted> lots,
            List<Running.Standing> underWay,
            Instant now) {
        Map<String, Double> there = new HashMap<>();
        lots.forEach(parted -> there.merge(parted.lot().batchId(), parted.promisedL(), Double::sum));
        Map<String, Instant> ready = underWay.stream()
                .collect(Collectors.toMap(
                        Running.Standing::id, batch -> batch.ahead().ready()));
        List<Promised> all = new ArrayList<>();
        for (ShelfMapper.ForCall call : calls) {
            double off = Math.min(call.litres(), there.getOrDefault(call.batchId(), 0.0));
            there.merge(call.batchId(), -off, Double::sum);
            part(call, off, now, all);
            if (ready.containsKey(call.batchId())) {
                part(call, call.litres() - off, ready.get(call.batchId()), all);
            }
        }
        return all;
    }

    private static void part(ShelfMapper.ForCall call, double litres, Instant from, List<Promised> all) {
        if (litres > ShelfMapper.LEAST_L) {
            all.add(new Promised(
                    call.callId(), call.station(), call.name(), call.family(), litres, from, call.readyBy()));
        }
    }
}
