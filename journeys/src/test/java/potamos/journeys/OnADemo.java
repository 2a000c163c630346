package potamos.journeys;

import com.microsoft.playwright.BrowserContext;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;

/** Journeys through a demo kitchen of their own. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class OnADemo {

    private final String name;
    RunningPotamos potamos;
    Browsers browsers;

    /** @param name of the folder that the kitchen is in */
    OnADemo(String name) {
        this.name = name;
    }

    @BeforeAll
    void start() {
        potamos = RunningPotamos.demo(name);
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

    /** Somebody at a tablet whose line never breaks. */
    BrowserContext visitor() {
        return browsers.onTheLine(potamos.url(), 1280, 800);
    }

    /** Somebody at a tablet that goes on when its line breaks. */
    BrowserContext wanderer() {
        return browsers.visitor(potamos.url(), 1280, 800);
    }

    static Journey as(BrowserContext visitor, String who) {
        return new Journey(Browsers.signedIn(visitor, who));
    }
}
