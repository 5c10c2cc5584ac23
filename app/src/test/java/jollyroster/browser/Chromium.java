package jollyroster.browser;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.AxeResults;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** One headless Chromium for the whole test run, and what people do in it. */
final class Chromium {

    private static final Playwright PLAYWRIGHT =
            Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private static final Browser BROWSER = PLAYWRIGHT
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-quic",
                            "--no-first-run",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync")));

    private Chromium() {}

    /** A person's own browser: cookies of its own, a zone, a size. */
    static BrowserContext person(int port, Browser.NewContextOptions options) {
        BrowserContext context = BROWSER.newContext(options.setBaseURL("http://localhost:" + port));
        context.setDefaultTimeout(20_000);
        return context;
    }

    static Browser.NewContextOptions desktop(String zone) {
        return new Browser.NewContextOptions().setViewportSize(1280, 800).setTimezoneId(zone);
    }

    static Browser.NewContextOptions phone(String zone) {
        return new Browser.NewContextOptions().setViewportSize(360, 740).setTimezoneId(zone);
    }

    static Page signedIn(BrowserContext context) {
        Page page = context.newPage();
        page.navigate("/sign-in");
        page.fill("#email", "demo@saltmarrow.example");
        page.fill("#password", "fair-winds");
        page.click("text=Sign in >> nth=-1");
        page.waitForURL("**/desk**");
        return page;
    }

    /**
     * What axe finds wrong, in words; empty when nothing is. A letter is shown in a frame in which no script runs, axe's
     * neither, so frames are left out.
     */
    static List<String> violations(Page page) {
        AxeResults results = axe(page)
                .withTags(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"))
                .analyze();
        AxeResults names = axe(page)
                .withRules(List.of("label-content-name-mismatch")) // WCAG 2.5.3; axe counts it as an experiment
                .analyze();
        return Stream.concat(results.getViolations().stream(), names.getViolations().stream())
                .map(v -> page.url() + " " + v.getId() + ": " + v.getHelp() + " "
                        + v.getNodes().stream()
                                .limit(3)
                                .map(n -> String.valueOf(n.getHtml()))
                                .toList())
                .toList();
    }

    private static AxeBuilder axe(Page page) {
        return new AxeBuilder(page).setLegacyMode(true).exclude("iframe");
    }
}
