package potamos.journeys;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import java.nio.file.Path;
import java.util.List;
import potamos.server.PrivateDatabase;

/** Remakes the pictures of the places from the demo kitchen at its fixed moment. */
final class Pictures {

    /** A picture: what it is called, whose screen, how large, where, and by which watch. */
    record Shot(String name, String signIn, int width, int height, String path, boolean night) {
        Shot(String name, String path) {
            this(name, "ilse", 1280, 800, path, false);
        }
    }

    private static final List<Shot> SHOTS = List.of(
            new Shot("range", "/range"),
            new Shot("range-night", "ilse", 1280, 800, "/range", true),
            new Shot("hand-over", "ilse", 820, 1180, "/hand-over", false),
            new Shot("range-phone", "ilse", 390, 844, "/range", false),
            new Shot("calls", "/calls"),
            new Shot("calls-station-phone", "bram", 390, 844, "/calls", false),
            new Shot("formulas", "/formulas?goal=BED&value=11"),
            new Shot("charge", "/formulas/brown-beef?goal=LITRES&value=20"),
            new Shot("course", "/course"),
            new Shot(
                    "side-by-side",
                    "/compare?a=brown-veal%3Fgoal%3DLITRES%26value%3D14&b=brown-veal%3Fgoal%3DLITRES%26value%3D14%26cover%3Dpaper-lid%26topUp%3Dlet-reduce"),
            new Shot("formula-edit", "/formulas/fish-fumet/edit"),
            new Shot("charge-phone", "ilse", 390, 844, "/formulas/fish-fumet?goal=LITRES&value=8", false),
            new Shot("batch-simmering", "@3"),
            new Shot("batch-cooling", "@2"),
            new Shot("cold-side", "/cold"),
            new Shot("lot", "@lot"),
            new Shot("larder", "/larder"),
            new Shot("trace", "/trace?what=A-2201"),
            new Shot("kitchen", "/kitchen"));

    private static final int WIDE = 1280;

    private Pictures() {}

    /**
     * @param args names of the pictures to make; none makes all
     */
    public static void main(String[] args) {
        Path folder = args.length > 0 && args[0].startsWith("/")
                ? Path.of(args[0])
                : PrivateDatabase.root().resolve("docs/screenshots");
        List<String> wanted = args.length > 1 ? List.of(args).subList(1, args.length) : List.of();
        String already = System.getProperty("potamos.url");
        RunningPotamos running = already == null ? RunningPotamos.demo("pictures") : null;
        try (Browsers browsers = new Browsers()) {
            String url = running == null ? already : running.url();
            for (Shot shot : SHOTS) {
                if (wanted.isEmpty() || wanted.contains(shot.name())) {
                    take(browsers, url, shot, folder);
                }
            }
        } finally {
            if (running != null) {
                running.close();
            }
        }
    }

    private static void take(Browsers browsers, String url, Shot shot, Path folder) {
        try (BrowserContext visitor = browsers.visitor(url, shot.width(), shot.height())) {
            visitor.addInitScript("localStorage.setItem('watch', '" + (shot.night() ? "night" : "day") + "')");
            Page page = Browsers.signedIn(visitor, shot.signIn());
            page.navigate(resolve(page, shot.path()));
            page.waitForLoadState(LoadState.LOAD);
            page.locator("h1")
                    .first()
                    .waitFor(new com.microsoft.playwright.Locator.WaitForOptions()
                            .setState(com.microsoft.playwright.options.WaitForSelectorState.ATTACHED));
            page.waitForFunction(
                    "() => document.fonts.status === 'loaded' && !document.querySelector('[role=status], [aria-busy=true]')");
            page.screenshot(new Page.ScreenshotOptions()
                    .setPath(folder.resolve(shot.name() + ".png"))
                    // A narrow screen is shown as it is held, for what hangs at its lower edge hangs there.
                    .setFullPage(shot.width() >= WIDE));
            System.out.println(folder.resolve(shot.name() + ".png"));
        }
    }

    /** Addresses with ids that each run makes anew: a batch by its number, a lot. */
    private static String resolve(Page page, String path) {
        if (path.startsWith("@lot")) {
            Object id = page.evaluate("fetch('/api/lots').then(r => r.json()).then(l => l[0].id)");
            return "/lots/" + id;
        }
        if (path.startsWith("@")) {
            Object id = page.evaluate(
                    "n => fetch('/api/batches').then(r => r.json()).then(l => l.find(b => b.number === n).id)",
                    Integer.parseInt(path.substring(1)));
            return "/batches/" + id;
        }
        return path;
    }
}
