package potamos.course;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import potamos.core.course.Puzzle;

/**
 * The first hours of a puzzle with less in the way: a batch is made in any of the vessels that takes it, for no longer than in the best of them, and only how many
 * vessels there are at a time is counted. What comes late here at least comes late at least of the puzzle, for whatever goes there goes here. Most ways of a
 * batch differ in their vessel alone, by a minute or two, so that this is proven in a fraction of the time that the puzzle takes.
 *
 * @param batches one for all that are asked for the same parts, each with its ways
 */
record Loosened(List<Puzzle.Batch> batches, List<Puzzle.Resource> resources) {

    /** @param until in seconds from now: what is wanted later is not asked for */
    static Loosened of(Puzzle puzzle, long until) {
        List<Puzzle.Part> parts = puzzle.parts();
        Map<List<Integer>, List<Puzzle.Option>> options = new LinkedHashMap<>();
        for (Puzzle.Batch batch : puzzle.batches()) {
            List<Integer> asked = Model.asked(batch, parts, until);
            if (!asked.isEmpty()) {
                options.computeIfAbsent(asked, same -> new ArrayList<>()).addAll(batch.options());
            }
        }
        int anyVessel = puzzle.resources().size();
        int vessels = (int) options.values().stream()
                .flatMap(List::stream)
                .map(option -> option.vessel().resource())
                .distinct()
                .count();
        List<Puzzle.Resource> resources = new ArrayList<>(puzzle.resources());
        resources.add(new Puzzle.Resource(vessels, List.of()));
        List<Puzzle.Batch> batches = new ArrayList<>();
        options.forEach((asked, its) -> batches.add(new Puzzle.Batch(asked, alike(its, anyVessel))));
        return new Loosened(batches, resources);
    }

    /** One way for all that differ in their vessel alone. */
    private static List<Puzzle.Option> alike(List<Puzzle.Option> options, int anyVessel) {
        return options.stream()
                .collect(Collectors.groupingBy(Loosened::butForItsVessel, LinkedHashMap::new, Collectors.toList()))
                .values()
                .stream()
                .map(group -> loosest(group, anyVessel))
                .toList();
    }

    /**
     * What of the kitchen it takes beside its vessel, whatever the times.
     *
     * @param heat that it is set to
     */
    private record Kind(int resource, long heat) {}

    private static List<Kind> butForItsVessel(Puzzle.Option option) {
        return beside(option).stream()
                .map(thing -> new Kind(thing.resource(), thing.heat()))
                .toList();
    }

    private static List<Puzzle.Thing> beside(Puzzle.Option option) {
        return option.things().stream()
                .filter(thing -> thing.resource() != option.vessel().resource())
                .toList();
    }

    /** Takes what each of them takes, when each of them does, and starts whenever one of them may. */
    private static Puzzle.Option loosest(List<Puzzle.Option> alike, int anyVessel) {
        List<List<Puzzle.Thing>> things = alike.stream().map(Loosened::beside).toList();
        List<Puzzle.Thing> common = new ArrayList<>(IntStream.range(
                        0, things.get(0).size())
                .mapToObj(i -> common(things.stream().map(its -> its.get(i)).toList()))
                .toList());
        Puzzle.Thing vessel = common(alike.stream().map(Puzzle.Option::vessel).toList());
        common.add(new Puzzle.Thing(anyVessel, vessel.from(), vessel.to(), 1, 0));
        common.removeIf(thing -> thing.to() <= thing.from());
        long takes = alike.stream().mapToLong(Puzzle.Option::takes).min().orElseThrow();
        long first = alike.stream()
                .mapToLong(option -> option.starts().get(0).first())
                .min()
                .orElseThrow();
        long last = alike.stream()
                .flatMap(option -> option.starts().stream())
                .mapToLong(Puzzle.Starts::last)
                .max()
                .orElseThrow();
        return new Puzzle.Option(takes, List.of(new Puzzle.Starts(first, last)), common, vessel);
    }

    private static Puzzle.Thing common(List<Puzzle.Thing> things) {
        Puzzle.Thing one = things.get(0);
        return new Puzzle.Thing(
                one.resource(),
                things.stream().mapToLong(Puzzle.Thing::from).max().orElseThrow(),
                things.stream().mapToLong(Puzzle.Thing::to).min().orElseThrow(),
                things.stream().mapToInt(Puzzle.Thing::amount).min().orElseThrow(),
                one.heat());
    }
}
