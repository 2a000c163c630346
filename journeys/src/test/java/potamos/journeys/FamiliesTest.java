package potamos.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A stock of each family from the charge to the shelf, by doing what the page says is next, the kitchen's clock moved on in between. White stock goes
 * the whole way in {@link FirstPotTest}.
 */
class FamiliesTest extends OnADemo {

    private final AtWork work = new AtWork();

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
                        "vegetable-dark",
                        5,
                        List.of("WEIGH", "BEGIN", "TURN", "JUDGE_SHADE", "FILL", "JUDGE", "STRAIN"),
                        List.of("Turned", "Done deglaze")),
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
                        List.of("Cleaned down", "Burner off", "Done flame")));
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
            String id = cook.id();
            AtWork.Worked worked = work.on(cook, id, "ON_SHELF");
            assertThat(worked.stage()).isEqualTo("ON_SHELF");
            assertThat(worked.kinds()).containsSubsequence(acts);
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

    private static double ledgerError(Journey cook, String id) {
        Object error = cook.page().evaluate("""
                id => fetch(`/api/batches/${id}`).then(a => a.json()).then(({ ledger }) =>
                  Math.abs(ledger.entries.reduce((sum, e) => sum + (e.inward ? e.litres : -e.litres), 0)
                    - ledger.yieldL - ledger.unexplainedL))
                """, id);
        return ((Number) error).doubleValue();
    }
}
