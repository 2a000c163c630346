package potamos.server.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.ChoreEvent;
import potamos.core.batch.ColdEvent;
import potamos.core.batch.DueAct;
import potamos.core.batch.DueActs;
import potamos.core.batch.Expectation;
import potamos.core.batch.ShelfEvent;
import potamos.core.batch.Stage;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.core.figure.Figures;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Kept;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.batches.AcceptedPlans;
import potamos.server.batches.Batches;
import potamos.server.charges.ChargeRequest;
import potamos.server.courses.Accepting;
import potamos.server.problems.Conflict;

/** Works a batch as a cook would: does what is due, a little late, with readings that scatter a little around what the core expects. */
@Component
@ConditionalOnProperty(name = "potamos.demo", havingValue = "true")
class DemoCook {

    private String nextBox;

    /** Left in the cold beside what is called for. */
    private static final double AT_HAND_L = 2;

    private static final double LEAST_TO_FREEZE_L = 0.5;
    private static final String TUB = "5 L tub";
    private static final double TUB_L = 5;
    private static final String BAG = "1 L bag";
    private static final double BAG_L = 1;

    /** One act after another. */
    private static final Duration HANDS_FULL = Duration.ofSeconds(30);

    private static final Duration LOOK_UP = Duration.ofMinutes(6);
    private static final int MOST_LOOKS = 400;

    /** So many looks at most are left out at once while nothing is due. */
    private static final int LOOKS_LEFT_OUT = 5;

    private static final double WORTH_A_JUG_L = 0.2;

    private final Batches batches;
    private final AcceptedPlans plans;
    private final KitchenClock clock;
    private Random chance = new Random(1);

    DemoCook(Batches batches, AcceptedPlans plans, KitchenClock clock) {
        this.plans = plans;
        this.batches = batches;
        this.clock = clock;
    }

    String accept(
            Person person,
            String formula,
            String call,
            String vessel,
            double litres,
            Instant readyBy,
            Instant start,
            long seed) {
        chance = new Random(seed);
        String id = UUID.randomUUID().toString();
        ChargeRequest request = ChargeRequest.forLitres(formula, litres, vessel, null, readyBy, start);
        plans.accept(person, id, List.of(Accepting.Gives.all(call)), request);
        return id;
    }

    /** Works on up to a moment, leaving some kinds of acts to whoever opens the demo. */
    void workUntil(Person person, String batch, Instant now, Set<DueAct.Kind> leave) {
        Instant last = now.minus(LOOK_UP);
        work(person, batch, leave, last, state -> !clock.instant().isBefore(last));
    }

    /** Works on until the stock is down to a temperature in its bath, the last reading just before now. */
    void untilCooled(Person person, String batch, double celsius, Instant now) {
        work(
                person,
                batch,
                Set.of(),
                now.plus(LOOK_UP),
                state -> state.cooling().began().isPresent() || clock.instant().isAfter(now));
        CoolingCurve curve = Cooler.curve(batches.load(person, batch).plan().cooling());
        double total = curve.minutesTo(Temperature.ofCelsius(celsius)).orElse(30);
        Instant strained =
                batches.load(person, batch).state().cooling().strainedAt().orElseThrow();
        for (double minute = 2; minute < total; minute += 8) {
            Instant at = strained.plusSeconds((long) (minute * 60));
            coolingRead(person, batch, at, at(curve, minute));
        }
        coolingRead(person, batch, strained.plusSeconds((long) (total * 60)), celsius);
    }

    /** Works on to the end: cooled, put away in tubs for the days ahead and in bags for the freezer, and one call met from it. */
    void finish(Person person, String batch, String station, String call, double litres) {
        work(
                person,
                batch,
                Set.of(DueAct.Kind.STORE),
                Instant.MAX,
                state -> state.stage().compareTo(Stage.STORE) >= 0);
        clock.advance(LOOK_UP);
        double out = Expectation.notPutAway(batches.load(person, batch).state()).litres();
        double cold = Math.min(out, litres + AT_HAND_L);
        ShelfEvent.Stored tubs = putAway(person, cold, Kept.COLD, "Cold store, shelf 2", TUB, TUB_L);
        batches.log(person, batch, tubs);
        if (out - cold > LEAST_TO_FREEZE_L) {
            batches.log(person, batch, putAway(person, out - cold, Kept.FROZEN, "Freezer, left", BAG, BAG_L));
        }
        clock.advance(Duration.ofMinutes(20));
        batches.log(
                person,
                batch,
                new ShelfEvent.Delivered(
                        stamp(person, clock.instant()),
                        station,
                        call,
                        Volume.ofLitres(litres),
                        tubs.stamp().id()));
    }

    private ShelfEvent.Stored putAway(
            Person person, double litres, Kept kept, String place, String container, double each) {
        return new ShelfEvent.Stored(
                stamp(person, clock.instant()), Volume.ofLitres(round(litres)), place, kept, container, (int)
                        Math.ceil(litres / each));
    }

    /** Looks up again and again, each time doing everything that is due, until it is done. */
    private void work(Person person, String batch, Set<DueAct.Kind> leave, Instant latest, Predicate<BatchState> done) {
        for (int look = 0; look < MOST_LOOKS; look++) {
            Batches.Standing standing = batches.load(person, batch);
            if (done.test(standing.state())) {
                return;
            }
            Instant now = clock.instant();
            List<DueAct> acts = DueActs.of(standing.plan(), standing.state());
            boolean passing = acts.stream().anyMatch(act -> act.kind() == DueAct.Kind.PASS);
            boolean busy = false;
            Instant next = latest;
            for (DueAct act : acts) {
                boolean notYet = passing && act.kind() == DueAct.Kind.STRAIN;
                if (leave.contains(act.kind()) || notYet) {
                    continue;
                }
                if (act.due().isAfter(now) && act.kind() != DueAct.Kind.WEIGH) {
                    next = act.due().isBefore(next) ? act.due() : next;
                    continue;
                }
                for (BatchEvent event : doing(person, standing, act)) {
                    batches.log(person, batch, event);
                }
                busy = true;
            }
            clock.advance(busy ? LOOK_UP : untilNext(now, next));
        }
    }

    /**
     * Moves the clock on, and lets the cook of the demo look after every pot meanwhile: does whatever is due when it is due.
     *
     * @param works whether the cook is there; left alone, pots go on by themselves and acts grow late
     */
    void passes(Person person, Duration time, boolean works) {
        Instant until = clock.instant().plus(time);
        chance = new Random(until.toEpochMilli());
        for (int look = 0; works && look < MOST_LOOKS; look++) {
            Instant now = clock.instant();
            boolean busy = false;
            Instant next = until;
            for (Batches.OpenBatch open : batches.standing(person)) {
                for (DueAct act :
                        DueActs.of(open.standing().plan(), open.standing().state())) {
                    if (act.due().isAfter(now)) {
                        next = act.due().isBefore(next) ? act.due() : next;
                    } else if (does(person, open, act)) {
                        busy = true;
                        break;
                    }
                }
            }
            if (!busy && !next.isBefore(until)) {
                break;
            }
            // When an act that waits for the pot is due is reckoned anew at each look, and may always lie a moment
            // ahead.
            Duration ahead = Duration.between(now, next);
            clock.advance(busy || ahead.compareTo(HANDS_FULL) < 0 ? HANDS_FULL : ahead);
        }
        Instant reached = clock.instant();
        clock.advance(reached.isBefore(until) ? Duration.between(reached, until) : Duration.ZERO);
    }

    private boolean does(Person person, Batches.OpenBatch open, DueAct act) {
        List<BatchEvent> events = doing(person, open.standing(), act);
        try {
            events.forEach(event -> batches.log(person, open.id(), event));
        } catch (Refusal notNow) {
            // Somebody who tries the demo was there first, or has told it something that this act does not fit.
            return false;
        } catch (Conflict inTheWay) {
            return cleans(person, open);
        }
        return !events.isEmpty();
    }

    /** What stands in the way of filling and straining is most often fish that was there before. */
    private boolean cleans(Person person, Batches.OpenBatch open) {
        Instant now = clock.instant();
        boolean justDone = open.standing()
                .state()
                .last(ChoreEvent.CleanedDown.KIND)
                .filter(at -> at.isAfter(now.minus(Duration.ofHours(1))))
                .isPresent();
        if (justDone || open.standing().state().strained().isPresent()) {
            return false;
        }
        batches.log(person, open.id(), new ChoreEvent.CleanedDown(stamp(person, now)));
        return true;
    }

    /** When the next act of any pot is due; empty when none is ahead. */
    Optional<Instant> nextDue(Person person) {
        return batches.standing(person).stream()
                .flatMap(open ->
                        DueActs.of(open.standing().plan(), open.standing().state()).stream())
                .map(DueAct::due)
                .filter(due -> due.isAfter(clock.instant()))
                .min(Comparator.naturalOrder());
    }

    /** Nobody looks up while nothing is due; what the pot does in the meantime is seen after half an hour at the latest. */
    private static Duration untilNext(Instant now, Instant next) {
        for (int looks = 1; looks < LOOKS_LEFT_OUT; looks++) {
            Duration later = LOOK_UP.multipliedBy(looks);
            if (!now.plus(later).isBefore(next)) {
                return later;
            }
        }
        return LOOK_UP.multipliedBy(LOOKS_LEFT_OUT);
    }

    private BatchEvent.Stamp stamp(Person person, Instant at) {
        return new BatchEvent.Stamp(UUID.randomUUID().toString(), at, person.initials());
    }

    /** The next bed comes out of a box of the larder. */
    void weighsOutOf(String box) {
        nextBox = box;
    }

    /** What an act becomes in this cook's hands: what is proposed, but for what a hand, an eye or a tongue tells. */
    private List<BatchEvent> doing(Person person, Batches.Standing standing, DueAct act) {
        if (act.kind() == DueAct.Kind.WEIGH && nextBox != null) {
            String box = nextBox;
            nextBox = null;
            return List.of(new ChoreEvent.Took(
                    stamp(person, clock.instant()), BatchEvent.BED, Mass.ofKg(round(act.amount())), box));
        }
        if (act.kind() == DueAct.Kind.RESCUE || act.kind() == DueAct.Kind.TOP_UP && act.amount() <= WORTH_A_JUG_L) {
            return List.of();
        }
        return act.becomes().stream()
                .<BatchEvent>map(proposal ->
                        proposal.kind().make(stamp(person, clock.instant()), told(standing, act, proposal.figures())))
                .toList();
    }

    private Figures told(Batches.Standing standing, DueAct act, Figures proposed) {
        double amount = act.amount();
        Map<String, Object> told = new LinkedHashMap<>(proposed.byName());
        switch (act.kind()) {
            case WEIGH -> {
                told.put("kg", round(amount * (1 + 0.01 * chance.nextGaussian())));
                told.put("words", "KL-217");
            }
            case READ_TEMPERATURE -> told.put("celsius", round(amount + 0.7 * chance.nextGaussian()));
            case READ_LEVEL -> told.put("belowRimCm", Math.round((amount + 0.2 * chance.nextGaussian()) * 2) / 2.0);
            case TASTE -> told.put("words", "clean, round");
            case STRAIN -> told.put("litres", round(amount * (0.97 + 0.02 * chance.nextGaussian())));
            case READ_COOLING -> told.put("celsius", round(cooled(standing)));
            case STORE -> {
                told.put("litres", round(amount));
                told.put("words", "Cold store, shelf 2");
            }
            case FILL, TOP_UP, REDUCE, DEGREASE -> told.put("litres", round(amount));
            default -> {}
        }
        return new Figures(told);
    }

    /** As the bath takes it down by the book. */
    private double cooled(Batches.Standing standing) {
        Instant strained = standing.state().cooling().strainedAt().orElseThrow();
        double minutes = Duration.between(strained, clock.instant()).toSeconds() / 60.0;
        return at(Cooler.curve(standing.plan().cooling()), minutes);
    }

    private void coolingRead(Person person, String batch, Instant at, double celsius) {
        clock.show(at);
        batches.log(person, batch, new ColdEvent.CoolingRead(stamp(person, at), Temperature.ofCelsius(round(celsius))));
    }

    private static double at(CoolingCurve curve, double minute) {
        CoolingCurve.Point before = curve.points().get(0);
        for (CoolingCurve.Point point : curve.points()) {
            if (point.minute() >= minute) {
                double span = Math.max(1e-9, point.minute() - before.minute());
                double share = Math.min(1, Math.max(0, (minute - before.minute()) / span));
                return before.coreC() + share * (point.coreC() - before.coreC());
            }
            before = point;
        }
        return before.coreC();
    }

    private static double round(double value) {
        return Math.round(value * 10) / 10.0;
    }
}
