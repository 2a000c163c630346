package potamos.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a person does at a page, in a person's words. */
final class Journey {

    private static final Pattern EXPECTED = Pattern.compile("(?:Expected(?: about)?|asks for|To) ([0-9.]+)\\s*(g\\b)?");
    private static final Pattern ONCE_MORE = Pattern.compile("^Log [0-9]|^It stands");
    private static final Pattern LOG_LITRES = Pattern.compile("^Log [0-9]");

    /** What a page asks of the kitchen; the line on which it is told of changes is never answered to its end. */
    private static final Pattern ASKED = Pattern.compile("^GET .*/api/(?!live)");

    private static final Pattern KEEPS_UP = Pattern.compile("/api/batches/[^/]+/course$");

    private final Page page;
    private final List<String> unanswered = new ArrayList<>();
    private int taken;
    /** How often the page of a batch has asked how it goes: once for each change that it was told of, and nobody else asks that. */
    private int keptUp;

    private boolean leaves;

    Journey(Page page) {
        this.page = page;
        page.onRequest(request -> {
            leaves |= request.isNavigationRequest();
            unanswered.add(request.method() + " " + request.url());
            keptUp += KEEPS_UP.matcher(request.url()).find() ? 1 : 0;
        });
        page.onFrameNavigated(frame -> {
            // What the page that was left had asked for nobody answers; a place within the same page leaves nothing.
            if (leaves) {
                unanswered.clear();
                leaves = false;
            }
        });
        page.onRequestFinished(request -> unanswered.remove(request.method() + " " + request.url()));
        page.onResponse(answer -> taken += answer.ok() && answer.url().endsWith("/acts") ? 1 : 0);
        page.onRequestFailed(request -> unanswered.remove(request.method() + " " + request.url()));
    }

    /** What stood there when something did not come is worth more than the words of the failure. */
    private void attempt(Runnable step) {
        try {
            step.run();
        } catch (TimeoutError missing) {
            page.screenshot(new Page.ScreenshotOptions()
                    .setPath(Path.of("target/not-there.png"))
                    .setFullPage(true));
            throw new AssertionError(
                    "%s%nunanswered: %s%n%s".formatted(page.url(), unanswered, page.innerText("body")), missing);
        }
    }

    Page page() {
        return page;
    }

    /** The id of what the page is about, as its address has it. */
    String id() {
        return page.url().substring(page.url().lastIndexOf('/') + 1);
    }

    Journey open(String path) {
        page.navigate(path);
        page.locator("h1").first().waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
        return this;
    }

    /** Loads the page anew. One that is just on its way somewhere drops the load, and is asked once more. */
    Journey reload() {
        try {
            page.reload();
        } catch (PlaywrightException dropped) {
            if (!dropped.getMessage().contains("ERR_ABORTED")) {
                throw dropped;
            }
            page.reload();
        }
        return this;
    }

    /** A button of the place; an alarm's own is named after a vessel, too, and comes and goes by the clock. */
    Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name))
                .and(page.locator(":not([aria-label^='Heard: '])"))
                .first();
    }

    Journey tap(String name) {
        attempt(() -> button(name).click());
        return this;
    }

    /** Taps the first of what is found. */
    Journey tapFirst(String selector) {
        attempt(() -> page.locator(selector).first().click());
        return this;
    }

    /** Chooses one of a few that stand as labelled boxes. */
    Journey choose(String label) {
        page.locator("label")
                .filter(new Locator.FilterOptions().setHasText(label))
                .click();
        return this;
    }

    Journey follow(String name) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name))
                .first()
                .click();
        return this;
    }

    Journey type(String label, String value) {
        attempt(() -> page.getByLabel(label, new Page.GetByLabelOptions().setExact(true))
                .fill(value));
        return this;
    }

    /** Waits until words are in view. */
    Journey see(String words) {
        attempt(() -> page.getByText(words).first().waitFor());
        return this;
    }

    /** The same for words with figures in them that the kitchen computed. */
    Journey seeLike(String pattern) {
        attempt(() -> page.getByText(Pattern.compile(pattern)).first().waitFor());
        return this;
    }

    /** How many acts the kitchen has taken from this page so far. */
    int taken() {
        return taken;
    }

    /** Whether all has been sent that was logged: an act may be several. */
    boolean nothingWaits() {
        return (boolean) page.evaluate("() => !/(?:^|; )potamos\\.waiting=[1-9]/.test(document.cookie)");
    }

    /** Lets the kitchen's clock run on, as the demo allows, and waits until the page of a batch has followed, by itself: nobody loads it anew at the stove. */
    Journey wait(int minutes) {
        // What it asks for next is for something that it was told.
        attempt(() -> page.waitForCondition(this::isAnswered));
        int before = keptUp;
        moveOn(minutes);
        attempt(() -> page.waitForCondition(() -> keptUp > before && isAnswered()));
        page.evaluate("() => new Promise(drawn => requestAnimationFrame(() => requestAnimationFrame(() => drawn())))");
        return this;
    }

    private boolean isAnswered() {
        return unanswered.stream().noneMatch(it -> ASKED.matcher(it).find());
    }

    /** Lets the clock run on under the page. */
    void moveOn(int minutes) {
        move(Map.of("minutes", minutes));
    }

    /** The same until something is due in the kitchen, to the second. */
    void moveToTheNextAct() {
        move(Map.of("toTheNextAct", true));
    }

    private void move(Map<String, Object> by) {
        Object status = page.evaluate("""
                by => fetch('/api/demo/clock', {
                  method: 'POST',
                  headers: {
                    'Content-Type': 'application/json',
                    'X-XSRF-TOKEN': document.cookie.split('; ').find(c => c.startsWith('XSRF-TOKEN=')).slice(11),
                  },
                  body: JSON.stringify(by),
                }).then(answer => answer.status)
                """, by);
        assertThat(status).isEqualTo(200);
    }

    /** A bed is weighed as a whole, also where the larder has boxes of it. */
    Journey asAWhole() {
        Locator whole = page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("As a whole"));
        whole.or(page.getByLabel("On the scale")).first().waitFor();
        if (whole.isVisible()) {
            whole.click();
        }
        return this;
    }

    /** Logs what stands in a sheet; asked whether it was read right, says that it stands. */
    Journey log() {
        tap("Log");
        Locator stands = button("It stands: log it");
        if (stands.isVisible()) {
            stands.click();
        }
        page.getByRole(AriaRole.DIALOG).waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
        return this;
    }

    /** Opens the sheet of an act, types what was read, and logs it; asked whether it was read right, says that it stands. */
    Journey read(String act, String label, String value) {
        return tap(act).type(label, value).log();
    }

    /** Judges that it is not yet; where something else that is planned is hit by that, it is moved another time. */
    Journey judge(String longer) {
        tap(longer);
        Locator judged = page.getByText("Judged: not yet").first();
        Locator anyway = button("Judge it and move nothing");
        judged.or(anyway).first().waitFor();
        if (anyway.isVisible()) {
            anyway.click();
        }
        return see("Judged: not yet");
    }

    /** Picks one of many out of the list behind a field. */
    Journey pick(String field, String name) {
        attempt(() -> {
            button(field).click();
            page.getByRole(
                            AriaRole.MENUITEMRADIO,
                            new Page.GetByRoleOptions().setName(name).setExact(true))
                    .click();
        });
        return this;
    }

    /** Words with plain spaces where a figure and its unit stand close together. */
    static String plain(String shown) {
        return shown.replace('\u202f', ' ');
    }

    /** Reads off the instrument what the open sheet says is expected; a reading is never there by itself. */
    Journey readAsExpected() {
        Locator sheet = page.getByRole(AriaRole.DIALOG);
        Matcher figure = EXPECTED.matcher(plain(sheet.innerText()));
        if (!figure.find()) {
            throw new AssertionError("nothing is expected in " + sheet.innerText());
        }
        double read = Double.parseDouble(figure.group(1));
        // A little is told in grams and typed in kilograms, as everything on that scale.
        double typed = figure.group(2) == null ? read : read / 1000;
        sheet.getByRole(AriaRole.TEXTBOX).first().fill(Double.toString(typed));
        return this;
    }

    /** Whether something waits for one more touch: litres that are shown, or a figure that is far from likely. */
    boolean asksOnceMore() {
        return onceMore().count() > 0;
    }

    /** Gives that touch, where one is asked for. */
    Journey confirmed() {
        if (asksOnceMore()) {
            onceMore().first().click();
        }
        return this;
    }

    private Locator onceMore() {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(ONCE_MORE));
    }

    /** Taps an act that moves litres, and logs them as they are shown. */
    Journey pour(String act) {
        tap(act);
        attempt(() -> page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(LOG_LITRES))
                .first()
                .click());
        return this;
    }

    /** Waits until the place itself is there and not only the frame around it, which is drawn before its answer has come. */
    private Journey stands() {
        page.locator("h1").first().waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
        return this;
    }

    /** Nothing that a person with a screen reader, a keyboard or weak eyes would stumble over. */
    Journey stumblesNobody() {
        stands();
        // Without frames in a page there is nothing to look into from a second one.
        var results = new AxeBuilder(page).setLegacyMode(true).analyze();
        assertThat(results.getViolations())
                .as(
                        "%s: %s",
                        page.url(),
                        results.getViolations().stream()
                                .map(v -> v.getId() + " " + v.getNodes().get(0).getHtml())
                                .toList())
                .isEmpty();
        return this;
    }
}
