package potamos.journeys;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.ReducedMotion;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** Debian's Chromium under Playwright. */
final class Browsers implements AutoCloseable {

    /** The same without windows of its own, which would be drawn as well. */
    private static final Path WITHOUT_WINDOWS = Path.of("/usr/bin/chromium-headless-shell");

    private static final Path WHOLE = Path.of("/usr/bin/chromium");

    private final Playwright playwright =
            Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private final Browser browser = playwright
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(Files.exists(WITHOUT_WINDOWS) ? WITHOUT_WINDOWS : WHOLE)
                    .setArgs(List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-dev-shm-usage",
                            "--disable-quic",
                            "--no-first-run",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync")));

    /** A visitor of their own: own cookies, own storage. */
    BrowserContext visitor(String url, int width, int height) {
        return visitor(url, width, height, ServiceWorkerPolicy.ALLOW);
    }

    /** The same where the line never breaks: without the worker that keeps pages for then, which is a quarter of the work of every load. */
    BrowserContext onTheLine(String url, int width, int height) {
        return visitor(url, width, height, ServiceWorkerPolicy.BLOCK);
    }

    private BrowserContext visitor(String url, int width, int height, ServiceWorkerPolicy keeps) {
        BrowserContext context = browser.newContext(new Browser.NewContextOptions()
                .setBaseURL(url)
                .setServiceWorkers(keeps)
                .setViewportSize(width, height)
                .setReducedMotion(ReducedMotion.REDUCE));
        // A shared machine has slow minutes; a person would wait as well.
        context.setDefaultTimeout(40_000);
        return context;
    }

    /** Signs a person of the demo in. */
    static Page signedIn(BrowserContext visitor, String signIn) {
        Page page = visitor.newPage();
        page.navigate("/sign-in");
        page.getByLabel("Sign-in name").fill(signIn);
        page.getByLabel("Password").fill("kestrel-" + signIn);
        page.getByRole(
                        com.microsoft.playwright.options.AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Sign in").setExact(true))
                .click();
        page.getByRole(com.microsoft.playwright.options.AriaRole.NAVIGATION).waitFor();
        return page;
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
    }
}
