package potamos.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A cook works with ratios: turns a question around, chooses schools, cuts, edits a formula, takes it along and brings it back. */
class FormulasTest extends OnADemo {

    FormulasTest() {
        super("formulas");
    }

    private Journey cook(BrowserContext visitor) {
        return as(visitor, "ilse");
    }

    @Test
    void aQuestionIsTurnedAroundAndASchoolSaysWhatItChanges() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = cook(kitchen).open("/formulas");
            cook.page().getByText("I have a bed").click();
            cook.type("Bed in hand", "11").see("11.0 kg").stumblesNobody();
            cook.follow("Brown veal stock")
                    .see("Weigh out")
                    .see("Ways of making it")
                    .stumblesNobody();
            Locator lid = cook.page().getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Paper lid"));
            lid.waitFor();
            lid.click();
            cook.see("All as the formula has it");
            cook.page().waitForURL(Pattern.compile("cover=paper-lid"));

            // A cut is moved by the keys until it no longer fits, and the page says so.
            Locator onion = cook.page().getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Cut of Onion"));
            for (int i = 0; i < 3; i++) {
                onion.press("PageUp");
            }
            cook.see("thrown away half used");
            cook.page().waitForURL(Pattern.compile("cut=onion"));

            // Back and reload keep the very pot.
            cook.page().reload();
            cook.see("thrown away half used").stumblesNobody();
            assertThat(cook.page()
                            .getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Paper lid"))
                            .isChecked())
                    .isTrue();

            cook.follow("Set beside another").see("What differs").stumblesNobody();
        }
    }

    @Test
    void aSheetIsPrintedAndAWrongSchoolIsRefusedInWords() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = cook(kitchen).open("/formulas/brown-beef?goal=LITRES&value=15");
            Download sheet = cook.page().waitForDownload(() -> cook.tap("Production sheet"));
            assertThat(sheet.suggestedFilename()).isEqualTo("brown-beef.pdf");
            cook.open("/formulas/brown-beef?goal=LITRES&value=15&blanch=true").see("only bones that are not roasted");
            cook.open("/formulas/brown-beef?goal=LITRES&value=15&bed=veal-knuckle-breast:0.5")
                    .see("add up");
        }
    }

    @Test
    void aFormulaIsCopiedEditedRefusedSavedComparedAndBroughtBack() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = cook(kitchen).open("/formulas/white-veal/edit");
            cook.tap("Copy").type("Name of the copy", "House veal").tap("Make the copy");
            cook.see("House veal").see("version 1");
            cook.page()
                    .getByLabel("Water", new Page.GetByLabelOptions().setExact(true))
                    .last()
                    .fill("3");
            cook.see("Unusual water to bed").see("water value").stumblesNobody();
            cook.page().getByLabel("How much Onion").fill("-5");
            cook.see("outside the range");
            cook.page().getByLabel("How much Onion").fill("7");
            cook.type("Why", "thinner for the barley soup").tap("Save").see("version 2");
            cook.see("thinner for the barley soup").tap("What changed since").see("onion amount");
            cook.tap("Bring back").see("version 3").see("As in version 1");
            cook.tap("Retire").see("retired");
            cook.open("/formulas").tap("1 retired").follow("House veal").tap("Back on the shelf");
            cook.see("Into a pot");
        }
    }

    @Test
    void aFileIsLookedAtBeforeItIsStored() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = cook(kitchen).open("/formulas");
            String file =
                    (String) cook.page().evaluate("fetch('/api/formulas/shellfish/file.json').then(r => r.text())");
            cook.tap("Read a file");
            choose(cook, file.replace("\"ovenC\"", "\"oven\"").replace("\"coldDays\" : 2", "\"coldDays\" : 90"));
            cook.see("coldDays").see("Nothing was stored").stumblesNobody();
            choose(cook, file);
            cook.see("Shellfish stock")
                    .type("Short name", "shellfish")
                    .tap("Put it on the shelf")
                    .see("already");
            cook.type("Short name", "shellfish-ours").tap("Put it on the shelf").see("Weigh out");
            assertThat(cook.page().url()).contains("/formulas/shellfish-ours");
        }
    }

    private static void choose(Journey cook, String file) {
        cook.page()
                .locator("input[type=file]")
                .setInputFiles(
                        new FilePayload("formula.json", "application/json", file.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void theKitchenIsEditedWithItsDrawing() {
        try (BrowserContext kitchen = visitor()) {
            Journey cook = cook(kitchen).open("/kitchen").stumblesNobody();
            cook.tap("Tall 40").stumblesNobody();
            cook.type("Inside height", "4000").tap("Save").see("Between");
            cook.type("Inside height", "42").tap("Save").see("36.0 cm × 42.0 cm");
            cook.follow("Probes and programs").stumblesNobody();
            cook.type("What it is for", "the till").tap("Make a token").see("it is not shown again");
            cook.follow("Limits and beds")
                    .tap("Change the limits")
                    .type("Name", "Our plan")
                    .tap("Save")
                    .see("Limits: Our plan");
        }
    }
}
