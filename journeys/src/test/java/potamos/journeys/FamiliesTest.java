package potamos.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** A stock of each family from the charge to the shelf, by doing what the page says is next, the kitchen's clock moved on in between. */
class FamiliesTest extends OnADemo {

    private static final int MOST_ACTS = 140;
    private static final String[] COOLING = {"80", "20", "4.5"};

    FamiliesTest() {
        super("families");
    }

    static Stream<Arguments> families() {
        return Stream.of(
                Arguments.of(
                        "brown-poultry",
                        5,
                        List.of("WEIGH", "BEGIN", "TURN", "JUDGE_SHADE", "FILL", "SKIM", "PASS", "STRAIN", "DEGREASE"),
                        List.of("Begun roast", "shade 6, dark", "Fat lifted")),
                Arguments.of(
                        "fish-fumet",
                        4,
                        List.of("WEIGH", "END", "BEGIN", "CHANGE_WATER", "FILL", "FIRST_FOAM", "JUDGE", "STRAIN"),
                        List.of("Fresh water", "Done cook the wine down")),
                Arguments.of(
                        "kelp-flake",
                        8,
                        List.of(
                                "WEIGH",
                                "FILL",
                                "LIGHT",
                                "HOLD",
                                "KELP_OUT",
                                "TURN_DOWN",
                                "JUDGE",
                                "FLAKES_IN",
                                "STRAIN"),
                        List.of("Taken out", "Held")),
                Arguments.of(
                        "shellfish",
                        5,
                        List.of("CLEAN_DOWN", "WEIGH", "BEGIN", "BURNER_OFF", "FILL", "JUDGE", "PASS", "STRAIN"),
                        List.of("Burner off", "Done flame")),
                Arguments.of(
                        "vegetable-dark",
                        5,
                        List.of("CLEAN_DOWN", "WEIGH", "BEGIN", "TURN", "JUDGE_SHADE", "FILL", "JUDGE", "STRAIN"),
                        List.of("Turned", "Done deglaze")),
                Arguments.of(
                        "half-reduction",
                        4,
                        List.of("FILL", "LIGHT", "TURN_DOWN", "JUDGE", "REDUCE", "STRAIN"),
                        List.of("Reduced")));
    }

    @ParameterizedTest
    @MethodSource("families")
    void fromTheChargeToTheShelf(String formula, int litres, List<String> acts, List<String> record) {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = as(kitchen, "ilse");
            cook.open("/formulas/%s?goal=LITRES&value=%d&start=now".formatted(formula, litres));
            cook.see("Weigh out");
            cook.page()
                    .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Pot 24")))
                    .click();
            cook.see("in Pot 24").tap("Accept this plan");
            cook.page().waitForURL(Pattern.compile("/batches/"));
            String id = cook.page().url().substring(cook.page().url().lastIndexOf('/') + 1);
            Worked worked = work(cook, id);
            assertThat(worked.stage).isEqualTo("ON_SHELF");
            assertThat(worked.kinds).containsSubsequence(acts);
            cook.see("put away.").tap("All");
            for (String words : record) {
                assertThat(Journey.plain(
                                cook.page().getByLabel("Entries, latest first").innerText()))
                        .contains(words);
            }
            cook.stumblesNobody();
            assertThat(ledgerError(cook, id)).isLessThan(1e-6);
        }
    }

    /** What was done, in order, and where it ended. */
    private record Worked(List<String> kinds, String stage) {}

    private static Worked work(Journey cook, String id) {
        List<String> kinds = new ArrayList<>();
        int readings = 0;
        for (int i = 0; i < MOST_ACTS; i++) {
            Map<String, Object> next = next(cook, id);
            String stage = (String) next.get("stage");
            if (next.get("kind") == null) {
                return new Worked(kinds, stage);
            }
            double minutes = ((Number) next.get("minutes")).doubleValue();
            if (minutes > 0) {
                cook.wait((int) Math.ceil(minutes));
                continue;
            }
            String kind = (boolean) next.get("cleanDown") ? "CLEAN_DOWN" : (String) next.get("kind");
            if (kinds.contains(kind) && (boolean) next.get("plain")) {
                // The tenth skimming is tapped like the first: what has been tapped once, and asks nothing, is logged
                // as it is proposed.
                log(cook, id);
                kinds.add(kind);
                continue;
            }
            readings += kind.equals("READ_COOLING") ? 1 : 0;
            int before = entries(next);
            act(cook, kind, readings);
            // What moves litres shows them, and what is far from likely is asked about: each takes one more touch.
            cook.page().waitForCondition(() -> cook.asksOnceMore() || entries(next(cook, id)) > before);
            cook.confirmed();
            try {
                cook.page().waitForCondition(() -> entries(next(cook, id)) > before);
            } catch (TimeoutError nothing) {
                throw new AssertionError("%s was not logged, after %s:%n%s"
                        .formatted(kind, kinds, cook.page().locator("main").innerText()));
            }
            kinds.add(kind);
            cook.reload();
            cook.page().locator("section[aria-label=Acts]").waitFor();
        }
        throw new AssertionError("it never came to an end: " + kinds);
    }

    private static int entries(Map<String, Object> next) {
        return ((Number) next.get("entries")).intValue();
    }

    private static void act(Journey cook, String kind, int readings) {
        if (kind.equals("CLEAN_DOWN")) {
            cook.tap("They are clean");
            return;
        }
        cook.tapFirst("section[aria-label=Acts] button");
        switch (kind) {
            case "JUDGE" -> cook.tap("Enough: off the heat");
            case "JUDGE_SHADE" -> pick(cook, "^6");
            case "SET_TEST" -> pick(cook, "^3");
            case "TASTE" -> cook.tap("round").tap("Log");
            case "READ_COOLING" ->
                cook.type("In the stock", COOLING[Math.min(readings, COOLING.length) - 1])
                        .tap("Log");
            case "WEIGH" -> cook.asAWhole().readAsExpected().tap("Log");
            case "READ_LEVEL", "READ_TEMPERATURE", "STRAIN", "REDUCE" ->
                cook.readAsExpected().tap("Log");
            case "STORE" -> cook.tap("Put it away");
            default -> {}
        }
    }

    private static void pick(Journey cook, String place) {
        Locator radio =
                cook.page().getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile(place)));
        radio.click();
        cook.tap("Log");
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> next(Journey cook, String id) {
        return (Map<String, Object>) cook.page().evaluate("""
                id => Promise.all([fetch(`/api/batches/${id}`).then(a => a.json()), fetch('/api/session').then(a => a.json())])
                  .then(([page, session]) => {
                    const due = page.card.due[0];
                    return {
                      stage: page.card.stage,
                      entries: page.events.length,
                      cleanDown: !!page.cleanDown,
                      kind: due ? due.kind : null,
                      plain: !!due && !due.asks && due.becomes.length > 0,
                      minutes: due ? (new Date(due.due) - new Date(session.now)) / 60000 : 0,
                    };
                  })
                """, id);
    }

    private static void log(Journey cook, String id) {
        Object status = cook.page().evaluate("""
                async id => {
                  const { now } = await fetch('/api/session').then(a => a.json());
                  const page = await fetch(`/api/batches/${id}`).then(a => a.json());
                  const token = document.cookie.split('; ').find(c => c.startsWith('XSRF-TOKEN='))?.slice(11) ?? '';
                  for (const { kind, figures } of page.card.due[0].becomes) {
                    const answer = await fetch(`/api/batches/${id}/acts`, {
                      method: 'POST',
                      headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(token) },
                      body: JSON.stringify({ id: crypto.randomUUID(), kind, at: now, ...figures }),
                    });
                    if (!answer.ok) return answer.text();
                  }
                  return 'logged';
                }
                """, id);
        assertThat(status).isEqualTo("logged");
    }

    private static double ledgerError(Journey cook, String id) {
        Object error = cook.page().evaluate("""
                id => fetch(`/api/batches/${id}`).then(a => a.json()).then(({ ledger }) =>
                  Math.abs(ledger.entries.reduce((sum, e) => sum + (e.inward ? e.litres : -e.litres), 0)
                    - ledger.yieldL - ledger.unexplainedL))
                """, id);
        return ((Number) error).doubleValue();
    }
}
