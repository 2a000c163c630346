package potamos.core.batch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.charge.Measure;
import potamos.core.cooling.Reading;
import potamos.core.flow.Ledger;
import potamos.core.flow.Losses;
import potamos.core.flow.Run;
import potamos.core.flow.TopUpPolicy;
import potamos.core.formula.Draw;
import potamos.core.formula.PotPhase;
import potamos.core.liquor.Body;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/** What would be logged of a batch now if all goes as expected: the figures that stand in a sheet before anybody has typed. */
public final class Proposals {

    /** The least that can be logged. */
    private static final double LEAST_TOP_UP_L = 0.05;

    private final Plan plan;
    private final BatchState state;
    private final Run run;

    Proposals(Plan plan, BatchState state) {
        this.plan = plan;
        this.state = state;
        this.run = plan.charge().run();
    }

    /** What may be logged at any time as things stand, due or not. */
    public static List<Proposal> atAnyTime(Plan plan, BatchState state) {
        Proposals usual = new Proposals(plan, state);
        List<Proposal> all = new ArrayList<>();
        if (state.strained().isPresent()) {
            all.add(usual.cooling());
            all.add(usual.degrease());
        } else if (!state.course().isEmpty()) {
            all.addAll(List.of(
                    usual.level(),
                    usual.temperature(),
                    usual.skim(),
                    usual.topUp(),
                    usual.degrease(),
                    usual.strain(),
                    usual.reduce()));
        } else {
            all.add(usual.weigh());
            all.add(usual.fill());
        }
        return all;
    }

    Proposal weigh() {
        return Proposal.of(ChoreEvent.WeighedIn.KIND)
                .with(ChoreEvent.WeighedIn.PART, BatchEvent.BED)
                .with(ChoreEvent.WeighedIn.MASS, run.raw());
    }

    Proposal draw(Draw draw) {
        return Proposal.of(ChoreEvent.Drew.KIND)
                .with(KnownStock.SOURCE, draw.source())
                .with(ChoreEvent.Drew.LITRES, draw.litres())
                .with(KnownStock.NAME, draw.name());
    }

    Proposal fill() {
        return Proposal.of(PotEvent.Filled.KIND)
                .with(PotEvent.Filled.WATER, plan.charge().water())
                .with(PotEvent.Filled.TEMPERATURE, run.waterC());
    }

    /** The usual amount of one skimming: what the whole run should give, shared out over its skims. */
    Proposal skim() {
        PotPhase.Simmer simmer = run.simmer();
        double all = Losses.skimmed(run.bed(), run.preparation(), 1).litres();
        double each = all / Math.max(1, simmer.skim().countWithin(simmer.usual()));
        return Proposal.of(PotEvent.Skimmed.KIND).with(PotEvent.Skimmed.LIQUOR, Volume.ofLitres(each));
    }

    /** Litres that bring it back to its mark, as far as its policy does; a bed that stands bare is brought back all the way, whatever the policy. */
    Proposal topUp() {
        double missing = state.pot().toMark().litres();
        boolean bare = state.pot().bare().cm() > 0;
        double toMark = Math.max(
                LEAST_TOP_UP_L,
                bare ? missing : TopUpPolicy.of(run).amount(missing).litres());
        return Proposal.of(PotEvent.ToppedUp.KIND)
                .with(PotEvent.ToppedUp.WATER, Volume.ofLitres(toMark))
                .with(PotEvent.ToppedUp.TEMPERATURE, run.simmer().topUp().water());
    }

    Proposal level() {
        return Proposal.of(PotEvent.LevelRead.KIND)
                .with(
                        PotEvent.LevelRead.BELOW_RIM,
                        run.vessel().belowRim(state.pot().level()));
    }

    Proposal temperature() {
        return Proposal.of(PotEvent.TemperatureRead.KIND)
                .with(PotEvent.TemperatureRead.TEMPERATURE, state.pot().temperature());
    }

    Proposal add(String part) {
        Mass mass = plan.charge().measures().stream()
                .filter(measure -> measure.part().id().equals(part))
                .map(Measure::mass)
                .findFirst()
                .or(() -> Infusion.share(plan.charge(), part))
                .orElseThrow();
        return Proposal.of(PotEvent.Added.KIND).with(PotEvent.Added.PART, part).with(PotEvent.Added.MASS, mass);
    }

    Proposal takeOut(String kind) {
        return Proposal.of(PotEvent.TakenOut.KIND).with(PotEvent.TakenOut.PART, kind);
    }

    /** Where on a card it should be. */
    Proposal card(JudgingCard card, double place) {
        return Proposal.of(LookEvent.CardRead.KIND)
                .with(LookEvent.CardRead.CARD, card)
                .with(LookEvent.CardRead.PLACE, place);
    }

    /** The set that the model expects on the plate. */
    Proposal set() {
        return card(JudgingCard.SET, Body.of(state.pot().gelatinGPerL()).ordinal() + 1.0);
    }

    /** Litres that the last strainer should give; what is boiled away afterwards is still in them. */
    Proposal strain() {
        Ledger ledger = state.ledger();
        boolean later = state.finish().reduced().isEmpty() && !run.reduction().beforeStraining();
        double boiled = later ? ledger.of(Ledger.Cause.REDUCED).litres() : 0;
        double out = Math.max(0, ledger.yield().litres() + boiled);
        return Proposal.of(FinishEvent.Strained.KIND)
                .with(FinishEvent.Strained.OUT, Volume.ofLitres(out))
                .with(FinishEvent.Strained.PASSES, run.strain().passes())
                .with(FinishEvent.Strained.PRESSED, run.strain().pressed());
    }

    Proposal reduce() {
        double from =
                state.strained().map(Volume::litres).orElse(state.pot().liquor().litres());
        double left = from * plan.charge().formula().reducesTo();
        return Proposal.of(FinishEvent.Reduced.KIND).with(FinishEvent.Reduced.LEFT, Volume.ofLitres(left));
    }

    Proposal degrease() {
        return Proposal.of(FinishEvent.Degreased.KIND).with(FinishEvent.Degreased.FAT, Losses.renderedFat(run.bed()));
    }

    /** As it was read last, or as it left the pot. */
    Proposal cooling() {
        List<Reading> readings = state.cooling().readings();
        Temperature last = Optional.of(readings)
                .filter(all -> !all.isEmpty())
                .map(all -> all.get(all.size() - 1).temperature())
                .orElse(state.pot().temperature());
        return Proposal.of(ColdEvent.CoolingRead.KIND).with(ColdEvent.CoolingRead.TEMPERATURE, last);
    }

    Proposal reheat() {
        return Proposal.of(ColdEvent.Reheated.KIND)
                .with(ColdEvent.Reheated.TEMPERATURE, plan.limits().reheat());
    }

    Proposal store() {
        return Proposal.of(ShelfEvent.Stored.KIND).with(ShelfEvent.Stored.LITRES, litresLeft());
    }

    Volume litresLeft() {
        return state.shelf().restOf(state.out().orElse(Volume.ZERO));
    }
}
