package potamos.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.nio.file.Files;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;

/** A kitchen whose parts are killed under the hands of those who log, and a tablet that comes back without what it was known by. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class FaultsTest {

    private WatchedPotamos potamos;
    private Browsers browsers;

    @BeforeAll
    void start() {
        potamos = WatchedPotamos.start("faults");
        browsers = new Browsers();
    }

    @AfterAll
    void stop() {
        // Either may not have started.
        if (browsers != null) {
            browsers.close();
        }
        if (potamos != null) {
            potamos.close();
        }
    }

    @Test
    void nothingAcknowledgedIsLostOrDoubledThroughTwentyKills() throws IOException {
        Kills.Outcome outcome = Kills.of(potamos, 4, 16, 24, 7);
        assertThat(outcome.acknowledged()).isGreaterThan(200);
        assertThat(outcome.lost()).isZero();
        assertThat(outcome.doubled()).isZero();
        assertThat(outcome.applicationS()).hasSize(4);
        assertThat(outcome.databaseS()).hasSize(16);
        assertThat(Files.readString(potamos.home().resolve("watchdog.log")))
                .contains("the application ended with 137; starting it again")
                .contains("the database is gone; starting it again");
    }

    /** At the pot in a vessel that stands at a stage. */
    private Journey at(BrowserContext visitor, String who, String vessel, String stage) {
        Journey cook = new Journey(Browsers.signedIn(visitor, who)).open("/batches");
        cook.page()
                .getByRole(AriaRole.LINK)
                .filter(new Locator.FilterOptions().setHasText(vessel))
                .filter(new Locator.FilterOptions().setHasText(stage))
                .first()
                .click();
        return cook.see("The record");
    }

    private static void signInAgain(Journey cook, String who) {
        cook.see("Demo kitchen");
        cook.page()
                .getByRole(AriaRole.BUTTON)
                .filter(new Locator.FilterOptions().setHasText("kestrel-" + who))
                .click();
        cook.see("Range");
    }

    private static void nothingWaits(Journey cook) {
        cook.page()
                .getByText("waits to be sent")
                .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
    }

    @Test
    void aTabletThatComesBackWithoutCookiesAsksWhoIsThereAndLosesNoAct() {
        try (BrowserContext kitchen = browsers.visitor(potamos.url(), 1280, 800)) {
            Journey cook = at(kitchen, "ilse", "Broad 40", "Simmer");
            String batch = cook.page().url();
            kitchen.setOffline(true);
            cook.tap("Skimmed").type("Liquor lost with the scum", "0.6").tap("Log");
            cook.see("1 act waits to be sent");
            kitchen.clearCookies();
            kitchen.setOffline(false);
            signInAgain(cook, "ilse");
            nothingWaits(cook);
            cook.open(batch).see("0.6 L");
        }
    }

    @Test
    void aVisitThatHasEndedElsewhereAsksToSignInAndKeepsNothingOfTheKitchen() {
        try (BrowserContext kitchen = browsers.visitor(potamos.url(), 1280, 800);
                BrowserContext other = browsers.visitor(potamos.url(), 1280, 800)) {
            Journey cook = at(kitchen, "wen", "Broad 40", "Simmer");
            Journey elsewhere = new Journey(Browsers.signedIn(other, "wen")).open("/range");
            elsewhere.tap("Wen Abara, Kestrel Lodge");
            elsewhere
                    .page()
                    .getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Change your password"))
                    .click();
            elsewhere
                    .type("Your password so far", "kestrel-wen")
                    .type("Your new password", "kestrel-wen")
                    .tap("Set it")
                    .see("Another one than so far");
            elsewhere.type("Your new password", "three quiet herons").tap("Set it");
            elsewhere
                    .page()
                    .getByRole(AriaRole.DIALOG)
                    .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
            // The other screen is told within seconds, without being touched.
            cook.see("Sign-in name");
            assertThat(cook.page().evaluate("() => caches.has('seen')")).isEqualTo(false);
        }
    }

    @Test
    void whatTheKitchenRefusesStaysUntilItIsSettled() {
        try (BrowserContext kitchen = browsers.visitor(potamos.url(), 1280, 800);
                BrowserContext other = browsers.visitor(potamos.url(), 1280, 800)) {
            Journey cook = at(kitchen, "ilse", "Tall 40", "Bring up");
            Journey chef = at(other, "tomaz", "Tall 40", "Bring up");
            kitchen.setOffline(true);
            cook.pour("First foam").see("to be sent");
            chef.page()
                    .waitForResponse(
                            answer -> answer.url().endsWith("/acts") && answer.ok(), () -> chef.pour("First foam"));
            kitchen.setOffline(false);
            cook.see("was not taken").see(", Tall 40");
            cook.page().reload();
            cook.see("was not taken").stumblesNobody();
            cook.tap("Let it go");
            cook.page()
                    .getByText("was not taken")
                    .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
        }
    }
}
