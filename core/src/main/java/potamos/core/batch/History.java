package potamos.core.batch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Events with corrections taken into account: what is now believed to have happened, in the order in which it happened. The events themselves stay as
 * they were logged.
 */
final class History {

    private History() {}

    static List<BatchEvent> believed(List<BatchEvent> logged) {
        Map<String, BatchEvent> replaced = new HashMap<>();
        Map<String, Boolean> withdrawn = new HashMap<>();
        for (BatchEvent event : logged) {
            if (event instanceof BatchEvent.Corrected corrected) {
                replaced.put(corrected.event(), corrected.replacement());
            } else if (event instanceof BatchEvent.Withdrawn gone) {
                withdrawn.put(gone.event(), true);
            }
        }
        List<BatchEvent> believed = new ArrayList<>();
        for (BatchEvent event : logged) {
            String id = event.stamp().id();
            boolean speaks = !(event instanceof BatchEvent.Corrected) && !(event instanceof BatchEvent.Withdrawn);
            if (speaks && !withdrawn.containsKey(id)) {
                believed.add(replaced.getOrDefault(id, event));
            }
        }
        believed.sort(Comparator.comparing((BatchEvent event) -> event.stamp().at()));
        return believed;
    }
}
