package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import potamos.core.cooling.Foreseen;
import potamos.core.cooling.IceBin;

/** What a course must keep, rule by rule: the one truth about what it breaks, whoever has laid it. */
record Rules(Course course) {

    private static final double A_DROP_L = 0.005;

    /** Every rule that it breaks; nothing where it may be accepted as it is. */
    List<Broken> broken() {
        List<Broken> broken = new ArrayList<>();
        for (Draft draft : course.drafts()) {
            alone(draft, broken);
        }
        takenTwice(broken);
        bedThere(broken);
        cleanedDown(broken);
        ice(broken);
        shelfRoom(broken);
        allocated(broken);
        return broken;
    }

    /** What can be seen of one draft alone. */
    private void alone(Draft draft, List<Broken> broken) {
        if (!draft.charge().fits()) {
            broken.add(of(Broken.Rule.CHARGE_FITS, draft));
        }
        if (draft.start().isBefore(course.now())) {
            broken.add(of(Broken.Rule.NOT_IN_THE_PAST, draft));
        }
        if (draft.cooling().foreseen().verdict() == Foreseen.Verdict.FAIL) {
            broken.add(of(Broken.Rule.COOLS_IN_TIME, draft));
        }
        List<Rota.Present> rota = course.equipment().rota().between(draft.start(), draft.ready());
        for (Attendance.Stretch stretch : draft.attended(course.equipment())) {
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

    private record Owned(String draft, Use use) {}

    private List<Owned> uses() {
        return Stream.concat(
                        course.busy().uses().stream().map(use -> new Owned("", use)),
                        course.drafts().stream()
                                .flatMap(draft -> draft.uses().stream().map(use -> new Owned(draft.id(), use))))
                .filter(owned -> owned.use().amount() > 0)
                .filter(owned -> !course.equipment().neverShort(owned.use().kind()))
                .toList();
    }

    private void takenTwice(List<Broken> broken) {
        Map<String, List<Owned>> ofEach = new LinkedHashMap<>();
        uses().forEach(one -> ofEach.computeIfAbsent(
                        one.use().kind() + one.use().name(), thing -> new ArrayList<>())
                .add(one));
        ofEach.values()
                .forEach(uses -> uses.stream()
                        .filter(one -> !one.draft().isEmpty())
                        .forEach(one -> takenTwice(one, uses).ifPresent(broken::add)));
    }

    /** The most of a thing that is taken at once is taken when some use of it begins. */
    private Optional<Broken> takenTwice(Owned one, List<Owned> uses) {
        Use mine = one.use();
        int there = course.equipment().there(mine.kind(), mine.name());
        for (Owned begins : uses) {
            Instant at = begins.use().from();
            if (!mine.at(at)) {
                continue;
            }
            List<Owned> together =
                    uses.stream().filter(other -> other.use().at(at)).toList();
            if (together.stream().mapToInt(other -> other.use().amount()).sum() > there
                    || together.stream().anyMatch(other -> other != one && !shared(mine, other.use()))) {
                List<String> whose = together.stream()
                        .map(Owned::draft)
                        .filter(id -> !id.isEmpty())
                        .distinct()
                        .toList();
                return Optional.of(new Broken(Broken.Rule.TAKEN_TWICE, whose, mine.name(), at, mine.to()));
            }
        }
        return Optional.empty();
    }

    private static boolean shared(Use one, Use other) {
        return one.kind().shared(one.heat(), other.heat());
    }

    /** What did not come is not there when a draft that is made of it is weighed in. */
    private void bedThere(List<Broken> broken) {
        course.busy().uses().stream()
                .filter(use -> use.kind() == Use.Kind.BED && use.amount() > 0)
                .forEach(missing -> course.drafts().stream()
                        .flatMap(draft -> draft.uses().stream()
                                .filter(use -> use.kind() == Use.Kind.BED
                                        && use.name().equals(missing.name())
                                        && use.within(missing.from(), missing.to()))
                                .map(use -> new Broken(
                                        Broken.Rule.BED_THERE,
                                        List.of(draft.id()),
                                        use.name(),
                                        use.from(),
                                        missing.to())))
                        .forEach(broken::add));
    }

    private void cleanedDown(List<Broken> broken) {
        Map<String, List<Draft>> byVessel = new HashMap<>();
        course.drafts()
                .forEach(draft -> byVessel.computeIfAbsent(draft.vessel(), name -> new ArrayList<>())
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
        course.equipment().ice().ifPresent(bin -> {
            List<IceBin.Use> others = new ArrayList<>(course.busy().ice());
            for (Draft draft : course.drafts().stream()
                    .sorted(Comparator.comparing(Draft::ready))
                    .toList()) {
                draft.ice().ifPresent(use -> {
                    if (bin.at(course.now(), others, use.at()).kg() + 1e-9
                            < use.ice().kg()) {
                        broken.add(
                                new Broken(Broken.Rule.ICE_THERE, List.of(draft.id()), "ice", use.at(), draft.ready()));
                    }
                    others.add(use);
                });
            }
        });
    }

    /** Whatever came last is too much; what stood there before the course began is not its doing. */
    private void shelfRoom(List<Broken> broken) {
        Map<String, Draft> drafts = Course.byId(course.drafts(), Draft::id);
        for (ColdShelf.Full full : new ColdShelf(course).tooFull()) {
            full.there().stream()
                    .filter(drafts::containsKey)
                    .reduce((earlier, last) -> last)
                    .ifPresent(last -> broken.add(
                            new Broken(Broken.Rule.SHELF_ROOM, List.of(last), ColdShelf.NAME, full.from(), full.to())));
        }
    }

    private void allocated(List<Broken> broken) {
        Map<String, Lot> supply = Course.byId(course.supply(), Lot::id);
        Map<String, Call> wanted = Course.byId(course.calls(), Call::id);
        Map<String, Double> given = new HashMap<>();
        for (Allocation allocation : course.allocations()) {
            Lot lot = supply.get(allocation.from());
            Call call = wanted.get(allocation.call());
            if (lot == null || call == null || lot.refusedFor(call).isPresent()) {
                broken.add(new Broken(
                        Broken.Rule.FIT_FOR_ITS_CALL,
                        List.of(allocation.from()),
                        allocation.call(),
                        course.now(),
                        course.until()));
                continue;
            }
            double sum = given.merge(lot.id(), allocation.litres().litres(), Double::sum);
            if (sum > lot.litres().litres() + A_DROP_L) {
                broken.add(new Broken(Broken.Rule.ENOUGH_OF_IT, List.of(lot.id()), call.id(), lot.from(), lot.useBy()));
            }
        }
    }

    private Broken of(Broken.Rule rule, Draft draft) {
        return new Broken(rule, List.of(draft.id()), draft.vessel(), draft.start(), draft.ready());
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }
}
