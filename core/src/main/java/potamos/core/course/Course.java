package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import potamos.core.batch.Stage;
import potamos.core.cooling.Foreseen;
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
 * @param taken       by batches under way
 * @param iceTaken    by their baths
 * @param drafts      that it would make
 * @param allocations which litres meet which call
 */
public record Course(
        Equipment equipment,
        Instant now,
        Instant until,
        List<Call> calls,
        List<Lot> lots,
        List<Use> taken,
        List<IceBin.Use> iceTaken,
        List<Draft> drafts,
        List<Allocation> allocations) {

    private static final double A_DROP_L = 0.005;
    private static final double ALL_OF_A_LITRE_H = 8;
    private static final double A_BATCH_H = 0.5;
    private static final double SLACK_H = 1;

    /** Latent heat of ice made by a machine that moves three times what it takes. */
    private static final double ICE_KWH_PER_KG = 0.04;

    public Course {
        calls = List.copyOf(calls);
        lots = List.copyOf(lots);
        taken = List.copyOf(taken);
        iceTaken = List.copyOf(iceTaken);
        drafts = List.copyOf(drafts);
        allocations = List.copyOf(allocations);
    }

    /** One with nothing drafted yet. */
    public static Course open(Equipment equipment, Instant now, Instant until, List<Call> calls, List<Lot> lots) {
        return new Course(equipment, now, until, calls, lots, List.of(), List.of(), List.of(), List.of());
    }

    /** The same with other drafts, and other litres for its calls. */
    public Course with(List<Draft> others, List<Allocation> otherAllocations) {
        return new Course(equipment, now, until, calls, lots, taken, iceTaken, others, otherAllocations);
    }

    /** Litres of a call that nothing meets. */
    public record Unmet(Call call, Volume litres) {}

    /** Every rule that it breaks; nothing where it may be accepted as it is. */
    public List<Broken> check() {
        List<Broken> broken = new ArrayList<>();
        for (Draft draft : drafts) {
            alone(draft, broken);
        }
        takenTwice(broken);
        cleanedDown(broken);
        ice(broken);
        allocated(broken);
        return broken;
    }

    /** What can be seen of one draft alone. */
    private void alone(Draft draft, List<Broken> broken) {
        if (!draft.charge().fits()) {
            broken.add(of(Broken.Rule.CHARGE_FITS, draft));
        }
        if (draft.start().isBefore(now)) {
            broken.add(of(Broken.Rule.NOT_IN_THE_PAST, draft));
        }
        if (draft.cooling().foreseen().verdict() == Foreseen.Verdict.FAIL) {
            broken.add(of(Broken.Rule.COOLS_IN_TIME, draft));
        }
        List<Rota.Present> rota = equipment.rota().between(draft.start(), draft.ready());
        for (Attendance.Stretch stretch : attended(draft)) {
            for (Rota.Present present : rota) {
                if (present.cooks() == 0
                        && present.from().isBefore(stretch.to())
                        && stretch.from().isBefore(present.to())) {
                    broken.add(new Broken(
                            Broken.Rule.SOMEBODY_THERE,
                            List.of(draft.id()),
                            "",
                            later(present.from(), stretch.from()),
                            earlier(present.to(), stretch.to())));
                }
            }
        }
    }

    private List<Attendance.Stretch> attended(Draft draft) {
        return Attendance.of(draft.charge().formula(), draft.timeline(), equipment.unattended());
    }

    private record Owned(String draft, Use use) {}

    private List<Owned> uses() {
        return Stream.concat(
                        taken.stream().map(use -> new Owned("", use)),
                        drafts.stream().flatMap(draft -> draft.uses().stream().map(use -> new Owned(draft.id(), use))))
                .toList();
    }

    private void takenTwice(List<Broken> broken) {
        List<Owned> uses = uses();
        for (Owned one : uses) {
            if (one.draft().isEmpty()) {
                continue;
            }
            int there = one.use().kind() == Use.Kind.CONTAINER
                    ? equipment.owned(one.use().name())
                    : 1;
            // The most of it that is taken at once is taken when some use begins.
            for (Owned begins : uses) {
                Instant at = begins.use().from();
                boolean within = begins.use().sameThing(one.use())
                        && !at.isBefore(one.use().from())
                        && at.isBefore(one.use().to());
                if (!within) {
                    continue;
                }
                List<Owned> together = uses.stream()
                        .filter(other -> other.use().sameThing(one.use())
                                && !at.isBefore(other.use().from())
                                && at.isBefore(other.use().to()))
                        .toList();
                int sum = together.stream()
                        .mapToInt(other -> other.use().amount())
                        .sum();
                if (sum > there) {
                    broken.add(new Broken(
                            Broken.Rule.TAKEN_TWICE,
                            together.stream()
                                    .map(Owned::draft)
                                    .filter(id -> !id.isEmpty())
                                    .distinct()
                                    .toList(),
                            one.use().name(),
                            at,
                            one.use().to()));
                    break;
                }
            }
        }
    }

    private void cleanedDown(List<Broken> broken) {
        Map<String, List<Draft>> byVessel = new HashMap<>();
        drafts.forEach(
                draft -> byVessel.computeIfAbsent(draft.charge().run().vessel().name(), name -> new ArrayList<>())
                        .add(draft));
        byVessel.forEach((vessel, inIt) -> {
            inIt.sort(Comparator.comparing(draft -> vesselUse(draft).from()));
            for (int i = 1; i < inIt.size(); i++) {
                Use before = vesselUse(inIt.get(i - 1));
                Use after = vesselUse(inIt.get(i));
                Duration wanted = Order.between(
                        inIt.get(i - 1).charge().formula().family(),
                        inIt.get(i).charge().formula().family());
                Instant free = before.to().minus(Use.WASH).plus(wanted);
                if (after.from().isBefore(free) && !after.from().isBefore(before.to())) {
                    broken.add(new Broken(
                            Broken.Rule.CLEANED_DOWN,
                            List.of(inIt.get(i - 1).id(), inIt.get(i).id()),
                            vessel,
                            before.to(),
                            free));
                }
            }
        });
    }

    private static Use vesselUse(Draft draft) {
        return draft.uses().stream()
                .filter(use -> use.kind() == Use.Kind.VESSEL)
                .findFirst()
                .orElseThrow();
    }

    private void ice(List<Broken> broken) {
        equipment.ice().ifPresent(bin -> {
            List<IceBin.Use> others = new ArrayList<>(iceTaken);
            for (Draft draft :
                    drafts.stream().sorted(Comparator.comparing(Draft::ready)).toList()) {
                draft.ice().ifPresent(use -> {
                    if (bin.at(now, before(others, use.at()), use.at()).kg() + 1e-9
                            < use.ice().kg()) {
                        broken.add(
                                new Broken(Broken.Rule.ICE_THERE, List.of(draft.id()), "ice", use.at(), draft.ready()));
                    }
                    others.add(use);
                });
            }
        });
    }

    private static List<IceBin.Use> before(List<IceBin.Use> uses, Instant at) {
        return uses.stream().filter(use -> !use.at().isAfter(at)).toList();
    }

    /** Everything that can be given to a call. */
    public List<Lot> supply() {
        return Stream.concat(lots.stream(), drafts.stream().map(Lot::of)).toList();
    }

    private void allocated(List<Broken> broken) {
        Map<String, Lot> supply = new HashMap<>();
        supply().forEach(lot -> supply.put(lot.id(), lot));
        Map<String, Call> wanted = new HashMap<>();
        calls.forEach(call -> wanted.put(call.id(), call));
        Map<String, Double> given = new HashMap<>();
        for (Allocation allocation : allocations) {
            Lot lot = supply.get(allocation.from());
            Call call = wanted.get(allocation.call());
            if (lot == null || call == null || lot.refusedFor(call).isPresent()) {
                broken.add(new Broken(
                        Broken.Rule.FIT_FOR_ITS_CALL, List.of(allocation.from()), allocation.call(), now, until));
                continue;
            }
            double sum = given.merge(lot.id(), allocation.litres().litres(), Double::sum);
            if (sum > lot.litres().litres() + A_DROP_L) {
                broken.add(new Broken(Broken.Rule.ENOUGH_OF_IT, List.of(lot.id()), call.id(), lot.from(), lot.useBy()));
            }
        }
    }

    /** What is still missing of each call, latest served last. */
    public List<Unmet> unmet() {
        Map<String, Double> got = new HashMap<>();
        allocations.forEach(a -> got.merge(a.call(), a.litres().litres(), Double::sum));
        return calls.stream()
                .map(call -> new Unmet(
                        call, Volume.ofLitres(Math.max(0, call.litres().litres() - got.getOrDefault(call.id(), 0.0)))))
                .filter(unmet -> unmet.litres().litres() > 10 * A_DROP_L)
                .toList();
    }

    /** How good it is. */
    public Values values() {
        Map<String, Lot> supply = new HashMap<>();
        supply().forEach(lot -> supply.put(lot.id(), lot));
        Map<String, Call> wanted = new HashMap<>();
        calls.forEach(call -> wanted.put(call.id(), call));
        double late = unmet().stream()
                .mapToDouble(unmet -> unmet.litres().litres() * unmet.call().weight())
                .sum();
        double slackShort = 0;
        Map<String, Double> given = new HashMap<>();
        for (Allocation allocation : allocations) {
            Lot lot = supply.get(allocation.from());
            Call call = wanted.get(allocation.call());
            if (lot == null || call == null) {
                continue;
            }
            double spareH = Duration.between(lot.from(), call.by()).toSeconds() / 3600.0;
            late += allocation.litres().litres() * call.weight() * Math.min(1, Math.max(0, -spareH) / ALL_OF_A_LITRE_H);
            slackShort += Math.max(0, SLACK_H - Math.max(0, spareH));
            given.merge(lot.id(), allocation.litres().litres(), Double::sum);
        }
        double wasted = supply.values().stream()
                .filter(lot -> lot.useBy().isBefore(until))
                .mapToDouble(lot -> Math.max(0, lot.litres().litres() - given.getOrDefault(lot.id(), 0.0)))
                .sum();
        return new Values(
                check().size(), late, wasted, doubleBookedH() + A_BATCH_H * drafts.size(), slackShort, energyKwh());
    }

    /** Hours in which the drafts want more hands than there are. */
    private double doubleBookedH() {
        List<Attendance.Stretch> all =
                drafts.stream().flatMap(draft -> attended(draft).stream()).toList();
        double hours = 0;
        for (Rota.Present present : equipment.rota().between(now, until)) {
            List<Instant> turns = Stream.concat(
                            Stream.of(present.from(), present.to()),
                            all.stream()
                                    .flatMap(s -> Stream.of(s.from(), s.to()))
                                    .filter(at -> at.isAfter(present.from()) && at.isBefore(present.to())))
                    .sorted()
                    .distinct()
                    .toList();
            for (int i = 1; i < turns.size(); i++) {
                Instant at = turns.get(i - 1);
                double hands = all.stream()
                        .filter(s -> !s.from().isAfter(at) && s.to().isAfter(at))
                        .mapToDouble(Attendance.Stretch::hands)
                        .sum();
                double over = Math.max(0, hands - present.cooks());
                hours += over * Duration.between(at, turns.get(i)).toSeconds() / 3600.0;
            }
        }
        return hours;
    }

    private double energyKwh() {
        double kwh = 0;
        for (Draft draft : drafts) {
            Burner burner = draft.charge().run().burner();
            double litH = draft.timeline()
                            .step(Stage.BRING_UP)
                            .map(step -> step.length().toSeconds())
                            .orElse(0L)
                    / 3600.0;
            kwh += burner.rated().watts() / 1000 * litH;
            kwh += draft.ice().map(use -> use.ice().kg() * ICE_KWH_PER_KG).orElse(0.0);
        }
        return kwh;
    }

    private Broken of(Broken.Rule rule, Draft draft) {
        return new Broken(
                rule, List.of(draft.id()), draft.charge().run().vessel().name(), draft.start(), draft.ready());
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }
}
