package potamos.server.kitchen;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import potamos.core.quantity.Basis;
import potamos.core.quantity.Length;
import potamos.core.vessel.Shape;
import potamos.core.vessel.Vessel;
import potamos.core.vessel.Vessel.Build;

/**
 * A vessel as a screen draws it.
 *
 * @param shape         {@code cylinder}, {@code pan} or {@code kettle}
 * @param widthCm       inside width seen from the side
 * @param bowlCm        depth of a kettle's bowl; 0 where the bottom is flat
 * @param fillLineCm    height of the fill line above the bottom
 * @param brimfulL      volume to the rim
 * @param workingL      volume to the fill line
 * @param breadthCm     inside width from front to back
 * @param kappa         evaporation factor
 * @param kappaBasis    what it rests on
 * @param heatKw        what its own heat gives to the liquor; nothing for one that goes on a burner
 * @param litresAtCm    litres at each whole centimetre from 0 to the rim, for reading a ruler
 */
public record Drawn(
        @NotNull String id,
        @NotNull String name,
        @NotNull String shape,
        double widthCm,
        double heightCm,
        double bowlCm,
        double fillLineCm,
        double brimfulL,
        double workingL,
        @NotNull String handling,
        double breadthCm,
        double kappa,
        @NotNull Basis kappaBasis,
        double metalKg,
        @NotNull Build build,
        Optional<Double> heatKw,
        @NotNull List<Double> litresAtCm) {

    public static Drawn of(String id, Vessel vessel) {
        Shape shape = vessel.shape();
        int whole = (int) Math.floor(shape.height().cm());
        List<Double> litres = java.util.stream.IntStream.rangeClosed(0, whole)
                .mapToObj(cm -> shape.volumeAt(Length.ofCm(cm)).litres())
                .toList();
        return new Drawn(
                id,
                vessel.name(),
                potamos.server.Json.kindOf(shape),
                shape.width().cm(),
                shape.height().cm(),
                shape instanceof Shape.Kettle kettle ? kettle.bowl().cm() : 0,
                vessel.fillLine().cm(),
                shape.brimful().litres(),
                vessel.workingVolume().litres(),
                vessel.handling().name(),
                shape instanceof Shape.Pan pan
                        ? pan.breadth().cm()
                        : shape.width().cm(),
                vessel.kappa().value(),
                vessel.kappa().basis(),
                vessel.metal().kg(),
                vessel.build(),
                vessel.own().map(heat -> heat.watts() / 1000),
                litres);
    }
}
