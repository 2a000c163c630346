package potamos.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.List;
import org.junit.jupiter.api.Test;

/** One white chicken stock from a station's call to litres delivered, and what goes wrong on the way. */
class FirstPotTest extends OnADemo {

    FirstPotTest() {
        super("journeys");
    }

    @Test
    void fromTheCallToTheLitresDelivered() {
        try (BrowserContext station = visitor();
                BrowserContext kitchen = visitor()) {
            Journey cook = as(kitchen, "ilse").open("/calls");

            // Call: the station asks, and the cook's open screen shows it.
            Journey soup = as(station, "bram").open("/calls");
            soup.tap("Ask for litres").pick("Stock", "White chicken stock");
            soup.type("How much, cold and strained", "15").type("For what", "leek broth");
            soup.stumblesNobody().tap("Ask").see("leek broth");
            cook.see("leek broth");

            // Charge: the pot stands in a vessel that fits; the water line is moved by the keys.
            cook.page()
                    .getByRole(AriaRole.LISTITEM)
                    .filter(new Locator.FilterOptions().setHasText("leek broth"))
                    .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Plan it"))
                    .click();
            cook.see("Weigh out").tap("K80").see("in K80").stumblesNobody();
            Locator waterLine =
                    cook.page().getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Water line"));
            String before = waterLine.getAttribute("aria-valuetext");
            waterLine.press("ArrowUp");
            cook.page()
                    .waitForFunction(
                            "before => document.querySelector('[aria-label=\"Water line\"]').getAttribute('aria-valuetext') !== before",
                            before);
            cook.page()
                    .getByText("Litres", new Page.GetByTextOptions().setExact(true))
                    .first()
                    .click();
            cook.type("Litres out, strained", "19").see("19.0 L");

            // Plan: backwards from when it is wanted; accepting freezes it.
            cook.page().getByText("Start now").click();
            cook.tap("Accept this plan").see("in K80, batch 7");
            String batch = cook.page().url();

            // Run: weigh in, fill, bring up, skim, read, add, top up, judge.
            cook.tap("Weigh in").asAWhole().type("On the scale", "14.5").log().tap("Rinsed");
            cook.see("Done rinse").pour("Fill to the line").tap("Switch the heat on");
            cook.see("Heat on").wait(22);
            cook.pour("First foam").tap("Turn down to the simmer").see("Simmer reached");
            cook.wait(20).read("Skimmed", "Liquor lost with the scum", "0.1").see("Skimmed at");
            cook.tap("Undo").see("undone");
            cook.read("Skimmed", "Liquor lost with the scum", "0.1");
            cook.wait(40).read("Temperature", "In the liquor", "89.5").see("89.5 °C");
            cook.read("Level", "Below the rim", "19").see("19.0 cm below the rim");
            // The tap is three entries; the clock waits for the last of them.
            cook.wait(20).tap("Put in onion").seeLike("Celery, \\d+\\sg");
            cook.wait(45).tap("Sachet in: log now").seeLike("Bay leaf, \\d\\.\\d\\sg");
            cook.read("Water in", "Water added", "5").see("5.0 L");

            // A misread figure is corrected, and both stay in the record.
            cook.page()
                    .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Correct Topped up"))
                    .first()
                    .click();
            cook.type("Volume", "4.5").type("Why", "read the wrong mark").tap("Correct the record");
            cook.see("read the wrong mark");
            assertThat(cook.page()
                            .locator(".line-through")
                            .filter(new Locator.FilterOptions().setHasText("5.0 L"))
                            .count())
                    .isPositive();

            cook.wait(60).tap("Judge").see("Not yet").stumblesNobody();
            cook.judge("+15 min");
            cook.wait(15).tap("Judge").tap("Enough: off the heat").see("Judged: enough");

            // Strain and measure: the ledger closes, and says what it cannot explain.
            cook.wait(21).tap("Through the strainer").see("Through a strainer");
            cook.read("Strain and measure", "Litres out", "18.4").see("Litres out 18.4 L");

            // Cool: readings against the limits.
            cook.tap("Start cooling").see("Cooling started");
            for (String celsius : new String[] {"82", "57", "33", "20", "9", "4.5"}) {
                cook.wait(12).read("Read the cooling", "In the stock", celsius);
            }
            cook.see("Passed").stumblesNobody();

            // Store and deliver: a lot, two slips, the call met, the rest on the shelf.
            cook.tap("Put away")
                    .type("Where", "Cold store, shelf 1")
                    .tap("Put it away")
                    .see("put away.");
            cook.choose("Soup");
            cook.type("Litres on this slip", "15").tap("Deliver 15.0 L to Soup").see("3.4 L");
            soup.open("/calls").see("Delivered: 15.0 L");
            cook.choose("Sauce");
            cook.type("Litres on this slip", "2").tap("Deliver 2.0 L to Sauce").see("1.4 L");

            // Look back: everything with its time and initials, as a table and as JSON.
            cook.follow("Lot and label").see("celery").see("What left this lot").stumblesNobody();
            cook.open(batch).tap("All");
            for (String entry : new String[] {"Weighed in", "First foam", "Strained", "Delivered"}) {
                cook.see(entry);
            }
            Object csv = cook.page()
                    .evaluate(
                            "id => fetch(`/api/batches/${id}/record.csv`).then(r => r.text())",
                            batch.substring(batch.lastIndexOf('/') + 1));
            assertThat(csv.toString()).contains("read the wrong mark").contains(",IV,Ilse Varga,strained,");
        }
    }

    @Test
    void refusalsAreSaidBesideTheFieldAndNothingIsLost() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = as(kitchen, "ilse").open("/calls");
            cook.tap("Ask for litres").type("How much, cold and strained", "0").tap("Ask");
            cook.see("Between 0.5 and 300.0 L");
            cook.type("How much, cold and strained", "abc").see("A number is needed here");
            cook.type("How much, cold and strained", "5")
                    .type("Ready by", "2020-01-01 10:00")
                    .tap("Ask")
                    .see("already past");
            assertThat(cook.page()
                            .getByLabel("How much, cold and strained", new Page.GetByLabelOptions().setExact(true))
                            .inputValue())
                    .isEqualTo("5.0");
            cook.page().keyboard().press("Escape");
            cook.page()
                    .getByRole(AriaRole.DIALOG)
                    .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));

            cook.open("/formulas/white-chicken?goal=LITRES&value=60");
            cook.tap("Pot 12")
                    .see("Pot 12 would run over.")
                    .see("Fill this one instead")
                    .stumblesNobody();
            assertThat(cook.button("Accept this plan").isDisabled()).isTrue();
            cook.tap("Fill this one instead").see("Full pot");
            cook.open("/formulas/white-chicken?goal=LITRES&value=-3").see("could not be fetched");
            cook.open("/batches/00000000-0000-0000-0000-000000000000").see("could not be fetched");

            cook.open("/batches").follow("Broad 40").see("The record");
            cook.tap("Temperature")
                    .type("In the liquor", "105")
                    .tap("Log")
                    .see("far from what is likely")
                    .tap("It stands: log it")
                    .see("Above the boiling point here");
            cook.page().keyboard().press("Escape");
        }
    }

    @Test
    void whatIsTappedWithoutAConnectionIsKeptAndSentOnce() {
        try (BrowserContext kitchen = wanderer();
                BrowserContext other = visitor()) {
            Journey cook = as(kitchen, "ilse").open("/batches");
            openBroad40(cook);
            String batch = cook.page().url();
            Journey chef = as(other, "tomaz").open(batch);
            int before = skims(chef);
            kitchen.setOffline(true);
            cook.tap("Skimmed").type("Liquor lost with the scum", "0.3").tap("Log");
            cook.see("1 act waits to be sent");
            assertThat(skims(chef)).isEqualTo(before);
            kitchen.setOffline(false);
            cook.page()
                    .getByText("waits to be sent")
                    .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
            chef.see("0.3 L");
            assertThat(skims(chef)).isEqualTo(before + 1);
        }
    }

    /** Whoever waits for a function does not wait for its promise; so it waits by itself, twenty seconds at most. */
    private static final String IS_KEPT_SOON = """
            async path => {
              for (let tried = 0; tried < 200; tried++) {
                if ((await caches.match(path)) !== undefined) return true
                await new Promise(later => setTimeout(later, 100))
              }
              return false
            }
            """;

    @Test
    void aTabletOpenedWithoutAServerShowsWhatItSawLastAndKeepsLogging() {
        try (BrowserContext kitchen = wanderer()) {
            Journey cook = as(kitchen, "ilse").open("/batches");
            cook.page().evaluate("() => navigator.serviceWorker.ready");
            cook.page().waitForFunction("() => navigator.serviceWorker.controller !== null");
            openBroad40(cook);
            String batch = cook.page().url();
            int before = skims(cook);
            // The first page asked before its worker was there, and asks again through it; a tablet that stands there
            // for a second has both.
            for (String kept : List.of("/api/session", "/api/range")) {
                assertThat(cook.page().evaluate(IS_KEPT_SOON, kept)).as(kept).isEqualTo(true);
            }
            kitchen.setOffline(true);
            cook.page().reload();
            cook.see("The record").see("Shown as it stood at");
            cook.read("Skimmed", "Liquor lost with the scum", "0.3").see("1 act waits to be sent");
            cook.open("/range").see("1 act waits to be sent").see("Broad 40");
            kitchen.setOffline(false);
            cook.page()
                    .getByText("waits to be sent")
                    .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
            cook.open(batch).see("0.3 L");
            assertThat(skims(cook)).isEqualTo(before + 1);
        }
    }

    @Test
    void aShiftIsHandedOverAndSignedFor() {
        try (BrowserContext kitchen = visitor();
                BrowserContext other = visitor()) {
            Journey chef = as(other, "tomaz").open("/hand-over");
            Journey cook =
                    as(kitchen, "ilse").open("/range").follow("Hand over").see("Everything to");
            cook.tap("Tomaz Okafor").type("What they should know", "Broad 40 runs hot");
            cook.tapFirst("form button[type=submit]");
            cook.see("Tomaz Okafor has not signed").stumblesNobody();
            chef.see("Broad 40 runs hot").tap("I have them").see("Tomaz Okafor signed at");
            cook.see("Tomaz Okafor signed at");
        }
    }

    @Test
    void aSharedTabletAsksWhoIsAtWorkAndEachActCarriesItsPerson() {
        try (BrowserContext kitchen = visitor()) {
            Journey tablet = as(kitchen, "tomaz").open("/batches");
            openBroad40(tablet);
            tablet.tap("Tomaz Okafor, Kestrel Lodge");
            tablet.page()
                    .getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Share this tablet"))
                    .click();
            tablet.tap("Share it").see("Who is at work?").stumblesNobody();
            assertThat(tablet.button("Skimmed").count()).isZero();
            tablet.tap("WA, Wen Abara");
            tablet.page().keyboard().type("4603");
            tablet.tap("Sign").see("At work");
            tablet.read("Skimmed", "Liquor lost with the scum", "0.7").see("0.7 L");
            Locator line = tablet.page()
                    .getByRole(AriaRole.LISTITEM)
                    .filter(new Locator.FilterOptions().setHasText("Skimmed 0.7 L"));
            assertThat(line.first().innerText()).contains("WA");
            assertThat(tablet.button("Judge").count()).isZero();
        }
    }

    @Test
    void theServerKilledWhileActsAreLoggedLosesNothingAndDoublesNothing() {
        try (BrowserContext kitchen = wanderer()) {
            Journey cook = as(kitchen, "tomaz").open("/batches");
            openBroad40(cook);
            int before = skims(cook);
            potamos.kill();
            cook.tap("Skimmed")
                    .type("Liquor lost with the scum", "0.4")
                    .tap("Log")
                    .see("1 act waits to be sent");
            potamos.up();
            cook.page()
                    .getByText("waits to be sent")
                    .waitFor(new Locator.WaitForOptions()
                            .setState(WaitForSelectorState.HIDDEN)
                            .setTimeout(30_000));
            assertThat(skims(cook)).isEqualTo(before + 1);
        }
    }

    @Test
    void everyPlaceIsThereForEverybody() {
        try (BrowserContext kitchen = visitor();
                BrowserContext phone = browsers.onTheLine(potamos.url(), 390, 844)) {
            Journey stranger = new Journey(kitchen.newPage()).open("/sign-in").stumblesNobody();
            stranger.page().close();
            Journey cook = as(kitchen, "ilse");
            for (String place : new String[] {
                "/range", "/hand-over", "/calls", "/course", "/formulas", "/cold", "/larder", "/batches", "/kitchen"
            }) {
                cook.open(place).stumblesNobody();
                assertThat(fitsAcross(cook.page())).as("%s at 1280", place).isTrue();
            }
            cook.tap("Night watch").stumblesNobody();
            cook.open("/range").tap("Big figures").stumblesNobody();
            Journey onPhone = as(phone, "ilse");
            for (String place : new String[] {
                "/range", "/hand-over", "/calls", "/course", "/formulas/white-chicken?value=9", "/cold", "/kitchen"
            }) {
                onPhone.open(place);
                assertThat(fitsAcross(onPhone.page())).as("%s at 390", place).isTrue();
            }
        }
    }

    @Test
    void menusAndSheetsAreThereForEverybodyAndBackClosesThem() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = as(kitchen, "ilse").open("/range");
            cook.tap("Why:").see("Most of what is not known").stumblesNobody();
            cook.page().keyboard().press("Escape");
            cook.tap("Ilse Varga").see("Sign out").stumblesNobody();
            cook.page().keyboard().press("Escape");
            cook.open("/calls").tap("Ask for litres").tap("Day, hour").stumblesNobody();
            cook.tap("Stock");
            cook.page().getByRole(AriaRole.MENUITEMRADIO).first().waitFor();
            cook.stumblesNobody();
            cook.page().keyboard().press("Escape");
            cook.see("How much, cold and strained").pick("Stock", "Fish fumet");
            cook.page().goBack();
            cook.page()
                    .getByRole(AriaRole.DIALOG)
                    .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
            assertThat(cook.page().url()).endsWith("/calls");
            cook.tap("Ask for litres").see("How much, cold and strained");
            cook.page().keyboard().press("Escape");
            cook.page()
                    .getByRole(AriaRole.DIALOG)
                    .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
            // What it had put into the history is taken out again a moment after it is closed.
            cook.page().waitForFunction("() => !(history.state && history.state.over)");
            cook.page().goBack();
            cook.page().waitForURL("**/range");
        }
    }

    private static boolean fitsAcross(Page page) {
        return (Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth");
    }

    /** Skimmings as the server knows them. */
    /** The page of the batch that simmers in Broad 40, from the list of batches. */
    private static void openBroad40(Journey cook) {
        cook.page()
                .getByRole(AriaRole.LINK)
                .filter(new Locator.FilterOptions().setHasText("Broad 40"))
                .first()
                .click();
        cook.see("The record");
    }

    private static int skims(Journey who) {
        return ((Number) who.page()
                        .evaluate(
                                "id => fetch(`/api/batches/${id}`).then(r => r.json()).then(b => b.card.simmer.skims)",
                                who.id()))
                .intValue();
    }
}
