package potamos.server.calc;

import static potamos.core.figure.Figure.word;
import static potamos.core.quantity.Refusal.unlessGiven;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.security.SecurityRequirement;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.charge.Charge;
import potamos.core.cooling.Container;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.Foreseen;
import potamos.core.cooling.Medium;
import potamos.core.figure.Figure;
import potamos.core.flow.Forecast;
import potamos.core.flow.Forecaster;
import potamos.core.flow.Ledger;
import potamos.core.flow.Run;
import potamos.core.formula.Conversion;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Item;
import potamos.core.formula.Liquid;
import potamos.core.formula.Pantry;
import potamos.core.formula.PotPhase;
import potamos.core.formula.PotPhase.TopUp.Keeps;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.heat.SimmerBand;
import potamos.core.liquor.CutAdviser;
import potamos.core.liquor.Diffusion;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.LimitProfile;
import potamos.core.vessel.Bed;
import potamos.core.vessel.BedKind;
import potamos.core.vessel.Vessel;
import potamos.server.charges.BandView;
import potamos.server.charges.ChargeView;

/** Calculations over HTTP. They store nothing and read nothing that is stored. */
@RestController
@RequestMapping("/api/calc")
@Tag(name = "calculations", description = "Everything inline; a token of the kitchen opens them.")
@SecurityRequirement(name = "token")
class CalcEndpoint {

    private static final double HOLD_DROP_CM = 2.5;

    private final CalcReader reader;

    CalcEndpoint(CalcReader reader) {
        this.reader = reader;
    }

    @PostMapping("/charge")
    @Operation(summary = "A formula in a vessel, solved from the yield, the bed, the vessel or the water")
    CalcJson.ChargeOut charge(@Valid @RequestBody CalcJson.ChargeIn in) {
        Defaults defaults = new Defaults();
        Charge charge = reader.charge(in, defaults);
        Forecast forecast = charge.forecast();
        return new CalcJson.ChargeOut(
                charge.run().raw().kg(),
                charge.water().litres(),
                ChargeView.parts(charge).stream()
                        .map(p -> new CalcJson.PartOut(
                                p.id(),
                                p.name(),
                                p.kind().toLowerCase(java.util.Locale.ROOT),
                                p.kg(),
                                p.intoTheSimmerMin(),
                                p.cutMm()))
                        .toList(),
                charge.run().vessel().belowRim(charge.levels().filled()).cm(),
                charge.levels().cover().cm(),
                charge.fits(),
                BandView.of(forecast.yield()),
                ledger(forecast.ledger()),
                charge.warnings().stream()
                        .map(w -> new CalcJson.WarningOut(
                                word(w.kind()),
                                w.value(),
                                w.limit(),
                                w.unit(),
                                w.kind().stops()))
                        .toList(),
                forecast.bringUpMin(),
                forecast.simmerMin(),
                charge.boilDownMin(),
                forecast.gelatinGPerL(),
                BandView.of(forecast.spread().gelatinGPerL()),
                word(forecast.body()),
                charge.character().clarity().index(),
                charge.character().salt().afterGPerL(),
                charge.character().sulphitesMgPerL(),
                charge.contents().allergens().stream().map(Figure::word).toList(),
                charge.contents().unknown(),
                defaults.taken());
    }

    @PostMapping("/simmer")
    @Operation(summary = "A pot at its simmer, minute by minute: litres, level, steam, gelatin, top-ups, ledger")
    CalcJson.SimmerOut simmer(@Valid @RequestBody CalcJson.SimmerIn in) {
        Defaults defaults = new Defaults();
        Air air = reader.air(in.altitudeM(), in.air(), defaults);
        Vessel vessel = reader.vessel(in.vessel(), defaults);
        double boiling = air.boilingPoint().celsius();
        double lazy = SimmerBand.LAZY.middle(air.boilingPoint()).celsius();
        Temperature at = Temperature.ofCelsius(
                Refusal.unlessWithin("simmerC", defaults.or("simmerC", in.simmerC(), lazy), 40, boiling, "°C"));
        Duration length = minutes("simmerMin", in.simmerMin(), 1, 48 * 60);
        double step = Refusal.unlessWithin("stepMin", defaults.or("stepMin", in.stepMin(), 10.0), 1, 60, "min");
        Run run = run(in, defaults, air, vessel, at, length);
        room(run);
        Forecast forecast = Forecaster.of(run, step);
        return new CalcJson.SimmerOut(
                forecast.course().stream()
                        .skip(1)
                        .map(p -> new CalcJson.PointOut(
                                p.minute(),
                                p.contentsL() - run.bed().displacedVolume().litres(),
                                vessel.belowRim(Length.ofCm(p.levelCm())).cm(),
                                p.celsius(),
                                p.evaporatedL(),
                                p.gelatinGPerL()))
                        .limit((long) Math.ceil(length.toSeconds() / 60.0 / step) + 1)
                        .toList(),
                ledger(forecast.ledger()),
                boiling,
                boxed(forecast.bedBareAtMin()),
                forecast.topUps().stream()
                        .map(t -> new CalcJson.TopUpOut(t.minute(), t.water().litres()))
                        .toList(),
                defaults.taken());
    }

    private Run run(CalcJson.SimmerIn in, Defaults defaults, Air air, Vessel vessel, Temperature at, Duration length) {
        BedKind kind = reader.bed(in.bed(), defaults);
        double kg = Refusal.unlessWithin(
                "bed.massKg", unlessGiven("bed.massKg", in.bed().massKg()), 0.05, 400, "kg");
        double water = Refusal.unlessWithin("waterL", unlessGiven("waterL", in.waterL()), 0.1, 500, "L");
        String topUp = defaults.or("topUp", in.topUp(), "none");
        PotPhase.TopUp kept = switch (topUp) {
            case "none" -> PotPhase.TopUp.none();
            case "hold" -> new PotPhase.TopUp(Keeps.HELD, Length.ofCm(HOLD_DROP_CM), at);
            case "rounds" -> new PotPhase.TopUp(Keeps.IN_ROUNDS, Length.ZERO, at);
            default -> throw Refusal.of("topUp", "one of none, hold, rounds");
        };
        PotPhase.Simmer simmer = new PotPhase.Simmer(
                SimmerBand.LAZY,
                length,
                Duration.ZERO,
                length,
                reader.cover(in.cover(), defaults),
                kept,
                new PotPhase.Skim(Duration.ofMinutes(15), Duration.ofMinutes(75), Duration.ofMinutes(45)));
        return new Run(
                vessel,
                new Bed(kind, Mass.ofKg(kg)),
                Mass.ofKg(kg),
                BedKind.Preparation.RAW,
                Liquid.WATER,
                Volume.ofLitres(water),
                at,
                Volume.ZERO,
                List.of(),
                List.of(),
                simmer,
                at,
                0,
                new FinishPhase.Strain(1, false, FinishPhase.Transfer.LADLE),
                Run.Reduction.NONE,
                false,
                air,
                new Burner("burner", Power.ofKilowatts(4.5), 1));
    }

    private static void room(Run run) {
        double brimful = run.vessel().shape().brimful().litres();
        double bed = run.bed().displacedVolume().litres();
        if (run.filling().litres() > brimful) {
            throw Refusal.outside("waterL", "it would run over", 0.1, Math.max(0.1, brimful - bed), "L");
        }
    }

    @PostMapping("/cooling")
    @Operation(summary = "A stock in its container and medium, against a limit profile")
    CalcJson.CoolingOut cooling(@Valid @RequestBody CalcJson.CoolingIn in) {
        Defaults defaults = new Defaults();
        double litres = Refusal.unlessWithin(
                "stock.litres", unlessGiven("stock.litres", in.stock().litres()), 0.05, 1000, "L");
        double start = Refusal.unlessWithin(
                "stock.startC",
                defaults.or("stock.startC", in.stock().startC(), CoolingPlan.STRAINED.celsius()),
                0,
                100,
                "°C");
        Integer asked = in.container() == null ? null : in.container().count();
        int count = defaults.or("container.count", asked, 1);
        Refusal.unlessWithin("container.count", count, 1, 200, "containers");
        Container container = reader.container(in.container(), litres / count, defaults);
        Medium medium = reader.medium(in.medium(), litres, defaults);
        LimitProfile profile = reader.profile(in.profile(), defaults);
        CoolingPlan plan = new CoolingPlan(
                Volume.ofLitres(litres),
                Temperature.ofCelsius(start),
                container,
                count,
                List.of(new CoolingPlan.Leg(medium, profile.coldest())),
                defaults.or("stock.sets", in.stock().sets(), true));
        CoolingCurve curve = Cooler.curve(plan);
        Foreseen foreseen = Foreseen.of(curve, profile);
        return new CalcJson.CoolingOut(
                curve.points().stream()
                        .map(p -> new CalcJson.CurvePointOut(p.minute(), p.stockC(), p.coreC(), p.mediumC()))
                        .toList(),
                crossings(plan, curve, profile),
                Cooler.iceNeeded(plan.litres(), plan.from(), firstStageEnd(profile))
                        .kg(),
                plan.bath()
                        .map(bath -> Cooler.iceForBath(
                                        plan.litres(), plan.from(), profile.coldest(), bath.water(), bath.drawnAt())
                                .kg()),
                word(foreseen.verdict()),
                foreseen.stages().stream().map(CalcEndpoint::reason).toList(),
                defaults.taken());
    }

    /** The ice is counted down to where the first, quick stage ends; the cold store does the rest. */
    private static Temperature firstStageEnd(LimitProfile profile) {
        return profile.stages().get(0).to();
    }

    private static List<CalcJson.CrossingOut> crossings(CoolingPlan plan, CoolingCurve curve, LimitProfile profile) {
        List<Double> thresholds = new ArrayList<>();
        for (LimitProfile.Stage stage : profile.stages()) {
            thresholds.add(stage.from().celsius());
            thresholds.add(stage.to().celsius());
        }
        List<Temperature> downwards = thresholds.stream()
                .distinct()
                .sorted((a, b) -> Double.compare(b, a))
                .map(Temperature::ofCelsius)
                .toList();
        return Cooler.crossings(plan, curve, downwards).stream()
                .map(c -> new CalcJson.CrossingOut(
                        c.at().celsius(), boxed(c.minute()), boxed(c.earliest()), boxed(c.latest())))
                .toList();
    }

    private static Optional<Double> boxed(OptionalDouble value) {
        return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
    }

    private static String reason(Foreseen.Stage stage) {
        String takes = stage.takesMin().isPresent()
                ? String.format(
                        java.util.Locale.ROOT, "%.0f min", stage.takesMin().getAsDouble())
                : "longer than two days, if ever";
        return String.format(
                java.util.Locale.ROOT,
                "%s: %.0f to %.0f °C takes %s; %d min are allowed",
                word(stage.verdict()),
                stage.limits().from().celsius(),
                stage.limits().to().celsius(),
                takes,
                stage.limits().within().toMinutes());
    }

    @PostMapping("/cut")
    @Operation(summary = "How much of its flavour a cut gives to a simmer, and which cuts would fit")
    CalcJson.CutOut cut(@Valid @RequestBody CalcJson.CutIn in) {
        Defaults defaults = new Defaults();
        Temperature at = Temperature.ofCelsius(
                Refusal.unlessWithin("simmerC", defaults.or("simmerC", in.simmerC(), 93.0), 0, 110, "°C"));
        double minutes = Refusal.unlessWithin("simmerMin", unlessGiven("simmerMin", in.simmerMin()), 1, 48 * 60, "min");
        Diffusion.Cut cut = CalcReader.word(Diffusion.Cut.class, "cut", defaults.or("cut", in.cut(), "cube"));
        double edge = unlessGiven("edgeMm", in.edgeMm());
        CutAdviser advice = CutAdviser.of(cut, at, minutes);
        return new CalcJson.CutOut(
                Diffusion.spent(cut, edge, at, minutes),
                advice.largestMm(),
                advice.smallestMm(),
                word(advice.fitOf(edge)),
                defaults.taken());
    }

    @PostMapping("/convert")
    @Operation(summary = "Weights, volumes, counts and temperatures into each other")
    CalcJson.ConvertOut convert(@Valid @RequestBody CalcJson.ConvertIn in) {
        Optional<Item> item = Optional.ofNullable(in.item())
                .map(id -> Pantry.find(id).orElseThrow(() -> Refusal.of("item", "the book does not know it")));
        Conversion.Converted converted = Conversion.convert(
                unlessGiven("value", in.value()), unlessGiven("from", in.from()), unlessGiven("to", in.to()), item);
        return new CalcJson.ConvertOut(converted.value(), in.to(), word(converted.basis()));
    }

    private static Duration minutes(String field, Double minutes, double low, double high) {
        double value = Refusal.unlessWithin(field, unlessGiven(field, minutes), low, high, "min");
        return Duration.ofMillis((long) (value * 60_000 + 0.5));
    }

    static List<CalcJson.EntryOut> ledger(Ledger ledger) {
        List<CalcJson.EntryOut> entries = new ArrayList<>();
        for (Ledger.Entry entry : ledger.entries()) {
            entries.add(new CalcJson.EntryOut(
                    word(entry.cause()), entry.amount().litres(), entry.cause().inward()));
        }
        entries.add(new CalcJson.EntryOut("yield", ledger.yield().litres(), false));
        return entries;
    }
}
