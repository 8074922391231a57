package app.navlo.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/** Debian's Chromium without a screen. */
final class Screen implements AutoCloseable {
    private final Playwright playwright =
            Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private final Browser browser = playwright
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(List.of(
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync",
                            "--disable-quic",
                            "--no-first-run")));

    /** Mira's Work view, in a browser that has seen nothing before. */
    Page mira(String address) {
        Page page = browser.newContext(new Browser.NewContextOptions().setViewportSize(1280, 800))
                .newPage();
        page.navigate(address);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Mira")))
                .click();
        page.waitForURL("**/next");
        page.navigate(page.url().replace("/next", "/work"));
        page.waitForSelector("[role=row][data-work]");
        return page;
    }

    /** Somebody who sees several students, signed in at the door of a Navlo where anybody may sign up. */
    Page signedIn(String address, String email, String password) {
        Page page = browser.newContext(new Browser.NewContextOptions().setViewportSize(1280, 800))
                .newPage();
        page.navigate(address);
        page.getByText("I have signed up before").click();
        page.getByLabel("E-mail address").fill(email);
        page.getByLabel("Password").fill(password);
        page.keyboard().press("Enter");
        page.waitForSelector("[data-student]");
        return page;
    }

    @Override
    public void close() {
        playwright.close();
    }
}
