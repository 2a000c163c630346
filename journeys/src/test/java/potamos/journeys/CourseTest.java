package potamos.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The week of a kitchen: what its stations want week by week, laid, taken in hand, looked through for a better one and accepted. */
class CourseTest extends OnADemo {

    private static final Pattern STARTS = Pattern.compile("Starts .+, ready .+\\.");

    CourseTest() {
        super("course");
    }

    @Test
    void aWeekIsLaidHeldByKeysTakenBackImprovedAndAccepted() {
        try (BrowserContext kitchen = visitor();
                BrowserContext other = visitor()) {
            Journey cook = as(kitchen, "ilse").open("/course");
            cook.seeLike("\\d+ calls are open: \\d+ batches to make");
            // Half of the demo's week is held already.
            cook.tap("Let all go").see("Hold all as laid");
            tapTake(cook);
            Locator hand = hand(cook);
            String before = hand.getByText(STARTS).innerText();
            cook.see("Why here?").seeLike("Ready .+ before .+ wants").stumblesNobody();
            cook.page().keyboard().press("ArrowLeft");
            cook.see("held here");
            String after = hand.getByText(STARTS).innerText();
            assertThat(after).isNotEqualTo(before);

            Journey chef = as(other, "tomaz").open("/course");
            chef.seeLike(", held$");

            cook.page().keyboard().press("z");
            chef.page()
                    .getByText(Pattern.compile(", held$"))
                    .first()
                    .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
            chef.tap("Look for a better one").seeLike("Proven best|Nothing is less late|could be saved");
            cook.seeLike(", held$");
            chef.stumblesNobody();

            int running = running(chef);
            chef.tap("Let all go");
            chef.page()
                    .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Accept .+ in ")))
                    .first()
                    .click();
            chef.page()
                    .waitForFunction(
                            "before => fetch('/api/course').then(r => r.json()).then(c => c.running.length > before)",
                            running);
        }
    }

    /** What a batch was for lies on the left bank then, for everybody; its pool is let go over the river, and a batch for it begins there. */
    @Test
    void aCallIsSetAsideAndDraggedInAgain() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = as(kitchen, "ilse").open("/course");
            tapTake(cook);
            hand(cook)
                    .getByRole(
                            AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Set its calls?")))
                    .click();
            cook.see("On the left bank").see("set aside").stumblesNobody();
            Locator pool = cook.page().locator("[data-pool]").first();
            Locator river = cook.page()
                    .getByRole(
                            AriaRole.IMG,
                            new Page.GetByRoleOptions().setName(Pattern.compile("calls? (is|are) open|Nothing")));
            pool.dragTo(river, new Locator.DragToOptions().setTargetPosition(river.boundingBox().width / 2, 380));
            cook.see("held here");
            assertThat(cook.page()
                            .getByText("set aside", new Page.GetByTextOptions().setExact(true))
                            .count())
                    .isZero();
            cook.tap("Undo").see("set aside");
            cook.tapFirst("[aria-label='On the left bank'] button");
            cook.page()
                    .getByText("On the left bank")
                    .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
        }
    }

    /** The kettle fails: what that does is seen first, the way out that waits is taken, the station reads it on its phone, and the kettle is there again. */
    @Test
    void aPotThatFailsIsPlannedAroundAndTheStationReadsIt() {
        try (BrowserContext kitchen = visitor();
                BrowserContext phone = browsers.onTheLine(potamos.url(), 390, 844)) {
            Journey cook = as(kitchen, "ilse").open("/course");
            cook.tap("Something is missing").pick("What", "Vessel: K80").tap("tomorrow 17:00");
            Locator wait = cook.page().getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Wait for it"));
            String told = wait.getByText(Pattern.compile("^Soup, White chicken stock"))
                    .first()
                    .innerText();
            assertThat(told).contains("instead of 20.0");
            cook.stumblesNobody();
            wait.getByRole(AriaRole.BUTTON).click();
            cook.see("Out of order, away, or not come").seeLike("K80.* until tomorrow 17:00");

            as(phone, "bram").open("/calls").seeLike("Ilse Varga said").stumblesNobody();

            cook.open("/kitchen").tap("It is there again").see("Everything is there, and everybody.");
        }
    }

    @Test
    void aStationAsksWeekByWeekAndLeavesADayOut() {
        try (BrowserContext kitchen = visitor()) {
            Journey soup = as(kitchen, "bram").open("/calls");
            soup.tap("Ask for litres");
            soup.page()
                    .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Week by week"))
                    .click();
            soup.type("Ready by", "16:45").tapFirst("form button[type=submit]");
            soup.see("Every day by 16:45").stumblesNobody();
            soup.page()
                    .getByRole(AriaRole.LISTITEM)
                    .filter(new Locator.FilterOptions().setHasText("Every day by 16:45"))
                    .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Leave the next out"))
                    .click();
            soup.see("Left out:");
        }
    }

    private static void tapTake(Journey cook) {
        cook.page()
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Take .+ in hand$")))
                .last()
                .click();
    }

    private static Locator hand(Journey cook) {
        return cook.page().getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("In hand"));
    }

    private static int running(Journey who) {
        return ((Number) who.page()
                        .evaluate("() => fetch('/api/course').then(r => r.json()).then(c => c.running.length)"))
                .intValue();
    }
}
