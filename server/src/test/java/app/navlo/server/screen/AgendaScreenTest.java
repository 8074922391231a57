package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Media;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** The term as a list of days and as months, and what goes along between the views of the work. */
public class AgendaScreenTest extends Screen {
    private Page agenda(String query) {
        Page page = mira("/s/1/timeline?as=agenda" + query);
        assertThat(day(page, "2026-11-24")).isVisible();
        return page;
    }

    private static Locator day(Page page, String date) {
        return page.locator("[data-day='" + date + "']");
    }

    private static Locator line(Locator day, String title) {
        return day.getByRole(AriaRole.LINK)
                .filter(new Locator.FilterOptions().setHasText(title))
                .first();
    }

    @Test
    public void itOpensAtTodayWithWhatIsStillYoursAndThePastAbove() {
        Page page = agenda("");
        Locator today = day(page, "2026-11-24");
        assertThat(today.getByRole(AriaRole.HEADING)).containsText("today");
        assertThat(today.getByText("still yours")).hasCount(5);
        assertTrue(today.boundingBox().y < 320, "today is the first that is seen");
        assertThat(page.locator("[data-day]")).hasCount(103);
        assertThat(page.locator("[data-day]").first()).containsText("Mon 7 Sep");
        Locator done = line(day(page, "2026-09-18"), "Soil lab 1");
        assertThat(done).containsText(Pattern.compile("in \\w{3} \\d+ Sep"));
        assertEquals(
                done.getByText("Soil lab 1", new Locator.GetByTextOptions().setExact(false))
                        .first()
                        .evaluate("part => getComputedStyle(part).textDecorationLine"),
                "line-through");
        assertThat(line(day(page, "2026-11-25"), "Worksheet 9")).containsText("opens");
        assertThat(day(page, "2026-11-27")).containsText("after it nothing counts");
        assertThat(day(page, "2026-10-25")).containsText("25 hours: the clocks change");
        assertThat(day(page, "2026-10-12")).containsText("Autumn break");
        assertAccessible(page);
    }

    @Test
    public void aDiscussionIsToldByItsParts() {
        Page page = agenda("&q=Seed pricing");
        Locator day = day(page, "2026-11-25");
        assertThat(day).containsText("2 of 4");
        assertThat(day).containsText("2 parts left");
        assertThat(day.getByText(Pattern.compile("^(post|reply), "))).hasCount(2);
    }

    @Test
    public void oneGoesToThePieceAndBackWithoutLosingThePlace() {
        Page page = agenda("");
        // What the plan puts on the days has come, so that nothing moves any more.
        assertThat(page.getByText("planned").first()).isVisible();
        Locator later = day(page, "2026-12-10");
        later.scrollIntoViewIfNeeded();
        double there = later.boundingBox().y;
        later.getByRole(AriaRole.LINK).first().click();
        assertThat(pane(page)).isVisible();
        page.keyboard().press("Escape");
        assertThat(pane(page)).hasCount(0);
        assertEquals(later.boundingBox().y, there, 3);
        page.keyboard().press("h");
        assertThat(day(page, "2026-11-24").getByRole(AriaRole.HEADING)).isInViewport();
    }

    @Test
    public void emptyDaysAreFoldedWhereTheWorkIsNarrowed() {
        Page page = agenda("&q=worksheet");
        assertThat(page.getByText(Pattern.compile("\\d+ days without any of this work"))
                        .first())
                .isVisible();
        assertThat(day(page, "2026-11-24").getByRole(AriaRole.HEADING)).isInViewport();
        int narrowed = page.locator("ol > li h2").count();
        visit(page, address("/s/1/timeline?as=agenda"));
        assertThat(day(page, "2026-11-24")).isVisible();
        assertThat(page.getByText("without any of this work")).hasCount(0);
        assertTrue(page.locator("ol > li h2").count() > 3 * narrowed, "one line a day otherwise");
    }

    @Test
    public void whatTheWorkIsNarrowedToGoesAlong() {
        Page page = mira();
        page.getByLabel("Narrow by text").fill("Soil");
        assertThat(page).hasURL(Pattern.compile("q=Soil"));
        Locator shown = page.locator("p[aria-live] b").first();
        assertThat(shown).not().containsText(Pattern.compile("^(\\d+) of \\1$"));
        String count = shown.textContent();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Timeline"))
                .click();
        assertThat(page).hasURL(Pattern.compile("timeline\\?q=Soil"));
        assertThat(page.getByText(count).first()).isVisible();
        for (String as : List.of("Agenda", "Month", "Lanes")) {
            page.getByText(as, new Page.GetByTextOptions().setExact(true)).click();
            assertThat(page.getByText(count).first()).isVisible();
        }
        page.keyboard().press("g");
        page.keyboard().press("w");
        assertThat(page).hasURL(Pattern.compile("/work\\?q=Soil"));
        page.getByLabel("Narrow by text").fill("no such work at all");
        page.keyboard().press("Escape");
        visit(page, address("/s/1/timeline?as=agenda&q=nosuchwork"));
        page.getByText(Pattern.compile("^Show all \\d+$")).click();
        assertThat(day(page, "2026-11-24")).isVisible();
    }

    @Test
    public void aWeekAMonthAndTheTermArePrinted() {
        Page page = agenda("");
        page.evaluate("() => { window.printed = [];"
                + " window.print = () => window.printed.push([...document.querySelectorAll('[data-day]')]"
                + ".filter((day) => !day.className.includes('print:hidden')).length) }");
        for (String reach : List.of("The week of Tue 24 Nov", "Its month", "The whole term")) {
            button(page, "Print").click();
            page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(reach))
                    .click();
        }
        assertEquals(page.evaluate("() => window.printed").toString(), "[7, 30, 103]");
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
        assertFalse(button(page, "Print").isVisible(), "what is pressed isn't printed");
        assertThat(day(page, "2026-09-18")).isVisible();
    }

    @Test
    public void aCrowdedDayOfAMonthShowsAllBehindItsCount() {
        Page page = mira();
        page.evaluate("""
                async () => {
                  const token = document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1];
                  for (let i = 1; i <= 40; i++) await fetch('/api/students/1/works', {
                    method: 'POST',
                    headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token, 'Idempotency-Key': 'crowd ' + i },
                    body: JSON.stringify({ courseId: 1, title: 'Label ' + i, kind: 'ASSIGNMENT', unit: null, category: null,
                      required: true, opensDay: null, dueDay: '2026-12-12', dueTime: null, possible: null,
                      effortMinutes: 5, instructions: '' }) });
                }
                """);
        visit(page, address("/s/1/timeline?as=month&at=2026-12-12"));
        Locator crowded = page.getByRole(AriaRole.LISTITEM, new Page.GetByRoleOptions().setName("Sat 12 Dec"));
        assertThat(crowded).containsText("3 h 20");
        crowded.getByText("and 37 more").click();
        Locator all = page.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName("All on Sat 12 Dec"));
        assertThat(all.getByRole(AriaRole.LINK)).hasCount(40);
        assertThat(all).containsText("Label 40");
        page.keyboard().press("Escape");
        assertAccessible(page);
        visit(page, address("/s/1/timeline?as=agenda&at=2026-12-12"));
        // Some of them are done that day as well, and stand there twice.
        page.waitForFunction("""
                () => new Set([...document.querySelectorAll("[data-day='2026-12-12'] a")]
                  .filter((link) => link.textContent.includes('Label '))
                  .map((link) => link.getAttribute('href'))).size === 40
                """);
        visit(page, address("/s/1/timeline?at=2026-12-12&q=Label"));
        assertThat(page.locator("[data-bar]").first()).isVisible();
        Object overlaps = page.evaluate("""
                () => {
                  const boxes = [...document.querySelectorAll('[data-bar] [data-label]')].map((one) => one.getBoundingClientRect());
                  return boxes.some((a, i) => boxes.some((b, j) => j > i && a.left < b.right - 1 && b.left < a.right - 1
                    && a.top < b.bottom - 1 && b.top < a.bottom - 1));
                }
                """);
        assertEquals(overlaps, false, "bars lie over one another");
    }

    @Test
    public void aStudentAbroadSeesBothClocks() {
        Page page = signedIn(Look.DAY.in("America/New_York"), "Mira Solheim");
        visit(page, address("/s/1/timeline?days=1"));
        Locator axis = page.locator("[data-axis]");
        assertThat(axis).containsText("16:00");
        assertThat(axis).containsText("10:00");
        assertThat(page.locator("[data-bar='58']"))
                .hasAttribute("aria-label", Pattern.compile("Due today 18:00 \\(today 12:00 where you are\\)"));
        visit(page, address("/s/1/timeline?as=agenda"));
        assertThat(day(page, "2026-11-24")).containsText("18:00 (12:00)");
    }

    @Test
    public void aTermWithNothingInItSaysWhereWorkComesFrom() {
        Page page = mira();
        page.route(Pattern.compile("/board$"), route -> {
            String body = route.fetch().text();
            route.fulfill(
                    new Route.FulfillOptions()
                            .setContentType("application/json")
                            .setBody(
                                    body.replaceFirst(
                                            "\"works\":\\[.*?\\],\"counts\":\\{[^}]*\\}",
                                            "\"works\":[],\"counts\":{\"total\":0,\"yours\":0,\"teachers\":0,\"settled\":0,\"notYet\":0,\"outOfReach\":0}")));
        });
        visit(page, address("/s/1/timeline"));
        assertThat(page.getByText("There is no work here yet")).isVisible();
        button(page, "Say where it comes from").click();
        assertThat(page).hasURL(Pattern.compile("/links"));
    }

    @Test
    public void aGuardianLooksOnAndChangesNothing() {
        Page page = tobias();
        visit(page, address("/s/1/timeline?days=3"));
        assertThat(page.locator("[data-bar]").first()).isVisible();
        assertThat(page.getByText("Free hours").first()).isVisible();
        assertThat(button(page, "Your hours")).hasCount(0);
        visit(page, address("/s/1/timeline?as=agenda"));
        assertThat(day(page, "2026-11-24")).containsText("4 h free");
        assertThat(day(page, "2026-11-24").getByRole(AriaRole.BUTTON)).hasCount(0);
    }

    @Test
    public void onAPhoneOneComesBackFromThePieceToTheSameDay() {
        Page page = signedIn(Look.IN_HAND, "Mira Solheim");
        visit(page, address("/s/1/timeline?as=agenda"));
        assertThat(day(page, "2026-11-24").getByRole(AriaRole.HEADING)).isInViewport();
        // The plan comes after the days, and makes them longer.
        assertThat(page.getByText("planned").first()).isAttached();
        Locator later = day(page, "2026-12-08").getByRole(AriaRole.LINK).first();
        later.scrollIntoViewIfNeeded();
        double there = later.boundingBox().y;
        later.click();
        assertThat(pane(page)).isVisible();
        assertThat(later).isHidden();
        page.keyboard().press("Escape");
        assertThat(later).isVisible();
        assertEquals(later.boundingBox().y, there, 3);
    }

    @Test
    public void onAPhoneNothingIsCutOff() {
        Page page = signedIn(Look.IN_HAND, "Mira Solheim");
        for (String as : List.of("lanes", "agenda", "month")) {
            visit(page, address("/s/1/timeline?as=" + as));
            assertThat(page.locator("p[aria-live] b").first()).isVisible();
            assertEquals(page.evaluate("document.documentElement.scrollWidth"), PHONE);
            assertAccessible(page);
        }
    }
}
