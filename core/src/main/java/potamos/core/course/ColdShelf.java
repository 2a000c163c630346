package potamos.core.course;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import potamos.core.quantity.Volume;

/**
 * What stands on the cold shelf of a course from moment to moment, and whether there is room for more. A batch is put there when it is ready, what a call gets of it
 * leaves at the call's hour, and the rest when it is no longer good. Where nobody has told how much the cold store takes, there is always room.
 */
final class ColdShelf {

    static final String NAME = "cold shelf";

    private final Optional<Volume> takes;
    private final List<Stay> all = new ArrayList<>();

    /** @param of the lot or the draft, by id; empty of what is promised already */
    private record Stay(String of, Kept kept) {
        boolean at(Instant moment) {
            return kept.at(moment);
        }
    }

    ColdShelf(Course course) {
        this.takes = course.equipment().coldStore();
        if (takes.isEmpty()) {
            return;
        }
        course.busy().kept().forEach(kept -> all.add(new Stay("", kept)));
        Map<String, List<Course.Served>> served = course.served().stream()
                .collect(Collectors.groupingBy(one -> one.lot().id()));
        for (Lot lot : course.supply()) {
            double rest = lot.litres().litres();
            for (Course.Served one : served.getOrDefault(lot.id(), List.of())) {
                all.add(new Stay(lot.id(), new Kept(lot.from(), one.call().by(), one.litres())));
                rest -= one.litres().litres();
            }
            if (rest > Values.A_DROP_L) {
                all.add(new Stay(lot.id(), new Kept(lot.from(), lot.useBy(), Volume.ofLitres(rest))));
            }
        }
    }

    private static List<Kept> of(Instant ready, List<Wanted.Part> parts) {
        return parts.stream()
                .map(part -> new Kept(ready, part.call().by(), Volume.ofLitres(part.litres())))
                .toList();
    }

    /** Whether what is ready at a moment finds room until the last of it is fetched. */
    boolean room(Instant ready, List<Wanted.Part> parts) {
        List<Kept> mine = of(ready, parts);
        Stream<Instant> arrivals = all.stream().map(stay -> stay.kept().from()).filter(at -> at.isAfter(ready));
        return takes.isEmpty()
                || Stream.concat(Stream.of(ready), arrivals)
                        .filter(at -> mine.stream().anyMatch(kept -> kept.at(at)))
                        .noneMatch(at -> tooMuch(litres(mine, at) + litres(kept(), at)));
    }

    private boolean tooMuch(double litres) {
        return litres > takes.orElseThrow().litres() + Values.A_DROP_L;
    }

    private List<Kept> kept() {
        return all.stream().map(Stay::kept).toList();
    }

    /** Puts it there. */
    void add(Instant ready, List<Wanted.Part> parts) {
        of(ready, parts).forEach(kept -> all.add(new Stay("", kept)));
    }

    /**
     * A stretch over which more stands there than it takes.
     *
     * @param there what stands there when it begins, by id, what came last at the end
     */
    record Full(Instant from, Instant to, List<String> there) {}

    List<Full> tooFull() {
        List<Full> spans = new ArrayList<>();
        List<Instant> turns = turns(kept());
        for (int i = 0; takes.isPresent() && i + 1 < turns.size(); i++) {
            Instant at = turns.get(i);
            if (tooMuch(litres(kept(), at))) {
                int last = spans.size() - 1;
                boolean goesOn = last >= 0 && spans.get(last).to().equals(at);
                Full began = goesOn ? spans.remove(last) : new Full(at, at, there(at));
                spans.add(new Full(began.from(), turns.get(i + 1), began.there()));
            }
        }
        return spans;
    }

    private List<String> there(Instant at) {
        return all.stream()
                .filter(stay -> stay.at(at))
                .sorted(Comparator.comparing(stay -> stay.kept().from()))
                .map(Stay::of)
                .toList();
    }

    static List<Instant> turns(List<Kept> all) {
        return all.stream()
                .flatMap(one -> Stream.of(one.from(), one.to()))
                .distinct()
                .sorted(Comparator.naturalOrder())
                .toList();
    }

    static double litres(List<Kept> all, Instant at) {
        return all.stream()
                .filter(one -> one.at(at))
                .mapToDouble(one -> one.litres().litres())
                .sum();
    }
}
