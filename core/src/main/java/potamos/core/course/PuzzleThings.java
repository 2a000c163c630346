package potamos.core.course;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import potamos.core.quantity.Temperature;

/** The things of a kitchen as a puzzle counts them, each the first time that a batch takes it. */
final class PuzzleThings {

    /** What an oven is set to, to a tenth of a degree. */
    private static final int HEAT_STEPS = 10;

    private final Course begun;
    private final Map<String, Integer> resourceOf = new LinkedHashMap<>();
    private final List<Puzzle.Resource> resources = new ArrayList<>();

    PuzzleThings(Course begun) {
        this.begun = begun;
    }

    List<Puzzle.Resource> resources() {
        return List.copyOf(resources);
    }

    Puzzle.Thing of(Footprint.Thing thing) {
        int resource = resource(thing);
        return new Puzzle.Thing(
                resource,
                thing.from(),
                thing.to(),
                thing.kind()
                        .taken(
                                thing.amount(),
                                thing.heat(),
                                resources.get(resource).there()),
                heat(thing.heat()));
    }

    private static long heat(Optional<Temperature> heat) {
        return heat.map(set -> (long) Math.floor(set.celsius() * HEAT_STEPS + 0.5))
                .orElse(0L);
    }

    private int resource(Footprint.Thing thing) {
        return resourceOf.computeIfAbsent(thing.kind() + thing.names().toString(), key -> {
            boolean many = thing.names().size() > 1 || thing.kind().counted();
            int place = resources.size();
            int there = thing.names().stream()
                    .mapToInt(name -> begun.equipment().there(thing.kind(), name))
                    .sum();
            Stream<Use> standingUses = Stream.concat(
                    begun.busy().uses().stream(), begun.drafts().stream().flatMap(draft -> draft.uses().stream()));
            List<Puzzle.Thing> taken = standingUses
                    .filter(use ->
                            many && use.kind() == thing.kind() && thing.names().contains(use.name()))
                    .map(use -> new Puzzle.Thing(
                            place, begun.after(use.from()), begun.after(use.to()), use.taken(there), heat(use.heat())))
                    .toList();
            resources.add(new Puzzle.Resource(there, thatIsThere(place, there, taken)));
            return place;
        });
    }

    /** Others may have more of it together than there is, for a cook may hold them so; a solver that was told that would find nothing at all. */
    private static List<Puzzle.Thing> thatIsThere(int place, int there, List<Puzzle.Thing> taken) {
        List<Puzzle.Thing> steps = new ArrayList<>();
        long[] moments = taken.stream()
                .flatMapToLong(thing -> LongStream.of(thing.from(), thing.to()))
                .sorted()
                .distinct()
                .toArray();
        boolean more = false;
        for (int i = 1; i < moments.length; i++) {
            long from = moments[i - 1];
            long to = moments[i];
            int sum = taken.stream()
                    .filter(thing -> thing.from() < to && thing.to() > from)
                    .mapToInt(Puzzle.Thing::amount)
                    .sum();
            more |= sum > there;
            if (sum > 0) {
                steps.add(new Puzzle.Thing(place, from, to, Math.min(sum, there), 0));
            }
        }
        return more ? steps : taken;
    }
}
