package potamos.server.batches;

import io.soabase.recordbuilder.core.RecordBuilder;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import potamos.core.batch.BatchState;
import potamos.core.batch.Expectation;
import potamos.core.batch.JudgingCard;
import potamos.core.batch.Likely;
import potamos.core.batch.NotYet;
import potamos.core.batch.Outlook;
import potamos.core.batch.Plan;
import potamos.core.batch.Proposals;
import potamos.core.batch.PutAway;
import potamos.core.batch.SpentSign;
import potamos.core.batch.Stage;
import potamos.core.batch.Weighing;
import potamos.core.formula.Draw;
import potamos.core.formula.Liquid;
import potamos.core.formula.PrepPhase;
import potamos.core.liquor.Brix;
import potamos.core.safety.Allergen;
import potamos.core.safety.Kept;
import potamos.server.charges.BandView;
import potamos.server.charges.ChargeView;
import potamos.server.charges.CoolingView;
import potamos.server.charges.DrawView;
import potamos.server.charges.ForecastView;
import potamos.server.stations.Calls;

/** Everything about a batch. */
@RecordBuilder
@RecordBuilder.Options(builderMode = RecordBuilder.BuilderMode.STAGED)
record Page(
        @NotNull BatchView.Card card,
        Optional<CallRef> call,
        @NotNull List<CallRef> also,
        @NotNull Instant acceptedAt,
        double plannedBedKg,
        double plannedWaterL,
        double fillToCm,
        Optional<WeighingView> weighing,
        @NotNull BandView kappa,
        @NotNull List<ChargeView.WhyView> why,
        @NotNull String bedName,
        boolean blanched,
        int passes,
        double fatOnItL,
        @NotNull List<ChargeView.PartView> parts,
        @NotNull Map<String, Double> weighedKg,
        @NotNull Map<String, Instant> addedAt,
        @NotNull List<ChoreView> chores,
        @NotNull List<CardReadView> cards,
        @NotNull List<BrixView> brix,
        @NotNull List<BrixPoint> brixScale,
        @NotNull Map<String, LikelyView> likely,
        @NotNull List<BatchView.ProposalView> usual,
        @NotNull List<ChargeView.StepView> planned,
        @NotNull List<ChargeView.StepView> outlook,
        @NotNull List<EnteredView> path,
        @NotNull ForecastView forecast,
        @NotNull CoolingView coolingPlan,
        @NotNull ChargeView.LedgerView plannedLedger,
        @NotNull ChargeView.LedgerView ledger,
        @NotNull List<CoursePoint> course,
        double storedL,
        double deliveredL,
        double discardedL,
        @NotNull List<EventView> events,
        Optional<SaltView> salted,
        double deglazeL,
        @NotNull List<DrawView> draws,
        @NotNull Map<String, Double> drawnL,
        double plannedRestL,
        @NotNull Liquid.Kind restKind,
        @NotNull List<Integer> longerMin,
        @NotNull List<SpentSign> spentSigns,
        Optional<String> lotId,
        @NotNull List<LotRef> lots,
        double restL,
        boolean restHot,
        Optional<LeftView> left,
        Optional<CleanDownView> cleanDown,
        Optional<InsertedView> inserted) {

    /** The vessel, or else the strainer set and the ladle alone, held a stock that has to be cleaned off first. */
    record CleanDownView(
            boolean vessel,
            int afterBatch,
            @NotNull String formulaName,
            @NotNull List<Allergen> of) {}

    /** Litres put away together. */
    record LotRef(
            @NotNull String id,
            double litres,
            double leftL,
            @NotNull String place,
            @NotNull Kept kept,
            @NotNull String container,
            int containers,
            int cubes,
            boolean thawsFirst) {
        static LotRef of(PutAway.Lot lot) {
            return new LotRef(
                    lot.id(),
                    lot.litres().litres(),
                    lot.left().litres(),
                    lot.place(),
                    lot.kept(),
                    lot.container(),
                    lot.count(),
                    lot.cubesLeft(),
                    lot.thawsFirst());
        }
    }

    /** When the batch came to a stage. */
    record EnteredView(@NotNull Stage stage, @NotNull Instant at) {}

    /** A phase before the water: planned, under way or done. */
    record ChoreView(int step, @NotNull String phase, Optional<Instant> began, Optional<Instant> finished) {}

    record CardReadView(@NotNull Instant at, @NotNull JudgingCard card, double value) {}

    /** The refractometer, and the dissolved grams in a litre that it stands for. */
    record BrixView(@NotNull Instant at, double degrees, double gPerL) {}

    /** Within which figures a reading will most likely lie; beyond them the cook is asked. */
    record LikelyView(double low, double high) {}

    /** A bed that is not as planned, and the ways on; {@code shortL} is what each leaves open of the call. */
    record WeighingView(
            double plannedKg,
            double weighedKg,
            double calledL,
            @NotNull List<WayView> ways) {
        static WeighingView of(Weighing weighing) {
            return new WeighingView(
                    weighing.planned().kg(),
                    weighing.weighed().kg(),
                    weighing.called().litres(),
                    weighing.ways().stream()
                            .map(way -> new WayView(
                                    way.kind(),
                                    way.bed().kg(),
                                    way.water().litres(),
                                    BandView.of(way.out()),
                                    weighing.shortOf(way).litres(),
                                    way.gelatinGPerL(),
                                    way.fits()))
                            .toList());
        }
    }

    record WayView(
            @NotNull Weighing.Kind kind,
            double bedKg,
            double waterL,
            @NotNull BandView outL,
            double shortL,
            double gelatinGPerL,
            boolean fits) {}

    /** A call that it is made for, the first of them or also; {@code openL} is what nobody has planned of it. */
    record CallRef(
            @NotNull String id,
            @NotNull String stationName,
            double litres,
            double openL,
            @NotNull Calls.Status status) {}

    /** Salt that went in by mistake, and what it makes of the stock. */
    record SaltView(double addedKg, double gPerL, double afterGPerL, boolean tooMuch) {}

    record CoursePoint(
            @NotNull Instant at,
            double contentsL,
            double liquorL,
            double levelCm,
            double celsius,
            double gelatinGPerL) {}

    static Page of(
            Batches.Loaded loaded,
            List<CallRef> calls,
            Optional<String> lotId,
            Optional<CleanDownView> cleanDown,
            Optional<InsertedView> inserted) {
        Plan accepted = loaded.accepted();
        Plan plan = loaded.plan();
        BatchState state = loaded.state();
        var run = plan.charge().run();
        return PageBuilder.builder()
                .card(BatchView.card(loaded))
                .call(calls.stream().findFirst())
                .also(calls.stream().skip(1).toList())
                .acceptedAt(plan.accepted())
                .plannedBedKg(accepted.charge().run().raw().kg())
                .plannedWaterL(run.water().litres())
                .fillToCm(plan.charge().levels().filled().cm())
                .weighing(Weighing.of(accepted, state).map(WeighingView::of))
                .kappa(BandView.of(state.pot().kappa()))
                .why(ChargeView.WhyView.of(Expectation.why(plan, state)))
                .bedName(run.bed().kind().name())
                .blanched(plan.charge().formula().phase(PrepPhase.Blanch.class).isPresent())
                .passes(run.strain().passes())
                .fatOnItL(state.fatOnIt().litres())
                .parts(ChargeView.parts(plan.charge()))
                .weighedKg(state.weighed().entrySet().stream()
                        .collect(Collectors.toMap(
                                Map.Entry::getKey, e -> e.getValue().kg())))
                .addedAt(state.added())
                .chores(state.prep().chores().stream()
                        .map(c -> new ChoreView(c.step(), BatchView.phase(plan, c.step()), c.began(), c.finished()))
                        .toList())
                .cards(state.cards().stream()
                        .map(c -> new CardReadView(c.at(), c.card(), c.value()))
                        .toList())
                .brix(state.brix().stream()
                        .map(b -> new BrixView(b.at(), b.degrees(), Brix.gPerL(b.degrees())))
                        .toList())
                .brixScale(BrixPoint.SCALE)
                .likely(Likely.of(plan, state).entrySet().stream()
                        .collect(Collectors.toMap(
                                e -> e.getKey().name(),
                                e -> new LikelyView(
                                        e.getValue().low(), e.getValue().high()))))
                .usual(Proposals.atAnyTime(plan, state).stream()
                        .map(BatchView.ProposalView::of)
                        .toList())
                .planned(ChargeView.StepView.of(plan.timeline()))
                .outlook(ChargeView.StepView.of(Outlook.of(plan, state).timeline()))
                .path(state.path().stream()
                        .map(e -> new EnteredView(e.stage(), e.at()))
                        .toList())
                .forecast(ForecastView.of(accepted.charge()))
                .coolingPlan(CoolingView.of(plan))
                .plannedLedger(
                        ChargeView.LedgerView.of(accepted.charge().forecast().ledger()))
                .ledger(ChargeView.LedgerView.of(state.ledger()))
                .course(state.course().stream()
                        .map(p -> new CoursePoint(
                                p.at(), p.contentsL(), p.liquorL(), p.levelCm(), p.celsius(), p.gelatinGPerL()))
                        .toList())
                .storedL(state.shelf().stored().litres())
                .deliveredL(state.shelf().delivered().litres())
                .discardedL(
                        state.shelf().discarded().plus(state.shelf().spoiled()).litres())
                .events(EventView.all(loaded.events()))
                .salted(Expectation.salted(plan, state)
                        .map(salt ->
                                new SaltView(state.salted().kg(), salt.gPerL(), salt.afterGPerL(), salt.tooMuch())))
                .deglazeL(plan.charge().deglazing().litres())
                .draws(DrawView.of(plan.charge()))
                .drawnL(state.drawn().stream()
                        .collect(Collectors.toMap(Draw::source, d -> d.litres().litres(), Double::sum)))
                .plannedRestL(plan.charge().rest().litres())
                .restKind(plan.charge().formula().fill().liquid().kind())
                .longerMin(NotYet.longer(plan).stream()
                        .map(longer -> (int) longer.toMinutes())
                        .toList())
                .spentSigns(SpentSign.of(plan.charge().formula().family()))
                .lotId(lotId)
                .lots(state.shelf().lots().stream().map(LotRef::of).toList())
                .restL(Expectation.notPutAway(state).litres())
                .restHot(Expectation.hot(plan, state))
                .left(LeftView.of(plan, state))
                .cleanDown(cleanDown)
                .inserted(inserted)
                .build();
    }
}
