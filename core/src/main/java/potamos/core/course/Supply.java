package potamos.core.course;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import potamos.core.quantity.Volume;

/** What lots and pinned batches have left, the oldest first, beyond what is given already; more is added to that. */
final class Supply {

    private final Course begun;
    private final List<Lot> oldest;
    private final Map<String, Double> left = new HashMap<>();
    private final Map<String, Double> got = new HashMap<>();
    private final List<Allocation> allocations;

    Supply(Course begun, List<Allocation> allocations) {
        this.begun = begun;
        this.oldest =
                begun.supply().stream().sorted(Comparator.comparing(Lot::useBy)).toList();
        this.allocations = allocations;
        oldest.forEach(lot -> left.put(lot.id(), lot.litres().litres()));
        allocations.forEach(given -> {
            left.merge(given.from(), -given.litres().litres(), Double::sum);
            got.merge(given.call(), given.litres().litres(), Double::sum);
        });
    }

    /** To each call in its order what is there in time; what is missing then and can be made. */
    List<Wanted.Part> gives(Map<String, String> why) {
        List<Wanted.Part> open = new ArrayList<>();
        for (Call call :
                begun.calls().stream().sorted(Comparator.comparing(Call::by)).toList()) {
            double missing = gives(
                    call,
                    call.litres().litres() - got.getOrDefault(call.id(), 0.0),
                    lot -> !lot.from().isAfter(call.by()));
            Optional<String> refused = call.needs().refused(call.formula());
            if (missing > call.unmissedL() && refused.isPresent()) {
                why.put(call.id(), refused.get());
            } else if (missing > call.unmissedL()) {
                open.add(new Wanted.Part(call, missing));
            }
        }
        return open;
    }

    /** Gives a call what it may have of some lots; what is still missing then. */
    double gives(Call call, double litres, Predicate<Lot> which) {
        double missing = litres;
        for (Lot lot : oldest.stream().filter(which).toList()) {
            double gives = lot.refusedFor(call).isEmpty() ? Math.min(missing, left.get(lot.id())) : 0;
            if (gives > Constructive.LEAST_L || gives > 0 && gives >= missing) {
                allocations.add(new Allocation(call.id(), lot.id(), Volume.ofLitres(gives)));
                left.merge(lot.id(), -gives, Double::sum);
                missing -= gives;
            }
        }
        return missing;
    }
}
