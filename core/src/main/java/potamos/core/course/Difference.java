package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import potamos.core.quantity.Volume;

/** How a course differs from the one before it, in what is made and in what comes to whom. */
record Difference(Course before, Course after) {

    /** What is made otherwise: of what is gone and what is new, those belong together that make most of the same stock for the same calls. */
    List<Replanning.Moved> moved() {
        List<Draft> gone = new ArrayList<>(before.drafts());
        List<Draft> fresh = new ArrayList<>(after.drafts());
        gone.removeIf(was -> fresh.removeIf(is -> same(was, is)));
        List<Replanning.Moved> moved = new ArrayList<>();
        for (Draft was : gone) {
            Optional<Draft> is = fresh.stream()
                    .filter(draft -> ofOneStock(was, draft))
                    .max(Comparator.comparingDouble(draft -> inCommon(was, draft)));
            is.ifPresent(fresh::remove);
            moved.add(new Replanning.Moved(Optional.of(was), is));
        }
        fresh.forEach(draft -> moved.add(new Replanning.Moved(Optional.empty(), Optional.of(draft))));
        moved.sort(Comparator.comparing(
                one -> one.to().or(one::from).map(Draft::start).orElseThrow()));
        return moved;
    }

    /** Whether nobody at the pot would see a difference. */
    static boolean same(Draft a, Draft b) {
        return ofOneStock(a, b)
                && a.vessel().equals(b.vessel())
                && a.burner().equals(b.burner())
                && a.oven().equals(b.oven())
                && Duration.between(a.start(), b.start()).abs().compareTo(Duration.ofMinutes(1)) < 0
                && Math.abs(a.litres().litres() - b.litres().litres()) < 2 * Volume.A_JUG_L;
    }

    private static boolean ofOneStock(Draft a, Draft b) {
        return a.charge().formula().slug().equals(b.charge().formula().slug());
    }

    private double inCommon(Draft was, Draft is) {
        Map<String, Double> gave = given(before, was.id());
        return given(after, is.id()).entrySet().stream()
                .mapToDouble(one -> Math.min(one.getValue(), gave.getOrDefault(one.getKey(), 0.0)))
                .sum();
    }

    private static Map<String, Double> given(Course course, String draft) {
        return course.allocations().stream()
                .filter(a -> a.from().equals(draft))
                .collect(Collectors.groupingBy(
                        Allocation::call,
                        Collectors.summingDouble(a -> a.litres().litres())));
    }

    /** Calls that get something else, or at another time, than they would have; and new ones that are not met in time. */
    List<Replanning.Told> told() {
        Map<String, Call> asked = Course.byId(before.calls(), Call::id);
        List<Replanning.Told> told = new ArrayList<>();
        for (Call call : after.calls()) {
            Call once = asked.get(call.id());
            List<Replanning.Comes> was = once == null ? List.of() : comes(before, once);
            List<Replanning.Comes> is = comes(after, call);
            Replanning.Told one = new Replanning.Told(call, was, is);
            boolean asWanted = one.missing().litres() == 0 && !late(one);
            // Whoever asks for something else is told only where it does not come as asked.
            boolean nothingNew = call.equals(once) ? alike(was, is, call) : asWanted;
            if (!nothingNew) {
                told.add(one);
            }
        }
        told.sort(Comparator.comparing(one -> one.call().by()));
        return told;
    }

    private static List<Replanning.Comes> comes(Course course, Call call) {
        Map<Instant, Double> at = new HashMap<>();
        course.served().stream()
                .filter(one -> one.call().id().equals(call.id()))
                .forEach(one -> at.merge(
                        one.lot().from().isAfter(call.by()) ? one.lot().from() : call.by(),
                        one.litres().litres(),
                        Double::sum));
        return at.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(one -> new Replanning.Comes(one.getKey(), Volume.ofLitres(one.getValue())))
                .toList();
    }

    private static boolean alike(List<Replanning.Comes> a, List<Replanning.Comes> b, Call call) {
        if (a.size() != b.size()) {
            return false;
        }
        for (int i = 0; i < a.size(); i++) {
            double more = a.get(i).litres().litres() - b.get(i).litres().litres();
            if (!a.get(i).at().equals(b.get(i).at()) || Math.abs(more) > call.unmissedL()) {
                return false;
            }
        }
        return true;
    }

    static boolean late(Replanning.Told told) {
        return told.is().stream().anyMatch(one -> one.at().isAfter(told.call().by()));
    }
}
