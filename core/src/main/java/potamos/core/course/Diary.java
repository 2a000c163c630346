package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.cooling.IceBin;
import potamos.core.formula.Family;

/** What is taken of a kitchen so far, and where one draft more finds room beside it. */
final class Diary {

    /** Starts are tried so far apart. */
    static final Duration STEP = Duration.ofMinutes(10);

    private record InVessel(Use use, Optional<Family> family) {}

    private final Equipment equipment;
    private final Instant now;
    private final List<Rota.Present> rota;
    private final Map<String, List<Use>> taken = new HashMap<>();
    private final Map<String, List<InVessel>> inVessels = new HashMap<>();
    private final List<IceBin.Use> ice;

    Diary(Equipment equipment, Instant now, Instant until, List<Use> under, List<IceBin.Use> iceTaken) {
        this.equipment = equipment;
        this.now = now;
        this.rota = equipment.rota().between(now, until);
        this.ice = new ArrayList<>(iceTaken);
        under.forEach(use -> take(use, Optional.empty()));
    }

    void add(Draft draft) {
        draft.uses()
                .forEach(use -> take(use, Optional.of(draft.charge().formula().family())));
        draft.ice().ifPresent(ice::add);
    }

    private void take(Use use, Optional<Family> family) {
        if (use.kind() == Use.Kind.VESSEL) {
            inVessels.computeIfAbsent(use.name(), name -> new ArrayList<>()).add(new InVessel(use, family));
        } else {
            taken.computeIfAbsent(use.kind() + use.name(), name -> new ArrayList<>())
                    .add(use);
        }
    }

    /** Why a draft does not go in. */
    enum Why {
        SOMEBODY_THERE,
        VESSEL,
        BURNER,
        OVEN,
        CONTAINER,
        ICE,
        PAST
    }

    /** What is in its way; empty where it finds room. */
    Optional<Why> against(Draft draft) {
        if (draft.start().isBefore(now)) {
            return Optional.of(Why.PAST);
        }
        for (Attendance.Stretch stretch :
                Attendance.of(draft.charge().formula(), draft.timeline(), equipment.unattended())) {
            if (absent(stretch)) {
                return Optional.of(Why.SOMEBODY_THERE);
            }
        }
        Family family = draft.charge().formula().family();
        for (Use use : draft.uses()) {
            Optional<Why> why = against(use, family);
            if (why.isPresent()) {
                return why;
            }
        }
        return draft.ice().filter(this::iceShort).map(use -> Why.ICE);
    }

    private boolean absent(Attendance.Stretch stretch) {
        for (Rota.Present present : rota) {
            if (present.cooks() == 0
                    && present.from().isBefore(stretch.to())
                    && stretch.from().isBefore(present.to())) {
                return true;
            }
        }
        return rota.isEmpty() || rota.get(rota.size() - 1).to().isBefore(stretch.to());
    }

    private Optional<Why> against(Use use, Family family) {
        if (use.kind() == Use.Kind.VESSEL) {
            boolean free =
                    inVessels.getOrDefault(use.name(), List.of()).stream().allMatch(other -> apart(other, use, family));
            return free ? Optional.empty() : Optional.of(Why.VESSEL);
        }
        List<Use> others = taken.getOrDefault(use.kind() + use.name(), List.of()).stream()
                .filter(use::overlaps)
                .toList();
        if (use.kind() != Use.Kind.CONTAINER) {
            return others.isEmpty()
                    ? Optional.empty()
                    : Optional.of(use.kind() == Use.Kind.BURNER ? Why.BURNER : Why.OVEN);
        }
        // All that overlap may overlap each other as well: counted so, none is ever promised twice.
        int sum = others.stream().mapToInt(Use::amount).sum() + use.amount();
        return sum <= equipment.owned(use.name()) ? Optional.empty() : Optional.of(Why.CONTAINER);
    }

    private static boolean apart(InVessel other, Use use, Family family) {
        Use there = other.use();
        if (there.overlaps(use)) {
            return false;
        }
        boolean first = there.from().isBefore(use.from());
        Family before = first ? other.family().orElse(family) : family;
        Family after = first ? family : other.family().orElse(family);
        Duration more = Order.between(before, after).minus(Draft.WASH);
        return first
                ? !use.from().isBefore(there.to().plus(more))
                : !there.from().isBefore(use.to().plus(more));
    }

    /** Its own bath or one that comes after it would want more than there is. */
    private boolean iceShort(IceBin.Use mine) {
        if (equipment.ice().isEmpty()) {
            return false;
        }
        IceBin bin = equipment.ice().get();
        List<IceBin.Use> with = new ArrayList<>(ice);
        if (bin.at(now, before(ice, mine.at()), mine.at()).kg() < mine.ice().kg()) {
            return true;
        }
        with.add(mine);
        return ice.stream().filter(later -> !later.at().isBefore(mine.at())).anyMatch(later -> {
            List<IceBin.Use> others = new ArrayList<>(before(with, later.at()));
            others.remove(later);
            return bin.at(now, others, later.at()).kg() < later.ice().kg();
        });
    }

    private static List<IceBin.Use> before(List<IceBin.Use> uses, Instant at) {
        return uses.stream().filter(use -> !use.at().isAfter(at)).toList();
    }
}
