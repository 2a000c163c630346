package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import potamos.core.batch.Stage;
import potamos.core.cooling.IceBin;
import potamos.core.heat.Burner;
import potamos.core.quantity.Volume;

/**
 * A plan of the whole kitchen.
 *
 * @param now         nothing is drafted before it
 * @param until       as far as it looks
 * @param calls       that it is to meet
 * @param lots        on the shelf, and of batches under way
 * @param busy        with batches under way
 * @param drafts      that it would make
 * @param allocations which litres meet which call
 */
public record Course(
        Equipment equipment,
        Instant now,
        Instant until,
        List<Call> calls,
        List<Lot> lots,
        Busy busy,
        List<Draft> drafts,
        List<Allocation> allocations) {

    /** From so much lateness on, litres count as if they never came. */
    public static final Duration NEVER = Duration.ofHours(8);

    /** As far ahead as anybody looks. */
    public static final int MOST_DAYS = 14;

    /** Of a cook's time, in hours. */
    static final double A_MOMENT_H = 0.1;

    private static final double A_BATCH_H = 0.5;
    private static final double SLACK_H = 1;
    private static final double SECONDS_PER_H = 3600;

    /** Latent heat of ice made by a machine that moves three times what it takes. */
    private static final double ICE_KWH_PER_KG = 0.04;

    public Course {
        calls = List.copyOf(calls);
        lots = List.copyOf(lots);
        drafts = List.copyOf(drafts);
        allocations = List.copyOf(allocations);
    }

    /** One with nothing drafted yet. */
    public static Course open(Equipment equipment, Instant now, Instant until, List<Call> calls, List<Lot> lots) {
        return new Course(equipment, now, until, calls, lots, Busy.NONE, List.of(), List.of());
    }

    /** The same with other drafts, and other litres for its calls. */
    public Course with(List<Draft> others, List<Allocation> otherAllocations) {
        return new Course(equipment, now, until, calls, lots, busy, others, otherAllocations);
    }

    /** The same with something else of its kitchen taken by what is under way. */
    public Course busy(Busy others) {
        return new Course(equipment, now, until, calls, lots, others, drafts, allocations);
    }

    /** The same with other calls. */
    public Course asking(List<Call> others) {
        return new Course(equipment, now, until, others, lots, busy, drafts, allocations);
    }

    /** The same with other lots. */
    public Course from(List<Lot> others) {
        return new Course(equipment, now, until, calls, others, busy, drafts, allocations);
    }

    /** The same in which nothing more begins before a moment. */
    public Course begunAt(Instant later) {
        return new Course(equipment, later, until, calls, lots, busy, drafts, allocations);
    }

    /** The same with other people there. */
    public Course attendedBy(Rota others) {
        return new Course(equipment.withRota(others), now, until, calls, lots, busy, drafts, allocations);
    }

    /** Litres of a call that nothing meets. */
    public record Unmet(Call call, Volume litres) {}

    /** Every rule that it breaks; nothing where it may be accepted as it is. */
    public List<Broken> check() {
        return new Rules(this).broken();
    }

    /** Everything that can be given to a call. */
    public List<Lot> supply() {
        return Stream.concat(lots.stream(), drafts.stream().map(Lot::of)).toList();
    }

    /** What is still missing of each call, latest served last. */
    public List<Unmet> unmet() {
        Map<String, Double> got = new HashMap<>();
        allocations.forEach(a -> got.merge(a.call(), a.litres().litres(), Double::sum));
        return calls.stream()
                .map(call -> new Unmet(
                        call, Volume.ofLitres(Math.max(0, call.litres().litres() - got.getOrDefault(call.id(), 0.0)))))
                .filter(unmet -> unmet.litres().litres() > unmet.call().unmissedL())
                .toList();
    }

    /** Litres with the lot that they are of and the call that they go to. */
    public record Served(Call call, Lot lot, Volume litres) {
        /** How long before it is wanted it is there; below nothing where it comes late. */
        public Duration spare() {
            return Duration.between(lot.from(), call.by());
        }
    }

    /** Every allocation whose lot and call there are. */
    public List<Served> served() {
        Map<String, Lot> supply = byId(supply(), Lot::id);
        Map<String, Call> wanted = byId(calls, Call::id);
        return allocations.stream()
                .filter(a -> supply.containsKey(a.from()) && wanted.containsKey(a.call()))
                .map(a -> new Served(wanted.get(a.call()), supply.get(a.from()), a.litres()))
                .toList();
    }

    /** A moment in seconds from now. */
    long after(Instant moment) {
        return moment.getEpochSecond() - now.getEpochSecond();
    }

    /** Calls of which anything comes late or never, by id. */
    Set<String> late() {
        Set<String> late = new HashSet<>();
        unmet().forEach(unmet -> late.add(unmet.call().id()));
        served().stream()
                .filter(one -> one.spare().isNegative())
                .forEach(one -> late.add(one.call().id()));
        return late;
    }

    /** When the first of the calls is due that drafts, by id, serve together; nothing where they serve none. */
    Optional<Instant> due(Collection<String> draftIds) {
        return served().stream()
                .filter(one -> draftIds.contains(one.lot().id()))
                .map(one -> one.call().by())
                .min(Comparator.naturalOrder());
    }

    static <T> Map<String, T> byId(List<T> all, Function<T, String> id) {
        Map<String, T> by = new HashMap<>();
        all.forEach(one -> by.put(id.apply(one), one));
        return by;
    }

    /** How good it is. */
    public Values values() {
        double late = unmet().stream()
                .mapToDouble(unmet -> unmet.litres().litres() * unmet.call().weight())
                .sum();
        double slackShort = 0;
        Map<String, Double> given = new HashMap<>();
        for (Served one : served()) {
            double spareH = one.spare().toSeconds() / SECONDS_PER_H;
            late += one.litres().litres()
                    * one.call().weight()
                    * Math.min(1, Math.max(0, -spareH) * SECONDS_PER_H / NEVER.toSeconds());
            slackShort += Math.max(0, SLACK_H - Math.max(0, spareH));
            given.merge(one.lot().id(), one.litres().litres(), Double::sum);
        }
        double wasted = supply().stream()
                .filter(lot -> lot.useBy().isBefore(until))
                .mapToDouble(lot -> Math.max(0, lot.litres().litres() - given.getOrDefault(lot.id(), 0.0)))
                .sum();
        double doubleBookedH = hands().stream()
                .mapToDouble(h -> Math.max(0, h.wanted() - h.there())
                        * Duration.between(h.from(), h.to()).toSeconds()
                        / SECONDS_PER_H)
                .sum();
        return new Values(
                check().size(), late, wasted, doubleBookedH + leastCookH(drafts.size()), slackShort, energyKwh());
    }

    /** Hours of a cook's time that so many batches take where nobody is wanted in two places at once. */
    public static double leastCookH(double batches) {
        return A_BATCH_H * batches;
    }

    /**
     * A stretch over which neither changes.
     *
     * @param there  cooks in the kitchen
     * @param wanted by the drafts, and by what is under way
     */
    public record Hands(Instant from, Instant to, int there, double wanted) {}

    /** How many hands the drafts and what is under way want, and how many are there, from now on. */
    public List<Hands> hands() {
        List<Attendance.Stretch> wanted = Stream.concat(
                        busy.hands().stream(), drafts.stream().flatMap(draft -> draft.attended(equipment).stream()))
                .toList();
        List<Hands> all = new ArrayList<>();
        for (Rota.Present present : equipment.rota().between(now, until)) {
            List<Instant> turns = Stream.concat(
                            Stream.of(present.from(), present.to()),
                            wanted.stream()
                                    .flatMap(s -> Stream.of(s.from(), s.to()))
                                    .filter(at -> at.isAfter(present.from()) && at.isBefore(present.to())))
                    .sorted()
                    .distinct()
                    .toList();
            for (int i = 1; i < turns.size(); i++) {
                Instant at = turns.get(i - 1);
                double hands = wanted.stream()
                        .filter(s -> !s.from().isAfter(at) && s.to().isAfter(at))
                        .mapToDouble(Attendance.Stretch::hands)
                        .sum();
                all.add(new Hands(at, turns.get(i), present.cooks(), hands));
            }
        }
        return all;
    }

    /** How the ice sinks and rises; nothing where the kitchen has told of no bin. */
    public List<IceBin.Level> ice() {
        List<IceBin.Use> uses = Stream.concat(
                        busy.ice().stream(), drafts.stream().flatMap(draft -> draft.ice().stream()))
                .toList();
        return equipment.ice().map(bin -> bin.levels(now, uses, until)).orElse(List.of());
    }

    /**
     * From a moment on, until the next.
     *
     * @param litres of lots and drafts that the cold store has room for; below nothing never
     */
    public record Room(Instant at, Volume litres) {}

    /** How much of the cold store is left for lots and drafts, beside what is promised already; nothing where the kitchen has told of none. */
    public List<Room> shelfRoom() {
        List<Kept> kept = busy.kept();
        return equipment.coldStore().stream()
                .flatMap(takes -> Stream.concat(
                                Stream.of(now),
                                ColdShelf.turns(kept).stream().filter(at -> at.isAfter(now) && at.isBefore(until)))
                        .map(at -> new Room(
                                at, Volume.ofLitres(Math.max(0, takes.litres() - ColdShelf.litres(kept, at))))))
                .toList();
    }

    /** Everything that takes an oven, in order. */
    public List<Use> ovens() {
        return Stream.concat(busy.uses().stream(), drafts.stream().flatMap(draft -> draft.uses().stream()))
                .filter(use -> use.kind() == Use.Kind.OVEN)
                .sorted(Comparator.comparing(Use::from))
                .toList();
    }

    private double energyKwh() {
        double kwh = 0;
        for (Draft draft : drafts) {
            Burner burner = draft.charge().run().burner();
            double litH = draft.timeline()
                            .step(Stage.BRING_UP)
                            .map(step -> step.length().toSeconds())
                            .orElse(0L)
                    / SECONDS_PER_H;
            kwh += burner.rated().watts() / 1000 * litH;
            kwh += draft.ice().map(use -> use.ice().kg() * ICE_KWH_PER_KG).orElse(0.0);
        }
        return kwh;
    }
}
