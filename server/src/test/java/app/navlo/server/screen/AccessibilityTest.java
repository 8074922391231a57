package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** axe finds nothing on any view, by day, by night and on a phone. */
public class AccessibilityTest extends Screen {
    @DataProvider
    public static Object[][] looks() {
        return new Object[][] {{Look.DAY}, {Look.IN_HAND}};
    }

    @Test(dataProvider = "looks")
    public void theDoor(Look look) {
        Page page = door(look);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Sign in")))
                .isVisible();
        assertAccessibleByDayAndNight(page);
    }

    @Test(dataProvider = "looks")
    public void workAndAPieceOfWorkAndItsReceipt(Look look) {
        Page page = signedIn(look, "Mira Solheim");
        assertAccessibleByDayAndNight(page);
        for (String title :
                new String[] {"Site section", "Seed pricing", "Planting plan, sheet 1", "Key 5", "Soil lab 5"}) {
            visit(page, address("/s/1/work"));
            open(page, title);
            assertAccessibleByDayAndNight(page);
        }
        pane(page)
                .getByText("Receipt", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(dialog(page)).isVisible();
        assertAccessibleByDayAndNight(page);
    }

    @Test(dataProvider = "looks")
    public void nextAndWhyAMoveStandsWhereItStands(Look look) {
        Page page = signedIn(look, "Mira Solheim");
        visit(page, address("/s/1/next"));
        page.getByLabel(Pattern.compile("^1: why ")).first().click();
        assertAccessibleByDayAndNight(page);
    }

    /** WCAG 2.2, 2.5.8: what is pressed is 24 by 24 pixels large, or lies apart. */
    @Test
    public void whatIsPressedIsLargeEnough() {
        Page page = signedIn(Look.DAY, "Mira Solheim");
        for (String view : List.of(
                "next",
                "work",
                "timeline",
                "timeline?as=agenda",
                "timeline?as=month",
                "feedback",
                "standing",
                "leeway",
                "pace",
                "files",
                "notes",
                "links",
                "sheet")) {
            visit(page, address("/s/1/" + view));
            assertTargets(page);
        }
    }

    /** Of the week's sittings one is reached by Tab; j and k go to its neighbours, and each stays where it was in the plan. */
    @Test
    public void theWeeksSittingsAreOneStop() {
        Page page = signedIn(Look.DAY, "Mira Solheim");
        visit(page, address("/s/1/next"));
        Locator sittings = page.locator("[data-nailed]");
        assertThat(sittings.nth(2)).isVisible();
        assertThat(page.locator("[data-nailed][tabindex='0']")).hasCount(1);
        sittings.nth(0).focus();
        page.keyboard().press("j");
        page.keyboard().press("j");
        assertThat(sittings.nth(2)).isFocused();
        assertThat(page.locator("[data-nailed][tabindex='0']")).hasCount(1);
        page.keyboard().press("k");
        assertThat(sittings.nth(1)).isFocused();
        page.keyboard().press("Tab");
        assertThat(page.locator("[data-nailed]:focus")).hasCount(0);
    }

    @Test(dataProvider = "looks")
    public void linksAndAPreview(Look look) {
        Page page = signedIn(look, "Mira Solheim");
        visit(page, address("/s/1/links"));
        assertThat(page.getByText("What was changed")).isVisible();
        assertAccessibleByDayAndNight(page);
        String calendar =
                "BEGIN:VCALENDAR\nBEGIN:VEVENT\nUID:a\nSUMMARY:Essay\nDTSTART:20261201\nEND:VEVENT\nEND:VCALENDAR\n";
        page.getByLabel("File to read in", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(new FilePayload("a.ics", "text/calendar", calendar.getBytes(StandardCharsets.UTF_8)));
        assertThat(button(page, "Add 1")).isVisible();
        assertAccessibleByDayAndNight(page);
    }

    @Test(dataProvider = "looks")
    public void standingAndTheRulesOfACourse(Look look) {
        Page page = signedIn(look, "Mira Solheim");
        visit(page, address("/s/1/standing"));
        assertThat(page.getByText("Where each course stands")).isVisible();
        assertAccessibleByDayAndNight(page);
        for (int course : new int[] {2, 5, 6}) {
            visit(page, address("/s/1/standing/" + course + "/rules"));
            assertThat(button(page, "Save the rules")).isVisible();
            assertAccessibleByDayAndNight(page);
        }
    }

    @Test(dataProvider = "looks")
    public void whatWasSaid(Look look) {
        Page page = signedIn(look, "Mira Solheim");
        visit(page, address("/s/1/feedback"));
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Feedback")))
                .isVisible();
        assertAccessibleByDayAndNight(page);
    }

    @Test(dataProvider = "looks")
    public void marksOnAPageAMessageFilesAndNotes(Look look) {
        Page page = signedIn(look, "Mira Solheim");
        open(page, "Planting plan, sheet 1");
        page.getByText("See them on the page").click();
        assertThat(dialog(page).getByRole(AriaRole.IMG)).isVisible();
        assertAccessibleByDayAndNight(page);
        page.keyboard().press("Escape");
        page.getByText("Write to Maren Aldous").first().click();
        assertThat(page.getByLabel("Subject")).isVisible();
        assertAccessibleByDayAndNight(page);
        visit(page, address("/s/1/files"));
        assertThat(page.getByText("planting-plan-1.pdf")).isVisible();
        assertAccessibleByDayAndNight(page);
        visit(page, address("/s/1/notes"));
        assertThat(page.getByText("My notes")).isVisible();
        assertAccessibleByDayAndNight(page);
    }

    @Test(dataProvider = "looks")
    public void rowsBeingChosenAndTheColumns(Look look) {
        Page page = signedIn(look, "Mira Solheim");
        button(page, "Table").click();
        page.getByRole(AriaRole.MENUITEMCHECKBOX).click();
        page.keyboard().press("Escape");
        assertThat(page.getByText("0 chosen")).isVisible();
        row(page, "Worksheet 8").click();
        assertAccessibleByDayAndNight(page);
        button(page, "Table").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Columns"))
                .click();
        assertThat(dialog(page)).isVisible();
        assertAccessibleByDayAndNight(page);
    }

    @Test(dataProvider = "looks")
    public void gradesLeewayAndPace(Look look) {
        Page page = signedIn(look, "Mira Solheim");
        for (String view :
                new String[] {"standing/1", "standing/2", "standing/6", "leeway/35", "pace", "next?sit=today"}) {
            visit(page, address("/s/1/" + view));
            assertThat(page.locator("main h1, [role=dialog]").first()).isVisible();
            assertThat(page.locator("[aria-busy=true]")).hasCount(0);
            assertAccessibleByDayAndNight(page);
        }
    }

    @Test(dataProvider = "looks")
    public void theForms(Look look) {
        Page page = signedIn(look, "Mira Solheim");
        for (String form : new String[] {"add=work", "add=course", "set=hours", "set=hours&part=busy", "set=goals"}) {
            visit(page, address("/s/1/work?" + form));
            assertThat(dialog(page)).isVisible();
            assertAccessibleByDayAndNight(page);
        }
    }
}
