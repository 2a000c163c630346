package potamos.journeys;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.Comparator;
import java.util.List;

/** Measures a drag of the water line in a browser: from the pointer's move until the figures beside the pot have changed. No test, for time is asserted nowhere. */
final class Drag {

    private static final int MOVES = 160;
    private static final int WARM = 20;

    /** A hand moves on before it has read; slower than this every move is answered by itself. */
    private static final int PACE_MS = 120;

    private Drag() {}

    public static void main(String[] arguments) {
        try (Browsers browsers = new Browsers();
                BrowserContext kitchen = browsers.visitor(System.getProperty("potamos.url"), 1280, 800)) {
            Page page = Browsers.signedIn(kitchen, "ilse");
            page.navigate("/formulas/white-chicken?goal=LITRES&value=20");
            Locator line = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Water line"));
            line.waitFor();
            page.waitForTimeout(1500);
            page.evaluate("""
                    () => {
                      window.taken = [];
                      let moved = 0;
                      window.addEventListener('pointermove', () => { moved = performance.now(); }, true);
                      const figures = document.querySelector('[aria-label="What comes of it"] dl');
                      new MutationObserver(() => {
                        if (!moved) return;
                        const from = moved;
                        moved = 0;
                        requestAnimationFrame(() => window.taken.push(performance.now() - from));
                      }).observe(figures, { subtree: true, characterData: true, childList: true });
                    }
                    """);
            BoundingBox box = line.boundingBox();
            double x = box.x + box.width / 2;
            double y = box.y + box.height / 2;
            page.mouse().move(x, y);
            page.mouse().down();
            for (int i = 0; i < MOVES; i++) {
                page.mouse().move(x, y + 60 * Math.sin(i / 12.0));
                page.waitForTimeout(PACE_MS);
            }
            page.mouse().up();
            @SuppressWarnings("unchecked")
            List<Number> taken = (List<Number>) page.evaluate("() => window.taken");
            List<Double> sorted = taken.stream()
                    .skip(WARM)
                    .map(Number::doubleValue)
                    .sorted(Comparator.naturalOrder())
                    .toList();
            System.out.printf(
                    "a drag of the water line, from the move to the figures drawn: n %d, p50 %.0f ms, p95 %.0f ms, largest %.0f ms%n",
                    sorted.size(), at(sorted, 0.5), at(sorted, 0.95), sorted.get(sorted.size() - 1));
        }
    }

    private static double at(List<Double> sorted, double share) {
        return sorted.get((int) Math.min(sorted.size() - 1, Math.floor(sorted.size() * share)));
    }
}
