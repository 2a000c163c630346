package potamos.course;

import java.util.ArrayList;
import java.util.List;
import potamos.core.course.Puzzle;

/** The fewest litres late of a puzzle with one vessel, by trying every order of every batch, each as early as it can be after those before it. */
final class Exhaustive {

    private record Placed(int batch, long start, Puzzle.Option option) {}

    private final Puzzle puzzle;
    private final List<Placed> placed = new ArrayList<>();
    private final boolean[] met;
    private double least = Double.POSITIVE_INFINITY;

    private Exhaustive(Puzzle puzzle) {
        this.puzzle = puzzle;
        this.met = new boolean[puzzle.parts().size()];
    }

    static double least(Puzzle puzzle) {
        Exhaustive all = new Exhaustive(puzzle);
        all.from(0);
        return all.least;
    }

    private void from(double late) {
        double left = 0;
        for (int part = 0; part < met.length; part++) {
            left += met[part] ? 0 : puzzle.parts().get(part).weighted();
        }
        least = Math.min(least, late + left);
        if (late >= least) {
            return;
        }
        for (int b = 0; b < puzzle.batches().size(); b++) {
            Puzzle.Batch batch = puzzle.batches().get(b);
            if (batch.parts().stream().anyMatch(part -> met[part])) {
                continue;
            }
            for (Puzzle.Option option : batch.options()) {
                long start = earliest(b, option);
                if (start < 0) {
                    continue;
                }
                double more = 0;
                for (int part : batch.parts()) {
                    Puzzle.Part one = puzzle.parts().get(part);
                    long lateS = Math.max(0, start + option.takes() - one.by());
                    more += one.weighted() * Math.min(1, lateS / (double) Puzzle.NEVER_S);
                    met[part] = true;
                }
                placed.add(new Placed(b, start, option));
                from(late + more);
                placed.remove(placed.size() - 1);
                batch.parts().forEach(part -> met[part] = false);
            }
        }
    }

    /** After everything that is placed, as far as they share anything; −1 where there is no such start. */
    private long earliest(int batch, Puzzle.Option option) {
        long from = 0;
        for (Placed before : placed) {
            long clean = puzzle.cleaning(before.batch(), batch);
            from = Math.max(
                    from,
                    before.start()
                            + before.option().vessel().to()
                            + clean
                            - option.vessel().from());
            for (Puzzle.Thing taken : before.option().things()) {
                for (Puzzle.Thing thing : option.things()) {
                    if (thing.resource() == taken.resource()
                            && puzzle.resources().get(thing.resource()).there() == 1) {
                        from = Math.max(from, before.start() + taken.to() - thing.from());
                    }
                }
            }
        }
        for (Puzzle.Starts starts : option.starts()) {
            if (starts.last() >= from) {
                return Math.max(from, starts.first());
            }
        }
        return -1;
    }
}
