package potamos.server.calc;

import static potamos.core.quantity.Refusal.unlessGiven;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.charge.Pot;
import potamos.core.cooling.Container;
import potamos.core.cooling.Medium;
import potamos.core.figure.Figure;
import potamos.core.formula.Beds;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.formula.Draw;
import potamos.core.formula.Formula;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.heat.Cover;
import potamos.core.quantity.Basis;
import potamos.core.quantity.Estimate;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;
import potamos.core.safety.LimitProfile;
import potamos.core.vessel.BedKind;
import potamos.core.vessel.Shape;
import potamos.core.vessel.Vessel;
import potamos.server.exchange.FormulaForm;
import potamos.server.exchange.FormulaJson;
import potamos.server.exchange.SchoolsJson;
import potamos.server.problems.Unreadable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Callers' figures made into the core's values, with the book standing in for what they left out. */
@Component
class CalcReader {

    private static final double KAPPA_SD = 0.2;

    /** Of a profile that is told inline; no cooling is judged by them. */
    private static final Temperature HOT_HOLD = Temperature.ofCelsius(60);

    private static final Temperature COLD_STORE = Temperature.ofCelsius(5);
    private static final int COLD_DAYS = 3;

    /** A steel pot of 2 mm weighs about so much for each dm² of its wall. */
    private static final double METAL_KG_PER_DM2 = 0.16;

    private final JsonMapper json;

    CalcReader(JsonMapper json) {
        this.json = json;
    }

    /** A formula by the slug of the book, or inline. */
    Formula formula(Object given) {
        if (given instanceof String slug) {
            return Book.formulas().stream()
                    .filter(f -> f.slug().equals(slug))
                    .findFirst()
                    .orElseThrow(() -> Refusal.of(
                            "formula",
                            "the book has no formula of this slug; it has "
                                    + String.join(
                                            ", ",
                                            Book.formulas().stream()
                                                    .map(Formula::slug)
                                                    .toList())));
        }
        if (!(given instanceof Map)) {
            throw Refusal.of("formula", "a slug of the book, or a formula in the open format");
        }
        try {
            return FormulaForm.read(json.convertValue(given, FormulaJson.class));
        } catch (JacksonException unreadable) {
            throw Unreadable.refusal("formula", unreadable);
        }
    }

    Goal goal(CalcJson.GoalIn goal) {
        return switch (unlessGiven("goal.kind", goal.kind())) {
            case "yield" -> new Goal.Litres(Volume.ofLitres(unlessGiven("goal.litres", goal.litres())));
            case "water" -> new Goal.WaterDrawn(Volume.ofLitres(unlessGiven("goal.litres", goal.litres())));
            case "bed" -> new Goal.BedInHand(Mass.ofKg(unlessGiven("goal.kg", goal.kg())));
            case "vessel" -> new Goal.FullVessel();
            default -> throw Refusal.of("goal.kind", "one of yield, bed, vessel, water");
        };
    }

    Charge charge(CalcJson.ChargeAsked in, Defaults defaults) {
        Air air = air(in.altitudeM(), in.air(), defaults);
        Formula written = formula(unlessGiven("formula", in.formula()));
        Formula formula = SchoolsJson.read(in.school()).applyTo(written).drawing(draws(in.draws()));
        double heat = Refusal.unlessWithin("heatKw", defaults.or("heatKw", in.heatKw(), 4.5), 0.1, 100, "kW");
        Pot pot = new Pot(
                vessel(in.vessel(), defaults),
                new Burner("burner", Power.ofKilowatts(heat), 1),
                air,
                simmer(in.simmerC()),
                List.of(),
                Pot.BOOK_TAP);
        return ChargeSolver.solve(formula, pot, goal(unlessGiven("goal", in.goal())));
    }

    private static List<Draw> draws(List<CalcJson.DrawIn> given) {
        return given == null
                ? List.of()
                : given.stream()
                        .map(draw -> new Draw(
                                "",
                                "stock",
                                Volume.ofLitres(unlessGiven("draws.litres", draw.litres())),
                                new Contents(
                                        allergens("draws.allergens", draw.allergens()),
                                        Set.of(),
                                        draw.gelatinGPerL() == null ? 0 : draw.gelatinGPerL(),
                                        draw.allergens() == null),
                                draw.saltGPerL() == null ? 0 : draw.saltGPerL()))
                        .toList();
    }

    /** Allergens by their words; none where none are told. */
    static Set<Allergen> allergens(String field, List<String> words) {
        return words == null
                ? Set.of()
                : words.stream().map(word -> word(Allergen.class, field, word)).collect(Collectors.toSet());
    }

    Air air(Double altitudeM, CalcJson.AirIn given, Defaults defaults) {
        CalcJson.AirIn air = given == null ? new CalcJson.AirIn(null, null, null) : given;
        return new Air(
                Length.ofCm(finite("altitudeM", defaults.or("altitudeM", altitudeM, 0.0)) * 100),
                celsius("air.temperatureC", defaults.or("air.temperatureC", air.temperatureC(), 26.0)),
                defaults.or("air.humidity", air.humidity(), 0.6),
                defaults.or("air.speedMS", air.speedMS(), 0.1));
    }

    Vessel vessel(CalcJson.VesselAsked given, Defaults defaults) {
        CalcJson.VesselAsked v =
                given == null ? new CalcJson.VesselIn(null, null, null, null, null, null, null, null) : given;
        Shape shape = switch (defaults.or("vessel.shape", v.shape(), "cylinder")) {
            case "cylinder" ->
                new Shape.Cylinder(
                        cm("diameterCm", defaults.or("vessel.diameterCm", v.diameterCm(), 36.0)),
                        cm("heightCm", defaults.or("vessel.heightCm", v.heightCm(), 40.0)));
            case "pan" ->
                new Shape.Pan(
                        cm("lengthCm", defaults.or("vessel.lengthCm", v.lengthCm(), 53.0)),
                        cm("breadthCm", defaults.or("vessel.breadthCm", v.breadthCm(), 32.5)),
                        cm("heightCm", defaults.or("vessel.heightCm", v.heightCm(), 20.0)));
            case "kettle" ->
                new Shape.Kettle(
                        cm("diameterCm", defaults.or("vessel.diameterCm", v.diameterCm(), 55.0)),
                        cm("heightCm", defaults.or("vessel.heightCm", v.heightCm(), 40.0)),
                        cm("bowlCm", defaults.or("vessel.bowlCm", v.bowlCm(), 12.0)));
            default -> throw Refusal.of("vessel.shape", "one of cylinder, pan, kettle");
        };
        double kappa = Refusal.unlessWithin("kappa", defaults.or("vessel.kappa", v.kappa(), 0.8), 0.05, 5, "");
        double metal = defaults.or("vessel.metalKg", v.metalKg(), shape.wettedDm2(shape.height()) * METAL_KG_PER_DM2);
        Refusal.unlessWithin("metalKg", metal, 0.1, 500, "kg");
        return new Vessel(
                "vessel",
                shape,
                new Estimate(kappa, kappa * KAPPA_SD, Basis.BOOK_DEFAULT),
                Mass.ofKg(metal),
                Vessel.Handling.LIFTED);
    }

    BedKind bed(CalcJson.BedIn given, Defaults defaults) {
        String id = defaults.or("bed.kind", given.kind(), "chicken-carcass");
        BedKind book = Beds.find(id)
                .orElseThrow(
                        () -> Refusal.noneOf("bed.kind", Beds.all().stream().map(BedKind::id)));
        double scum =
                defaults.or("bed.scumGPerKg", given.scumGPerKg(), book.scum().rawG());
        Refusal.unlessWithin("scumGPerKg", scum, 0, 200, "g/kg");
        double uptake = defaults.or("bed.uptakeLPerKg", given.uptakeLPerKg(), book.uptakeDrained());
        return new BedKind(
                book.id(),
                book.name(),
                defaults.or("bed.bulkKgPerL", given.bulkKgPerL(), book.bulkKgPerL()),
                defaults.or("bed.trueKgPerL", given.trueKgPerL(), book.trueKgPerL()),
                defaults.or("bed.collagenGPerKg", given.collagenGPerKg(), book.collagenGPerKg()),
                defaults.or("bed.halfTimeH", given.halfTimeH(), book.halfTimeH()),
                defaults.or("bed.fatGPerKg", given.fatGPerKg(), book.fatGPerKg()),
                new BedKind.Scum(scum, scum, scum),
                uptake,
                uptake,
                defaults.or("bed.settlesTo", given.settlesTo(), book.settlesTo()),
                book.heatKjPerKgK());
    }

    Container container(CalcJson.ContainerAsked given, double litresEach, Defaults defaults) {
        CalcJson.ContainerAsked c =
                given == null ? new CalcJson.ContainerIn(null, null, null, null, null, null, null, null) : given;
        Shape shape = switch (defaults.or("container.shape", c.shape(), "cylinder")) {
            case "cylinder" ->
                new Shape.Cylinder(
                        cm("diameterCm", defaults.or("container.diameterCm", c.diameterCm(), 24.0)),
                        cm("heightCm", defaults.or("container.heightCm", c.heightCm(), 25.0)));
            case "pan" ->
                new Shape.Pan(
                        cm("lengthCm", defaults.or("container.lengthCm", c.lengthCm(), 53.0)),
                        cm("breadthCm", defaults.or("container.breadthCm", c.breadthCm(), 32.5)),
                        cm("heightCm", defaults.or("container.heightCm", c.heightCm(), 6.5)));
            default -> throw Refusal.of("container.shape", "one of cylinder, pan");
        };
        Container.Wall wall = word(
                Container.Wall.class, "container.material", defaults.or("container.material", c.material(), "steel"));
        double brimful = shape.brimful().litres();
        if (litresEach > brimful) {
            throw Refusal.outside("stock.litres", "more than the container holds", 0.05, brimful, "L each");
        }
        return new Container(
                "container",
                shape,
                wall,
                Length.ofMm(defaults.or("container.wallMm", c.wallMm(), 1.0)),
                shape.brimful());
    }

    Medium medium(CalcJson.MediumIn m, double litres, Defaults defaults) {
        return switch (unlessGiven("medium.kind", m.kind())) {
            case "ice-bath" ->
                new Medium.IceBath(
                        Mass.ofKg(defaults.or("medium.iceKg", m.iceKg(), litres)),
                        Mass.ofKg(defaults.or("medium.waterKg", m.waterKg(), Math.max(1, litres))),
                        air("medium.waterC", defaults.or("medium.waterC", m.waterC(), Pot.BOOK_TAP.celsius())),
                        defaults.or("medium.stirred", m.stirred(), true));
            case "cold-store" -> new Medium.ColdStore(air("medium.airC", defaults.or("medium.airC", m.airC(), 3.0)));
            case "blast" -> new Medium.Blast("", air("medium.airC", defaults.or("medium.airC", m.airC(), -5.0)));
            case "ice-paddle" ->
                new Medium.IcePaddle(
                        Mass.ofKg(defaults.or("medium.iceKg", m.iceKg(), 5.0)),
                        air("medium.airC", defaults.or("medium.airC", m.airC(), 22.0)));
            default -> throw Refusal.of("medium.kind", "one of ice-bath, cold-store, blast, ice-paddle");
        };
    }

    LimitProfile profile(String given, Defaults defaults) {
        String id = defaults.or("profile", given, "us-food-code");
        List<LimitProfile> shipped = LimitProfile.shipped();
        return shipped.stream()
                .filter(p -> p.id().equals(id))
                .findFirst()
                .orElseThrow(() -> Refusal.noneOf("profile", shipped.stream().map(LimitProfile::id)));
    }

    /** A profile that ships, by its id, or one told inline. */
    LimitProfile limits(Object given, Defaults defaults) {
        if (given == null || given instanceof String) {
            return profile((String) given, defaults);
        }
        if (!(given instanceof Map)) {
            throw Refusal.of("profile", "the id of a profile that ships, or one with its stages");
        }
        try {
            CalcJson.ProfileIn in = json.convertValue(given, CalcJson.ProfileIn.class);
            List<LimitProfile.Stage> stages = unlessGiven("profile.stages", in.stages()).stream()
                    .map(stage -> new LimitProfile.Stage(
                            celsius("profile.stages.fromC", unlessGiven("profile.stages.fromC", stage.fromC())),
                            celsius("profile.stages.toC", unlessGiven("profile.stages.toC", stage.toC())),
                            minutes(
                                    "profile.stages.withinMin",
                                    unlessGiven("profile.stages.withinMin", stage.withinMin()))))
                    .toList();
            double reheat = defaults.or("profile.reheatC", in.reheatC(), 74.0);
            double within = defaults.or("profile.reheatWithinMin", in.reheatWithinMin(), 120.0);
            return new LimitProfile(
                    "inline",
                    "inline",
                    "",
                    stages,
                    HOT_HOLD,
                    COLD_STORE,
                    celsius("profile.reheatC", reheat),
                    minutes("profile.reheatWithinMin", within),
                    Optional.ofNullable(in.beginWithinMin()).map(min -> minutes("profile.beginWithinMin", min)),
                    COLD_DAYS,
                    0);
        } catch (JacksonException unreadable) {
            throw Unreadable.refusal("profile", unreadable);
        }
    }

    private static Duration minutes(String field, double minutes) {
        return Duration.ofSeconds((long) (Refusal.unlessWithin(field, minutes, 1, 48 * 60, "min") * 60));
    }

    Optional<Temperature> simmer(Double simmerC) {
        return Optional.ofNullable(simmerC).map(c -> celsius("simmerC", c));
    }

    Cover cover(String given, Defaults defaults) {
        return word(Cover.class, "cover", defaults.or("cover", given, "open"));
    }

    static <E extends Enum<E>> E word(Class<E> type, String field, String word) {
        return Figure.constant(type, word)
                .orElseThrow(() ->
                        Refusal.noneOf(field, Stream.of(type.getEnumConstants()).map(Figure::word)));
    }

    private static Length cm(String field, double cm) {
        return Length.ofCm(Refusal.unlessWithin(field, cm, 1, 300, "cm"));
    }

    static Temperature celsius(String field, double celsius) {
        return Temperature.ofCelsius(Refusal.unlessWithin(field, celsius, -30, 130, "°C"));
    }

    private static Temperature air(String field, double celsius) {
        return Temperature.ofCelsius(Refusal.unlessWithin(field, celsius, -45, 40, "°C"));
    }

    private static double finite(String field, double value) {
        return Refusal.unlessWithin(field, value, -430, 5500, "m");
    }
}
