package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
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
        reload(page);
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
        assertThat(pane(page).getByRole(AriaRole.HEADING).first()).isVisible();
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
        String[][] firsts = {
            {"By course", "Soil Science"},
            {"By unit", "1 Profiles"},
            {"By due", "Overdue and yours"},
            {"By state", "Not open"},
            {"By kind", "Assignment"}
        };
        String before = "By move";
        for (String[] first : firsts) {
            choose(page, before, first[0]);
            assertThat(page.locator(".work-group").first()).containsText(first[1]);
            assertEquals(shown(page), all);
            before = first[0];
        }
    }

    private static void choose(Page page, String menu, String choice) {
        button(page, menu).click();
        page.getByRole(
                        AriaRole.MENUITEMRADIO,
                        new Page.GetByRoleOptions().setName(choice).setExact(true))
                .click();
    }

    @Test
    public void aHeadSortsTurnsRoundAndLetsGo() {
        Page page = mira();
        Locator head = page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Work"));
        Locator first = page.locator("[role=row][data-work]").first();
        head.getByRole(AriaRole.BUTTON).click();
        assertThat(head).hasAttribute("aria-sort", "ascending");
        assertThat(first).containsText("Bonus: a letter");
        head.getByRole(AriaRole.BUTTON).click();
        assertThat(head).hasAttribute("aria-sort", "descending");
        assertThat(first).containsText("Worksheet 8");
        assertThat(page).hasURL(Pattern.compile("sort=-title"));
        head.getByRole(AriaRole.BUTTON).click();
        assertThat(first).containsText("Planting plan, sheet 2");
    }

    @Test
    public void traitsAndStatesNarrowAndALensKeepsThem() {
        Page page = mira();
        button(page, "More").click();
        page.getByRole(
                        AriaRole.MENUITEMCHECKBOX,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Below the pass mark")))
                .click();
        page.keyboard().press("Escape");
        assertThat(row(page, "Soil essay, second")).hasCount(0);
        assertThat(row(page, "Evidence: food webs")).isVisible();
        int below = shown(page);
        assertTrue(below > 0 && below < 12);
        button(page, "Lens").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Save what is shown as a lens"))
                .click();
        dialog(page).getByLabel("Name").fill("To lift");
        button(page, "Save the lens").click();
        assertThat(notice(page, "Saved the lens To lift")).isVisible();
        visit(page, address("/s/1/work"));
        button(page, "Lens").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("To lift"))
                .click();
        assertThat(page).hasURL(Pattern.compile("only=belowpass"));
        assertThat(counts(page)).containsText(below + " of ");
        button(page, "Lens: To lift").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Remove the lens To lift"))
                .click();
        assertThat(button(page, "Lens")).isVisible();
    }

    @Test
    public void severalRowsAreGivenAnEffortANoteAndReportedAsDone() {
        Page page = mira();
        page.getByLabel("Narrow by text").fill("practice twigs");
        assertThat(row(page, "Practice: twigs")).isVisible();
        row(page, "Practice: twigs").focus();
        page.keyboard().press("x");
        Locator bar = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Chosen work"));
        assertThat(bar).containsText("1 chosen");
        page.getByLabel("Narrow by text").fill("practice");
        row(page, "Practice: lime").click();
        assertThat(bar).containsText("2 chosen");
        bar.getByText("More").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Set effort"))
                .click();
        dialog(page).getByLabel("Minutes").fill("50");
        button(page, "Set the effort").click();
        assertThat(row(page, "Practice: lime")).containsText("50 min");
        Locator notice = notice(page, "Set the effort of 2 pieces of work");
        notice.getByText("Undo").click();
        assertThat(row(page, "Practice: lime")).containsText("25 min");
        assertThat(notice(page, "Undone")).isVisible();

        row(page, "Practice: lime").focus();
        page.keyboard().press("x");
        bar.getByText("Handed in elsewhere").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Just now"))
                .click();
        assertThat(row(page, "Practice: lime")).containsText("Turned in");
        notice(page, "Recorded what was handed in elsewhere").getByText("Undo").click();
        assertThat(row(page, "Practice: lime")).containsText("Assigned");
    }

    @Test
    public void columnsAreChosenOrderedAndSized() {
        Page page = mira();
        button(page, "Table").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Columns"))
                .click();
        dialog(page)
                .getByLabel("Impact", new Locator.GetByLabelOptions().setExact(true))
                .check();
        dialog(page)
                .getByLabel("Kind", new Locator.GetByLabelOptions().setExact(true))
                .uncheck();
        button(page, "Move Due up").click();
        dialog(page).getByLabel(Pattern.compile("^Width of Work in pixels")).fill("300");
        button(page, "Done").click();
        assertEquals(
                page.getByRole(AriaRole.COLUMNHEADER).allInnerTexts().stream()
                        .map(String::strip)
                        .toList(),
                java.util.List.of(
                        "State",
                        "Due",
                        "Work",
                        "Effort",
                        "Score",
                        "Feedback",
                        "Files",
                        "Attempts",
                        "Next loss",
                        "Impact"));
        reload(page);
        Locator work = page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Work"));
        assertThat(work).isVisible();
        assertEquals((int) work.boundingBox().width, 300);
    }

    @Test
    public void aColumnIsDraggedWiderByTheEdgeOfItsHead() {
        Page page = mira();
        Locator head = page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Due"));
        BoundingBox before = head.boundingBox();
        double middle = before.y + before.height / 2;
        page.mouse().move(before.x + before.width - 2, middle);
        page.mouse().down();
        page.mouse().move(before.x + before.width + 58, middle);
        page.mouse().up();
        assertEquals(head.boundingBox().width, before.width + 58, 1.5);
    }

    @Test
    public void coursesAreDraggedIntoAnotherOrder() {
        Page page = mira();
        button(page, "Table").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Order and colours of courses"))
                .click();
        Locator rows = dialog(page).getByRole(AriaRole.LISTITEM);
        rows.filter(new Locator.FilterOptions().setHasText("Estate Ecology")).dragTo(rows.first());
        assertThat(rows.first()).containsText("Estate Ecology");
        assertThat(rows.last()).containsText("Nursery Bookkeeping");
        button(page, "Leave as it was").click();
    }

    @Test
    public void coursesAreOrderedAndColouredEverywhereAndUndone() {
        Page page = mira();
        button(page, "Table").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Order and colours of courses"))
                .click();
        button(page, "Move Plant Identification up").click();
        dialog(page).getByLabel("Colour of Plant Identification").selectOption("indigo");
        button(page, "Save the arrangement").click();
        Locator notice = notice(page, "Arranged the courses");
        assertThat(notice).isVisible();
        choose(page, "By move", "By course");
        assertThat(page.locator(".work-group").first()).containsText("Plant Identification");
        notice.getByText("Undo").click();
        assertThat(page.locator(".work-group").first()).containsText("Soil Science");
    }

    @Test
    public void aNoteIsWrittenChangedAndRemovedAndAnOwnFigureHolds() {
        Page page = mira();
        Locator pane = open(page, "Soil essay, second");
        pane.getByText("Add a note").click();
        dialog(page).getByLabel("Note").fill("Ask for the tenants' ledger.");
        dialog(page).getByLabel("Tag").fill("library");
        button(page, "Add the note").click();
        assertThat(pane).containsText("Ask for the tenants' ledger.");
        pane.getByText("I expect otherwise").click();
        dialog(page).getByLabel("Percent of its points").fill("50");
        button(page, "Expect this").click();
        assertThat(pane).containsText("30 of 60, at 50 %");
        pane.getByText("Remove", new Locator.GetByTextOptions().setExact(true))
                .last()
                .click();
        assertThat(pane).not().containsText("tenants' ledger");
        notice(page, "Removed a note").getByText("Undo").click();
        assertThat(pane).containsText("Ask for the tenants' ledger.");
    }

    @Test
    public void statesAreSaidInWordsAndDraftsLookUnlikeHandIns() {
        Page page = mira();
        assertThat(find(page, "Planting plan, sheet 2")).containsText("Draft · not handed in");
        assertThat(find(page, "Soil lab 5")).containsText("Turned in · flagged missing");
        assertThat(find(page, "Seed pricing")).containsText("2 of 4");
        assertThat(find(page, "Stock ledger, October")).containsText("hidden");
        assertThat(find(page, "Test: day books")).containsText("so far");
        assertThat(find(page, "Site section")).containsText("Sent back");
        assertThat(find(page, "Evidence: food webs")).containsText("redo open");
        assertThat(page.getByRole(AriaRole.ALERT))
                .containsText("Planting plan, sheet 2: the long border: a draft, not handed in");
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
        assertThat(counts(page)).containsText("2 of ");
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
        page.getByPlaceholder("A piece of work, a course").fill("herbarium ten");
        page.keyboard().press("Enter");
        assertThat(pane(page)).containsText("Herbarium: ten pressed sheets");
        assertThat(page).hasURL(Pattern.compile("/work/\\d+$"));
    }

    /** A line that is sent without a connection says so, stays, and is added once when there is one again. */
    @Test
    public void whatIsWrittenWithoutAConnectionSaysSoAndStays() {
        Page page = mira("/s/1/work?add=line");
        Locator line = page.getByLabel("A piece of work in one line");
        line.fill("read about mulch fri 17:00 20p");
        page.context().setOffline(true);
        line.press("Enter");
        assertThat(notice(page, "Navlo can’t be reached")).isVisible();
        assertThat(line).hasValue("read about mulch fri 17:00 20p");
        page.context().setOffline(false);
        line.press("Enter");
        assertThat(notice(page, "Added")).isVisible();
        assertThat(line).hasValue("");
        assertThat(find(page, "read about mulch")).isVisible();
        assertThat(page.locator("[role=row][data-work]")).hasCount(1);
    }

    /** What is written down afterwards isn't called missing in silence, and isn't taken as done in silence either. */
    @Test
    public void ofALineThatIsOverItIsAskedHowItStands() {
        Page page = mira("/s/1/work?add=line");
        Locator line = page.getByLabel("A piece of work in one line");
        Locator form = page.locator("form").filter(new Locator.FilterOptions().setHas(line));
        line.fill("soil diary every monday from 2 nov until 7 dec");
        assertThat(form).containsText("4 of them were due before now. They were");
        line.press("Enter");
        assertThat(form).containsText("Choose one, then add.");
        assertThat(form.getByLabel("handed in on time")).isFocused();
        page.keyboard().press("Space");
        page.keyboard().press("Enter");
        assertThat(notice(page, "Added 6 pieces of work")).isVisible();
        page.getByLabel("Narrow by text").fill("soil diary");
        assertThat(page.locator("[role=row][data-work]")).hasCount(6);
        assertThat(row(page, "Diary 4")).containsText("Turned in");
        assertThat(row(page, "Diary 5")).containsText("Assigned");

        button(page, "Add").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("A piece of work"))
                .click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByLabel("Title").fill("Soil diary of the summer");
        dialog.getByLabel("Course").selectOption("Estate Ecology");
        dialog.getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("Evidence of"))
                .getByRole(AriaRole.CHECKBOX)
                .first()
                .check();
        dialog.getByLabel("Course").selectOption("Soil Science");
        dialog.getByLabel("Due on").fill("2026-11-25");
        assertThat(dialog.getByText("It was due before now.")).isHidden();
        dialog.getByLabel("Due on").fill("2026-09-07");
        button(page, "Add the work").click();
        assertThat(dialog).containsText("Choose one, then add.");
        assertThat(dialog.getByLabel("handed in on time")).isFocused();
        dialog.getByText("handed in late").click();
        button(page, "Add the work").click();
        assertThat(row(page, "Soil diary of the summer")).containsText("Turned in");
        assertThat(row(page, "Soil diary of the summer")).not().containsText("of 4");
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
