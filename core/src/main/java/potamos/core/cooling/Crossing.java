package potamos.core.cooling;

import java.util.OptionalDouble;
import potamos.core.quantity.Temperature;

/**
 * When a cooling stock passes a temperature.
 *
 * @param at       the temperature
 * @param minute   expected; empty when it never gets there
 * @param earliest one time in ten it is quicker
 * @param latest   one time in ten it is slower; empty when it might never get there
 */
public record Crossing(Temperature at, OptionalDouble minute, OptionalDouble earliest, OptionalDouble latest) {}
