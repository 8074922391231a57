package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import app.navlo.server.browser.Chromium;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
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

    private final List<BrowserContext> opened = new ArrayList<>();

    /** A slow machine is no fault of the page. */
    private static final double PATIENCE = 20_000;

    private static final double A_MOMENT = 10_000;

    @BeforeClass
    public void bePatient() {
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE);
    }

    @AfterMethod
    public void closePages() {
        opened.forEach(BrowserContext::close);
        opened.clear();
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
        Page page = open(look, null);
        page.navigate(address("/"));
        return page;
    }

    /** A page that knows what another one knew. */
    Page openWith(Look look, String state) {
        return open(look, state);
    }

    private Page open(Look look, @Nullable String state) {
        Browser.NewContextOptions options = new Browser.NewContextOptions()
                .setViewportSize(look.width(), look.height())
                .setColorScheme(look.colours())
                .setTimezoneId(look.zone())
                .setLocale("en-GB")
                .setServiceWorkers(ServiceWorkerPolicy.BLOCK);
        BrowserContext context =
                Chromium.browser().newContext(state == null ? options : options.setStorageState(state));
        opened.add(context);
        return context.newPage();
    }

    /** Somebody who came in by the door once stays known: the other tests of the class begin behind it. */
    private record Known(String state, String work) {}

    private final Map<String, Known> known = new HashMap<>();

    /** At an address at once, without a look at the work before. */
    Page mira(String path) {
        Known before = known.get(MIRA);
        if (before != null) {
            Page page = open(Look.DAY, before.state());
            page.navigate(address(path));
            if (isIn(page, page.getByRole(AriaRole.MAIN))) {
                return page;
            }
        }
        Page page = mira();
        page.navigate(address(path));
        return page;
    }

    /** Whether what is behind the door is there; a session may have ended meanwhile. */
    private static boolean isIn(Page page, Locator shown) {
        Locator door = page.getByText("Choose who you want to be");
        assertThat(shown.or(door).first()).isVisible();
        return !door.isVisible();
    }

    Page signedIn(Look look, String name) {
        Known before = known.get(name);
        if (before != null) {
            Page page = open(look, before.state());
            page.navigate(before.work());
            if (isIn(page, page.getByRole(AriaRole.GRID))) {
                return page;
            }
        }
        Page page = door(look);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)))
                .click();
        // Who sees several students begins with all of them; Mira is looked at then.
        assertThat(page).hasURL(Pattern.compile("/(next|household)$"));
        String work = page.url().replace("/next", "/work").replace("/household", "/s/1/work");
        known.put(name, new Known(page.context().storageState(), work));
        page.navigate(work);
        assertThat(page.getByRole(AriaRole.GRID)).isVisible();
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

    static Locator notice(Page page, String words) {
        return page.locator("[data-sonner-toast]")
                .filter(new Locator.FilterOptions().setHasText(words))
                .first();
    }

    /** No violation of WCAG 2.2 AA or of good practice, as far as a program can find them. */
    static void assertAccessible(Page page) {
        assertAccessible(page, "{ resultTypes: ['violations'] }");
    }

    /** The same, and its colours by night, which differ in nothing else, and on a phone in nothing but their places. */
    static void assertAccessibleByDayAndNight(Page page) {
        assertAccessible(page);
        if (page.viewportSize().width < WIDE) {
            return;
        }
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.DARK));
        assertAccessible(page, "{ resultTypes: ['violations'], runOnly: ['color-contrast', 'link-in-text-block'] }");
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.LIGHT));
    }

    /** What is pressed is large enough, or lies apart; not asked elsewhere, as it goes by where things happen to lie. */
    static void assertTargets(Page page) {
        assertAccessible(page, "{ resultTypes: ['violations'], runOnly: ['target-size'] }");
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
            page.evaluate(Files.readString(AXE));
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
