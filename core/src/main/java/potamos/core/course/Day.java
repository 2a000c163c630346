package potamos.core.course;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Volume;

/**
 * A day of a kitchen as a cook goes through it.
 *
 * @param doings what begins when, in which pot
 * @param leaves what is wanted when, by whom
 * @param weighs everything to weigh for what begins on that day
 * @param looks  at pots that simmer while nobody is there
 */
public record Day(List<Doing> doings, List<Leaves> leaves, List<Weigh> weighs, List<Look> looks) {

    /**
     * A batch that is made.
     *
     * @param timeline what is left of its stages
     * @param charge   to be weighed out when it begins; nothing of one that has begun
     */
    public record Pot(String vessel, String stock, Volume litres, Timeline timeline, Optional<Charge> charge) {
        public static Pot of(Draft draft) {
            return new Pot(
                    draft.vessel(),
                    draft.charge().formula().name(),
                    draft.litres(),
                    draft.timeline(),
                    Optional.of(draft.charge()));
        }
    }

    /** A stage that begins. */
    public record Doing(Instant at, Stage stage, Pot pot) {}

    /** Somebody looks in on a pot: its level, its heat, its lid. */
    public record Look(Instant at, Pot pot) {}

    /** Litres that a station wants. */
    public record Leaves(Instant at, String station, String stock, Volume litres) {}

    /** So much of an item in all, and for which pots. */
    public record Weigh(String item, Mass mass, List<Share> shares) {}

    /** Of one pot. */
    public record Share(String vessel, String stock, Instant at, Mass mass) {}

    /** Of these batches and calls, what falls on a day of the kitchen's own calendar. */
    public static Day of(List<Pot> pots, List<Call> calls, LocalDate day, Rota rota) {
        ZoneId zone = rota.zone();
        List<Doing> doings = new ArrayList<>();
        Map<String, List<Share>> shares = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
        for (Pot pot : pots) {
            pot.timeline().steps().stream()
                    .filter(step -> on(step.from(), day, zone) && !step.length().isZero())
                    .forEach(step -> doings.add(new Doing(step.from(), step.stage(), pot)));
            if (on(pot.timeline().start(), day, zone)) {
                pot.charge().ifPresent(charge -> weigh(charge, pot, shares));
            }
        }
        doings.sort(Comparator.comparing(Doing::at)
                .thenComparing(doing -> doing.pot().vessel()));
        return new Day(
                List.copyOf(doings),
                calls.stream()
                        .filter(call -> on(call.by(), day, zone))
                        .map(call -> new Leaves(
                                call.by(), call.station(), call.formula().name(), call.litres()))
                        .sorted(Comparator.comparing(Leaves::at))
                        .toList(),
                shares.entrySet().stream()
                        .map(item -> new Weigh(
                                item.getKey(),
                                item.getValue().stream().map(Share::mass).reduce(Mass.ZERO, Mass::plus),
                                List.copyOf(item.getValue())))
                        .toList(),
                looks(
                        pots,
                        rota,
                        day.atStartOfDay(zone).toInstant(),
                        day.plusDays(1).atStartOfDay(zone).toInstant()));
    }

    /** At each check between two moments, every pot that simmers then. */
    public static List<Look> looks(List<Pot> pots, Rota rota, Instant from, Instant to) {
        return rota.looks(from, to).stream()
                .flatMap(at -> pots.stream()
                        .filter(pot -> pot.timeline().steps().stream()
                                .anyMatch(step -> step.stage() == Stage.SIMMER
                                        && !step.from().isAfter(at)
                                        && at.isBefore(step.to())))
                        .map(pot -> new Look(at, pot)))
                .toList();
    }

    private static boolean on(Instant moment, LocalDate day, ZoneId zone) {
        return moment.atZone(zone).toLocalDate().equals(day);
    }

    private static void weigh(Charge charge, Pot pot, Map<String, List<Share>> shares) {
        charge.formula()
                .bed()
                .forEach(bed ->
                        share(shares, bed.kind().name(), pot, charge.run().raw().times(bed.share())));
        charge.measures().forEach(measure -> share(shares, measure.part().name(), pot, measure.mass()));
    }

    private static void share(Map<String, List<Share>> shares, String item, Pot pot, Mass mass) {
        shares.computeIfAbsent(item, name -> new ArrayList<>())
                .add(new Share(pot.vessel(), pot.stock(), pot.timeline().start(), mass));
    }
}
