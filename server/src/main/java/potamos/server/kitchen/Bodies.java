package potamos.server.kitchen;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Optional;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.Container;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Basis;
import potamos.core.quantity.Estimate;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;
import potamos.core.vessel.Vessel;
import potamos.server.kitchen.Kitchens.OwnedContainer;

/** Equipment as a person measures it with a tape and reads it off a plate. */
public final class Bodies {

    private Bodies() {}

    /** A steel pot of 2 mm weighs about so much for each dm² of its wall. */
    private static final double METAL_KG_PER_DM2 = 0.16;

    private static final double KAPPA_SD = 0.2;
    private static final double FACTOR_SD = 0.15;

    /** Inside measures, of which the shape decides what counts, and what its own heat gives to the liquor, where it has some. */
    public record VesselBody(
            @NotBlank @Size(max = 40) String name,

            @Schema(allowableValues = {"cylinder", "pan", "kettle"})
            String shape,

            Double diameterCm,
            Double heightCm,
            Double lengthCm,
            Double breadthCm,
            Double bowlCm,
            Double kappa,
            Double metalKg,
            Vessel.Handling handling,
            Vessel.Build build,
            Double heatKw) {

        /** The vessel that these figures make.
         *
         * @throws Refusal on the figure that is missing or out of range
         */
        public Vessel vessel() {
            Shape inside = Bodies.shape(shape, diameterCm, heightCm, lengthCm, breadthCm, bowlCm);
            double metal = metalKg != null ? metalKg : inside.wettedDm2(inside.height()) * METAL_KG_PER_DM2;
            Refusal.unlessWithin("metalKg", metal, 0.1, 500, "kg");
            return new Vessel(
                    name.trim(),
                    inside,
                    estimate("kappa", kappa, Vessel.bookKappa(), 0.05, 5, KAPPA_SD),
                    Mass.ofKg(metal),
                    handling == null ? Vessel.Handling.LIFTED : handling,
                    build == null ? Vessel.Build.HEAVY : build,
                    Optional.ofNullable(heatKw).map(Power::ofKilowatts));
        }
    }

    record BurnerBody(@NotBlank @Size(max = 40) String name, double ratedKw, double efficiency) {
        Burner burner() {
            return new Burner(name.trim(), Power.ofKilowatts(ratedKw), efficiency);
        }
    }

    record OvenBody(@NotBlank @Size(max = 40) String name, int trays, boolean convection, Double factor) {
        Oven oven() {
            Estimate book = Oven.bookFactor(convection);
            return new Oven(name.trim(), trays, convection, estimate("factor", factor, book, 0.4, 2.5, FACTOR_SD));
        }
    }

    record ContainerBody(
            @NotBlank @Size(max = 40) String name,
            @Schema(allowableValues = {"cylinder", "pan"}) String shape,

            Double diameterCm,
            Double heightCm,
            Double lengthCm,
            Double breadthCm,
            @NotNull Container.Wall material,
            double wallMm,
            double holdsL,
            int owned) {
        OwnedContainer container() {
            if ("kettle".equals(shape)) {
                throw Refusal.of("shape", "a container is a cylinder or a pan");
            }
            Shape inside = Bodies.shape(shape, diameterCm, heightCm, lengthCm, breadthCm, null);
            return new OwnedContainer(
                    new Container(name.trim(), inside, material, Length.ofMm(wallMm), Volume.ofLitres(holdsL)), owned);
        }
    }

    record ChillerBody(
            @NotBlank @Size(max = 40) String name,
            @NotNull Chiller.Kind kind,
            double litres,
            double airC,
            double iceKg,
            Double iceKgPerH) {
        Chiller chiller() {
            return new Chiller(
                    name.trim(), kind, litres, Temperature.ofCelsius(airC), iceKg, iceKgPerH == null ? 0 : iceKgPerH);
        }
    }

    /**
     * What a new thing of each kind is before anybody has measured it, and what the book says of those that differ.
     *
     * @param gas       share of a flame's power that reaches a pot
     * @param induction the same by induction
     * @param still     factor on the roasting time in still air
     * @param fan       the same where a fan moves it
     */
    record Usual(
            @NotNull VesselBody vessels,
            @NotNull BurnerBody burners,
            @NotNull OvenBody ovens,
            @NotNull ContainerBody containers,
            @NotNull ChillerBody chillers,
            double gas,
            double induction,
            double still,
            double fan) {

        private static final double FAN = Oven.bookFactor(true).value();

        static final Usual OF_THE_BOOK = new Usual(
                new VesselBody(
                        "",
                        "cylinder",
                        36.0,
                        36.0,
                        null,
                        null,
                        null,
                        Vessel.bookKappa().value(),
                        6.0,
                        Vessel.Handling.LIFTED,
                        Vessel.Build.HEAVY,
                        null),
                new BurnerBody("", 9, Burner.BOOK_GAS),
                new OvenBody("", 4, true, FAN),
                new ContainerBody("", "pan", null, 10.0, 53.0, 32.5, Container.Wall.STEEL, 1, 12, 4),
                new ChillerBody("", Chiller.Kind.ICE_BATH, 60, 1, 30, 18.0),
                Burner.BOOK_GAS,
                Burner.BOOK_INDUCTION,
                Oven.bookFactor(false).value(),
                FAN);
    }

    private static Shape shape(
            String shape, Double diameterCm, Double heightCm, Double lengthCm, Double breadthCm, Double bowlCm) {
        Length height = Length.ofCm(Refusal.unlessGiven("heightCm", heightCm));
        return switch (shape == null ? "cylinder" : shape) {
            case "cylinder" -> new Shape.Cylinder(Length.ofCm(Refusal.unlessGiven("diameterCm", diameterCm)), height);
            case "pan" ->
                new Shape.Pan(
                        Length.ofCm(Refusal.unlessGiven("lengthCm", lengthCm)),
                        Length.ofCm(Refusal.unlessGiven("breadthCm", breadthCm)),
                        height);
            case "kettle" ->
                new Shape.Kettle(
                        Length.ofCm(Refusal.unlessGiven("diameterCm", diameterCm)),
                        height,
                        Length.ofCm(Refusal.unlessGiven("bowlCm", bowlCm)));
            default -> throw Refusal.of("shape", "one of cylinder, pan, kettle");
        };
    }

    /** A figure that somebody typed counts as measured here; one that nobody gave is the book's. */
    private static Estimate estimate(
            String field, Double given, Estimate book, double low, double high, double relativeSd) {
        if (given == null || given == book.value()) {
            return book;
        }
        double value = Refusal.unlessWithin(field, given, low, high, "");
        return new Estimate(value, value * relativeSd / 2, Basis.MEASURED_HERE);
    }
}
