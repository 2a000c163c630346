package potamos.core.course;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import potamos.core.quantity.Volume;

/**
 * What becomes of a course when something goes otherwise than it was laid, before anybody has decided it: whom it hits, and two or three ways out. What is
 * under way stays as it is, what is not hit stays where it is as far as a way can leave it there, and what people hold moves only where it cannot stay.
 */
public final class Replanning {

    private static final int MOST_WAYS = 3;

    /**
     * What a plan that was good breaks by what happens after it. Nobody is let plan so; what else may be broken somebody has planned knowingly, as a batch by
     * night or one with little ice.
     */
    private static final Set<Broken.Rule> COMES_BY_ITSELF = Set.of(Broken.Rule.TAKEN_TWICE, Broken.Rule.BED_THERE);

    /** Shares of a batch that are tried when the whole of it is not ready in time, the largest first. */
    private static final double[] SHARES = {0.8, 0.6, 0.4, 0.25};

    private final Course before;
    private final Course after;
    private final Set<String> held;
    private final Set<Broken> known;
    private final Ways ways;
    private final Values was;

    private Replanning(Course before, Course after, Set<String> held, Collection<Broken> known, Patience patience) {
        this.before = before;
        this.after = after;
        this.held = held;
        this.known = Set.copyOf(known);
        this.ways = new Ways(after.equipment(), patience);
        this.was = before.values();
    }

    /** How a way out goes. */
    public enum How {
        /** What is hit stays in its pot and starts later. */
        WAIT(false),
        /** What is hit is laid again where there is room for it. */
        ELSEWHERE(false),
        /** What is hit is made smaller, as much as is ready in time; the rest is made beside it. */
        SMALLER(true),
        /** Everything that nobody holds is laid anew. */
        ANEW(true);

        /** Whether it is worth its trouble only where less comes late by it. */
        private final boolean lastResort;

        How(boolean lastResort) {
            this.lastResort = lastResort;
        }
    }

    /**
     * A batch that is made otherwise.
     *
     * @param from as it was laid; nothing where it was not
     * @param to   as it would be; nothing where it is not made any more
     */
    public record Moved(Optional<Draft> from, Optional<Draft> to) {}

    /**
     * What a station is told.
     *
     * @param call as it is now
     * @param was  what would have come, and when
     * @param is   what would come
     */
    public record Told(Call call, List<Comes> was, List<Comes> is) {
        public Told {
            was = List.copyOf(was);
            is = List.copyOf(is);
        }

        /** What never comes; nothing where nobody would miss it. */
        public Volume missing() {
            double litres = call.litres().litres()
                    - is.stream().mapToDouble(one -> one.litres().litres()).sum();
            return Volume.ofLitres(litres > call.unmissedL() ? litres : 0);
        }
    }

    /** Litres that are there at a moment: when they are wanted, or later. */
    public record Comes(Instant at, Volume litres) {}

    /**
     * A way out.
     *
     * @param course as it would be laid
     * @param moved  what is made otherwise, first the first
     * @param told   calls that get something else, or at another time
     * @param values how good it is
     * @param moreLateL litres late, weighted, more than before; 0 where nobody would notice, below nothing where fewer
     * @param moreCookH hours of a cook more than before; likewise
     */
    public record WayOut(
            How how,
            Course course,
            List<Moved> moved,
            List<Told> told,
            Values values,
            double moreLateL,
            double moreCookH) {
        public WayOut {
            moved = List.copyOf(moved);
            told = List.copyOf(told);
        }
    }

    /**
     * The ways out of trouble, the best first: the fewest litres late, then the fewest moves.
     *
     * @param before the course as it is laid
     * @param after  the same kitchen with the trouble in it: less equipment or time, other calls, other lots; its drafts do not count
     * @param held   drafts that people hold where they are, by id
     * @return none where nothing is hit
     */
    public static List<WayOut> of(Course before, Course after, Set<String> held) {
        return of(before, after, held, Patience.ENDLESS);
    }

    /** The same as long as somebody waits for it; one is always looked for. */
    public static List<WayOut> of(Course before, Course after, Set<String> held, Patience patience) {
        return new Replanning(before, after, held, before.check(), patience).ways();
    }

    /**
     * The same where it has happened already, and nobody was asked: what is under way goes on into what was planned after it.
     *
     * @param course as it is laid, with what happened in it
     * @param held   drafts that people hold where they are, by id
     * @return none where everything that is planned still has its things to itself
     */
    public static List<WayOut> now(Course course, Set<String> held) {
        return now(course, held, Patience.ENDLESS);
    }

    /** The same as long as somebody waits for it; one is always looked for. */
    public static List<WayOut> now(Course course, Set<String> held, Patience patience) {
        List<Broken> known = course.check().stream()
                .filter(broken -> !COMES_BY_ITSELF.contains(broken.rule()))
                .toList();
        return new Replanning(course, course, held, known, patience).ways();
    }

    private List<WayOut> ways() {
        Course standing = after.with(before.drafts(), stillGiven(before.drafts()));
        Set<String> hit = hit(standing);
        if (hit.isEmpty() && new Difference(before, standing).told().isEmpty()) {
            return List.of();
        }
        Set<String> concerned = serving(standing, told -> true);
        concerned.addAll(hit);
        Set<String> late = serving(standing, Difference::late);
        late.addAll(hit);
        List<WayOut> all = new ArrayList<>();
        all.add(way(How.WAIT, around(later(without(hit), only(hit)))));
        if (ways.patience.over()) {
            return best(all);
        }
        all.add(way(How.ELSEWHERE, around(without(concerned))));
        smaller(without(late), only(late)).ifPresent(drafts -> all.add(way(How.SMALLER, around(drafts))));
        List<Draft> untouched =
                without(hit).stream().filter(draft -> held.contains(draft.id())).toList();
        all.add(way(
                How.ANEW,
                new Constructive(after.with(untouched, List.of()), ways).lay().course()));
        return best(all);
    }

    private List<Draft> without(Set<String> ids) {
        return before.drafts().stream()
                .filter(draft -> !ids.contains(draft.id()))
                .toList();
    }

    private List<Draft> only(Set<String> ids) {
        return before.drafts().stream()
                .filter(draft -> ids.contains(draft.id()))
                .sorted(Comparator.comparing(Draft::start))
                .toList();
    }

    /** Drafts that give to such of the calls that would be told something. */
    private Set<String> serving(Course standing, Predicate<Told> which) {
        Set<String> calls = new Difference(before, standing)
                .told().stream().filter(which).map(told -> told.call().id()).collect(Collectors.toSet());
        return before.allocations().stream()
                .filter(a -> calls.contains(a.call()))
                .map(Allocation::from)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Drafts that break a rule, but for what is known to be broken. */
    private Set<String> hit(Course standing) {
        return standing.check().stream()
                .filter(broken -> !known.contains(broken))
                .flatMap(broken -> broken.drafts().stream())
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** What drafts and lots still give to the calls that they were laid for. */
    private List<Allocation> stillGiven(List<Draft> drafts) {
        Map<String, Lot> supply = Course.byId(after.with(drafts, List.of()).supply(), Lot::id);
        Map<String, Call> calls = Course.byId(after.calls(), Call::id);
        Map<String, Double> left = new HashMap<>();
        supply.values().forEach(lot -> left.put(lot.id(), lot.litres().litres()));
        Map<String, Double> wanted = new HashMap<>();
        calls.values().forEach(call -> wanted.put(call.id(), call.litres().litres()));
        List<Allocation> still = new ArrayList<>();
        for (Allocation one : before.allocations()) {
            Lot lot = supply.get(one.from());
            Call call = calls.get(one.call());
            if (lot == null || call == null || lot.refusedFor(call).isPresent()) {
                continue;
            }
            double litres = Math.min(one.litres().litres(), Math.min(left.get(one.from()), wanted.get(one.call())));
            if (litres > Volume.A_JUG_L) {
                still.add(new Allocation(one.call(), one.from(), Volume.ofLitres(litres)));
                left.merge(one.from(), -litres, Double::sum);
                wanted.merge(one.call(), -litres, Double::sum);
            }
        }
        return still;
    }

    /** The course with these drafts where they are, and what they leave open laid beside them. */
    private Course around(List<Draft> drafts) {
        return new Constructive(after.with(drafts, List.of()), ways)
                .around(stillGiven(drafts))
                .course();
    }

    /** What is hit, each where it finds room in its own pot from its own start on; what finds none is left out. */
    private List<Draft> later(List<Draft> kept, List<Draft> moving) {
        List<Draft> all = new ArrayList<>(kept);
        for (Draft draft : moving) {
            Diary diary = new Diary(after.with(all, List.of()));
            Footprint takes = draft.takes(after.equipment());
            diary.on(draft.start(), after.until(), diary.room(takes))
                    .map(start -> draft.startingAt(start, after.equipment()))
                    .ifPresent(all::add);
        }
        return all;
    }

    /** What is hit with as much of each as is surely ready in time; nothing where none of them is, or is whole. */
    private Optional<List<Draft>> smaller(List<Draft> kept, List<Draft> moving) {
        List<Draft> all = new ArrayList<>(kept);
        for (Draft draft : moving) {
            smaller(draft, new Diary(after.with(all, List.of()))).ifPresent(all::add);
        }
        return Optional.of(all).filter(drafts -> drafts.size() > kept.size());
    }

    private Optional<Draft> smaller(Draft draft, Diary diary) {
        Optional<Instant> by = before.due(List.of(draft.id()));
        for (double share : SHARES) {
            double litres = draft.litres().litres() * share;
            Optional<Draft> found = by.filter(at -> litres >= Constructive.LEAST_L)
                    .flatMap(at -> ways.of(draft.charge().formula(), litres)
                            .map(way -> diary.back(at.minusSeconds(way.takes().endsAt()), diary.room(way.takes()))
                                    .map(start -> diary.placed(way, start, draft.id())))
                            .flatMap(Optional::stream)
                            .findFirst());
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private WayOut way(How how, Course course) {
        Values values = course.values();
        Difference difference = new Difference(before, course);
        return new WayOut(
                how,
                course,
                difference.moved(),
                difference.told(),
                values,
                noticed(values.lateL() - was.lateL(), Volume.A_JUG_L),
                noticed(values.cookH() - was.cookH(), Course.A_MOMENT_H));
    }

    private static double noticed(double more, double least) {
        return Math.abs(more) < least ? 0 : more;
    }

    /** Whether two ways make the same batches. */
    private static boolean alike(WayOut a, WayOut b) {
        List<Draft> others = new ArrayList<>(b.course().drafts());
        return a.course().drafts().size() == others.size()
                && a.course().drafts().stream()
                        .allMatch(draft -> others.removeIf(other -> Difference.same(draft, other)));
    }

    /** The best of those that differ; smaller batches and laying all anew only where they are less late than what is simpler. */
    private static List<WayOut> best(List<WayOut> all) {
        List<WayOut> different = new ArrayList<>();
        all.stream()
                .filter(way -> different.stream().noneMatch(other -> alike(way, other)))
                .forEach(different::add);
        List<WayOut> ranked = different.stream()
                .sorted(Comparator.comparingInt((WayOut way) -> way.values().broken())
                        .thenComparingLong(way -> way.values().lateSteps())
                        .thenComparingInt(way -> way.moved().size())
                        .thenComparing(WayOut::values)
                        .thenComparing(WayOut::how))
                .toList();
        long leastOfSimple = ranked.stream()
                .filter(way -> !way.how().lastResort)
                .mapToLong(way -> way.values().lateSteps())
                .min()
                .orElse(Long.MAX_VALUE);
        return ranked.stream()
                .filter(way -> !way.how().lastResort || way.values().lateSteps() < leastOfSimple)
                .limit(MOST_WAYS)
                .toList();
    }
}
