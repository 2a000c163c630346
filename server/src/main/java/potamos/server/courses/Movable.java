package potamos.server.courses;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import potamos.core.course.Allocation;
import potamos.core.course.Call;
import potamos.core.course.Course;
import potamos.core.course.Draft;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.server.accounts.Person;
import potamos.server.charges.Planning;
import potamos.server.charges.Supposing;
import potamos.server.stations.Calls;

/** A course as it is laid, in which batches that are accepted and that nobody has begun can still move: they stand among its drafts. */
@Component
class Movable {

    private final Courses courses;
    private final Planning planning;
    private final Calls calls;

    Movable(Courses courses, Planning planning, Calls calls) {
        this.courses = courses;
        this.planning = planning;
        this.calls = calls;
    }

    /** Accepted batches that nobody has begun, as drafts; one that cannot be planned so today stays where it is. */
    Map<String, Draft> loose(Courses.Begun begun) {
        Map<String, Draft> loose = new LinkedHashMap<>();
        for (Running.Standing one : begun.running()) {
            one.place().ifPresent(place -> {
                try {
                    loose.put(one.id(), courses.planned(begun, one, place));
                } catch (Refusal stays) {
                    loose.remove(one.id());
                }
            });
        }
        return loose;
    }

    /** The course with them among its drafts, each for the calls that it was accepted for. */
    Course course(Person person, Courses.Laid laid, Map<String, Draft> loose) {
        Course drawn = laid.laid().course();
        String kitchenId = person.kitchenId();
        Map<String, String> lots = new HashMap<>();
        Map<String, Double> promised = new LinkedHashMap<>();
        List<Allocation> allocations = new ArrayList<>();
        for (Running.Standing one : laid.begun().running()) {
            if (loose.containsKey(one.id())) {
                lots.put(one.lot(), one.id());
                one.promised().forEach((call, litres) -> {
                    promised.merge(call, litres, Double::sum);
                    allocations.add(new Allocation(call, one.id(), Volume.ofLitres(litres)));
                });
            }
        }
        drawn.allocations()
                .forEach(a ->
                        allocations.add(new Allocation(a.call(), lots.getOrDefault(a.from(), a.from()), a.litres())));
        List<Call> asked = new ArrayList<>();
        Map<String, Call> open = drawn.calls().stream().collect(Collectors.toMap(Call::id, call -> call));
        List<Calls.Call> all = calls.all(person);
        for (Calls.Call call : all) {
            Call there = open.get(call.id());
            double litres = promised.getOrDefault(call.id(), 0.0)
                    + (there == null ? 0 : there.litres().litres());
            if (litres > 0 && !call.status().ended()) {
                asked.add(courses.asked(kitchenId, call, Volume.ofLitres(litres)));
            }
        }
        Course begun = planning.begun(kitchenId, drawn.until(), new Supposing(loose.keySet(), Map.of()));
        return new Course(
                drawn.equipment(),
                drawn.now(),
                drawn.until(),
                asked,
                drawn.lots().stream().filter(lot -> !lots.containsKey(lot.id())).toList(),
                begun.busy()
                        .keeping(laid.begun().standing())
                        .keeping(ColdStore.coming(
                                laid.begun().running().stream()
                                        .filter(one -> !loose.containsKey(one.id()))
                                        .toList(),
                                all)),
                Stream.concat(drawn.drafts().stream(), loose.values().stream()).toList(),
                allocations);
    }
}
