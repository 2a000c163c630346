package potamos.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import potamos.core.batch.Timeline;
import potamos.core.course.Allocation;
import potamos.core.course.Busy;
import potamos.core.course.Call;
import potamos.core.course.Constructive;
import potamos.core.course.Course;
import potamos.core.course.Draft;
import potamos.core.course.Lot;
import potamos.core.course.Replanning;
import potamos.core.course.Use;
import potamos.core.course.Weeks;
import potamos.core.quantity.Volume;
import potamos.course.Search;

/**
 * Generated weeks laid by the planner, and beside it as a cook does it by hand: one call after another by its deadline, each with a batch of its own. Says
 * how long the answer takes, how many litres come late or not at all, and how it grows.
 */
public final class Courses {

    private static final int WEEKS = 100;
    private static final int LOOKED = 20;
    private static final int WARM = 10;

    /** Of litres late, how far they are from their bound. */
    private static final double NEAR = 0.03;

    private Courses() {}

    public static void main(String[] arguments) {
        atOnce(WARM, 40, 6);
        System.out.println(
                "| at once | p50 | p95 | late L, planner | late L, by hand | late L, whatever is done | broken |");
        System.out.println("|---|---|---|---|---|---|---|");
        atOnce(WEEKS, 40, 6);
        atOnce(WEEKS, 40, 6, true);
        atOnce(WEEKS / 5, 12, 4);
        atOnce(WEEKS / 5, 100, 12);
        atOnce(WEEKS / 10, 200, 30);
        System.out.println();
        trouble(WARM, 40, 6);
        System.out.println("| trouble | shown p50 | p95 | ways out | a drag's check p50 | p95 | rules it broke |");
        System.out.println("|---|---|---|---|---|---|---|");
        trouble(WEEKS / 2, 40, 6);
        System.out.println();
        System.out.println(
                "| looked for a better one | proven | within 3 % | late L, at once | late L | its bound | batches, at once | batches | took p50 | p95 |");
        System.out.println("|---|---|---|---|---|---|---|---|---|---|");
        looked(LOOKED, 12, 6, 2);
        looked(LOOKED, 40, 6, 5);
        looked(LOOKED / 4, 100, 12, 10);
        System.out.printf("%nThe process took %.0f MB at most, of which %.0f MB heap.%n", peakMb(), heapMb());
    }

    private static void atOnce(int count, int calls, int vessels) {
        atOnce(count, calls, vessels, false);
    }

    /** @param dayBefore whether a week begins with what was made the day before on the shelf, as one does that follows another */
    private static void atOnce(int count, int calls, int vessels, boolean dayBefore) {
        List<Double> took = new ArrayList<>();
        double late = 0;
        double byHand = 0;
        double anyway = 0;
        int broken = 0;
        for (long seed = 1; seed <= count; seed++) {
            Weeks.Week week = dayBefore ? dayBefore(Weeks.of(seed, calls, vessels)) : Weeks.of(seed, calls, vessels);
            long from = System.nanoTime();
            Course laid = week.laid().course();
            took.add((System.nanoTime() - from) / 1e6);
            late += laid.values().lateL();
            broken += laid.check().size();
            byHand += byHand(week).values().lateL();
            anyway += anyway(week);
        }
        Collections.sort(took);
        System.out.printf(
                "| %d calls, %d vessels, %d weeks%s | %.0f ms | %.0f ms | %.1f | %.1f | %.1f | %d |%n",
                calls,
                vessels,
                count,
                dayBefore ? ", the day before on the shelf" : "",
                at(took, 0.5),
                at(took, 0.95),
                late,
                byHand,
                anyway,
                broken);
    }

    /** The week with as much on its shelf of each call that is wanted sooner than it can be made. */
    private static Weeks.Week dayBefore(Weeks.Week week) {
        List<Lot> lots = new ArrayList<>(week.lots());
        week.calls().stream().filter(call -> alone(week, call) > 0).forEach(call -> lots.add(Weeks.lotFor(call)));
        return new Weeks.Week(week.equipment(), week.calls(), lots);
    }

    /** Litres that come late though each call had the whole kitchen and the whole shelf for itself: wanted sooner than they can be made. */
    private static double anyway(Weeks.Week week) {
        return week.calls().stream().mapToDouble(call -> alone(week, call)).sum();
    }

    private static double alone(Weeks.Week week, Call call) {
        return new Weeks.Week(week.equipment(), List.of(call), week.lots())
                .laid()
                .course()
                .values()
                .lateL();
    }

    /** The vessel of the first batch is out for a day; and a batch is dragged along the axis, checked at each of many places. */
    private static void trouble(int count, int calls, int vessels) {
        List<Double> shown = new ArrayList<>();
        List<Double> checked = new ArrayList<>();
        int ways = 0;
        int broken = 0;
        for (long seed = 1; seed <= count; seed++) {
            Course laid = Weeks.of(seed, calls, vessels).laid().course();
            Draft first = laid.drafts().get(0);
            Use out = new Use(
                    Use.Kind.VESSEL,
                    first.vessel(),
                    first.start(),
                    first.start().plus(Duration.ofDays(1)),
                    1);
            Course trouble = laid.busy(laid.busy().and(List.of(out)));
            long from = System.nanoTime();
            int found = Replanning.of(laid, trouble, Set.of()).size();
            shown.add((System.nanoTime() - from) / 1e6);
            ways += found;
            for (int step = 1; step <= 12; step++) {
                Course dragged = dragged(laid, first, Duration.ofMinutes(10L * step));
                long asked = System.nanoTime();
                broken += dragged.check().size();
                checked.add((System.nanoTime() - asked) / 1e6);
            }
        }
        Collections.sort(shown);
        Collections.sort(checked);
        System.out.printf(
                "| %d calls, %d vessels, %d weeks, a vessel out for a day | %.0f ms | %.0f ms | %d | %.1f ms | %.1f ms | %d |%n",
                calls,
                vessels,
                count,
                at(shown, 0.5),
                at(shown, 0.95),
                ways,
                at(checked, 0.5),
                at(checked, 0.95),
                broken);
    }

    private static Course dragged(Course laid, Draft one, Duration later) {
        Draft there = new Draft(
                one.id(),
                one.charge(),
                one.burner(),
                one.oven(),
                one.cooling(),
                Timeline.startingAt(one.start().plus(later), one.timeline().parts()),
                one.useBy().plus(later));
        return laid.with(
                laid.drafts().stream()
                        .map(draft -> draft == one ? there : draft)
                        .toList(),
                laid.allocations());
    }

    private static void looked(int count, int calls, int vessels, int seconds) {
        List<Double> took = new ArrayList<>();
        double atOnce = 0;
        double late = 0;
        double bound = 0;
        int batchesAtOnce = 0;
        int batches = 0;
        int proven = 0;
        int near = 0;
        for (long seed = 1; seed <= count; seed++) {
            Weeks.Week week = Weeks.of(seed, calls, vessels);
            Course first = week.laid().course();
            atOnce += first.values().lateL();
            batchesAtOnce += first.drafts().size();
            long from = System.nanoTime();
            Search.Found found = new Search(first.with(List.of(), List.of())).run(Duration.ofSeconds(seconds));
            took.add((System.nanoTime() - from) / 1e9);
            late += found.laid().course().values().lateL();
            bound += found.lateBoundL().orElse(0);
            batches += found.laid().course().drafts().size();
            near += found.gap().orElse(1) <= NEAR ? 1 : 0;
            proven += found.how() == Search.How.PROVEN ? 1 : 0;
        }
        Collections.sort(took);
        System.out.printf(
                "| %d calls, %d vessels, %d weeks, %d s | %d | %d | %.1f | %.1f | %.1f | %d | %d | %.1f s | %.1f s |%n",
                calls,
                vessels,
                count,
                seconds,
                proven,
                near,
                atOnce,
                late,
                bound,
                batchesAtOnce,
                batches,
                at(took, 0.5),
                at(took, 0.95));
    }

    /** As the system counts it, with what the solver takes outside the heap. */
    private static double peakMb() {
        try (Stream<String> lines = Files.lines(Path.of("/proc/self/status"))) {
            return lines.filter(line -> line.startsWith("VmHWM"))
                    .mapToDouble(line -> Double.parseDouble(line.replaceAll("[^0-9]", "")) / 1024)
                    .findFirst()
                    .orElse(Double.NaN);
        } catch (IOException none) {
            return Double.NaN;
        }
    }

    private static double heapMb() {
        return Runtime.getRuntime().totalMemory() / 1e6;
    }

    private static double at(List<Double> sorted, double share) {
        return sorted.get((int) Math.min(sorted.size() - 1, Math.floor(share * sorted.size())));
    }

    /** One call after another, from the shelf first; what is laid for one stays where it is. */
    private static Course byHand(Weeks.Week week) {
        List<Draft> drafts = new ArrayList<>();
        List<Allocation> allocations = new ArrayList<>();
        List<Call> inOrder =
                week.calls().stream().sorted(Comparator.comparing(Call::by)).toList();
        Course whole = Course.open(
                week.equipment(), Weeks.MONDAY, Weeks.MONDAY.plus(Duration.ofDays(8)), week.calls(), week.lots());
        for (Call call : inOrder) {
            Course alone = new Course(
                    whole.equipment(),
                    whole.now(),
                    whole.until(),
                    List.of(call),
                    left(week.lots(), allocations),
                    Busy.of(drafts.stream()
                                    .flatMap(draft -> draft.uses().stream())
                                    .toList())
                            .withIce(drafts.stream()
                                    .flatMap(draft -> draft.ice().stream())
                                    .toList()),
                    List.of(),
                    List.of());
            Course laid = Constructive.lay(alone).course();
            Map<String, String> named = new HashMap<>();
            for (Draft draft : laid.drafts()) {
                String id = "by hand " + drafts.size();
                named.put(draft.id(), id);
                drafts.add(new Draft(
                        id,
                        draft.charge(),
                        draft.burner(),
                        draft.oven(),
                        draft.cooling(),
                        draft.timeline(),
                        draft.useBy()));
            }
            laid.allocations()
                    .forEach(one -> allocations.add(
                            new Allocation(one.call(), named.getOrDefault(one.from(), one.from()), one.litres())));
        }
        return whole.with(drafts, allocations);
    }

    private static List<Lot> left(List<Lot> lots, List<Allocation> given) {
        return lots.stream()
                .map(lot -> new Lot(
                        lot.id(),
                        lot.formula(),
                        Volume.ofLitres(lot.litres().litres()
                                - given.stream()
                                        .filter(one -> one.from().equals(lot.id()))
                                        .mapToDouble(one -> one.litres().litres())
                                        .sum()),
                        lot.from(),
                        lot.useBy(),
                        lot.contents()))
                .toList();
    }
}
