package potamos.core;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.Plan;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.charge.Goal;
import potamos.core.charge.Pot;
import potamos.core.cooling.Container;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.Medium;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.heat.Air;
import potamos.core.heat.Burner;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.LimitProfile;
import potamos.core.schedule.Planner;
import potamos.core.vessel.Shape;
import potamos.core.vessel.Vessel;

/** A small kitchen for tests, and seeded series of random ones. */
public final class Samples {

    public static final Instant EIGHT = Instant.parse("2026-03-03T07:00:00Z");
    public static final Air VALLEY = Air.usualAt(Length.ZERO);
    public static final Burner GAS = new Burner("gas", Power.ofKilowatts(9), 0.5);
    public static final LimitProfile US = LimitProfile.shipped().get(0);

    /** Of a bath whose water was iced before. */
    public static final Temperature MELTING = Temperature.ofCelsius(0);

    private Samples() {}

    public static Vessel cylinder(double diameter, double height) {
        return new Vessel(
                "pot",
                new Shape.Cylinder(Length.ofCm(diameter), Length.ofCm(height)),
                Vessel.bookKappa(),
                Mass.ofKg(5),
                Vessel.Handling.LIFTED);
    }

    public static Vessel kettle() {
        return new Vessel(
                "kettle",
                new Shape.Kettle(Length.ofCm(55), Length.ofCm(39.5), Length.ofCm(12)),
                Vessel.bookKappa(),
                Mass.ofKg(30),
                Vessel.Handling.TILTED);
    }

    public static Pot pot(Vessel vessel) {
        return new Pot(vessel, GAS, VALLEY);
    }

    public static Charge charge(Vessel vessel, Goal goal) {
        return ChargeSolver.solve(Book.whiteChicken(), pot(vessel), goal);
    }

    public static Goal litres(double litres) {
        return new Goal.Litres(Volume.ofLitres(litres));
    }

    public static Goal bones(double kg) {
        return new Goal.BedInHand(Mass.ofKg(kg));
    }

    public static Container bain() {
        return new Container(
                "10 L bain",
                new Shape.Cylinder(Length.ofCm(24), Length.ofCm(25)),
                Container.Wall.STEEL,
                Length.ofMm(1),
                Volume.ofLitres(10));
    }

    public static CoolingPlan iceBath(double litres) {
        Medium.IceBath bath = new Medium.IceBath(Mass.ofKg(30), Mass.ofKg(40), Samples.MELTING, true);
        return new CoolingPlan(
                Volume.ofLitres(litres),
                Temperature.ofCelsius(90),
                bain(),
                bain().neededFor(Volume.ofLitres(litres)),
                List.of(new CoolingPlan.Leg(bath, Temperature.ofCelsius(4.5))),
                true);
    }

    public static Plan plan() {
        return plan(Book.whiteChicken());
    }

    public static Plan plan(Formula formula) {
        return plan(formula, litres(15));
    }

    public static Plan plan(Formula formula, Goal goal) {
        Charge charge = ChargeSolver.solve(formula, pot(cylinder(36, 40)), goal);
        CoolingPlan cooling = iceBath(15);
        CoolingCurve curve = Cooler.curve(cooling);
        Timeline timeline = Timeline.startingAt(EIGHT, Planner.parts(charge, curve, US));
        return new Plan(
                charge,
                US,
                cooling,
                List.of(new Plan.Filled(cooling.container().name(), cooling.count(), cooling.each())),
                curve,
                timeline,
                EIGHT.plus(Duration.ofHours(14)),
                Volume.ofLitres(15),
                EIGHT);
    }

    public static BatchEvent.Stamp at(int minute) {
        return new BatchEvent.Stamp("e" + minute, EIGHT.plus(Duration.ofMinutes(minute)), "IV");
    }

    /** Thirty-two kitchens' worth of pots and bones, the same at every run. */
    public static Stream<PotAndBones> potsAndBones() {
        Random random = new Random(20260303);
        return Stream.generate(() -> new PotAndBones(
                        cylinder(20 + 40 * random.nextDouble(), 15 + 35 * random.nextDouble()),
                        1 + 20 * random.nextDouble()))
                .limit(32);
    }

    /** One of them. */
    public record PotAndBones(Vessel vessel, double bonesKg) {}
}
