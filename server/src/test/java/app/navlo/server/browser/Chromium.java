package app.navlo.server.browser;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** The one browser of all tests: it is started by the first that needs it, and ends with them. */
public final class Chromium {
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
                            .setExecutablePath(Path.of("/usr/bin/chromium"))
                            .setArgs(List.of(
                                    "--no-sandbox",
                                    "--disable-gpu",
                                    "--disable-background-networking",
                                    "--disable-component-update",
                                    "--disable-sync",
                                    "--disable-quic",
                                    "--no-first-run",
                                    // Another name for this machine: pages there are no secure context, as on a phone
                                    // over http.
                                    "--host-resolver-rules=MAP phone.test localhost")));
            started = running;
        }
        return running;
    }
}
