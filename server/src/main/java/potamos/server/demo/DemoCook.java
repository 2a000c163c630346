package potamos.server.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.DueAct;
import potamos.core.batch.DueActs;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.server.KitchenClock;
import potamos.server.accounts.Person;
import potamos.server.batches.Act;
import potamos.server.batches.Batches;
import potamos.server.charges.ChargeRequest;

/** Works a batch as a cook would: does what is due, a little late, with readings that scatter a little around what the core expects. */
@Component
@ConditionalOnProperty(name = "potamos.demo", havingValue = "true")
class DemoCook {

    private static final Duration LOOK_UP = Duration.ofMinutes(3);
    private static final int MOST_LOOKS = 400;

    private final Batches batches;
    private final KitchenClock clock;
    private Random chance = new Random(1);

    DemoCook(Batches batches, KitchenClock clock) {
        this.batches = batches;
        this.clock = clock;
    }

    String accept(Person person, String call, String vessel, double litres, Instant readyBy, Instant start, long seed) {
        chance = new Random(seed);
        String id = UUID.randomUUID().toString();
        ChargeRequest request = ChargeRequest.forLitres("white-chicken", litres, vessel, readyBy, start);
        batches.accept(person, id, call, request);
        return id;
    }

    /** Works on until the foam is about to show. */
    void untilFirstFoam(Person person, String batch, Instant now) {
        for (int look = 0; look < MOST_LOOKS && clock.instant().isBefore(now); look++) {
            work(person, batch, Set.of(DueAct.Kind.FIRST_FOAM, DueAct.Kind.TURN_DOWN));
        }
    }

    /** Works on through the simmer up to a moment. */
    void untilSimmering(Person person, String batch, Instant now) {
        for (int look = 0; look < MOST_LOOKS && clock.instant().isBefore(now.minus(LOOK_UP)); look++) {
            work(person, batch, Set.of(DueAct.Kind.JUDGE));
        }
    }

    /** Works on until the stock is down to a temperature in its bath, the last reading just before now. */
    void untilCooled(Person person, String batch, double celsius, Instant now) {
        for (int look = 0; look < MOST_LOOKS; look++) {
            BatchState state = batches.load(person, batch).state();
            if (state.cooling().began().isPresent() || clock.instant().isAfter(now)) {
                break;
            }
            work(person, batch, Set.of());
        }
        CoolingCurve curve = Cooler.curve(batches.load(person, batch).plan().cooling());
        double total = curve.minutesTo(potamos.core.quantity.Temperature.ofCelsius(celsius))
                .orElse(30);
        Instant strained =
                batches.load(person, batch).state().cooling().strainedAt().orElseThrow();
        for (double minute = 2; minute < total; minute += 8) {
            Instant at = strained.plusSeconds((long) (minute * 60));
            log(person, batch, "cooling-read", at, at(curve, minute), null);
        }
        log(person, batch, "cooling-read", strained.plusSeconds((long) (total * 60)), celsius, null);
    }

    /** Works on to the end: cooled, put away, and one call met from it. */
    void finish(Person person, String batch, String station, String call, double litres) {
        for (int look = 0; look < MOST_LOOKS; look++) {
            BatchState state = batches.load(person, batch).state();
            if (state.shelf().stored().litres() > 0) {
                break;
            }
            work(person, batch, Set.of());
        }
        clock.advance(Duration.ofMinutes(20));
        batches.log(
                person,
                batch,
                new Act(
                        UUID.randomUUID().toString(),
                        "delivered",
                        clock.instant(),
                        null,
                        litres,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        station,
                        call));
    }

    /** Looks up once: does everything that is due, except what it waits for. */
    private void work(Person person, String batch, Set<DueAct.Kind> leave) {
        Batches.Standing standing = batches.load(person, batch);
        for (DueAct act : DueActs.of(standing.plan(), standing.state())) {
            boolean due = !act.due().isAfter(clock.instant());
            if (leave.contains(act.kind()) || !due && act.kind() != DueAct.Kind.WEIGH) {
                continue;
            }
            act(person, batch, act, standing.state());
        }
        clock.advance(LOOK_UP);
    }

    private void act(Person person, String batch, DueAct act, BatchState state) {
        Instant now = clock.instant();
        double amount = act.amount();
        switch (act.kind()) {
            case WEIGH -> {
                weigh(
                        person,
                        batch,
                        BatchEvent.BED,
                        "weighed-in",
                        amount * (1 + 0.01 * chance.nextGaussian()),
                        "KL-217");
            }
            case FILL -> log(person, batch, "filled", now, 12, round(amount));
            case LIGHT -> log(person, batch, "heat-on", now, null, null);
            case FIRST_FOAM -> {
                log(person, batch, "first-foam", now, null, null);
                log(person, batch, "skimmed", now, null, Math.max(0.02, amount));
            }
            case TURN_DOWN -> log(person, batch, "simmer-reached", now, null, null);
            case SKIM -> log(person, batch, "skimmed", now, null, Math.max(0.02, amount));
            case READ_TEMPERATURE ->
                log(
                        person,
                        batch,
                        "temperature-read",
                        now,
                        amountAround(state.pot().temperature().celsius(), 0.7),
                        null);
            case READ_LEVEL -> level(person, batch, state);
            case TOP_UP -> {
                if (amount > 0.2) {
                    log(person, batch, "topped-up", now, 85, round(amount));
                }
            }
            case ADD ->
                act.parts().forEach(part -> weigh(person, batch, part, "added", planned(person, batch, part), null));
            case JUDGE -> log(person, batch, "judged-enough", now, null, null);
            case STRAIN ->
                log(person, batch, "strained", now, null, round(amount * (0.97 + 0.02 * chance.nextGaussian())));
            case BEGIN_COOLING -> log(person, batch, "cooling-began", now, null, null);
            case READ_COOLING -> {
                var plan = batches.load(person, batch).plan();
                double minutes = Duration.between(state.cooling().strainedAt().orElseThrow(), now)
                                .toSeconds()
                        / 60.0;
                log(person, batch, "cooling-read", now, at(Cooler.curve(plan.cooling()), minutes), null);
            }
            case STORE ->
                batches.log(
                        person,
                        batch,
                        new Act(
                                UUID.randomUUID().toString(),
                                "stored",
                                now,
                                null,
                                round(amount),
                                null,
                                null,
                                null,
                                null,
                                null,
                                null,
                                "Cold store, shelf 2",
                                null,
                                null,
                                null));
            default -> {}
        }
    }

    private double planned(Person person, String batch, String part) {
        return batches.load(person, batch).plan().charge().measures().stream()
                .filter(m -> m.part().id().equals(part))
                .findFirst()
                .orElseThrow()
                .mass()
                .kg();
    }

    private void weigh(Person person, String batch, String part, String kind, double kg, String lot) {
        batches.log(
                person,
                batch,
                new Act(
                        UUID.randomUUID().toString(),
                        kind,
                        clock.instant(),
                        part,
                        null,
                        kg < 0.1 ? kg : round(kg),
                        null,
                        null,
                        null,
                        null,
                        null,
                        lot,
                        null,
                        null,
                        null));
    }

    private void level(Person person, String batch, BatchState state) {
        var vessel = batches.load(person, batch).plan().charge().run().vessel();
        double belowRim = vessel.belowRim(state.pot().level()).cm() + 0.2 * chance.nextGaussian();
        batches.log(
                person,
                batch,
                new Act(
                        UUID.randomUUID().toString(),
                        "level-read",
                        clock.instant(),
                        null,
                        null,
                        null,
                        null,
                        Math.round(belowRim * 2) / 2.0,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null));
    }

    private void log(Person person, String batch, String kind, Instant at, Number celsius, Double litres) {
        Double t = celsius == null ? null : round(celsius.doubleValue());
        clock.show(at);
        batches.log(
                person,
                batch,
                new Act(
                        UUID.randomUUID().toString(),
                        kind,
                        at,
                        null,
                        litres,
                        null,
                        t,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null));
    }

    private double amountAround(double value, double sd) {
        return value + sd * chance.nextGaussian();
    }

    private static double at(CoolingCurve curve, double minute) {
        CoolingCurve.Point before = curve.points().get(0);
        for (CoolingCurve.Point point : curve.points()) {
            if (point.minute() >= minute) {
                double span = Math.max(1e-9, point.minute() - before.minute());
                double share = Math.min(1, Math.max(0, (minute - before.minute()) / span));
                return before.stockC() + share * (point.stockC() - before.stockC());
            }
            before = point;
        }
        return before.stockC();
    }

    private static double round(double value) {
        return Math.round(value * 10) / 10.0;
    }
}
