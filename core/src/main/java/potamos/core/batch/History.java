package potamos.core.batch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Events with corrections taken into account: what is now believed to have happened, in the order in which it happened. The events themselves stay as
 * they were logged.
 */
final class History {

    private History() {}

    static List<Fact> believed(List<? extends BatchEvent> logged) {
        Map<String, Fact> replaced = new HashMap<>();
        Set<String> withdrawn = new HashSet<>();
        for (BatchEvent event : logged) {
            if (event instanceof Amendment.Corrected corrected) {
                replaced.put(corrected.event(), corrected.replacement());
            } else if (event instanceof Amendment.Withdrawn gone) {
                withdrawn.add(gone.event());
            }
        }
        List<Fact> believed = new ArrayList<>();
        for (BatchEvent event : logged) {
            String id = event.stamp().id();
            if (event instanceof Fact fact && !withdrawn.contains(id)) {
                believed.add(replaced.getOrDefault(id, fact));
            }
        }
        believed.sort(Comparator.comparing(event -> event.stamp().at()));
        return believed;
    }

    /** An entry as it is believed now: as it was told, or as it was corrected last. */
    static Fact asBelieved(List<? extends BatchEvent> logged, Fact target) {
        Fact believed = target;
        for (BatchEvent event : logged) {
            if (event instanceof Amendment.Corrected corrected
                    && corrected.event().equals(target.stamp().id())) {
                believed = corrected.replacement();
            }
        }
        return believed;
    }
}
