package potamos.server.batches;

import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import potamos.core.batch.ClaritySoFar;
import potamos.core.batch.Curves;
import potamos.core.batch.JudgingCard;
import potamos.core.batch.Plan;
import potamos.core.batch.Stage;
import potamos.core.batch.Timeline;
import potamos.core.liquor.Clarity;
import potamos.server.charges.BandView;
import potamos.server.charges.CharacterView.ClarityShareView;

/**
 * A batch against its plan.
 *
 * @param now     parts what happened from what is ahead
 * @param points  happened and ahead, each with its band
 * @param planned the plan, from when the burner was lit, or is to be
 * @param clarityPlanned as foreseen
 * @param claritySoFar   by what was done
 * @param ladle   the ladle card as last read, 1 to 5
 */
record CourseView(
        @NotNull Instant now,
        @NotNull List<CurvePoint> points,
        @NotNull List<PlannedPoint> planned,
        @NotNull ClarityView clarityPlanned,
        @NotNull ClarityView claritySoFar,
        Optional<Double> ladle) {

    record CurvePoint(
            @NotNull Instant at,
            @NotNull BandView levelCm,
            @NotNull BandView celsius,
            @NotNull BandView gelatinGPerL) {}

    record PlannedPoint(@NotNull Instant at, double levelCm, double celsius, double gelatinGPerL) {}

    record ClarityView(double index, @NotNull List<ClarityShareView> shares) {
        static ClarityView of(Clarity clarity) {
            return new ClarityView(clarity.index(), ClarityShareView.all(clarity));
        }
    }

    static CourseView of(Batches.Loaded loaded) {
        Plan plan = loaded.plan();
        Instant now = loaded.state().now();
        Curves curves = Curves.of(plan, Logged.events(loaded.events()), now);
        ClaritySoFar clarity = ClaritySoFar.of(plan, loaded.state());
        return new CourseView(
                now,
                curves.points().stream()
                        .map(p -> new CurvePoint(
                                p.at(),
                                BandView.of(p.levelCm()),
                                BandView.of(p.celsius()),
                                BandView.of(p.gelatinGPerL())))
                        .toList(),
                planned(plan, loaded),
                ClarityView.of(clarity.planned()),
                ClarityView.of(clarity.soFar()),
                loaded.state().card(JudgingCard.LADLE).map(c -> c.value()));
    }

    private static List<PlannedPoint> planned(Plan plan, Batches.Loaded loaded) {
        Instant lit = loaded.state()
                .simmer()
                .lit()
                .orElseGet(() -> plan.timeline().steps().stream()
                        .filter(step -> step.stage() == Stage.BRING_UP)
                        .map(Timeline.Step::from)
                        .findFirst()
                        .orElse(plan.accepted()));
        return plan.charge().forecast().course().stream()
                .map(p -> new PlannedPoint(
                        lit.plus(Duration.ofSeconds(Math.round(p.minute() * 60))),
                        p.levelCm(),
                        p.celsius(),
                        p.gelatinGPerL()))
                .toList();
    }
}
