package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.Test;

/** What is new, as one sees it; days that are past; and the place where work is done. */
@DirtiesContext
public class NewsScreenTest extends Screen {
    /** As a page writes an instant in the demo's own zone. */
    private static final DateTimeFormatter WORDS =
            DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.ENGLISH).withZone(ZoneId.of("Europe/Copenhagen"));

    private static Locator count(Page page) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^(\\d+ |Nothing )?new$")));
    }

    private static Locator panel(Page page) {
        return page.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName("What is new"));
    }

    private static Locator inPanel(Page page, String name) {
        return panel(page).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    private static Instant demoNow(Page page) {
        return Instant.parse((String)
                page.evaluate("fetch('/api/students/1/board').then((r) => r.json()).then((board) => board.now)"));
    }

    /** Those that have room beside a bar as well. */
    private static List<String> firstRows(Page page) {
        return page.locator("[role=row][data-work]").allInnerTexts().subList(0, 6);
    }

    /** What was read once is there as it was, with the time of then; what is new stays new, and nothing is said that isn't known. */
    @Test
    public void whatWasReadIsThereWithoutAConnection() {
        Page page = keeping(Look.DAY, Known.of(mira()));
        page.navigate(address("/s/1/work"));
        page.waitForFunction("() => navigator.serviceWorker.controller !== null");
        reload(page);
        assertThat(page.locator("[role=row][data-work]").first()).isVisible();
        List<String> rows = firstRows(page);
        String fresh = count(page).innerText();
        Instant now = demoNow(page);
        page.context().setOffline(true);
        reload(page);
        assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("No connection.")))
                .containsText("as it was " + WORDS.format(now));
        assertThat(count(page)).hasText(fresh);
        assertEquals(firstRows(page), rows);
        count(page).click();
        assertThat(panel(page)).isVisible();
        panel(page)
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Close").setExact(true))
                .click();
        assertThat(panel(page)).hasCount(0);
        assertThat(count(page)).hasText(fresh);
    }

    /** What stands when it is chosen was seen; what comes is told once, and not again by another look at the page. */
    @Test(dependsOnMethods = "theDaysNewsAreSeenOnceAndCanBeMadeNewAgain")
    public void anOpenBrowserTellsWhatComes() {
        Page page = changed(mira());
        page.addInitScript("""
                window.Notification = class {
                  static permission = 'granted';
                  static requestPermission() { return Promise.resolve('granted'); }
                  constructor(title, { body }) {
                    const told = JSON.parse(sessionStorage.getItem('told') ?? '[]');
                    sessionStorage.setItem('told', JSON.stringify([...told, title + '\\n' + body]));
                  }
                };
                """);
        reload(page);
        for (int look = 0; look < 2; look++) {
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("account and colours")))
                    .click();
            page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Reminders"))
                    .click();
            if (look == 0) {
                page.getByLabel("What is about to be lost, while there is still time to save it")
                        .check();
                button(page, "Save").click();
                assertThat(dialog(page)).hasCount(0);
            } else {
                page.getByLabel("Also in this browser, while Navlo is open in it")
                        .click();
                assertThat(page.getByLabel("Also in this browser, while Navlo is open in it"))
                        .isChecked();
                assertAccessible(page);
                page.keyboard().press("Escape");
            }
        }
        assertEquals(page.evaluate("sessionStorage.getItem('told')"), null, "what stands was seen");
        page.getByLabel("Move the clock on by 1 day").click();
        page.waitForFunction("() => sessionStorage.getItem('told') !== null");
        String told = (String) page.evaluate("sessionStorage.getItem('told')");
        assertTrue(told.contains("can’t wait") && told.contains(" after "), told);
        reload(page);
        assertThat(page.getByLabel("Move the clock on by 1 day")).isVisible();
        page.waitForResponse(answer -> answer.url().endsWith("/api/people/me/words"), () -> page.reload());
        assertEquals(page.evaluate("sessionStorage.getItem('told')"), told);
    }

    @Test
    public void theDaysNewsAreSeenOnceAndCanBeMadeNewAgain() {
        Page page = mira();
        page.getByLabel("Move the clock on by 1 day").click();
        assertThat(count(page)).hasText(Pattern.compile("[5-9] new|1\\d new"));
        count(page).click();
        assertThat(panel(page)).containsText("Worksheet 11: frost and structure");
        assertThat(panel(page)).containsText("Extension declined");
        assertThat(panel(page)).containsText("Scored 25.5 of 50");
        assertThat(panel(page)).containsText("Flagged: missing");
        assertAccessible(page);
        // Only what was in sight is seen, and on a day with much news the last stands below the edge.
        for (Locator line : panel(page).getByRole(AriaRole.LISTITEM).all()) {
            line.scrollIntoViewIfNeeded();
            assertThat(line).isInViewport();
        }
        page.keyboard().press("Escape");
        assertThat(count(page)).hasText("Nothing new");
        count(page).click();
        assertThat(panel(page)).containsText("Nothing has happened since you last looked");
        inPanel(page, "Make it new again").first().click();
        page.keyboard().press("Escape");
        assertThat(count(page)).hasText("1 new");
        reload(page);
        assertThat(count(page)).hasText("1 new");
        count(page).click();
        inPanel(page, "Mark it as seen").click();
        assertThat(count(page)).hasText("Nothing new");
    }

    @Test(dependsOnMethods = "theDaysNewsAreSeenOnceAndCanBeMadeNewAgain")
    public void aGuardiansNewsAreTheirOwnAndEachLeadsToItsPiece() {
        Page page = signedIn(Look.IN_HAND, "Tobias Solheim");
        assertThat(count(page)).hasText(Pattern.compile("\\d+ new"));
        count(page).click();
        assertThat(panel(page)).containsText("Worksheet 11: frost and structure");
        inPanel(page, "Worksheet 11: frost and structure").click();
        assertThat(page).hasURL(Pattern.compile("/work/\\d+$"));
        assertThat(pane(page)).containsText("Worksheet 11: frost and structure");
    }

    @Test(dependsOnMethods = "aGuardiansNewsAreTheirOwnAndEachLeadsToItsPiece")
    public void aDayThatIsPastIsMarkedAndNothingCanBeChangedInIt() {
        Page page = mira("/s/1/work?asof=2026-11-20");
        Locator bar = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("A day that is past"));
        assertThat(bar).containsText("as it was at the end of Fri 20 Nov");
        assertThat(page.getByRole(AriaRole.GRID)).containsText("Worksheet 8");
        assertThat(button(page, "Add")).hasCount(0);
        assertThat(page.getByRole(AriaRole.GRID)).containsText("Yours");
        assertAccessible(page);
        button(page, "Day after").click();
        assertThat(bar).containsText("Sat 21 Nov");
        page.getByLabel("Narrow by text").fill("level traverse");
        assertThat(page).hasURL(Pattern.compile("asof=2026-11-21"));
        assertThat(page).hasURL(Pattern.compile("q=level"));
        visit(page, address("/s/1/standing/1?asof=2026-11-20"));
        assertThat(bar).containsText("Standing as it was");
        button(page, "Back to now").click();
        assertThat(bar).hasCount(0);
    }

    @Test(dependsOnMethods = "aDayThatIsPastIsMarkedAndNothingCanBeChangedInIt")
    public void workIsOpenedAtTheSchool() {
        Page page = mira("/s/1/work");
        Locator pane = open(page, "Key 7: conifers");
        Locator link = pane.getByRole(
                AriaRole.LINK, new Locator.GetByRoleOptions().setName(Pattern.compile("^Open it at the school")));
        String path = link.getAttribute("href");
        APIResponse place = page.request().get(address(path), RequestOptions.create());
        assertEquals(place.status(), 200);
        assertTrue(place.text().contains("<h1>Key 7: conifers</h1>"), place.text());
        assertTrue(place.text().contains("Plant Identification"));
    }

    @Test
    public void anAddressWithoutAStudentLeadsToOnesOwnAndAnUnknownOneSaysSo() {
        Page page = mira("/work?move=yours");
        assertThat(page).hasURL(Pattern.compile("/s/1/work\\?move=yours$"));
        visit(page, address("/household/of/nobody"));
        assertThat(page.getByText("There is nothing at this address")).isVisible();
        assertEquals(page.request().get(address("/api/nothing")).status(), 404);
    }

    @Test(dependsOnMethods = "workIsOpenedAtTheSchool")
    public void aQuizIsTakenAtTheSchoolAndComesByItself() {
        Page page = mira();
        Locator pane = open(page, "Quiz: reading a level staff");
        assertThat(pane).containsText("It is taken at the school, not here");
        Page school = page.waitForPopup(() -> pane.getByRole(
                        AriaRole.LINK,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("^Open it at the school")))
                .first()
                .click());
        button(school, "Begin attempt 1 of 2").click();
        for (String answer : List.of("1.47 m", "It gets too large", "lower")) {
            school.getByLabel(answer, new Page.GetByLabelOptions().setExact(true))
                    .check();
        }
        button(school, "Hand in attempt 1 of 2").click();
        assertThat(school.getByRole(AriaRole.ALERT)).containsText("Questions 3, 4, 5, 7, 8, 9, 10 have no answer yet");
        button(school, "Hand it in as it is").click();
        assertThat(school.getByText("3 of 10 points")).isVisible();
        page.bringToFront();
        page.evaluate("window.dispatchEvent(new Event('focus'))");
        assertThat(pane).containsText("Returned");
        assertThat(pane).containsText("3 of 10");
        assertThat(pane).containsText("1 of 2 left");
    }

    @Test
    public void allCoursesStandOnOneSheet() {
        Page page = mira("/s/1/standing");
        assertThat(button(page, "Print all courses")).isVisible();
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(com.microsoft.playwright.options.Media.PRINT));
        page.evaluate("window.dispatchEvent(new Event('beforeprint'))");
        Locator sheet = page.locator("section", new Page.LocatorOptions().setHasText("Missing, sent back or past"));
        assertThat(sheet.locator("tbody tr")).hasCount(6);
        assertThat(sheet).containsText("Worksheet 8");
        assertThat(sheet.locator("tbody tr").first()).containsText("%");
    }

    @Test
    public void onPaperEachRowNamesItsCourse() {
        Page page = mira("/s/1/work?move=yours");
        assertThat(page.getByRole(AriaRole.GRID)).isVisible();
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(com.microsoft.playwright.options.Media.PRINT));
        page.evaluate("window.dispatchEvent(new Event('beforeprint'))");
        assertThat(page.getByText("Mira Solheim · Thornmere College").first()).isVisible();
        Locator paper = page.locator("section", new Page.LocatorOptions().setHasText("What counts now"))
                .last();
        assertThat(paper).containsText("Yours");
        assertThat(paper.locator("tbody tr", new Locator.LocatorOptions().setHasText("Worksheet 8")))
                .containsText("Soil");
        assertTrue(paper.locator("tbody tr").count() > 30, "all rows, not only those in sight");
    }
}
