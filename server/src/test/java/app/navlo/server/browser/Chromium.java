package app.navlo.server.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** The one browser of all tests: it is started by the first that needs it, and ends with them. */
public final class Chromium {
    /** The same engine without the windows of a desktop: a page costs two thirds of the time. */
    private static final Path SHELL = Path.of("/usr/bin/chromium-headless-shell");

    private static final Path WITH_WINDOWS = Path.of("/usr/bin/chromium");

    /** For pictures: the shell sets letters at whole pixels. */
    private static final boolean AS_PEOPLE_SEE_IT = Boolean.getBoolean("navlo.test.windows");

    private static @Nullable Browser started;

    private Chromium() {}

    /** For the thread of the tests alone. */
    public static Browser browser() {
        Browser running = started;
        if (running == null || !running.isConnected()) {
            Playwright playwright = Playwright.create(
                    new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
            running = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(AS_PEOPLE_SEE_IT || !Files.exists(SHELL) ? WITH_WINDOWS : SHELL)
                            .setArgs(List.of(
                                    "--no-sandbox",
                                    "--disable-gpu",
                                    "--disable-background-networking",
                                    "--disable-component-update",
                                    "--disable-sync",
                                    "--disable-quic",
                                    "--no-first-run",
                                    // No page lives long enough to be worth the compilers that take their time.
                                    "--js-flags=--no-opt,--no-maglev",
                                    // Another name for this machine: pages there are no secure context, as on a phone
                                    // over http.
                                    "--host-resolver-rules=MAP phone.test localhost")));
            started = running;
        }
        return running;
    }
}
