package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import app.navlo.server.browser.Chromium;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.Cookie;
import com.microsoft.playwright.options.ReducedMotion;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;

/** The real interface in a real browser, on a real server with the demo. Each class has a demo of its own. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {
            "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1",
            "navlo.demo=true",
            "navlo.demo.clock=still",
            "navlo.hosts=phone.test"
        })
@DirtiesContext
abstract class Screen extends AbstractTestNGSpringContextTests {
    private static final String MIRA = "Mira Solheim";
    static final int WIDE = 1280;
    static final int PHONE = 360;
    private static final Path AXE = Path.of("../web/node_modules/axe-core/axe.min.js");

    @LocalServerPort
    int port;

    private final Map<Look, BrowserContext> browsers = new HashMap<>();

    private final List<BrowserContext> others = new ArrayList<>();

    private final Set<BrowserContext> used = new HashSet<>();

    private final Set<Page> changed = new HashSet<>();

    /** Runs no script that could write something again. */
    private static final String PICTURE = "/mark.svg";

    /** A slow machine is no fault of the page. */
    private static final double PATIENCE = 20_000;

    private static final double A_MOMENT = 10_000;

    @BeforeClass
    public void bePatient() {
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE);
    }

    @AfterMethod
    public void closePages() {
        List<String> all = List.copyOf(refused);
        refused.clear();
        others.forEach(BrowserContext::close);
        others.clear();
        browsers.values().removeIf(BrowserContext::isClosed);
        browsers.forEach(this::leave);
        changed.clear();
        used.clear();
        assertEquals(all, List.of(), "what a page did against its own policy");
    }

    /** One page stays for the next test, which finds it as new: another would begin with a process of its own, and twice as slow. */
    private void leave(Look look, BrowserContext browser) {
        List<Page> pages = List.copyOf(browser.pages());
        pages.stream().skip(1).forEach(Page::close);
        pages.stream().limit(1).forEach(page -> {
            try {
                if (changed.contains(page)) {
                    page.close();
                    return;
                }
                page.unrouteAll();
                browser.setOffline(false);
                page.navigate(address(PICTURE));
                page.setViewportSize(look.width(), look.height());
                page.emulateMedia(new Page.EmulateMediaOptions().setMedia(null).setColorScheme(look.colours()));
                page.mouse().move(0, 0);
            } catch (PlaywrightException gone) {
                page.close();
            }
        });
    }

    /** A page that listens, or begins each visit in its own way: no other test gets it. */
    Page changed(Page page) {
        changed.add(page);
        return page;
    }

    /** What the policy of the page refused, as the browser says it, since the test began. */
    final List<String> refused = new ArrayList<>();

    @AfterClass
    public void closeBrowsers() {
        browsers.values().forEach(BrowserContext::close);
        browsers.clear();
    }

    /** How a page is looked at. */
    record Look(int width, int height, ColorScheme colours, String zone) {
        private static final String HOME = "Europe/Copenhagen";
        static final Look DAY = new Look(WIDE, 800, ColorScheme.LIGHT, HOME);
        static final Look NIGHT = new Look(WIDE, 800, ColorScheme.DARK, HOME);
        static final Look IN_HAND = new Look(PHONE, 740, ColorScheme.LIGHT, HOME);

        Look in(String another) {
            return new Look(width, height, colours, another);
        }
    }

    String address(String path) {
        return "http://localhost:" + port + path;
    }

    Page door(Look look) {
        Page page = open(look, Known.NOTHING);
        visit(page, address("/"));
        return page;
    }

    /** A page that knows what another one knew. */
    Page openWith(Look look, Known known) {
        return open(look, known);
    }

    /** What a browser keeps of Navlo between two visits. */
    record Known(List<Cookie> cookies, Object texts) {
        static final Known NOTHING = new Known(List.of(), Map.of());

        static Known of(Page page) {
            return new Known(page.context().cookies(), page.evaluate("() => ({ ...localStorage })"));
        }
    }

    /** One browser and one page for each look stay for the class: between two tests they forget all but scripts and styles. */
    private Page open(Look look, Known known) {
        BrowserContext browser = browsers.computeIfAbsent(look, this::newBrowser);
        if (!used.add(browser)) {
            browser = newBrowser(look);
            others.add(browser);
        }
        browser.clearCookies();
        browser.addCookies(known.cookies());
        Page page =
                browser.pages().isEmpty() ? browser.newPage() : browser.pages().get(0);
        if (!page.url().equals(address(PICTURE))) {
            page.navigate(address(PICTURE));
        }
        page.evaluate(
                "known => { localStorage.clear(); sessionStorage.clear(); Object.assign(localStorage, known); }",
                known.texts());
        return page;
    }

    /** In a browser that keeps what it read, for want of a connection, as everybody's does. */
    Page keeping(Look look, Known known) {
        BrowserContext browser = newBrowser(look, ServiceWorkerPolicy.ALLOW);
        others.add(browser);
        browser.addCookies(known.cookies());
        return browser.newPage();
    }

    private BrowserContext newBrowser(Look look) {
        return newBrowser(look, ServiceWorkerPolicy.BLOCK);
    }

    private BrowserContext newBrowser(Look look, ServiceWorkerPolicy workers) {
        Browser.NewContextOptions options = new Browser.NewContextOptions()
                .setViewportSize(look.width(), look.height())
                .setColorScheme(look.colours())
                .setTimezoneId(look.zone())
                .setLocale("en-GB")
                // Nothing here is about how things move; a click waits until they stand still.
                .setReducedMotion(ReducedMotion.REDUCE)
                .setServiceWorkers(workers);
        BrowserContext browser = Chromium.browser().newContext(options);
        browser.addInitScript("""
                const ask = window.fetch;
                window.asked = 0;
                window.fetch = async (...all) => {
                  window.asked += 1;
                  try {
                    return await ask(...all);
                  } finally {
                    setTimeout(() => (window.asked -= 1));
                  }
                };
                """);
        browser.onConsoleMessage(said -> {
            if (said.text().contains("Content Security Policy")) {
                refused.add(said.text());
            }
        });
        return browser;
    }

    /** At an address once its view is there and nothing is being asked; what isn't there yet is left to what asserts. */
    static void visit(Page page, String address) {
        page.navigate(address);
        settle(page);
    }

    static void reload(Page page) {
        page.reload();
        settle(page);
    }

    /** Looked at in each frame: an assertion looks again only after a tenth, a quarter, half a second. */
    private static void settle(Page page) {
        page.waitForFunction(
                "() => document.querySelector('h1, p, [role=dialog]') && !(window.asked > 0)",
                null,
                new Page.WaitForFunctionOptions().setTimeout(PATIENCE));
    }

    /** Somebody who came in by the door once stays known: the other tests of the class begin behind it. */
    private record Inside(Known known, String work) {}

    private final Map<String, Inside> inside = new HashMap<>();

    /** At an address at once, without a look at the work before. */
    Page mira(String path) {
        Inside before = inside.get(MIRA);
        if (before != null) {
            Page page = open(Look.DAY, before.known());
            visit(page, address(path));
            if (isIn(page, "main")) {
                return page;
            }
        }
        Page page = mira();
        visit(page, address(path));
        return page;
    }

    private static final String DOOR = "[autocomplete=current-password]";

    /** Whether what is behind the door is there; a session may have ended meanwhile. */
    private static boolean isIn(Page page, String shown) {
        awaitAny(page, shown + ", " + DOOR);
        return page.locator(DOOR).count() == 0;
    }

    private static void awaitAny(Page page, String css) {
        page.waitForFunction(
                "css => document.querySelector(css)", css, new Page.WaitForFunctionOptions().setTimeout(PATIENCE));
    }

    Page signedIn(Look look, String name) {
        Inside before = inside.get(name);
        if (before != null) {
            Page page = open(look, before.known());
            visit(page, before.work());
            if (isIn(page, "[role=grid]")) {
                return page;
            }
        }
        Page page = door(look);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)))
                .click();
        // Who sees several students begins with all of them; Mira is looked at then.
        assertThat(page).hasURL(Pattern.compile("/(next|household)$"));
        String work = page.url().replace("/next", "/work").replace("/household", "/s/1/work");
        inside.put(name, new Inside(Known.of(page), work));
        visit(page, work);
        return page;
    }

    Page mira() {
        return signedIn(Look.DAY, MIRA);
    }

    Page tobias() {
        return signedIn(Look.DAY, "Tobias Solheim");
    }

    static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    static Locator dialog(Page page) {
        return page.getByRole(AriaRole.DIALOG);
    }

    static Locator pane(Page page) {
        return page.getByRole(AriaRole.COMPLEMENTARY);
    }

    static Locator row(Page page, String title) {
        return page.locator("[role=row][data-work]")
                .filter(new Locator.FilterOptions().setHasText(title))
                .first();
    }

    /** Narrows the table by text, so that a row further down is on screen; a form that closes holds the keys until it is gone. */
    static Locator find(Page page, String title) {
        assertThat(dialog(page)).hasCount(0);
        page.getByLabel("Narrow by text").fill(title);
        Locator row = row(page, title);
        assertThat(row).isVisible();
        return row;
    }

    static Locator open(Page page, String title) {
        find(page, title).click();
        Locator pane = pane(page);
        assertThat(pane.getByRole(AriaRole.HEADING).first()).containsText(title);
        return pane;
    }

    /** A notice that comes. */
    static Locator notice(Page page, String words) {
        page.waitForFunction(
                "words => [...document.querySelectorAll('[data-sonner-toast]')].some((one) => one.textContent.includes(words))",
                words,
                new Page.WaitForFunctionOptions().setTimeout(PATIENCE));
        return page.locator("[data-sonner-toast]")
                .filter(new Locator.FilterOptions().setHasText(words))
                .first();
    }

    /** Nothing is fetched for it anew, and only what breaks a rule is told at length. */
    private static final String BRIEF = "preload: false, resultTypes: ['violations']";

    /** No violation of WCAG 2.2 AA or of good practice, as far as a program can find them. */
    static void assertAccessible(Page page) {
        assertAccessible(page, "{ " + BRIEF + " }");
    }

    /** The same, and its colours by night, which differ in nothing else, and on a phone in nothing but their places. */
    static void assertAccessibleByDayAndNight(Page page) {
        assertAccessible(page);
        if (page.viewportSize().width < WIDE) {
            return;
        }
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.DARK));
        assertAccessible(page, "{ " + BRIEF + ", runOnly: ['color-contrast', 'link-in-text-block'] }");
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.LIGHT));
    }

    /** What is pressed is large enough, or lies apart; not asked elsewhere, as it goes by where things happen to lie. */
    static void assertTargets(Page page) {
        assertAccessible(page, "{ " + BRIEF + ", runOnly: ['target-size'] }");
    }

    /** Until a view has its heading it is still being fetched; some have none while a dialog is open. */
    private static void whenItIsThere(Page page) {
        try {
            page.locator("h1, [role=dialog]")
                    .first()
                    .waitFor(new Locator.WaitForOptions()
                            .setState(WaitForSelectorState.ATTACHED)
                            .setTimeout(A_MOMENT));
        } catch (TimeoutError none) {
            return;
        }
    }

    private static void assertAccessible(Page page, String options) {
        whenItIsThere(page);
        try {
            if (page.evaluate("() => !window.axe").equals(true)) {
                page.evaluate(Files.readString(AXE));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Object found = page.evaluate("""
                async () => {
                  // What fades in or out has no colours yet to be judged.
                  const ends = document.getAnimations()
                    .filter((one) => Number.isFinite(one.effect?.getComputedTiming().endTime))
                    .map((one) => one.finished.catch(() => {}));
                  await Promise.race([Promise.all(ends), new Promise((done) => setTimeout(done, 3000))]);
                  const { violations } = await axe.run(document, %s);
                  return violations.map((v) => v.id + ': ' + v.help + ' ' +
                    v.nodes.slice(0, 3).map((n) => n.target.join(' ') + ' ' + (n.any[0]?.message ?? '')).join(' | ')).join('\\n');
                }
                """.formatted(options));
        assertEquals(found, "", "on " + page.url());
    }
}
