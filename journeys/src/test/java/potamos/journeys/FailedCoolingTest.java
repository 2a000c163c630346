package potamos.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** A stock that does not cool in time: what the page says of it, the one rescue there is, and what is left when that fails too. */
class FailedCoolingTest extends OnADemo {

    FailedCoolingTest() {
        super("cooling");
    }

    private static Journey beside(Journey cook, String vessel) {
        cook.open("/batches");
        cook.page()
                .getByRole(AriaRole.LINK)
                .filter(new Locator.FilterOptions().setHasText(vessel))
                .first()
                .click();
        return cook.see("The record");
    }

    @Test
    void isRescuedOnceAndThrownAwayWhenItFailsAgain() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = beside(as(kitchen, "ilse"), "Pot 24");
            cook.see("Cooling:");

            // Two hours were allowed down to 21 °C; it is still warm long after them.
            cook.wait(150).read("Read the cooling", "In the stock", "27").see("Cooling: Failed");
            cook.tap("Rescue the cooling").see("allows one reheat").stumblesNobody();
            cook.type("Reheated to", "76").tap("Log").see("Reheated");

            // The clock begins again with the reheat, and this time nobody looks for hours.
            cook.seeLike("Cooling: (Clock not started|On course|Tight)");
            cook.wait(400).read("Read the cooling", "In the stock", "26").see("Cooling: Failed");
            cook.tap("Rescue the cooling").see("allows no reheat any more");
            assertThat(cook.page().getByLabel("Reheated to").count()).isZero();
            cook.page()
                    .getByRole(AriaRole.BUTTON)
                    .filter(new Locator.FilterOptions().setHasText("Discard all"))
                    .click();
            cook.tap("Pour it away").see("Thrown away").see("cooling failed");
            cook.stumblesNobody();
        }
    }
}
