package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Work from elsewhere: a calendar file, what is typed in, and a clock that is moved on. */
public class LinksScreenTest extends Screen {
    private static final String CALENDAR = """
            BEGIN:VCALENDAR
            VERSION:2.0
            X-WR-CALNAME:Garden History
            BEGIN:VEVENT
            UID:g1
            SUMMARY:Essay: the ha-ha
            DTSTART;VALUE=DATE:20261202
            END:VEVENT
            BEGIN:VEVENT
            UID:g2
            SUMMARY:Garden party
            DTSTART:20261203T140000Z
            END:VEVENT
            BEGIN:VEVENT
            UID:g3
            SUMMARY:Garden History class
            DTSTART:20260907T080000Z
            DTEND:20260907T093000Z
            RRULE:FREQ=WEEKLY
            END:VEVENT
            END:VCALENDAR
            """;

    private static void choose(Page page, String name, String content) {
        page.getByLabel("File to read in", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(new FilePayload(name, "text/calendar", content.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    public void aCalendarIsPreviewedAppliedReadInAgainAndUndone() {
        Page page = mira();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Links"))
                .click();
        choose(page, "history.ics", CALENDAR);
        Locator added = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("New"));
        assertThat(added).containsText("Essay: the ha-ha");
        assertThat(page.getByText("Take the hours of 1 class")).isVisible();
        assertThat(page.getByLabel("Take in Garden party")).not().isChecked();
        assertThat(button(page, "Add 1")).isVisible();
        button(page, "Add 1").click();
        assertThat(notice(page, "Read in Garden History")).isVisible();
        visit(page, address("/s/1/work"));
        assertThat(find(page, "Essay: the ha-ha")).isVisible();

        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Links"))
                .click();
        choose(page, "history.ics", CALENDAR);
        assertThat(page.getByText("read in before: here is what differs now")).isVisible();
        assertThat(button(page, "Nothing to apply")).isDisabled();
        button(page, "Leave it").click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Undo: Read in: Garden History")))
                .click();
        assertThat(page.getByText("undone").first()).isVisible();
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Work").setExact(true))
                .click();
        page.getByLabel("Narrow by text").fill("ha-ha");
        assertThat(page.getByText("Nothing is left of the work")).isVisible();
    }

    @Test
    public void aFileThatIsNoCalendarIsRefusedInWords() {
        Page page = mira("/s/1/links");
        choose(page, "page.ics", "<html>sign in</html>");
        assertThat(notice(page, "This is no iCalendar file")).isVisible();
        assertThat(button(page, "Choose files")).isVisible();
    }

    @Test
    public void aCourseAndAPieceOfWorkAreTypedInChangedAndRemoved() {
        Page page = mira();
        button(page, "Add").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("A course"))
                .click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Bee Keeping");
        button(page, "Add the course").click();
        assertThat(notice(page, "Added the course Bee Keeping")).isVisible();

        button(page, "Add").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("A piece of work"))
                .click();
        page.getByLabel("Title").fill("Hive record");
        page.getByLabel("Course", new Page.GetByLabelOptions().setExact(true)).selectOption("Bee Keeping");
        page.getByLabel("Opens on").fill("2026-12-05");
        page.getByLabel("Due on").fill("2026-12-01");
        button(page, "Add the work").click();
        assertThat(dialog(page)).containsText("It opens after it is due. Choose an earlier day.");
        page.getByLabel("Opens on").fill("");
        button(page, "Add the work").click();
        assertThat(notice(page, "Added Hive record")).isVisible();

        Locator pane = open(page, "Hive record");
        button(page, "Change").click();
        page.getByLabel("Title").fill("Hive record, winter");
        button(page, "Save the changes").click();
        assertThat(pane).containsText("Hive record, winter");
        button(page, "Remove").click();
        assertThat(row(page, "Hive record")).hasCount(0);
        notice(page, "Removed Hive record, winter").getByText("Undo").click();
        assertThat(row(page, "Hive record, winter")).isVisible();
    }

    @Test
    public void theClockIsMovedOnAndEveryOpenPageFollows() {
        Page page = mira();
        Page guardian = tobias();
        assertThat(guardian.getByRole(AriaRole.ALERT)).containsText("Planting plan, sheet 2");
        button(page, "Move the clock on by 1 day").click();
        assertThat(page.locator("header time")).containsText("Wed 25 Nov 16:20");
        assertThat(guardian.locator("header time")).containsText("Wed 25 Nov 16:20");
        assertThat(find(guardian, "Planting plan, sheet 2")).containsText("22 h late");
    }

    @Test
    public void freeHoursAreSet() {
        Page page = mira("/s/1/work?set=hours");
        Locator dialog = dialog(page);
        dialog.getByLabel("Saturday to").fill("09:00");
        button(page, "Save your time").click();
        assertThat(dialog).containsText("the end must be after the start");
        dialog.getByLabel("Saturday to").fill("11:00");
        button(page, "Save your time").click();
        assertThat(dialog).hasCount(0);
        assertThat(page.getByRole(
                        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Sat 28 Nov.*1 h free"))))
                .isVisible();
    }

    @Test
    public void anAddressForAnyCalendarIsMadeRenewedAndTakenAway() {
        Page page = mira("/s/1/links");
        button(page, "Make an address").click();
        Locator field = page.getByLabel("Address of your calendar");
        String first = field.inputValue();
        assertThat(field).hasValue(Pattern.compile("/calendar/[A-Za-z0-9_-]{43}\\.ics$"));
        assertTrue(page.request().get(first).text().startsWith("BEGIN:VCALENDAR"));
        button(page, "Make a new one").click();
        dialog(page).getByText("Make a new one").last().click();
        assertThat(field).not().hasValue(first);
        assertEquals(page.request().get(first).status(), 404, "the old one leads nowhere");
        button(page, "Take it away").click();
        dialog(page).getByText("Take it away").click();
        assertThat(button(page, "Make an address")).isVisible();
    }

    @Test
    public void classesAndSingleDaysTakeTheirTime() {
        Page page = mira("/s/1/work?set=hours&part=days");
        button(page, "Add a day").click();
        dialog(page).getByLabel("Date").fill("2026-11-29");
        assertThat(dialog(page)).containsText("no free hours");
        button(page, "Save your time").click();
        assertThat(dialog(page)).hasCount(0);
        Locator sunday = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Sun 29 Nov.* 0 min free")));
        assertThat(sunday).isVisible();
        notice(page, "Set when there is time to work").getByText("Undo").click();
        assertThat(sunday).hasCount(0);
    }
}
