package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/** What is asked of an act that is due. */
final class Due {

    private Due() {}

    static Optional<DueAct> first(List<DueAct> acts, DueAct.Kind kind) {
        return acts.stream().filter(act -> act.kind() == kind).findFirst();
    }

    static void holds(DueAct act, Instant due, int graceMin, DueAct.Cost cost) {
        assertThat(act.due()).as("%s", act.kind()).isEqualTo(due);
        assertThat(Duration.between(act.due(), act.late()))
                .as("%s", act.kind())
                .isEqualTo(Duration.ofMinutes(graceMin));
        assertThat(act.cost()).as("%s", act.kind()).isEqualTo(cost);
    }
}
