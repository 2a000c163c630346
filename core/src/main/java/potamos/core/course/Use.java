package potamos.core.course;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import potamos.core.batch.Plan;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.ContainerSplit;
import potamos.core.cooling.IceBin;
import potamos.core.cooling.Medium;
import potamos.core.larder.Goods;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.safety.Allergen;

/**
 * A thing of the kitchen, taken for a while.
 *
 * @param amount how many of it, of an oven its trays, of a chiller the litres that stand in it; 1 where there is one; 0 where it is only to be there, as what a batch is made of
 * @param heat   that an oven is set to for trays in it; nothing where it is taken as a whole, and of whatever else
 */
public record Use(Kind kind, String name, Instant from, Instant to, int amount, Optional<Temperature> heat) {

    /** Of a thing as a whole, or of what is nothing but counted. */
    public Use(Kind kind, String name, Instant from, Instant to, int amount) {
        this(kind, name, from, to, amount, Optional.empty());
    }

    /** All of a thing, as where it is out of order. */
    public static Use whole(Kind kind, String name, Instant from, Instant to) {
        return new Use(kind, name, from, to, kind == Kind.CHILLER ? Chiller.MOST_L : 1);
    }

    /** What can be taken. */
    public enum Kind {
        VESSEL,
        BURNER,
        OVEN,
        CONTAINER,
        STRAINERS,
        /** Of a blast chiller the litres that it takes. */
        CHILLER,
        /** What a batch is made of: only looked for where somebody has told that it did not come. */
        BED;

        /** Whether there are several of it that are as good as each other: of an oven its trays, of a chiller its litres. */
        boolean counted() {
            return this == CONTAINER || this == STRAINERS || this == OVEN || this == CHILLER;
        }

        /**
         * Whether two may have one thing at once, as far as there is enough of it: what is counted, and of that an oven only for trays at one heat.
         *
         * @param one   what the one has it set to
         * @param other what the other has it set to
         */
        boolean shared(Optional<Temperature> one, Optional<Temperature> other) {
            return this == OVEN ? one.isPresent() && one.equals(other) : counted();
        }

        /**
         * How many of it are taken: of an oven that is taken as a whole, all its trays.
         *
         * @param amount as it is told
         * @param heat   that it is set to
         * @param there  how many there are
         */
        int taken(int amount, Optional<Temperature> heat, int there) {
            return this == OVEN && heat.isEmpty() ? there : amount;
        }
    }

    /** What one batch is strained through, with its ladle. */
    public static final String STRAINER_SET = "strainer set";

    /** A vessel is washed before the next stock goes in. */
    public static final Duration WASH = Duration.ofMinutes(10);

    /**
     * What a batch takes while it is made: its vessel with the time to wash it, its burner, the ovens it roasts and simmers in, and a strainer set with the
     * time to wash it, or, after what swims, to clean it down; and what it is made of, which is to be there when it is weighed in.
     *
     * @param timeline the stages that are left of it
     * @param burner   under its vessel; nothing where that stands on none
     * @param oven     that it simmers in
     */
    public static List<Use> of(Charge charge, Timeline timeline, Optional<String> burner, Optional<String> oven) {
        List<Use> uses = new ArrayList<>();
        String vessel = charge.run().vessel().name();
        over(timeline, Stage::mayBeInTheVessel)
                .ifPresent(span -> uses.add(
                        new Use(Kind.VESSEL, vessel, span.from(), span.to().plus(WASH), 1)));
        over(timeline, Stage::heats).ifPresent(span -> {
            burner.ifPresent(name -> uses.add(new Use(Kind.BURNER, name, span.from(), span.to(), 1)));
            oven.ifPresent(name -> uses.add(new Use(Kind.OVEN, name, span.from(), span.to(), 1)));
        });
        timeline.step(Stage.WEIGH_IN)
                .ifPresent(step -> charge.formula().bed().stream()
                        .flatMap(share -> Goods.find(share.kind().id()).stream())
                        .forEach(goods -> uses.add(new Use(Kind.BED, goods.name(), step.from(), step.to(), 0))));
        boolean swims = charge.formula().allergens().stream().anyMatch(Allergen::swims);
        timeline.step(Stage.STRAIN)
                .ifPresent(step -> uses.add(new Use(
                        Kind.STRAINERS,
                        STRAINER_SET,
                        step.from(),
                        step.to().plus(swims ? Order.CLEAN_DOWN : WASH),
                        1)));
        charge.roasting()
                .ifPresent(roasting -> timeline.step(Stage.PREPARE)
                        .ifPresent(step -> uses.add(new Use(
                                Kind.OVEN,
                                roasting.oven(),
                                step.from(),
                                step.to(),
                                roasting.trays(),
                                Optional.of(roasting.at())))));
        return uses;
    }

    /** The containers that a split is cooled in, until it is put away, and its place in a chiller. */
    static List<Use> cooled(ContainerSplit split, Timeline timeline) {
        return cooled(Plan.Filled.of(split), split.medium(), timeline);
    }

    /**
     * The same of a plan, which has kept of its split no more than this.
     *
     * @param into   which it is split
     * @param medium that takes its heat
     */
    public static List<Use> cooled(List<Plan.Filled> into, Medium medium, Timeline timeline) {
        return timeline.step(Stage.COOL).stream()
                .flatMap(cool -> Stream.concat(
                        into.stream()
                                .map(filled -> new Use(
                                        Kind.CONTAINER,
                                        filled.container(),
                                        cool.from(),
                                        timeline.ready(),
                                        filled.count())),
                        chiller(into, medium, cool)))
                .toList();
    }

    private static Stream<Use> chiller(List<Plan.Filled> into, Medium medium, Timeline.Step cool) {
        return medium instanceof Medium.Blast blast
                ? Stream.of(new Use(Kind.CHILLER, blast.name(), cool.from(), cool.to(), (int)
                        Math.ceil(Plan.Filled.litres(into).litres() - 1e-9)))
                : Stream.empty();
    }

    /** Ice that its baths take; nothing where it is cooled without. */
    static Optional<IceBin.Use> ice(ContainerSplit cooling, Timeline timeline) {
        Mass ice = cooling.ice();
        return timeline.step(Stage.COOL).filter(cool -> ice.kg() > 0).map(cool -> new IceBin.Use(cool.from(), ice));
    }

    /** From the first of some stages to the end of the last. */
    private static Optional<Timeline.Step> over(Timeline timeline, Predicate<Stage> which) {
        return timeline.steps().stream()
                .filter(step -> which.test(step.stage()))
                .reduce((first, last) -> new Timeline.Step(first.stage(), first.from(), last.to()));
    }

    /** How many of it are taken, of so many that are there. */
    public int taken(int there) {
        return kind.taken(amount, heat, there);
    }

    /** The same under another name. */
    public Use called(String other) {
        return new Use(kind, other, from, to, amount, heat);
    }

    /** Whether it is taken at a moment. */
    boolean at(Instant moment) {
        return !moment.isBefore(from) && moment.isBefore(to);
    }

    /** Whether it is taken at some time between two moments. */
    public boolean within(Instant start, Instant end) {
        return from.isBefore(end) && start.isBefore(to);
    }
}
