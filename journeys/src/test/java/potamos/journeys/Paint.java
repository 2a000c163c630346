package potamos.journeys;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Measures how soon <i>Range</i> is there, and what moves on it while its figures change by themselves. No test, for time is asserted nowhere.
 *
 * <p>Opened again and again by somebody who is signed in; then left open for half a minute in which clocks run and probes report.
 */
final class Paint {

    private static final int OPENINGS = 12;
    private static final int WARM = 2;
    private static final int LEFT_OPEN_MS = 30_000;

    private Paint() {}

    public static void main(String[] arguments) {
        try (Browsers browsers = new Browsers();
                BrowserContext kitchen = browsers.visitor(System.getProperty("potamos.url"), 1280, 800)) {
            Page page = Browsers.signedIn(kitchen, "ilse");
            List<double[]> openings = IntStream.range(0, OPENINGS)
                    .mapToObj(i -> opened(page))
                    .skip(WARM)
                    .toList();
            report(
                    "Range, first paint",
                    openings.stream().mapToDouble(o -> o[0]).toArray());
            report(
                    "Range, its vessels drawn",
                    openings.stream().mapToDouble(o -> o[1]).toArray());
            page.waitForTimeout(LEFT_OPEN_MS);
            Object shifted = page.evaluate("() => window.shifted");
            System.out.printf("moved while figures change for %d s: layout shift %s%n", LEFT_OPEN_MS / 1000, shifted);
        }
    }

    /** Milliseconds from asking for the page to its first paint, and to its vessels. */
    private static double[] opened(Page page) {
        page.navigate("/range");
        page.locator("article").first().waitFor();
        @SuppressWarnings("unchecked")
        List<Number> times = (List<Number>) page.evaluate("""
                () => new Promise(resolve => requestAnimationFrame(() => {
                  const vessels = performance.now();
                  const paint = performance.getEntriesByName('first-contentful-paint')[0];
                  window.shifted = 0;
                  new PerformanceObserver(list => {
                    for (const entry of list.getEntries()) window.shifted += entry.value;
                  }).observe({ type: 'layout-shift' });
                  resolve([paint ? paint.startTime : vessels, vessels]);
                }))
                """);
        return new double[] {times.get(0).doubleValue(), times.get(1).doubleValue()};
    }

    private static void report(String what, double[] took) {
        List<Double> sorted = java.util.Arrays.stream(took)
                .boxed()
                .sorted(Comparator.naturalOrder())
                .toList();
        System.out.printf(
                "%s: n %d, p50 %.0f ms, largest %.0f ms%n",
                what, sorted.size(), sorted.get(sorted.size() / 2), sorted.get(sorted.size() - 1));
    }
}
