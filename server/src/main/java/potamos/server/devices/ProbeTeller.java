package potamos.server.devices;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import potamos.server.live.Screens;

/**
 * Tells screens what probes and scales read. Together, and no oftener than an eye needs: two hundred of them that report every second are one message in
 * two seconds.
 */
@Component
class ProbeTeller {

    private static final Logger LOG = LoggerFactory.getLogger(ProbeTeller.class);

    private final Devices devices;
    private final Screens screens;

    /** What was told last of each kitchen that somebody looks at. */
    private final Map<String, Set<DeviceView>> told = new ConcurrentHashMap<>();

    ProbeTeller(Devices devices, Screens screens) {
        this.devices = devices;
        this.screens = screens;
    }

    @Scheduled(fixedDelay = 2_000)
    void tell() {
        Set<String> looking = screens.kitchensThatRead();
        told.keySet().retainAll(looking);
        try {
            looking.forEach(this::tell);
        } catch (DataAccessException | TransactionException away) {
            LOG.warn("Screens wait for probes: they cannot be read just now");
        }
    }

    private void tell(String kitchenId) {
        List<DeviceView> now = devices.ofKitchen(kitchenId).stream()
                .filter(device -> device.latest().isPresent())
                .map(DeviceView::of)
                .toList();
        Set<DeviceView> before = told.put(kitchenId, Set.copyOf(now));
        List<DeviceView> fresh = before == null
                ? now
                : now.stream().filter(one -> !before.contains(one)).toList();
        if (!fresh.isEmpty()) {
            screens.tellReaders(kitchenId, "probes", fresh);
        }
    }
}
