package potamos.core.probe;

import java.time.Instant;

/**
 * One reading of a device.
 *
 * @param at    when it was read, by the device's clock
 * @param value °C of a probe, kg of a scale
 */
public record Sample(Instant at, double value) {}
