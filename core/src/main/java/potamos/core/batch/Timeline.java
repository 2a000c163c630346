package potamos.core.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * When each stage runs.
 *
 * @param steps in order, each starting where the one before ends
 */
public record Timeline(List<Step> steps) {

    public Timeline {
        steps = List.copyOf(steps);
    }

    /** One stage from a moment to a moment. */
    public record Step(Stage stage, Instant from, Instant to) {
        public Duration length() {
            return Duration.between(from, to);
        }
    }

    /** A stage and how long it takes. */
    public record Part(Stage stage, Duration length) {}

    /** The stages and their lengths, wherever they stand on the clock. */
    public List<Part> parts() {
        return steps.stream().map(step -> new Part(step.stage(), step.length())).toList();
    }

    public static Timeline startingAt(Instant start, List<Part> parts) {
        List<Step> steps = new ArrayList<>();
        Instant at = start;
        for (Part part : parts) {
            Instant end = at.plus(part.length());
            steps.add(new Step(part.stage(), at, end));
            at = end;
        }
        return new Timeline(steps);
    }

    public Instant start() {
        return steps.get(0).from();
    }

    public Instant ready() {
        return steps.get(steps.size() - 1).to();
    }

    public Optional<Step> step(Stage stage) {
        return steps.stream().filter(step -> step.stage() == stage).findFirst();
    }

    /** The steps from a stage on; where it has none of its own, those that usually come after it. */
    public List<Step> from(Stage stage) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).stage() == stage) {
                return steps.subList(i, steps.size());
            }
        }
        return steps.stream().filter(step -> step.stage().compareTo(stage) > 0).toList();
    }
}
