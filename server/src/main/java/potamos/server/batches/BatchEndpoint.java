package potamos.server.batches;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.batch.DueAct;
import potamos.core.batch.DueActs;
import potamos.core.batch.Stage;
import potamos.core.formula.Family;
import potamos.core.quantity.Refusal;
import potamos.core.schedule.Hands;
import potamos.server.Ids;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.charges.ChargeRequest;
import potamos.server.courses.Accepting;
import potamos.server.kitchen.Hob;
import potamos.server.live.BetweenChanges;
import potamos.server.live.Changes;
import tools.jackson.databind.json.JsonMapper;

/** Batches over HTTP. */
@RestController
class BatchEndpoint {

    private static final int LATEST = 40;
    private static final int LONGEST_WORDS = 80;
    private static final Duration HANDS_AHEAD = Duration.ofHours(1);

    /** The range at a moment. */
    record Range(
            @NotNull Instant now,
            @NotNull List<BatchView.Card> batches,
            @NotNull List<Hob.Place> hob,
            @NotNull List<MovedView> moved) {}

    record Onto(@NotNull String burnerId, Boolean swap) {}

    /** An act that gives way to another one that wants the same hands; {@code from} is when it is done instead. */
    record MovedView(
            @NotNull String batchId,
            @NotNull DueAct.Kind kind,
            @NotNull Instant from,
            boolean late,
            @NotNull String becauseBatchId,
            @NotNull DueAct.Kind becauseKind) {}

    record Summary(
            @NotNull String id,
            int number,
            @NotNull String formulaName,
            @NotNull Family family,
            @NotNull String vesselName,
            @NotNull Stage stage,
            @NotNull Instant acceptedAt,
            double calledL,
            Optional<Double> strainedL,
            double expectedL,
            @NotNull SmallStream stream) {}

    record Acceptance(
            @NotNull @Pattern(regexp = Ids.PATTERN) String id,

            String callId,
            @Valid @NotNull ChargeRequest charge) {}

    private final Batches batches;
    private final Burners burners;
    private final AcceptedPlans plans;
    private final BatchPages pages;
    private final KitchenClock clock;
    private final Hob hob;

    private final JsonMapper json;

    /** After an act every screen of a kitchen asks at once, and all are told the same, written out once; what moves by itself moves on within a second. */
    private final BetweenChanges<byte[]> ranges;

    BatchEndpoint(
            Batches batches,
            Burners burners,
            AcceptedPlans plans,
            BatchPages pages,
            KitchenClock clock,
            Changes changes,
            Hob hob,
            JsonMapper json) {
        this.hob = hob;
        this.json = json;
        this.batches = batches;
        this.burners = burners;
        this.plans = plans;
        this.pages = pages;
        this.clock = clock;
        this.ranges = new BetweenChanges<>(changes, Duration.ofSeconds(1));
    }

    @Operation(summary = "Every pot that is at work, with what is due")
    @GetMapping(path = "/api/range", produces = MediaType.APPLICATION_JSON_VALUE)
    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(implementation = Range.class)))
    byte[] range(@AuthenticationPrincipal Person person) {
        person.require(Right.READ);
        return ranges.of(person.kitchenId(), () -> json.writeValueAsBytes(rangeNow(person)));
    }

    private Range rangeNow(Person person) {
        List<Batches.Loaded> open = batches.open(person);
        Instant now = clock.instant();
        return new Range(
                now, open.stream().map(BatchView::card).toList(), hob.of(person.kitchenId()), moved(open, now));
    }

    private static List<MovedView> moved(List<Batches.Loaded> open, Instant now) {
        List<Hands.Wanted> wanted = open.stream()
                .flatMap(loaded -> DueActs.of(loaded.plan(), loaded.state()).stream()
                        .map(act -> new Hands.Wanted(loaded.row().id(), act)))
                .toList();
        return Hands.settle(wanted, now, HANDS_AHEAD).stream()
                .filter(placed -> placed.because().isPresent())
                .map(placed -> new MovedView(
                        placed.wanted().batch(),
                        placed.wanted().act().kind(),
                        placed.from(),
                        placed.late(),
                        placed.because().get().batch(),
                        placed.because().get().act().kind()))
                .toList();
    }

    /** Up to forty batches, latest first: those numbered below {@code before}, with these words in the formula's name or this number. */
    @Operation(summary = "Batches, the latest first")
    @GetMapping("/api/batches")
    List<Summary> latest(
            @AuthenticationPrincipal Person person,
            @RequestParam(defaultValue = "2147483647") int before,
            @RequestParam(defaultValue = "") String words) {
        if (words.length() > LONGEST_WORDS) {
            throw Refusal.outside("words", "too long to look for", 0, LONGEST_WORDS, "characters");
        }
        return batches.latest(person, before, words, LATEST).stream()
                .map(loaded -> new Summary(
                        loaded.row().id(),
                        loaded.row().number(),
                        loaded.plan().charge().formula().name(),
                        loaded.plan().charge().formula().family(),
                        loaded.plan().charge().run().vessel().name(),
                        loaded.state().stage(),
                        loaded.plan().accepted(),
                        loaded.plan().called().litres(),
                        loaded.state().out().or(loaded.state()::strained).map(v -> v.litres()),
                        loaded.plan().charge().forecast().yield().mid(),
                        SmallStream.of(loaded)))
                .toList();
    }

    @Operation(summary = "Accepts a charge as a batch")
    @PostMapping("/api/batches")
    ResponseEntity<Page> accept(@AuthenticationPrincipal Person person, @Valid @RequestBody Acceptance body) {
        plans.accept(
                person,
                body.id(),
                Optional.ofNullable(body.callId()).map(Accepting.Gives::all).stream()
                        .toList(),
                body.charge());
        return ResponseEntity.status(HttpStatus.CREATED).body(pages.of(person, body.id()));
    }

    @Operation(summary = "A batch: its plan, its pot now, what is due, its record")
    @GetMapping("/api/batches/{id}")
    Page one(@AuthenticationPrincipal Person person, @PathVariable String id) {
        return pages.of(person, id);
    }

    @Operation(summary = "Logs an act")
    @PostMapping("/api/batches/{id}/acts")
    Page log(@AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody Act act) {
        person.require(Right.READ);
        return pages.after(person, id, batches.log(person, id, act));
    }

    /** Another burner for the vessel. */
    @Operation(summary = "Moves a pot to another burner")
    @PutMapping("/api/batches/{id}/burner")
    Page moveTo(@AuthenticationPrincipal Person person, @PathVariable String id, @Valid @RequestBody Onto onto) {
        burners.moveTo(person, id, onto.burnerId(), Boolean.TRUE.equals(onto.swap()));
        return pages.of(person, id);
    }
}
