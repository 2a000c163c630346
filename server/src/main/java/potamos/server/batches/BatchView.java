package potamos.server.batches;

import io.soabase.recordbuilder.core.RecordBuilder;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;
import potamos.core.batch.BatchState;
import potamos.core.batch.Chores;
import potamos.core.batch.DueAct;
import potamos.core.batch.DueActs;
import potamos.core.batch.Expectation;
import potamos.core.batch.JudgingCard;
import potamos.core.batch.Outlook;
import potamos.core.batch.Plan;
import potamos.core.batch.Proposal;
import potamos.core.batch.Stage;
import potamos.core.charge.Measure;
import potamos.core.figure.Figures;
import potamos.core.flow.Run;
import potamos.core.formula.Family;
import potamos.core.formula.PrepPhase;
import potamos.core.heat.Cover;
import potamos.core.liquor.Body;
import potamos.core.probe.Sample;
import potamos.core.quantity.Temperature;
import potamos.server.charges.BandView;
import potamos.server.devices.Devices;
import potamos.server.kitchen.Drawn;

/** Views of a batch: a card for the range, and everything for its own page. */
final class BatchView {

    private BatchView() {}

    record PartDue(@NotNull String id, @NotNull String name, double kg) {
        static PartDue of(Measure measure) {
            return new PartDue(
                    measure.part().id(), measure.part().name(), measure.mass().kg());
        }
    }

    /** An event that an act becomes, and the figures that it usually has. */
    record ProposalView(
            @NotNull String kind,
            @NotNull @Schema(ref = EventView.FIGURES) Figures figures) {
        static ProposalView of(Proposal proposal) {
            return new ProposalView(proposal.kind().name(), proposal.figures());
        }
    }

    /**
     * An act due. {@code phase} is the phase of the procedure that it belongs to, where it belongs to one; {@code asks} whether a person reads or decides
     * something before it is logged; {@code becomes} what is logged then, one after another.
     */
    record DueView(
            @NotNull DueAct.Kind kind,
            int step,
            Optional<String> phase,
            @NotNull List<PartDue> parts,
            @NotNull Instant due,
            @NotNull Instant lateAt,
            @NotNull Instant costsFrom,
            double amount,
            @NotNull DueAct.Cost cost,
            boolean asks,
            @NotNull List<ProposalView> becomes) {}

    record PotView(
            double contentsL,
            double liquorL,
            double levelCm,
            double belowRimCm,
            double celsius,
            double markCm,
            double bedTopCm,
            double steamLPerH,
            double gelatinGPerL,
            @NotNull Body body,
            boolean filled,
            boolean foaming,
            boolean lidOn) {}

    record SimmerView(
            Optional<Instant> lit,
            Optional<Instant> foam,
            Optional<Instant> reached,
            Optional<Instant> plannedEnd,
            Optional<Instant> ended,
            int skims) {}

    /** What is in the oven; {@code shades} says what each place on the shade card means for it. */
    record InOvenView(
            @NotNull String oven,
            double ovenC,
            int trays,
            double shade,
            @NotNull Instant since,
            @NotNull Instant outAt,
            Optional<Double> lastShade,
            @NotNull List<ShadeView> shades) {}

    /** What a place on the shade card means for this roast, and how much longer bones of it stay in. */
    record ShadeView(@NotNull PrepPhase.Roast.Stands stands, long longerMin) {}

    /** The probe in the vessel; {@code silent} when it has not reported for a while. */
    record ProbeView(
            @NotNull String name, double celsius, @NotNull Instant at, boolean silent) {}

    /** A batch on the range. */
    @RecordBuilder
    @RecordBuilder.Options(builderMode = RecordBuilder.BuilderMode.STAGED)
    record Card(
            @NotNull String id,
            int number,
            @NotNull String formulaName,
            @NotNull Family family,
            @NotNull Drawn vessel,
            Optional<String> burnerId,
            @NotNull Run.Heat heat,
            boolean onTheHob,
            @NotNull Stage stage,
            @NotNull Instant since,
            @NotNull PotView pot,
            @NotNull SimmerView simmer,
            @NotNull List<DueView> due,
            Optional<InOvenView> oven,
            Optional<ProbeView> probe,
            @NotNull Instant readyBy,
            @NotNull Instant readyAt,
            long lateMin,
            double calledL,
            @NotNull BandView expectedL,
            Optional<Double> strainedL,
            @NotNull CoolView cooling,
            double shelfL) {}

    static Card card(Batches.Loaded loaded) {
        Plan plan = loaded.plan();
        BatchState state = loaded.state();
        Outlook outlook = Outlook.of(plan, state);
        Optional<Temperature> shows = loaded.probe()
                .filter(probe -> !probe.silent())
                .flatMap(Devices.Device::latest)
                .map(latest -> Temperature.ofCelsius(latest.value()));
        List<DueAct> due = DueActs.of(plan, state, shows);
        return BatchViewCardBuilder.builder()
                .id(loaded.row().id())
                .number(loaded.row().number())
                .formulaName(plan.charge().formula().name())
                .family(plan.charge().formula().family())
                .vessel(Drawn.of(loaded.row().vesselId(), plan.charge().run().vessel()))
                .burnerId(Optional.ofNullable(loaded.row().burnerId()))
                .heat(plan.charge().run().heat())
                .onTheHob(state.stage().onTheHob(plan.charge().run().heat()))
                .stage(state.stage())
                .since(state.since())
                .pot(pot(plan, state))
                .simmer(new SimmerView(
                        state.simmer().lit(),
                        state.simmer().foam(),
                        state.simmer().reached(),
                        state.simmer().plannedEnd(),
                        state.simmer().ended(),
                        state.simmer().skims()))
                .due(due.stream().map(act -> due(plan, act)).toList())
                .oven(oven(plan, state, due))
                .probe(loaded.probe().map(BatchView::probe))
                .readyBy(plan.readyBy())
                .readyAt(outlook.ready())
                .lateMin(outlook.late().toMinutes())
                .calledL(plan.called().litres())
                .expectedL(BandView.of(Expectation.litresOut(plan, state)))
                .strainedL(state.out().or(state::strained).map(v -> v.litres()))
                .cooling(CoolView.of(plan, state))
                .shelfL(state.shelf().left().litres())
                .build();
    }

    private static PotView pot(Plan plan, BatchState state) {
        BatchState.Pot pot = state.pot();
        return new PotView(
                pot.contents().litres(),
                pot.liquor().litres(),
                pot.level().cm(),
                plan.charge().run().vessel().belowRim(pot.level()).cm(),
                pot.temperature().celsius(),
                pot.mark().cm(),
                pot.bedTop().cm(),
                pot.steamLPerH(),
                pot.gelatinGPerL(),
                Body.of(pot.gelatinGPerL()),
                !state.course().isEmpty(),
                DueActs.foams(plan, state),
                pot.cover() == Cover.LID_ON);
    }

    private static ProbeView probe(Devices.Device device) {
        Sample latest = device.latest().orElseThrow();
        return new ProbeView(device.name(), latest.value(), latest.at(), device.silent());
    }

    /** Phases by their names in the open format. */
    static String phase(Plan plan, int step) {
        return plan.charge().formula().procedure().get(step).kind().name();
    }

    private static Optional<InOvenView> oven(Plan plan, BatchState state, List<DueAct> due) {
        return state.prep().chores().stream()
                .filter(BatchState.Chore::underWay)
                .filter(c -> plan.charge().formula().procedure().get(c.step()) instanceof PrepPhase.Roast)
                .findFirst()
                .flatMap(c -> plan.charge().roasting().map(roast -> {
                    Instant out = due.stream()
                            .filter(act -> act.kind() == DueAct.Kind.END && act.step() == c.step())
                            .map(DueAct::due)
                            .findFirst()
                            .orElse(state.now());
                    return new InOvenView(
                            roast.oven(),
                            roast.at().celsius(),
                            roast.trays(),
                            roast.shade(),
                            c.began().orElseThrow(),
                            out,
                            state.card(JudgingCard.SHADE).map(BatchState.CardReading::value),
                            shades((PrepPhase.Roast)
                                    plan.charge().formula().procedure().get(c.step())));
                }));
    }

    private static List<ShadeView> shades(PrepPhase.Roast roast) {
        return LongStream.rangeClosed(1, (long) JudgingCard.SHADE.most())
                .mapToObj(shade ->
                        new ShadeView(roast.stands(shade), roast.longerAt(shade).toMinutes()))
                .toList();
    }

    private static DueView due(Plan plan, DueAct act) {
        List<PartDue> parts = act.step() >= 0
                ? Chores.handles(
                                plan.charge(),
                                plan.charge().formula().procedure().get(act.step()))
                        .stream()
                        .map(PartDue::of)
                        .toList()
                : act.parts().stream()
                        .map(id -> plan.charge().measures().stream()
                                .filter(m -> m.part().id().equals(id))
                                .findFirst()
                                .map(PartDue::of)
                                .orElseGet(() -> new PartDue(id, bedName(plan, id), act.amount())))
                        .toList();
        return new DueView(
                act.kind(),
                act.step(),
                act.step() < 0 ? Optional.empty() : Optional.of(phase(plan, act.step())),
                parts,
                act.due(),
                act.late(),
                act.costsFrom(),
                act.amount(),
                act.cost(),
                act.kind().asks(),
                act.becomes().stream().map(ProposalView::of).toList());
    }

    /** The name of one kind of the bed, or of all of it. */
    private static String bedName(Plan plan, String id) {
        return plan.charge().formula().bed().stream()
                .filter(share -> share.kind().id().equals(id))
                .map(share -> share.kind().name())
                .findFirst()
                .orElse(plan.charge().run().bed().kind().name());
    }
}
