package potamos.journeys;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** What comes in at the door is weighed out of its box, followed to its pot, and stopped when the butcher calls. */
class LarderTest extends OnADemo {

    LarderTest() {
        super("larder");
    }

    @Test
    void fromTheDoorIntoThePotAndStoppedWhenTheButcherCalls() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = as(kitchen, "ilse").open("/larder");
            cook.see("Goes today").see("Out of the freezer").stumblesNobody();

            // At the door: raw is asked how cold it came and until when it may be used.
            cook.tap("Take in").stumblesNobody();
            cook.type("Weight, without its box", "32").tap("Take it in").see("until when may it be used");
            cook.tap("tomorrow").tap("Take it in").see("how cold was it at the door");
            cook.type("Temperature at the door", "2.5");
            cook.type("From whom", "Larch Farm").type("Their lot", "LF-404").tap("Take it in");
            cook.page().getByRole(AriaRole.DIALOG).waitFor(gone());
            cook.see("LF-404");

            // A batch is planned, and weighed out of that box; the rest of it as planned.
            cook.open("/formulas/white-chicken?goal=LITRES&value=20")
                    .see("Weigh out")
                    .tap("K80");
            cook.see("in K80").page().getByText("Start now").click();
            cook.tap("Accept this plan").see("in K80, batch 7");
            String batch = cook.page().url();
            cook.tap("Weigh in").stumblesNobody();
            cook.page()
                    .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Larch Farm, lot LF-404"))
                    .click();
            cook.seeLike("Weigh in 1\\d\\.\\d\\skg");
            cook.page()
                    .getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName(java.util.regex.Pattern.compile("^Weigh in 1\\d")))
                    .click();
            cook.page().getByRole(AriaRole.DIALOG).waitFor(gone());
            cook.see("Rinsed");

            // By its number: the box, the pot, and nothing put away yet.
            cook.open("/trace").type("A lot's number", "LF-404").tap("Follow it");
            cook.see("Larch Farm, lot LF-404")
                    .see("batch 7")
                    .see("Nothing of it is put away.")
                    .stumblesNobody();

            // The butcher calls: it is stopped, and no other pot gets any.
            cook.tap("Recall it").type("Why", "the butcher called").tap("Stop all of it");
            cook.see("All of it is stopped");
            cook.follow("Chicken carcass, raw")
                    .see("Stopped: the butcher called")
                    .see("Into a batch");
            cook.open(batch).see("Rinsed");
        }
    }

    /** Yesterday's stock in its tubs and bags: out of the freezer, and where all of it came from. */
    @Test
    void whatLiesInTheFreezerIsThawedBeforeItIsHandedOut() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook =
                    as(kitchen, "ilse").open("/cold").see("In the freezer").stumblesNobody();
            Locator freezer =
                    cook.page().getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("In the freezer"));
            freezer.getByRole(AriaRole.LINK).first().click();
            cook.see("It lies frozen").stumblesNobody().tap("Take it out to thaw");
            cook.see("cold, thawed").tap("Deliver ");
            cook.follow("Where it came from").see("lot A-2201").see("Café").stumblesNobody();
        }
    }

    private static Locator.WaitForOptions gone() {
        return new Locator.WaitForOptions().setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN);
    }
}
