package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;

/** A mentor of twenty-four finds who needs them, and keeps notes and groups. */
@TestPropertySource(properties = "navlo.demo.cohort=true")
public class MentorScreenTest extends Screen {
    private Page runa(Look look) {
        Page page = door(look);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Runa Falk")))
                .click();
        assertThat(page).hasURL(Pattern.compile("/household$"));
        assertThat(students(page)).hasCount(24);
        return page;
    }

    private static Locator students(Page page) {
        return page.locator("[data-student]");
    }

    private static List<String> names(Page page) {
        return students(page).locator("th a").allInnerTexts();
    }

    private static Locator line(Page page, String name) {
        return students(page)
                .filter(new Locator.FilterOptions().setHasText(name))
                .first();
    }

    @Test
    public void theTableIsOrderedAndNarrowedByAddress() {
        Page page = runa(Look.DAY);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("Students");
        assertAccessibleByDayAndNight(page);
        List<String> asNeeded = names(page);

        button(page, "Order by: Student").click();
        List<String> byName = asNeeded.stream().sorted().toList();
        assertThat(page).hasURL(Pattern.compile("by=name"));
        assertThat(students(page).first()).containsText(byName.get(0));
        assertEquals(names(page), byName);
        button(page, "Order by: Student").click();
        assertThat(students(page).first()).containsText(byName.get(23));
        reload(page);
        assertThat(students(page)).hasCount(24);
        assertThat(students(page).first()).containsText(byName.get(23));

        page.getByText("Second year", new Page.GetByTextOptions().setExact(true))
                .first()
                .click();
        assertThat(students(page)).hasCount(11);
        page.getByLabel("Narrow by name, group or note").fill("ulrik");
        assertThat(students(page)).hasCount(1);
        assertThat(page.getByText("1 of 24 students")).isVisible();
        page.getByLabel("Narrow by name, group or note").fill("nobody");
        assertThat(page.getByText("Nobody is so.")).isVisible();
    }

    @Test
    public void aNoteAndAGroupAreKeptWhereTheStudentStands() {
        Page page = runa(Look.DAY);
        button(page, "Vera Storm: courses, dates and your note").click();
        Locator vera = line(page, "Vera Storm");
        assertThat(vera.getByRole(AriaRole.ROWHEADER)).hasCount(4);
        assertAccessible(page);
        vera.getByLabel("Your note on Vera Storm").fill("Rows at the club on Tuesdays");
        vera.getByLabel("Your groups, with commas between").fill("Second year, Rowers");
        vera.getByText("Keep it").click();
        assertThat(page.getByText("Rowers", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(vera).containsText("Written today");
        page.getByLabel("Narrow by name, group or note").fill("rows tues");
        assertThat(students(page)).hasCount(1);
        assertThat(students(page)).containsText("Rowers, Second year · Rows at the club on Tuesdays");
    }

    /** One press from a figure to its list, and the picker goes to another student in the same view. */
    @Test
    public void aFigureLeadsToItsListAndThePickerToTheNext() {
        Page page = runa(Look.DAY);
        visit(page, address("/household?span=term&by=savable"));
        assertThat(students(page)).hasCount(24);
        Locator figure = students(page).first().locator("a[href$='only=savable']");
        int count = Integer.parseInt(figure.innerText().strip().split("\\s")[0]);
        assertTrue(count > 3, "the first has " + count);
        figure.click();
        assertThat(page).hasURL(Pattern.compile("/s/\\d+/work\\?only=savable"));
        assertThat(page.locator("[role=row][data-work]")).hasCount(count);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("choose another student")))
                .click();
        assertThat(page.getByRole(AriaRole.MENUITEMRADIO)).hasCount(25);
        page.getByRole(AriaRole.MENUITEMRADIO, new Page.GetByRoleOptions().setName("Ylva Roed"))
                .click();
        assertThat(page.getByRole(AriaRole.BANNER)).containsText("Ylva");
        assertThat(page).hasURL(Pattern.compile("/work"));
    }

    @Test
    public void whatIsShownIsTakenAlongAsATable() throws IOException {
        Page page = runa(Look.DAY);
        page.getByText("First year", new Page.GetByTextOptions().setExact(true))
                .first()
                .click();
        assertThat(students(page)).hasCount(13);
        Download table =
                page.waitForDownload(() -> page.getByText("as a table (CSV)").click());
        List<String> lines = Files.readAllLines(table.path());
        assertEquals(lines.size(), 14);
        assertTrue(lines.get(1).startsWith(names(page).get(0) + ","), lines.get(1));
    }

    @Test
    public void itFitsAPhone() {
        Page phone = runa(Look.IN_HAND);
        assertEquals(phone.evaluate("document.documentElement.scrollWidth"), PHONE);
        button(phone, "Alva Brekke: courses, dates and your note").click();
        assertThat(line(phone, "Alva Brekke").getByLabel("Your note on Alva Brekke"))
                .isVisible();
        assertEquals(phone.evaluate("document.documentElement.scrollWidth"), PHONE);
        assertAccessible(phone);
    }
}
