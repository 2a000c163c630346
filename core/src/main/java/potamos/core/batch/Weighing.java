package potamos.core.batch;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Measure;
import potamos.core.flow.Forecast;
import potamos.core.flow.Forecaster;
import potamos.core.formula.Formula;
import potamos.core.quantity.Band;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

/**
 * A bed that weighs other than planned: what that does to litres and call, and the ways on, told before the water is drawn.
 *
 * @param planned raw bed of the plan
 * @param weighed what is there
 * @param called  litres wanted
 * @param ways    to go on, the usual one first
 */
public record Weighing(Mass planned, Mass weighed, Volume called, List<Way> ways) {

    /** Nearer than this share to the plan a scale says the same. */
    private static final double SAME = 0.005;

    /** A call that is open by less than this share is met. */
    private static final double MET = 0.01;

    /** From this share on a cook is asked how to go on. */
    private static final double TELLS = 0.02;

    public Weighing {
        ways = List.copyOf(ways);
    }

    /** What can be done. */
    public enum Kind {
        /** As strong as planned, and less or more of it. */
        SAME_RATIO,
        /** The litres of the plan, thinner or richer. */
        SAME_WATER,
        /** What is missing is fetched: as planned. */
        FETCH_MORE,
        /** What is too much is kept for another pot: as planned. */
        SPLIT_OFF
    }

    /**
     * One of them.
     *
     * @param bed          that goes into the pot, raw
     * @param water        to draw
     * @param out          litres expected
     * @param gelatinGPerL in them
     * @param fits         whether the pot may be started on it
     */
    public record Way(Kind kind, Mass bed, Volume water, Band out, double gelatinGPerL, boolean fits) {

        private static Way of(Kind kind, Charge charge) {
            return new Way(
                    kind,
                    charge.run().raw(),
                    charge.water(),
                    charge.forecast().yield(),
                    charge.forecast().gelatinGPerL(),
                    charge.fits());
        }
    }

    /** Litres that a way leaves open of the call; nothing where it is met but for what a jug is read to. */
    public Volume shortOf(Way way) {
        double open = called.litres() - way.out().mid();
        return Volume.ofLitres(open > MET * called.litres() ? open : 0);
    }

    /** The ways on from a bed that is clearly not as planned, as long as the water is still to be drawn. */
    public static Optional<Weighing> of(Plan accepted, BatchState state) {
        Mass bed = state.weighed().get(BatchEvent.BED);
        Charge charge = accepted.charge();
        Mass planned = charge.run().raw();
        boolean drawn =
                state.stage().compareTo(Stage.FILL) > 0 || !state.course().isEmpty();
        if (bed == null || drawn || Math.abs(bed.kg() / planned.kg() - 1) < TELLS) {
            return Optional.empty();
        }
        Charge stands = solved(
                accepted,
                charge.formula()
                        .drawing(Drawing.standing(charge.formula().fill().draws(), state.drawn(), false)),
                state.weighed());
        List<Way> ways = new ArrayList<>();
        ways.add(Way.of(Kind.SAME_RATIO, stands));
        Forecast thinner = Forecaster.of(stands.run().withWater(charge.water()));
        double room = stands.run().vessel().workingVolume().litres();
        boolean fits = stands.run().withWater(charge.water()).everythingIn().litres() <= room;
        ways.add(new Way(Kind.SAME_WATER, bed, charge.water(), thinner.yield(), thinner.gelatinGPerL(), fits));
        ways.add(Way.of(bed.kg() < planned.kg() ? Kind.FETCH_MORE : Kind.SPLIT_OFF, charge));
        return Optional.of(new Weighing(planned, bed, accepted.called(), ways));
    }

    /** The plan with the charge that what was weighed and drawn gives; the plan itself when that is as planned. */
    static Plan standing(Plan plan, List<Fact> believed) {
        return standing(plan, InThePot.of(plan, believed));
    }

    static Plan standing(Plan plan, InThePot is) {
        boolean same = is.as().equals(plan.charge().formula()) && asPlanned(plan.charge(), is.weighed());
        return same ? plan : plan.with(solved(plan, is.as(), is.weighed()));
    }

    private static boolean asPlanned(Charge charge, Map<String, Mass> weighed) {
        return weighed.entrySet().stream()
                .allMatch(entry -> planned(charge, entry.getKey())
                        .map(mass -> Math.abs(entry.getValue().kg() - mass.kg()) <= SAME * mass.kg())
                        .orElse(true));
    }

    /** What a charge has planned of the bed, or of a part by its id. */
    static Optional<Mass> planned(Charge charge, String part) {
        return part.equals(BatchEvent.BED)
                ? Optional.of(charge.run().raw())
                : charge.measures().stream()
                        .filter(measure -> measure.part().id().equals(part))
                        .map(Measure::mass)
                        .findFirst();
    }

    private static Charge solved(Plan plan, Formula as, Map<String, Mass> weighed) {
        Map<String, Mass> parts = new HashMap<>(weighed);
        Mass bed = parts.remove(BatchEvent.BED);
        try {
            return ChargeSolver.weighed(
                    plan.charge(), as, bed == null ? plan.charge().run().raw() : bed, parts);
        } catch (Refusal cannotBeRun) {
            // What was weighed stands in the record all the same; the plan is what is known of the rest.
            return plan.charge();
        }
    }
}
