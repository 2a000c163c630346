package potamos.server.demo;

import java.util.concurrent.atomic.AtomicReference;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import potamos.core.probe.SimulatedProbe;
import potamos.server.accounts.Person;
import potamos.server.batches.Batches;
import potamos.server.devices.Devices;

/** Probes of the demo: they report what the core's own simulation of each pot has, so that what is done to a pot shows on them. */
@Component
@ConditionalOnProperty(name = "potamos.demo", havingValue = "true")
class DemoProbes {

    private final Devices devices;
    private final Batches batches;
    private final AtomicReference<Person> owner = new AtomicReference<>();

    DemoProbes(Devices devices, Batches batches) {
        this.devices = devices;
        this.batches = batches;
    }

    /** Begins to report for the probes of somebody's kitchen. */
    void watch(Person person) {
        owner.set(person);
    }

    @Scheduled(fixedDelay = 4000, initialDelay = 1000)
    void report() {
        Person person = owner.get();
        if (person == null) {
            return;
        }
        long which = 1;
        for (Devices.Device device : devices.all(person)) {
            long unrest = which++;
            device.vesselId()
                    .flatMap(vessel -> batches.inVessel(person, vessel))
                    .ifPresent(standing -> devices.report(
                            device.id(),
                            device.kind(),
                            SimulatedProbe.read(standing.plan(), standing.state(), unrest)));
        }
    }
}
