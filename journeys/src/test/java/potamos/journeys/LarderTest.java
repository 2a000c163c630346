package potamos.journeys;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What comes in at the door is weighed out of its box, followed to its pot, and stopped when the butcher calls. */
class LarderTest extends OnADemo {

    private final AtWork work = new AtWork();

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
            cook.tap("Accept this plan").seeLike("in K80, batch \\d+");
            String batch = cook.page().url();
            cook.tap("Weigh in").stumblesNobody();
            cook.page()
                    .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Larch Farm, lot LF-404"))
                    .click();
            cook.seeLike("Weigh in 1\\d\\.\\d\\skg");
            cook.page()
                    .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Weigh in 1\\d")))
                    .click();
            cook.page().getByRole(AriaRole.DIALOG).waitFor(gone());
            cook.see("Rinsed");

            // By its number: the box, the pot, and nothing put away yet.
            cook.open("/trace").type("A lot's number", "LF-404").tap("Follow it");
            cook.see("Larch Farm, lot LF-404")
                    .seeLike("batch \\d+, 1\\d\\.\\d\\skg of it")
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

    /** Half of what is strained goes on into a reduction: one decision, and whoever asks finds it in both batches. */
    @Test
    void halfOfAStockIsReducedAndFollowed() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = as(kitchen, "ilse").open("/cold").follow("White chicken stock, batch 2");
            cook.see("Read the cooling");
            String stock = cook.id();
            cook.tap("Into another pot").stumblesNobody().follow("Half reduction");
            cook.see("Drawn with").seeLike("4\\.5\\sL of stock").stumblesNobody();
            cook.tap("Pot 24")
                    .seeLike("in Pot 24")
                    .page()
                    .getByText("Start now")
                    .click();
            cook.tap("Accept this plan").seeLike("in Pot 24, batch \\d+");
            cook.see("Draw from another lot").stumblesNobody();
            cook.tap("Wine cooked down").see("Done cook the wine down").pour("Draw the stock");
            cook.see("Stock drawn").see("Fill to the line");
            cook.open("/batches/" + stock).see("Drawn off for another pot");
            cook.open("/trace?what=" + stock).see("Half reduction").seeLike("4\\.5\\sL of batch 2");
            cook.stumblesNobody();
        }
    }

    /**
     * The bones of the butcher's veal go on as a second wetting that knows whose they are, half of its stock as a reduction, the reduction as cubes to Sauce;
     * and the butcher's number finds all of it.
     */
    @Test
    void theButchersVealGoesOnAsSecondWettingAndAsCubesAtSauce() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = as(kitchen, "ilse");
            cook.open("/batches").follow("Brown veal stock").see("in Broad 40");
            String veal = cook.id();
            work.on(cook, veal, "COOL");
            Locator left = cook.page()
                    .locator("section")
                    .filter(new Locator.FilterOptions().setHas(cook.page().getByText("What is left")))
                    .getByRole(AriaRole.LISTITEM)
                    .filter(new Locator.FilterOptions().setHasText("Second wetting"));
            left.getByRole(AriaRole.BUTTON).click();
            cook.see("There should be about")
                    .stumblesNobody()
                    .type("On the scale", "7.2")
                    .tap("Keep 7.20");
            cook.page().getByRole(AriaRole.DIALOG).waitFor(gone());
            cook.see("Where every kilogram went").stumblesNobody();

            // Half of it goes on hot, into another pot.
            cook.tap("Into another pot").follow("Half reduction").see("Drawn with");
            cook.tap("Broad 40")
                    .see("in Broad 40")
                    .page()
                    .getByText("Start now")
                    .click();
            cook.tap("Accept this plan").seeLike("in Broad 40, batch \\d+");
            String half = cook.id();
            work.on(cook, half, "STORE");
            cook.tapFirst("section[aria-label=Acts] button");
            cook.page()
                    .getByRole(AriaRole.DIALOG)
                    .getByText("frozen", new Locator.GetByTextOptions().setExact(true))
                    .click();
            cook.type("As cubes", "30").seeLike("mL each").stumblesNobody().tap("Put it away");
            cook.see("put away.").open("/cold").seeLike("30 cubes of \\d+\\smL").stumblesNobody();

            // Sauce has a third of a litre of them, frozen as they are.
            cook.page()
                    .getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("In the freezer"))
                    .getByRole(AriaRole.LINK)
                    .filter(new Locator.FilterOptions().setHasText("cubes of"))
                    .click();
            cook.see("What left this lot").choose("Sauce").type("Litres on this slip", "0.3");
            cook.tap("Deliver 0").seeLike("2\\d cubes");

            // Its bones have kept meanwhile.
            cook.open("/batches/" + veal).follow("Second wetting of it");
            cook.seeLike("7\\.20\\skg of it").see("The whole contains celery").stumblesNobody();
            cook.tap("Accept this plan").seeLike("Second wetting in .*, batch \\d+");
            cook.tap("Weigh in").see("Brown veal stock, batch 3");
            cook.page()
                    .getByRole(
                            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Brown veal stock")))
                    .click();
            cook.page()
                    .getByRole(
                            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Weigh in 7\\.20")))
                    .click();
            cook.page().getByRole(AriaRole.DIALOG).waitFor(gone());
            cook.open("/trace?what=" + veal).see("Second wetting").seeLike("7\\.20\\skg spent bones of batch 3");
            cook.stumblesNobody();

            cook.open("/trace").type("A lot's number", "A-2205").tap("Follow it");
            cook.see("Alder & Sons, lot A-2205")
                    .see("Brown veal stock")
                    .see("Half reduction")
                    .see("Sauce")
                    .stumblesNobody();
        }
    }

    /** Handed over the pass, taken over on a phone, and what is not used comes back cold. */
    @Test
    void aStationTakesOverAndSendsBack() {
        try (BrowserContext kitchen = visitor();
                BrowserContext pass = visitor()) {
            Journey cook = as(kitchen, "ilse").open("/cold").see("In the cold");
            cook.page()
                    .getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("In the cold"))
                    .getByRole(AriaRole.LINK)
                    .first()
                    .click();
            cook.see("What left this lot").choose("Sauce").type("Litres on this slip", "1");
            cook.tap("Deliver 1").seeLike("1\\.0\\sL.*left|left of");
            Journey sauce = as(pass, "priya");
            sauce.page().setViewportSize(390, 844);
            sauce.open("/calls").see("To take over").stumblesNobody().tap("Take over");
            sauce.type("In the stock, if you read it", "4").stumblesNobody().tap("I have it");
            sauce.seeLike("taken over \\d\\d:\\d\\d, Priya").tap("Send back");
            sauce.page()
                    .getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Litres, of")))
                    .fill("0.5");
            sauce.type("In the stock", "4").type("Why", "a table less").tap("Send 0");
            sauce.see("came back");
            cook.open("/cold").see("came back").stumblesNobody();
        }
    }

    private static Locator.WaitForOptions gone() {
        return new Locator.WaitForOptions().setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN);
    }
}
