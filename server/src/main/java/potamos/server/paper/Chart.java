package potamos.server.paper;

import java.time.Duration;
import java.time.Instant;
import java.util.List;

/** Figures against the clock, drawn into a place on paper. What lies outside the frame is drawn on its edge. */
public final class Chart {

    private final Ink ink;
    private final Frame frame;
    private final Instant from;
    private final double seconds;
    private final double least;
    private final double most;

    /** Where it stands, in points. */
    public record Frame(float left, float bottom, float right, float top) {}

    /** A figure at a moment. */
    public record Mark(Instant at, double value) {}

    /** A figure at a moment with how far it may be off. */
    public record Span(Instant at, double low, double high) {}

    public Chart(Ink ink, Frame frame, Instant from, Instant to, double least, double most) {
        this.ink = ink;
        this.frame = frame;
        this.from = from;
        this.seconds = Math.max(1, Duration.between(from, to).toSeconds());
        this.least = least;
        this.most = most;
    }

    /** Grey between low and high. */
    public void band(List<Span> spans) {
        float[] points = new float[spans.size() * 4];
        for (int i = 0; i < spans.size(); i++) {
            Span span = spans.get(i);
            int back = points.length - 2 - 2 * i;
            points[2 * i] = x(span.at());
            points[2 * i + 1] = y(span.high());
            points[back] = x(span.at());
            points[back + 1] = y(span.low());
        }
        ink.area(points, 0.82f);
    }

    public void line(List<Mark> marks) {
        ink.curve(points(marks), 1.6f, 0);
    }

    public void dashed(List<Mark> marks) {
        ink.curve(points(marks), 0.8f, 4);
    }

    public void axes() {
        ink.line(frame.left(), frame.bottom(), frame.right(), frame.bottom(), 0.6f);
        ink.line(frame.left(), frame.bottom(), frame.left(), frame.top(), 0.6f);
    }

    private float[] points(List<Mark> marks) {
        float[] points = new float[marks.size() * 2];
        for (int i = 0; i < marks.size(); i++) {
            points[2 * i] = x(marks.get(i).at());
            points[2 * i + 1] = y(marks.get(i).value());
        }
        return points;
    }

    private float x(Instant at) {
        double share = Duration.between(from, at).toSeconds() / seconds;
        return frame.left() + (frame.right() - frame.left()) * (float) Math.max(0, Math.min(1, share));
    }

    private float y(double value) {
        double share = (value - least) / (most - least);
        return frame.bottom() + (frame.top() - frame.bottom()) * (float) Math.max(0, Math.min(1, share));
    }
}
