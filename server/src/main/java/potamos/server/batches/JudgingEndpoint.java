package potamos.server.batches;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.NotYet;
import potamos.core.batch.Outlook;
import potamos.core.batch.Stage;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.charges.BandView;

/** What judging the end one way or the other would do: to the stock, to its call, and to whoever waits for the burner. */
@RestController
class JudgingEndpoint {

    private final Batches batches;
    private final KitchenClock clock;

    JudgingEndpoint(Batches batches, KitchenClock clock) {
        this.batches = batches;
        this.clock = clock;
    }

    /**
     * The batch that wants the same burner next.
     *
     * @param from    when it is to be lit
     * @param waitMin how long it would wait
     */
    record WaitingView(
            @NotNull String batchId,
            int number,
            @NotNull String formulaName,
            @NotNull Instant from,
            long waitMin) {}

    record ChoiceView(
            int longerMin,
            @NotNull Instant endsAt,
            @NotNull Instant readyAt,
            long lateMin,
            @NotNull BandView litres,
            double gelatinGPerL,
            Optional<WaitingView> waiting) {}

    /** Enough now, and each usual <i>not yet</i>. */
    @Operation(summary = "What judging the end now, or later, would bring")
    @GetMapping("/api/batches/{id}/judging")
    List<ChoiceView> judging(@AuthenticationPrincipal Person person, @PathVariable String id) {
        Batches.Loaded loaded = batches.whole(person, id);
        List<BatchEvent> events = Logged.events(loaded.events());
        Instant now = clock.instant();
        Optional<Next> next = next(person, loaded);
        return Stream.concat(Stream.of(Duration.ZERO), NotYet.longer(loaded.plan()).stream())
                .map(longer -> NotYet.of(loaded.plan(), events, now, longer))
                .map(choice -> new ChoiceView(
                        (int) choice.longer().toMinutes(),
                        choice.ends(),
                        choice.ready(),
                        choice.late().toMinutes(),
                        BandView.of(choice.litres()),
                        choice.gelatinGPerL(),
                        next.filter(other -> choice.offTheBurner().isAfter(other.from))
                                .map(other -> other.view(choice.offTheBurner()))))
                .toList();
    }

    private record Next(Batches.Loaded batch, Instant from) {
        WaitingView view(Instant free) {
            return new WaitingView(
                    batch.row().id(),
                    batch.row().number(),
                    batch.plan().charge().formula().name(),
                    from,
                    Duration.between(from, free).toMinutes());
        }
    }

    /** Whoever is to stand on this burner first of those that do not yet. */
    private Optional<Next> next(Person person, Batches.Loaded loaded) {
        String burner = loaded.row().burnerId();
        return batches.open(person).stream()
                .filter(other -> burner != null && burner.equals(other.row().burnerId()))
                .filter(other -> !other.row().id().equals(loaded.row().id()))
                .filter(other -> other.state().stage().compareTo(Stage.BRING_UP) < 0)
                .flatMap(other -> Outlook.of(other.plan(), other.state()).timeline().steps().stream()
                        .filter(step -> step.stage() == Stage.BRING_UP)
                        .map(step -> new Next(other, step.from())))
                .min(Comparator.comparing(Next::from));
    }
}
