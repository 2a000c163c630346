package potamos.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** An unknown kitchen: nothing is there but the page that makes it. */
class FirstRunTest {

    @Test
    void aKitchenIsMadeAndSolvesItsFirstCharge() {
        try (RunningPotamos potamos = RunningPotamos.unmade("first-run");
                Browsers browsers = new Browsers();
                BrowserContext visitor = browsers.visitor(potamos.url(), 1280, 800)) {
            Journey cook = new Journey(visitor.newPage());
            cook.open("/").stumblesNobody();
            cook.type("Name of the kitchen", "Test House")
                    .type("Height above the sea", "9000")
                    .type("Your name", "Ada Brook")
                    .type("Sign-in name", "ada")
                    .type("Password", "short")
                    .tap("Make the kitchen");
            cook.see("Between −430 and 5500");
            cook.type("Height above the sea", "420").tap("Make the kitchen").see("10 and 72");
            cook.type("Password", "long-enough-1").tap("Make the kitchen");
            cook.see("Nothing is on the heat").stumblesNobody();
            cook.follow("Formulas")
                    .follow("White chicken stock")
                    .see("in Pot 1")
                    .see("Litres out");
            cook.follow("Kitchen").see("At 420 m water boils at 98.6 °C");
            cook.tap("Add a vessel").type("Name", "Pot 1").tap("Save").see("There is one of that name already");
            cook.type("Name", "Pot 2").tap("Save");
            cook.page()
                    .getByText("Pot 2", new Page.GetByTextOptions().setExact(true))
                    .first()
                    .waitFor();
            cook.page().reload();
            assertThat(cook.page().url()).endsWith("/kitchen");
        }
    }
}
