package potamos.server.charges;

import io.soabase.recordbuilder.core.RecordBuilder;
import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Roasting;
import potamos.core.course.Use;
import potamos.core.flow.Forecaster;
import potamos.core.flow.Ledger;
import potamos.core.flow.Run;
import potamos.core.flow.Why;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;
import potamos.core.formula.Liquid;
import potamos.core.formula.Usual;
import potamos.core.larder.Goods;
import potamos.core.larder.Larder;
import potamos.core.quantity.Temperature;
import potamos.core.safety.Allergen;
import potamos.core.safety.Caution;
import potamos.server.exchange.SchoolsJson;
import potamos.server.kitchen.Drawn;
import potamos.server.kitchen.Kitchens;

/** A charge in plain figures. */
@RecordBuilder
@RecordBuilder.Options(builderMode = RecordBuilder.BuilderMode.STAGED)
public record ChargeView(
        @NotNull String formula,
        @NotNull String formulaName,
        @NotNull Family family,
        @NotNull Drawn vessel,
        @NotNull Run.Heat heat,
        Optional<Double> ovenC,
        Optional<String> burnerId,
        Optional<String> burnerName,
        @NotNull String bedName,
        double bedKg,
        double waterL,
        double waterLPerKg,
        @NotNull List<DrawView> draws,
        double restL,
        @NotNull Liquid.Kind restKind,
        @NotNull List<Allergen> allergens,
        boolean allergensUnknown,
        @NotNull List<PartView> parts,
        @NotNull List<CoverView> larder,
        @NotNull LevelsView levels,
        @NotNull ForecastView forecast,
        @NotNull LedgerView ledger,
        @NotNull List<WhyView> why,
        @NotNull List<WarningView> warnings,
        boolean fits,
        double mostOutL,
        @NotNull CharacterView character,
        double boilDownMin,
        double deglazeL,
        Optional<RoastView> roast,
        @NotNull List<ShareView> bed,
        double bedInPotKg,
        @NotNull SchoolsJson schools,
        @NotNull List<UsualView> unusual,
        int simmerMin,
        int leastSimmerMin,
        int mostSimmerMin,
        @NotNull CoolingView cooling,
        Optional<PlanView> plan,
        @NotNull List<FitView> vessels,
        @NotNull List<BurnerFitView> burners,
        @NotNull List<Caution> cautions) {

    /** One of the reasons for the litres expected: what moves them, what that rests on, and its part of what is not known. */
    public record WhyView(
            @NotNull Ledger.Cause term,
            double litres,
            boolean inward,
            @NotNull Why.Basis basis,
            double bandShare) {
        public static List<WhyView> of(List<Why> why) {
            return why.stream()
                    .map(w ->
                            new WhyView(w.term(), w.litres().litres(), w.term().inward(), w.basis(), w.bandShare()))
                    .toList();
        }
    }

    /** A part to weigh; {@code intoTheSimmerMin} 0 means with the bed. */
    public record PartView(
            @NotNull String id,
            @NotNull String name,
            @NotNull String kind,
            double kg,
            long intoTheSimmerMin,
            double cutMm) {}

    /**
     * What the larder has of the bed or a part when it is begun.
     *
     * @param goods    a kind of bed, or the id of a part
     * @param thereKg  ready to be used, of it {@code trimKg} the kitchen's own trim
     * @param frozenKg still to be thawed
     * @param lacksKg  neither
     * @param first    until when the first of it may be used; nothing where it keeps
     */
    public record CoverView(
            @NotNull String goods,
            @NotNull String name,
            double wantedKg,
            double thereKg,
            double trimKg,
            double frozenKg,
            double lacksKg,
            Optional<LocalDate> first) {
        static CoverView of(Larder.Cover cover) {
            return new CoverView(
                    cover.goods(),
                    Goods.nameOf(cover.goods()),
                    cover.wanted().kg(),
                    cover.there().kg(),
                    cover.draws().stream()
                            .filter(draw -> draw.box().trim())
                            .mapToDouble(draw -> draw.mass().kg())
                            .sum(),
                    cover.toThaw().kg(),
                    cover.missing().kg(),
                    cover.draws().stream()
                            .findFirst()
                            .flatMap(draw -> draw.box().useBy()));
        }
    }

    /** A kind of bed in the mix; {@code leftOver} where nobody delivers it, for it comes out of another pot. */
    public record ShareView(@NotNull String kind, @NotNull String name, double share, double kg, boolean leftOver) {}

    /** Something outside what the trade calls usual. */
    public record UsualView(
            @NotNull Usual.Matter matter,
            @NotNull String field,
            double value,
            double low,
            double high,
            @NotNull String unit) {
        public static List<UsualView> of(Formula formula) {
            return Usual.remarks(formula).stream()
                    .map(r -> new UsualView(
                            r.matter(),
                            r.field(),
                            r.value(),
                            r.usual().low(),
                            r.usual().high(),
                            r.unit()))
                    .toList();
        }
    }

    /** Heights above the bottom. */
    public record LevelsView(
            double filledCm,
            double highestCm,
            double bedRawCm,
            double bedSettledCm,
            double fillLineCm,
            double filledBelowRimCm,
            double coverCm) {}

    /** The roast: which oven, how full, how long each load. */
    public record RoastView(
            @NotNull String oven,
            double ovenC,
            double shade,
            int trays,
            double crowd,
            int loads,
            @NotNull BandView minutes,
            long turnEveryMin) {
        static RoastView of(Roasting roasting) {
            return new RoastView(
                    roasting.oven(),
                    roasting.at().celsius(),
                    roasting.shade(),
                    roasting.trays(),
                    roasting.crowd(),
                    roasting.loads(),
                    BandView.of(roasting.minutes()),
                    roasting.turnEvery().toMinutes());
        }
    }

    public record EntryView(@NotNull Ledger.Cause cause, double litres, boolean inward) {}

    public record LedgerView(@NotNull List<EntryView> entries, double yieldL, double unexplainedL) {
        public static LedgerView of(Ledger ledger) {
            return new LedgerView(
                    ledger.entries().stream()
                            .map(e -> new EntryView(
                                    e.cause(), e.amount().litres(), e.cause().inward()))
                            .toList(),
                    ledger.yield().litres(),
                    ledger.unexplained().litres());
        }
    }

    public record WarningView(
            @NotNull String kind,
            double value,
            double limit,
            @NotNull String unit,
            boolean stops) {}

    public record StepView(
            @NotNull Stage stage,
            @NotNull Instant from,
            @NotNull Instant to) {
        public static List<StepView> of(Timeline timeline) {
            return timeline.steps().stream()
                    .map(s -> new StepView(s.stage(), s.from(), s.to()))
                    .toList();
        }
    }

    /** {@code spareMin} is negative when it comes too late. */
    public record PlanView(
            @NotNull List<StepView> steps,
            @NotNull Instant startAt,
            @NotNull Instant readyAt,
            boolean inTime,
            boolean attended,
            Optional<Use.Kind> taken,
            long spareMin) {}

    /** A burner, and whether no other vessel stands on it. */
    public record BurnerFitView(@NotNull String id, @NotNull String name, double ratedKw, boolean free) {}

    public record FitView(@NotNull String id, @NotNull String name, double brimfulL, boolean fits, boolean free) {}

    static ChargeView of(Planning.Proposed proposed, Instant readyBy, Instant now) {
        Charge charge = proposed.charge();
        Formula formula = charge.formula();
        Charge.Levels levels = charge.levels();
        return ChargeViewBuilder.builder()
                .formula(formula.slug())
                .formulaName(formula.name())
                .family(formula.family())
                .vessel(Drawn.of(proposed.vessel().id(), charge.run().vessel()))
                .heat(charge.run().heat())
                .ovenC(charge.run().simmer().oven().map(Temperature::celsius))
                .burnerId(proposed.burner().map(Kitchens.Thing::id))
                .burnerName(proposed.burner().map(Kitchens.Thing::name))
                .bedName(charge.run().bed().kind().name())
                .bedKg(charge.run().raw().kg())
                .waterL(charge.water().litres())
                .waterLPerKg(
                        charge.run().raw().kg() > 0
                                ? charge.water().litres() / charge.run().raw().kg()
                                : 0)
                .draws(DrawView.of(charge))
                .restL(charge.rest().litres())
                .restKind(formula.fill().liquid().kind())
                .allergens(List.copyOf(charge.contents().allergens()))
                .allergensUnknown(charge.contents().unknown())
                .parts(parts(charge))
                .larder(
                        proposed
                                .larder()
                                .covers(
                                        charge,
                                        proposed.times()
                                                .map(t -> t.timeline().start())
                                                .orElse(now))
                                .stream()
                                .map(CoverView::of)
                                .toList())
                .levels(new LevelsView(
                        levels.filled().cm(),
                        levels.highest().cm(),
                        levels.bedRaw().cm(),
                        levels.bedSettled().cm(),
                        levels.fillLine().cm(),
                        charge.run().vessel().belowRim(levels.filled()).cm(),
                        levels.cover().cm()))
                .forecast(ForecastView.of(charge))
                .ledger(LedgerView.of(charge.forecast().ledger()))
                .why(WhyView.of(Forecaster.why(charge.run(), charge.forecast())))
                .warnings(charge.warnings().stream()
                        .map(w -> new WarningView(
                                w.kind().name(),
                                w.value(),
                                w.limit(),
                                w.unit(),
                                w.kind().stops()))
                        .toList())
                .fits(charge.fits())
                .mostOutL(proposed.mostOutL())
                .character(CharacterView.of(charge))
                .boilDownMin(charge.boilDownMin())
                .deglazeL(charge.deglazing().litres())
                .roast(charge.roasting().map(RoastView::of))
                .bed(formula.bed().stream()
                        .map(b -> new ShareView(
                                b.kind().id(),
                                b.kind().name(),
                                b.share(),
                                b.share() * charge.run().raw().kg(),
                                Goods.leftOver(b.kind().id())))
                        .toList())
                .bedInPotKg(charge.run().bed().mass().kg())
                .schools(SchoolsJson.standing(proposed.base(), formula))
                .unusual(UsualView.of(formula))
                .simmerMin((int) formula.simmer().usual().toMinutes())
                .leastSimmerMin((int) formula.simmer().least().toMinutes())
                .mostSimmerMin((int) formula.simmer().most().toMinutes())
                .cooling(CoolingView.of(proposed.cooling(), proposed.kitchen().limits()))
                .plan(proposed.times()
                        .map(t -> new PlanView(
                                StepView.of(t.timeline()),
                                t.timeline().start(),
                                t.timeline().ready(),
                                t.inTime(),
                                t.attended(),
                                t.taken(),
                                Duration.between(t.timeline().ready(), readyBy).toMinutes())))
                .vessels(proposed.fits().stream()
                        .map(f -> new FitView(
                                f.vessel().id(),
                                f.vessel().name(),
                                f.vessel().figures().shape().brimful().litres(),
                                f.fits(),
                                f.free()))
                        .toList())
                .burners(proposed.burners().stream()
                        .map(b -> new BurnerFitView(
                                b.burner().id(),
                                b.burner().name(),
                                b.burner().figures().rated().watts() / 1000,
                                b.free()))
                        .toList())
                .cautions(formula.cautions())
                .build();
    }

    public static List<PartView> parts(Charge charge) {
        return charge.measures().stream()
                .map(m -> new PartView(
                        m.part().id(),
                        m.part().name(),
                        m.part().kind().name(),
                        m.mass().kg(),
                        ChargeSolver.intoTheSimmer(
                                        m.part(), charge.formula().simmer().usual())
                                .toMinutes(),
                        m.part().cutMm()))
                .toList();
    }
}
