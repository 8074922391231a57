package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** The Work view as a person uses it: see, narrow, walk, open. */
public class WorkScreenTest extends Screen {
    private static final Pattern SHOWN = Pattern.compile("(\\d+) of (\\d+)");

    private static Locator counts(Page page) {
        return page.locator("main p[aria-live=polite]");
    }

    private static int shown(Page page) {
        Matcher words = SHOWN.matcher(counts(page).innerText());
        assertTrue(words.find());
        return Integer.parseInt(words.group(1));
    }

    @Test
    public void theGroupsAddUpToWhatIsShown() {
        Page page = mira();
        page.setViewportSize(WIDE, 6000);
        assertThat(page.locator(".work-group")).hasCount(5);
        int sum = page.locator(".work-group").allInnerTexts().stream()
                .mapToInt(text -> Integer.parseInt(text.replaceAll("(?s)^\\D+(\\d+).*", "$1")))
                .sum();
        assertEquals(sum, shown(page));
        assertThat(page.locator("[role=row][data-work]")).hasCount(sum);
    }

    @Test
    public void narrowingByCourseMoveAndTextLivesInTheAddress() {
        Page page = mira();
        int all = shown(page);
        button(page, "Course").click();
        page.getByRole(AriaRole.MENUITEMCHECKBOX, new Page.GetByRoleOptions().setName("Soil Science"))
                .click();
        page.keyboard().press("Escape");
        assertThat(counts(page)).containsText("Soil");
        int soil = shown(page);
        assertTrue(soil > 0 && soil < all);

        button(page, "Move").click();
        page.getByRole(AriaRole.MENUITEMCHECKBOX, new Page.GetByRoleOptions().setName("Settled"))
                .click();
        page.keyboard().press("Escape");
        assertThat(page.locator(".work-group")).hasCount(1);

        page.getByLabel("Narrow by text").fill("lab");
        assertThat(row(page, "Worksheet")).hasCount(0);
        assertThat(row(page, "Soil lab 2")).isVisible();
        assertThat(page).hasURL(Pattern.compile("course=1.*move=settled.*q=lab"));
        int narrowed = shown(page);
        page.reload();
        assertThat(row(page, "Soil lab 2")).isVisible();
        assertEquals(shown(page), narrowed);

        page.getByLabel("Narrow by text").fill("no such thing");
        assertThat(page.getByText("Nothing is left of the work")).isVisible();
        button(page, "Show all").click();
        assertThat(counts(page)).containsText(all + " of " + all);
    }

    @Test
    public void theTableIsWalkedAndOpenedByKeys() {
        Page page = mira();
        page.keyboard().press("j");
        Locator first = page.locator("[role=row][data-work]").first();
        assertThat(first).isFocused();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("j");
        page.keyboard().press("k");
        Locator second = page.locator("[role=row][data-work]").nth(1);
        assertThat(second).isFocused();
        page.keyboard().press("Enter");
        assertThat(pane(page)).isVisible();
        page.keyboard().press("Escape");
        assertThat(pane(page)).hasCount(0);
        assertThat(page.locator("[role=row][data-work]").nth(1)).isFocused();
        page.keyboard().press("?");
        assertThat(dialog(page)).containsText("Next or previous piece of work");
        page.keyboard().press("Escape");
        page.keyboard().press("g");
        page.keyboard().press("l");
        assertThat(page).hasURL(Pattern.compile("/links$"));
    }

    @Test
    public void theLastRowIsReachedByKeys() {
        Page page = mira();
        page.keyboard().press("j");
        page.keyboard().press("End");
        assertThat(page.locator("[role=row][data-work]").last()).isFocused();
        assertThat(page.locator(".work-group").last()).containsText("Out of reach");
    }

    @Test
    public void groupingByCourseAndByDueShowsTheSameWork() {
        Page page = mira();
        int all = shown(page);
        button(page, "By course").click();
        assertThat(page.locator(".work-group").first()).containsText("Soil Science");
        assertEquals(shown(page), all);
        button(page, "By due").click();
        assertThat(page.locator(".work-group").first()).containsText("Overdue and yours");
        assertEquals(shown(page), all);
    }

    @Test
    public void statesAreSaidInWordsAndDraftsLookUnlikeHandIns() {
        Page page = mira();
        assertThat(find(page, "Planting plan, sheet 2")).containsText("Draft · not handed in");
        assertThat(find(page, "Soil lab 5")).containsText("Turned in · flagged missing");
        assertThat(find(page, "Seed pricing")).containsText("2 of 4 parts");
        assertThat(find(page, "Stock ledger, October")).containsText("hidden");
        assertThat(find(page, "Test: day books")).containsText("so far");
        assertThat(find(page, "Site section")).containsText("Sent back");
        assertThat(find(page, "Evidence: food webs")).containsText("redo open");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Not handed in: Planting plan, sheet 2");
    }

    @Test
    public void theTidelineListsADayAndNarrowsToIt() {
        Page page = mira();
        Locator close =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Fri 27 Nov, ")));
        close.hover();
        Locator list = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Fri 27 Nov"));
        assertThat(list).containsText("Mid-term grading close");
        assertThat(list).containsText("Soil essay, second draft");
        close.click();
        assertThat(page).hasURL(Pattern.compile("day=2026-11-27"));
        assertThat(counts(page)).containsText("1 of ");
        page.keyboard().press("ArrowRight");
        assertThat(page.getByRole(
                        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Sat 28 Nov, "))))
                .isFocused();
        close.click();
        assertThat(page).not().hasURL(Pattern.compile("day="));
    }

    @Test
    public void anyPieceOfWorkIsFoundByTyping() {
        Page page = mira();
        page.keyboard().press("/");
        page.getByPlaceholder("A piece of work, a course, or what to do").fill("herbarium ten");
        page.keyboard().press("Enter");
        assertThat(pane(page)).containsText("Herbarium: ten pressed sheets");
        assertThat(page).hasURL(Pattern.compile("/work/\\d+$"));
    }

    @Test
    public void onAPhoneNothingIsWiderThanTheScreen() {
        Page page = signedIn(Look.IN_HAND, "Mira Solheim");
        assertEquals(page.evaluate("document.documentElement.scrollWidth"), PHONE);
        row(page, "Planting plan, sheet 2").click();
        assertThat(pane(page)).isVisible();
        assertEquals(page.evaluate("document.documentElement.scrollWidth"), PHONE);
        button(page, "Close this piece of work").click();
        assertThat(row(page, "Planting plan, sheet 2")).isVisible();
    }
}
