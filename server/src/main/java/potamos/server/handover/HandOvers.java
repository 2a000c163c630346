package potamos.server.handover;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.batch.DueAct;
import potamos.core.batch.DueActs;
import potamos.core.batch.Stage;
import potamos.core.charge.Charge;
import potamos.core.quantity.Refusal;
import potamos.server.Json;
import potamos.server.KitchenClock;
import potamos.server.accounts.AccountMapper;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role;
import potamos.server.accounts.Role.Right;
import potamos.server.batches.Batches;
import potamos.server.live.Changes;
import potamos.server.problems.Conflict;
import potamos.server.problems.Forbidden;
import potamos.server.problems.NotFound;

/** Gives pots from one person to others, as they stand at that moment. */
@Service
public class HandOvers {

    private static final int LATEST = 20;
    private static final int LONGEST_WORDS = 600;

    /** Of each pot so many of its next acts are told. */
    private static final int ACTS = 4;

    private final HandOverMapper mapper;
    private final Batches batches;
    private final AccountMapper accounts;
    private final Changes changes;
    private final KitchenClock clock;
    private final Json json;

    HandOvers(
            HandOverMapper mapper,
            Batches batches,
            AccountMapper accounts,
            Changes changes,
            KitchenClock clock,
            Json json) {
        this.mapper = mapper;
        this.batches = batches;
        this.accounts = accounts;
        this.changes = changes;
        this.clock = clock;
        this.json = json;
    }

    /** Somebody who can take pots over. */
    public record Hand(
            @NotNull String id,
            @NotNull String name,
            @NotNull String initials) {}

    /** A part of what was pending. */
    public record Part(@NotNull String id, @NotNull String name) {}

    /** An act that was pending. {@code phase} is the phase of the procedure that it belongs to, where it belongs to one. */
    public record Pending(
            @NotNull DueAct.Kind kind,
            Optional<String> phase,
            @NotNull List<Part> parts,
            @NotNull Instant due,
            boolean late) {}

    /** A pot as it stood when it was given, and who takes it. */
    public record GivenPot(
            @NotNull String batchId,
            int number,
            @NotNull String formulaName,
            @NotNull String vesselName,
            @NotNull Stage stage,
            double litres,
            @NotNull Instant readyBy,
            @NotNull String takenBy,
            @NotNull String takenByName,
            @NotNull List<Pending> pending) {}

    private record Pots(List<GivenPot> pots) {}

    /** A hand-over. {@code signed} holds when each of those who took something over signed for it. */
    public record HandOver(
            @NotNull String id,
            @NotNull String givenBy,
            @NotNull String givenByName,
            @NotNull Instant givenAt,
            @NotNull String words,
            @NotNull List<GivenPot> pots,
            @NotNull Map<String, Instant> signed) {}

    /** Which pot goes to whom. */
    public record Gift(String batchId, String takenBy) {}

    /** Everybody of the kitchen who may act at a pot. */
    public List<Hand> hands(Person person) {
        person.require(Right.READ);
        return accounts.ofKitchen(person.kitchenId()).stream()
                .filter(account -> Role.valueOf(account.role()).may(Right.ACT))
                .map(HandOvers::hand)
                .toList();
    }

    private static Hand hand(AccountMapper.Account account) {
        return new Hand(account.id(), account.name(), account.initials());
    }

    @Transactional(readOnly = true)
    public List<HandOver> latest(Person person) {
        person.require(Right.READ);
        List<HandOverMapper.Signature> signatures = mapper.signatures(person.kitchenId());
        return mapper.latest(person.kitchenId(), LATEST).stream()
                .map(row -> read(row, signatures))
                .toList();
    }

    private HandOver read(HandOverMapper.Row row, List<HandOverMapper.Signature> signatures) {
        return new HandOver(
                row.id(),
                row.givenBy(),
                row.givenByName(),
                row.givenAt(),
                row.words(),
                potsOf(row),
                signatures.stream()
                        .filter(s -> s.handOverId().equals(row.id()))
                        .collect(Collectors.toMap(
                                HandOverMapper.Signature::accountId, HandOverMapper.Signature::signedAt)));
    }

    private List<GivenPot> potsOf(HandOverMapper.Row row) {
        return json.read(row.pots(), Pots.class).pots();
    }

    /**
     * Gives pots to those who take them.
     *
     * @param id made by the client; giving twice with the same one gives once
     * @throws Refusal on {@code pots} when there is none, or one of them is not open any more, or goes to somebody who may not act
     */
    @Transactional
    public void give(Person person, String id, String words, List<Gift> gifts) {
        person.require(Right.ACT);
        if (mapper.byId(id, person.kitchenId()).isPresent()) {
            return;
        }
        if (words.length() > LONGEST_WORDS) {
            throw Refusal.outside("words", "too long", 0, LONGEST_WORDS, "characters");
        }
        Map<String, Hand> hands = hands(person).stream().collect(Collectors.toMap(Hand::id, Function.identity()));
        Map<String, Batches.OpenBatch> open =
                batches.standing(person).stream().collect(Collectors.toMap(Batches.OpenBatch::id, Function.identity()));
        List<GivenPot> pots = new ArrayList<>();
        Set<String> given = new LinkedHashSet<>();
        for (Gift gift : gifts) {
            Batches.OpenBatch batch = Optional.ofNullable(open.get(gift.batchId()))
                    .orElseThrow(
                            () -> Refusal.of("pots", "one of them needs nobody any more; look at the range again"));
            Hand hand = Optional.ofNullable(hands.get(gift.takenBy()))
                    .orElseThrow(() -> Refusal.of("pots", "whoever takes a pot over has to be one who may act"));
            if (!given.add(gift.batchId())) {
                throw Refusal.of("pots", "each pot goes to one person");
            }
            pots.add(pot(batch, hand));
        }
        Instant now = clock.instant();
        mapper.insert(new HandOverMapper.Row(
                id, person.kitchenId(), person.id(), person.name(), now, words.trim(), json.write(new Pots(pots))));
        changes.note(person.kitchenId(), "hand-overs", id);
    }

    private GivenPot pot(Batches.OpenBatch batch, Hand hand) {
        var plan = batch.standing().plan();
        var state = batch.standing().state();
        return new GivenPot(
                batch.id(),
                batch.number(),
                plan.charge().formula().name(),
                plan.charge().run().vessel().name(),
                state.stage(),
                state.out().map(v -> v.litres()).orElse(state.pot().liquor().litres()),
                plan.readyBy(),
                hand.id(),
                hand.name(),
                DueActs.of(plan, state).stream()
                        .limit(ACTS)
                        .map(act -> pending(plan.charge(), act, act.lateAt(state.now())))
                        .toList());
    }

    private static Pending pending(Charge charge, DueAct act, boolean late) {
        Optional<String> phase = act.step() < 0
                ? Optional.empty()
                : Optional.of(
                        charge.formula().procedure().get(act.step()).kind().name());
        List<Part> parts = charge.measures().stream()
                .map(measure -> new Part(measure.part().id(), measure.part().name()))
                .filter(part -> act.parts().contains(part.id()))
                .toList();
        return new Pending(act.kind(), phase, parts, act.due(), late);
    }

    /**
     * Signs for what one takes over.
     *
     * @throws Forbidden when nothing of it goes to this person
     * @throws Conflict  when it has been signed for already
     */
    @Transactional
    public void sign(Person person, String id) {
        person.require(Right.ACT);
        HandOverMapper.Row row = mapper.byId(id, person.kitchenId()).orElseThrow(() -> new NotFound("hand-over"));
        if (potsOf(row).stream().noneMatch(pot -> pot.takenBy().equals(person.id()))) {
            throw new Forbidden("Nothing of it goes to you.");
        }
        if (mapper.sign(new HandOverMapper.Signature(id, person.id(), clock.instant())) == 0) {
            throw new Conflict("id", "You have signed for it already.");
        }
        changes.note(person.kitchenId(), "hand-overs", id);
    }
}
