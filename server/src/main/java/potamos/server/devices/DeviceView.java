package potamos.server.devices;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.Optional;
import potamos.core.probe.Sample;

/** A device. {@code silent} when it has not reported for a minute and a half. */
record DeviceView(
        @NotNull String id,
        @NotNull String name,
        @NotNull Devices.Kind kind,
        Optional<String> vesselId,
        Optional<Instant> lastAt,
        Optional<Double> lastValue,
        boolean silent) {
    static DeviceView of(Devices.Device device) {
        return new DeviceView(
                device.id(),
                device.name(),
                device.kind(),
                device.vesselId(),
                device.latest().map(Sample::at),
                device.latest().map(Sample::value),
                device.silent());
    }
}
