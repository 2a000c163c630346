package potamos.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/** A cook who does what a batch's page says is next, batch after batch. */
final class AtWork {

    private static final int MOST_ACTS = 140;
    /** What a pot on full heat passes in a minute or two. */
    private static final Set<String> SOON_PASSED = Set.of("HOLD", "KELP_OUT");

    /** What comes sooner is waited for. */
    private static final double SOON_MIN = 0.5;

    private static final String[] COOLING = {"80", "20", "4.5"};

    /** What was tapped already, of this batch or of one before it. */
    private final Set<String> tapped = new HashSet<>();

    /** What was done, in order, and where it ended. */
    record Worked(List<String> kinds, String stage) {}

    /** Does what the page says is next, the clock moved on in between, until the batch has come to a stage or nothing is left to do. */
    Worked on(Journey cook, String id, String until) {
        List<String> kinds = new ArrayList<>();
        int readings = 0;
        // A page that was moved on under its cook is loaded anew before the next touch, once: what it is told of, it
        // would take in bit by bit.
        boolean stale = false;
        for (int i = 0; i < MOST_ACTS; i++) {
            Map<String, Object> next = next(cook, id);
            String stage = (String) next.get("stage");
            if (next.get("kind") == null || stage.equals(until)) {
                return new Worked(kinds, stage);
            }
            double minutes = minutes(next);
            if (minutes > 0) {
                stale = true;
                await(cook, next, SOON_PASSED.contains((String) next.get("kind")));
                continue;
            }
            String kind = (boolean) next.get("cleanDown") ? "CLEAN_DOWN" : (String) next.get("kind");
            boolean first = tapped.add(kind + " " + next.get("phase"));
            if (!first && !kind.equals("CLEAN_DOWN") && (boolean) next.get("plain")) {
                // The tenth skimming is tapped like the first: what has been tapped once, and asks nothing, is logged
                // as it is proposed.
                stale = true;
                log(cook, id);
                kinds.add(kind);
                continue;
            }
            if (stale) {
                open(cook);
                stale = false;
            }
            readings += kind.equals("READ_COOLING") ? 1 : 0;
            int before = cook.taken();
            act(cook, kind, readings);
            try {
                // What moves litres shows them, and what is far from likely is asked about: each takes one more touch.
                cook.page().waitForCondition(() -> cook.taken() > before || cook.asksOnceMore());
                cook.confirmed();
                cook.page().waitForCondition(() -> cook.taken() > before && cook.nothingWaits());
            } catch (TimeoutError nothing) {
                throw new AssertionError("%s was not logged, after %s:%n%s"
                        .formatted(kind, kinds, cook.page().locator("main").innerText()));
            }
            kinds.add(kind);
        }
        throw new AssertionError("it never came to an end: " + kinds);
    }

    private static void open(Journey cook) {
        cook.reload();
        cook.page().locator("section[aria-label=Acts]").waitFor();
    }

    /** Lets the clock run on until it is time: in whole minutes, and where it matters act by act of the whole kitchen. */
    private static void await(Journey cook, Map<String, Object> next, boolean soonPassed) {
        double minutes = minutes(next);
        if (!soonPassed) {
            cook.moveOn((int) Math.ceil(minutes));
            return;
        }
        if (minutes > SOON_MIN) {
            cook.moveToTheNextAct();
            return;
        }
        // Moved on now, the clock might be past this act already, and go on to the one after it. Asked once a second:
        // whoever asks without a pause is soon answered no more.
        cook.page().evaluate("""
                due => new Promise((done, broken) => {
                  const ask = () => fetch('/api/session').then(a => a.json())
                    .then(({ now }) => new Date(now) < new Date(due) ? setTimeout(ask, 1000) : done(), broken)
                  ask()
                })
                """, next.get("at"));
    }

    private static double minutes(Map<String, Object> next) {
        return ((Number) next.get("minutes")).doubleValue();
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
                      cleanDown: !!page.cleanDown,
                      kind: due ? due.kind : null,
                      phase: due ? due.phase ?? null : null,
                      plain: !!due && !due.asks && due.becomes.length > 0,
                      at: due ? due.due : null,
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
}
