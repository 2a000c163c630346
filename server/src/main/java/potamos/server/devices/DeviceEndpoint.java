package potamos.server.devices;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.probe.Sample;
import potamos.server.accounts.Person;
import potamos.server.problems.NotFound;

/** Devices over HTTP: for the people of the kitchen, and for the devices themselves. */
@RestController
@RequestMapping("/api/devices")
class DeviceEndpoint {

    record DeviceBody(
            @NotNull String name,
            @NotNull Devices.Kind kind,
            @Size(max = 36) String vesselId) {}

    record DeviceMade(@NotNull String id, @NotNull String token) {}

    record Attachment(@Size(max = 36) String vesselId) {}

    record ReadingBody(@NotNull Instant at, @NotNull Double value) {}

    record Readings(
            @NotNull @Size(min = 1, max = Devices.MOST_READINGS)
            List<@Valid ReadingBody> readings) {}

    record NotTakenView(
            int index,
            @NotNull String reason,
            double low,
            double high,
            @NotNull String unit) {}

    record TakenView(int taken, int known, @NotNull List<NotTakenView> notTaken) {}

    private final Devices devices;

    DeviceEndpoint(Devices devices) {
        this.devices = devices;
    }

    @Operation(summary = "Devices of the kitchen with what they last read")
    @GetMapping
    List<DeviceView> all(@AuthenticationPrincipal Person person) {
        return devices.all(person).stream().map(DeviceView::of).toList();
    }

    @Operation(summary = "Adds a device; its token is told this once")
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    DeviceMade make(@AuthenticationPrincipal Person person, @Valid @RequestBody DeviceBody body) {
        Devices.Made made = devices.make(person, body.name(), body.kind(), body.vesselId());
        return new DeviceMade(made.id(), made.token());
    }

    @Operation(summary = "Attaches a device to a vessel, or to none")
    @PutMapping("/{id}/vessel")
    List<DeviceView> attach(
            @AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody Attachment body) {
        devices.attach(person, id, body.vesselId());
        return all(person);
    }

    @Operation(summary = "Takes a device out of use")
    @PostMapping("/{id}/retirement")
    List<DeviceView> retire(@AuthenticationPrincipal Person person, @PathVariable String id) {
        devices.revoke(person, id);
        return all(person);
    }

    /** What a device reported, at most twenty thousand readings. */
    @Operation(summary = "What a device read")
    @GetMapping("/{id}/readings")
    List<ReadingBody> readings(
            @AuthenticationPrincipal Person person,
            @PathVariable String id,
            @RequestParam Instant from,
            @RequestParam Instant to) {
        return devices.readings(person, id, from, to).stream()
                .map(s -> new ReadingBody(s.at(), s.value()))
                .toList();
    }

    /** For devices, with their own token. Late readings, in any order, sent again or not: what is new is taken. */
    @Operation(summary = "Takes readings of a device")
    @PostMapping("/{id}/readings")
    TakenView take(
            @AuthenticationPrincipal Devices.Caller caller,
            @PathVariable String id,
            @Valid @RequestBody Readings body) {
        if (!caller.deviceId().equals(id)) {
            throw new NotFound("device");
        }
        Devices.Taken taken = devices.take(
                caller,
                body.readings().stream().map(r -> new Sample(r.at(), r.value())).toList());
        return new TakenView(
                taken.taken(),
                taken.known(),
                taken.notTaken().stream()
                        .map(n -> new NotTakenView(n.index(), n.reason(), n.low(), n.high(), n.unit()))
                        .toList());
    }
}
