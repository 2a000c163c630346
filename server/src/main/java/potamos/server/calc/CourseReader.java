package potamos.server.calc;

import static potamos.core.quantity.Refusal.unlessGiven;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import potamos.core.charge.Needs;
import potamos.core.charge.Pot;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.Container;
import potamos.core.cooling.ContainerSplit;
import potamos.core.course.Busy;
import potamos.core.course.Call;
import potamos.core.course.Course;
import potamos.core.course.Draft;
import potamos.core.course.Equipment;
import potamos.core.course.Lot;
import potamos.core.course.Rota;
import potamos.core.course.Unattended;
import potamos.core.course.Use;
import potamos.core.formula.Contents;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

/** A kitchen and its calls, told inline, made into a course with nothing drafted but what is pinned. */
@Component
class CourseReader {

    private static final double MOST_DAYS = 14;
    private static final double DAYS = 7;
    private static final int SHORTEST_DAY_NAME = 3;
    /** Of a blast chiller of which nothing else is told. */
    private static final double BLAST_L = 60;

    private static final double BLAST_C = -5;

    private final CalcReader reader;

    CourseReader(CalcReader reader) {
        this.reader = reader;
    }

    Course begun(CourseJson.CourseIn in, Defaults defaults) {
        double days =
                Refusal.unlessWithin("untilDays", defaults.or("untilDays", in.untilDays(), DAYS), 1, MOST_DAYS, "days");
        Instant until = in.now().plus(Duration.ofMinutes((long) (days * 24 * 60)));
        Equipment equipment = equipment(in.kitchen(), defaults);
        List<Call> calls = each("calls", in.calls(), call -> call(call, in.now()));
        unlessTwice("calls.id", calls.stream().map(Call::id));
        List<Lot> lots = Stream.concat(
                        each("shelf", in.shelf(), lot -> lot(lot, in.now())).stream(),
                        each("running", in.running(), made -> lot(made, made.ready())).stream())
                .toList();
        List<Use> taken = Optional.ofNullable(in.running()).orElse(List.of()).stream()
                .flatMap(made -> taken(made, in.now()))
                .toList();
        List<Draft> pinned = new ArrayList<>();
        Course open = new Course(equipment, in.now(), until, calls, lots, Busy.of(taken), List.of(), List.of());
        each(
                "pinned",
                in.pinned(),
                p -> pinned.add(Draft.pinned(
                        open.with(pinned, List.of()),
                        reader.formula(p.formula()),
                        litres(p.litres()),
                        new Draft.Spot(p.vessel(), Optional.ofNullable(p.burner()), p.start()),
                        p.id())));
        unlessTwice(
                "id", Stream.concat(lots.stream().map(Lot::id), pinned.stream().map(Draft::id)));
        return open.with(pinned, List.of());
    }

    private interface Making<I, O> {
        O of(I in);
    }

    /** Each in turn, so that a refusal says which. */
    private static <I, O> List<O> each(String path, List<I> all, Making<I, O> making) {
        List<O> made = new ArrayList<>();
        if (all != null) {
            for (int i = 0; i < all.size(); i++) {
                try {
                    made.add(making.of(all.get(i)));
                } catch (Refusal refused) {
                    throw refused.in(path + "[" + i + "].");
                }
            }
        }
        return made;
    }

    private static void unlessTwice(String field, Stream<String> names) {
        Set<String> seen = new HashSet<>();
        names.filter(name -> !seen.add(name)).findFirst().ifPresent(twice -> {
            throw Refusal.of(field, twice + " stands there twice");
        });
    }

    private static Volume litres(double litres) {
        return Volume.ofLitres(Refusal.unlessWithin("litres", litres, 0.05, 500, "L"));
    }

    private Call call(CourseJson.CallIn in, Instant now) {
        if (in.by().isBefore(now)) {
            throw Refusal.of("by", "is past already");
        }
        return new Call(
                in.id(),
                in.station(),
                reader.formula(in.formula()),
                litres(in.litres()),
                in.by(),
                in.weight() == null ? 1 : in.weight(),
                Needs.without(CalcReader.allergens("without", in.without())));
    }

    private static Lot lot(CourseJson.MadeIn in, Instant from) {
        return new Lot(
                in.id(),
                in.formula(),
                litres(in.litres()),
                from,
                in.useBy(),
                new Contents(CalcReader.allergens("allergens", in.allergens()), Set.of(), 0, in.allergens() == null));
    }

    private static Stream<Use> taken(CourseJson.RunningIn in, Instant now) {
        Instant until = in.until() == null ? in.ready() : in.until();
        return Stream.of(
                        Optional.ofNullable(in.vessel()).map(name -> new Use(Use.Kind.VESSEL, name, now, until, 1)),
                        Optional.ofNullable(in.burner()).map(name -> new Use(Use.Kind.BURNER, name, now, until, 1)))
                .flatMap(Optional::stream)
                .filter(use -> until.isAfter(now));
    }

    private static Burner burner(CourseJson.BurnerIn in, Defaults defaults) {
        double efficiency = defaults.or("kitchen.burners.efficiency", in.efficiency(), Burner.BOOK_GAS);
        try {
            return new Burner(in.name(), Power.ofKilowatts(in.kw()), efficiency);
        } catch (Refusal refused) {
            throw refused.called("ratedKw", "kw");
        }
    }

    /** What it shares with other questions is a field of the kitchen here. */
    private static <T> T ofKitchen(Supplier<T> read) {
        try {
            return read.get();
        } catch (Refusal refused) {
            throw refused.in("kitchen.");
        }
    }

    private Equipment equipment(CourseJson.KitchenIn in, Defaults defaults) {
        List<Vessel> vessels = each("kitchen.vessels", in.vessels(), v -> vessel(v, defaults));
        List<Burner> burners = each("kitchen.burners", in.burners(), b -> burner(b, defaults));
        List<Oven> ovens = each("kitchen.ovens", in.ovens(), o -> {
            boolean fan = Boolean.TRUE.equals(o.fan());
            return new Oven(o.name(), o.trays(), fan, Oven.bookFactor(fan));
        });
        List<ContainerSplit.Owned> containers =
                each("kitchen.containers", in.containers(), c -> container(c, defaults));
        unlessTwice("kitchen.vessels", vessels.stream().map(Vessel::name));
        unlessTwice("kitchen.burners", burners.stream().map(Burner::name));
        unlessTwice("kitchen.ovens", ovens.stream().map(Oven::name));
        List<Chiller> chillers = each("kitchen.chillers", in.chillers(), c -> chiller(c, defaults));
        unlessTwice(
                "kitchen.chillers",
                chillers.stream().filter(c -> c.kind() == Chiller.Kind.BLAST).map(Chiller::name));
        unlessTwice(
                "kitchen.containers", containers.stream().map(o -> o.container().name()));
        double tap = defaults.or("kitchen.tapC", in.tapC(), Pot.BOOK_TAP.celsius());
        return new Equipment(
                vessels,
                burners,
                ovens,
                containers,
                in.strainerSets() == null
                        ? 0
                        : (int) Refusal.unlessWithin(
                                "kitchen.strainerSets", in.strainerSets(), 1, Equipment.MOST_STRAINER_SETS, ""),
                chillers,
                ofKitchen(() -> reader.air(in.altitudeM(), null, defaults)),
                Temperature.ofCelsius(Refusal.unlessWithin("kitchen.tapC", tap, 1, 35, "°C")),
                ofKitchen(() -> reader.limits(in.profile(), defaults)),
                rota(in, defaults),
                CalcReader.word(
                        Unattended.class,
                        "kitchen.unattended",
                        defaults.or("kitchen.unattended", in.unattended(), "never")));
    }

    private Vessel vessel(CourseJson.CourseVesselIn v, Defaults defaults) {
        if (!"pan".equals(v.shape())) {
            unlessGiven("diameterCm", v.diameterCm());
        }
        unlessGiven("heightCm", v.heightCm());
        Vessel shaped = reader.vessel(v, defaults);
        return new Vessel(
                v.name(),
                shaped.shape(),
                shaped.kappa(),
                shaped.metal(),
                v.heatKw() == null ? Vessel.Handling.LIFTED : Vessel.Handling.TILTED,
                Vessel.Build.HEAVY,
                Optional.ofNullable(v.heatKw()).map(Power::ofKilowatts));
    }

    private ContainerSplit.Owned container(CourseJson.CourseContainerIn c, Defaults defaults) {
        Container shaped = reader.container(c, 0, defaults);
        return new ContainerSplit.Owned(
                new Container(c.name(), shaped.shape(), shaped.wall(), shaped.thick(), shaped.holds()), c.count());
    }

    private static Chiller chiller(CourseJson.ChillerIn c, Defaults defaults) {
        Chiller.Kind kind = CalcReader.word(Chiller.Kind.class, "kind", c.kind());
        boolean blast = kind == Chiller.Kind.BLAST;
        return new Chiller(
                Optional.ofNullable(c.name()).orElse(c.kind()),
                kind,
                blast
                        ? defaults.or("kitchen.chillers.litres", c.litres(), BLAST_L)
                        : Optional.ofNullable(c.litres()).orElse((double) Chiller.MOST_L),
                Temperature.ofCelsius(blast ? defaults.or("kitchen.chillers.airC", c.airC(), BLAST_C) : 0),
                Optional.ofNullable(c.iceKg()).orElse(0.0),
                Optional.ofNullable(c.iceKgPerH()).orElse(0.0));
    }

    private static Rota rota(CourseJson.KitchenIn in, Defaults defaults) {
        ZoneId zone = zone(defaults.or("kitchen.zone", in.zone(), "UTC"));
        if (in.hours() == null || in.hours().isEmpty()) {
            defaults.or("kitchen.hours", null, "every day 08:00 to 22:00, one cook");
            return Rota.daily(zone, LocalTime.of(8, 0), LocalTime.of(22, 0));
        }
        return new Rota(
                zone,
                each(
                        "kitchen.hours",
                        in.hours(),
                        h -> new Rota.Hours(days(h.days()), h.from(), h.to(), h.cooks() == null ? 1 : h.cooks())));
    }

    private static ZoneId zone(String id) {
        try {
            return ZoneId.of(id);
        } catch (DateTimeException unknown) {
            throw Refusal.of("kitchen.zone", "nobody knows this time zone");
        }
    }

    private static Set<DayOfWeek> days(List<String> words) {
        if (words == null || words.isEmpty()) {
            return EnumSet.allOf(DayOfWeek.class);
        }
        return words.stream().map(CourseReader::day).collect(Collectors.toSet());
    }

    private static DayOfWeek day(String word) {
        String wanted = word.toUpperCase(Locale.ROOT);
        return Stream.of(DayOfWeek.values())
                .filter(day ->
                        wanted.length() >= SHORTEST_DAY_NAME && day.name().startsWith(wanted))
                .findFirst()
                .orElseThrow(() -> Refusal.of("days", "one of mon, tue, wed, thu, fri, sat, sun"));
    }
}
