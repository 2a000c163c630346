package potamos.server.calc;

import static potamos.core.figure.Figure.word;
import static potamos.core.quantity.Refusal.unlessGiven;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.security.SecurityRequirement;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import potamos.core.batch.Batch;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchState;
import potamos.core.batch.ClaritySoFar;
import potamos.core.batch.DueActs;
import potamos.core.batch.EventKind;
import potamos.core.batch.Expectation;
import potamos.core.batch.Plan;
import potamos.core.batch.Timeline;
import potamos.core.charge.Charge;
import potamos.core.charge.Pot;
import potamos.core.cooling.Container;
import potamos.core.cooling.Cooler;
import potamos.core.cooling.CoolingCurve;
import potamos.core.cooling.CoolingHistory;
import potamos.core.cooling.CoolingPlan;
import potamos.core.cooling.CoolingProof;
import potamos.core.cooling.CoolingRecord;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.cooling.FastestFall;
import potamos.core.cooling.Medium;
import potamos.core.cooling.Reading;
import potamos.core.cooling.Standing;
import potamos.core.figure.Figures;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.LimitProfile;
import potamos.core.schedule.Planner;
import potamos.core.vessel.Shape;
import potamos.server.charges.BandView;

/** What follows from a record that somebody else keeps: how a cooling stands against limits, and where a pot comes to. They store nothing. */
@RestController
@RequestMapping("/api/calc")
@Tag(name = "calculations", description = "Everything inline; a token of the kitchen opens them.")
@SecurityRequirement(name = "token")
class RecordedEndpoint {

    /** Minutes are counted from here; which day it is plays no part. */
    private static final Instant START = Instant.parse("2026-01-01T00:00:00Z");

    private static final double MOST_MIN = 30 * 24 * 60;
    private static final double MEDIUM_C = 3;

    private final CalcReader reader;

    RecordedEndpoint(CalcReader reader) {
        this.reader = reader;
    }

    @PostMapping("/verdict")
    @Operation(summary = "Readings of a cooling against a limit profile: each stage, why, and what is allowed now")
    CalcJson.VerdictOut verdict(@Valid @RequestBody CalcJson.VerdictIn in) {
        Defaults defaults = new Defaults();
        LimitProfile profile = reader.limits(unlessGiven("profile", in.profile()), defaults);
        Instant heatEnds = moment("heatEndsAt", in.heatEndsAt());
        Instant until = moment("until", in.until());
        List<Reading> readings = unlessGiven("readings", in.readings()).stream()
                .map(r -> reading("readings", r.minute(), r.c(), r.enteredAt()))
                .toList();
        List<Reading> reheats = Optional.ofNullable(in.reheats()).orElse(List.of()).stream()
                .map(r -> reading("reheats", r.minute(), r.c(), r.enteredAt()))
                .toList();
        double medium = Refusal.unlessWithin("mediumC", defaults.or("mediumC", in.mediumC(), MEDIUM_C), -40, 30, "°C");
        Optional<Instant> began = Optional.ofNullable(in.beganAt())
                .map(at -> moment("beganAt", at))
                .or(() -> Optional.ofNullable(in.strainedAt()).map(at -> moment("strainedAt", at)));
        // Whoever does not tell when cooling began is not judged by that.
        CoolingProof proof = new CoolingProof(
                began.isPresent() ? profile : profile.beginningWithin(Optional.empty()), fastestFall(in, defaults));
        CoolingRecord record = new CoolingRecord(heatEnds, began, readings, reheats);
        Standing standing = proof.standing(record, until);
        CoolingVerdict verdict = proof.verdict(CoolingHistory.of(record), standing.projection(medium, 0), until);
        return new CalcJson.VerdictOut(
                word(shown(verdict.overall())),
                verdict.stages().stream()
                        .map(stage -> new CalcJson.VerdictStageOut(
                                stage.stage().from().celsius(),
                                stage.stage().to().celsius(),
                                stage.stage().within().toSeconds() / 60.0,
                                stage.opened().map(RecordedEndpoint::minute),
                                stage.provenBy().map(by -> minute(by.at())),
                                stage.opened().map(RecordedEndpoint::minute),
                                stage.deadline().map(RecordedEndpoint::minute),
                                stage.provenBy().map(readings::indexOf).filter(place -> place >= 0),
                                word(shown(stage.outcome())),
                                word(stage.reason()),
                                word(stage.reason())))
                        .toList(),
                verdict.begin()
                        .map(begin -> new CalcJson.BeginOut(
                                minute(begin.deadline()),
                                begin.began().map(RecordedEndpoint::minute),
                                word(shown(begin.outcome())),
                                word(begin.reason()))),
                verdict.doubtful().stream()
                        .map(readings::indexOf)
                        .filter(place -> place >= 0)
                        .sorted()
                        .toList(),
                verdict.allowed(proof.profile(), standing, until).stream()
                        .map(way -> word(way))
                        .toList(),
                defaults.taken());
    }

    private FastestFall fastestFall(CalcJson.VerdictIn in, Defaults defaults) {
        if (in.container() == null || in.medium() == null) {
            return FastestFall.UNKNOWN;
        }
        Container container = reader.container(in.container(), 0, defaults);
        Medium medium = reader.medium(in.medium(), container.holds().litres(), defaults);
        return FastestFall.of(new CoolingPlan(
                container.holds(),
                CoolingPlan.STRAINED,
                container,
                1,
                List.of(new CoolingPlan.Leg(medium, Temperature.ofCelsius(1))),
                false));
    }

    private static Reading reading(String field, Double minute, Double c, Double enteredAt) {
        Instant at = moment(field + ".minute", minute);
        Instant entered = enteredAt == null ? at : moment(field + ".enteredAt", enteredAt);
        if (entered.isBefore(at)) {
            throw Refusal.of(field + ".enteredAt", "nothing is entered before it is read");
        }
        return new Reading(at, celsius(field + ".c", c), entered);
    }

    /** How much time there is to spare, and where the readings lead, is said on the cold side and in its reason; outside, what is not decided is on course. */
    private static CoolingVerdict.Outcome shown(CoolingVerdict.Outcome outcome) {
        return switch (outcome) {
            case WAITING, TIGHT, WILL_FAIL -> CoolingVerdict.Outcome.ON_COURSE;
            default -> outcome;
        };
    }

    @PostMapping("/forecast")
    @Operation(summary = "A charge and what has happened to it since: how it stands, what comes out, what is due")
    CalcJson.ForecastOut forecast(@Valid @RequestBody CalcJson.ForecastIn in) {
        Defaults defaults = new Defaults();
        Charge charge = reader.charge(in, defaults);
        Plan accepted = plan(charge);
        List<BatchEvent> events = new ArrayList<>();
        List<Map<String, Object>> acts = unlessGiven("acts", in.acts());
        for (int i = 0; i < acts.size(); i++) {
            BatchEvent event = act(i, acts.get(i));
            try {
                Batch.accept(accepted, events, event, event.stamp().at());
            } catch (Refusal refused) {
                throw refused.in("acts[" + i + "].");
            }
            events.add(event);
        }
        Instant now = moment("atMinute", in.atMinute());
        Plan plan = Batch.standing(accepted, events);
        BatchState state = Batch.replay(plan, events, now);
        boolean full = !state.course().isEmpty();
        return new CalcJson.ForecastOut(
                word(state.stage()),
                full ? state.pot().contents().litres() : 0,
                full
                        ? Optional.of(plan.charge()
                                .run()
                                .vessel()
                                .belowRim(state.pot().level())
                                .cm())
                        : Optional.empty(),
                state.pot().temperature().celsius(),
                BandView.of(state.pot().kappa()),
                BandView.of(Expectation.litresOut(plan, state)),
                state.expected().gelatinGPerL(),
                ClaritySoFar.of(plan, state).soFar().index(),
                CalcEndpoint.ledger(state.ledger()),
                DueActs.of(plan, state).stream()
                        .map(act -> new CalcJson.DueOut(
                                word(act.kind()),
                                Duration.between(now, act.due()).toMillis() / 60000.0,
                                act.amount()))
                        .toList(),
                defaults.taken());
    }

    private static BatchEvent act(int place, Map<String, Object> told) {
        String path = "acts[" + place + "].";
        Map<String, Object> figures = new HashMap<>(Figures.said(told));
        Object minute = unlessGiven(path + "minute", figures.remove("minute"));
        if (!(minute instanceof Number number)) {
            throw Refusal.of(path + "minute", "a number");
        }
        Object name = unlessGiven(path + "kind", figures.remove("kind"));
        EventKind<?> kind = EventKind.of(name.toString())
                .orElseThrow(() ->
                        Refusal.noneOf(path + "kind", EventKind.all().stream().map(EventKind::name)));
        Instant at = moment(path + "minute", number.doubleValue());
        try {
            return kind.make(new BatchEvent.Stamp("act " + place, at, ""), new Figures(figures));
        } catch (Refusal refused) {
            throw refused.in(path);
        }
    }

    /** The charge as a batch that begins at minute 0; how it would be cooled plays no part in what comes out. */
    private static Plan plan(Charge charge) {
        Volume litres = charge.toCool();
        LimitProfile limits = LimitProfile.shipped().get(0);
        Container container = new Container(
                "container",
                new Shape.Cylinder(Length.ofCm(24), Length.ofCm(25)),
                Container.Wall.STEEL,
                Length.ofMm(1),
                Volume.ofLitres(10));
        Temperature from = CoolingPlan.STRAINED;
        Medium bath = Cooler.bath(litres, from, limits.coldest(), Pot.BOOK_TAP);
        CoolingPlan cooling = new CoolingPlan(
                litres,
                from,
                container,
                container.neededFor(litres),
                List.of(new CoolingPlan.Leg(bath, limits.coldest())),
                charge.forecast().body().sets());
        CoolingCurve curve = Cooler.curve(cooling);
        Timeline timeline = Timeline.startingAt(START, Planner.parts(charge, curve, limits));
        return new Plan(charge, limits, cooling, List.of(), curve, timeline, timeline.ready(), litres, START);
    }

    private static Temperature celsius(String field, Double c) {
        return Temperature.ofCelsius(Refusal.unlessWithin(field, unlessGiven(field, c), -60, 130, "°C"));
    }

    private static Instant moment(String field, Double minute) {
        double min = Refusal.unlessWithin(field, unlessGiven(field, minute), -MOST_MIN, MOST_MIN, "min");
        return START.plusMillis((long) (min * 60_000));
    }

    private static double minute(Instant at) {
        return Duration.between(START, at).toMillis() / 60000.0;
    }
}
