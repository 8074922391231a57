package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Where courses stand, and their rules as a person changes them. */
public class StandingScreenTest extends Screen {
    private static Locator line(Page page, String course) {
        return page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByRole(
                                AriaRole.LINK,
                                new Page.GetByRoleOptions().setName(course).setExact(true))));
    }

    private static Page rules(Page page, String course) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Standing"))
                .click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Rules of " + course))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Rules of " + course)))
                .isVisible();
        return page;
    }

    private static Locator lateExample(Page page) {
        return page.getByLabel("Late work: what this does");
    }

    @Test
    public void everyCourseHasALineWithItsReadings() {
        Page page = mira();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Standing"))
                .click();
        assertThat(line(page, "Soil Science")).containsText(Pattern.compile("So far\\s*\\d+\\.\\d %"));
        assertThat(line(page, "Plant Identification")).containsText("Closing identification test wants 88 %");
        assertThat(line(page, "Estate Ecology")).containsText("Meets");
        assertThat(line(page, "Estate Ecology")).not().containsText("%");
    }

    @Test
    public void theAlarmStandsOnEveryViewAndLeadsToTheWork() {
        Page page = mira();
        for (String view : new String[] {"Standing", "Links", "Work"}) {
            page.getByRole(
                            AriaRole.LINK,
                            new Page.GetByRoleOptions().setName(view).setExact(true))
                    .click();
            assertThat(page.getByRole(AriaRole.ALERT))
                    .containsText("Planting plan, sheet 2: the long border: a draft, not handed in");
        }
        page.getByRole(AriaRole.ALERT)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("more")))
                .click();
        page.getByRole(
                        AriaRole.MENUITEM,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Site section through the terrace")))
                .click();
        assertThat(pane(page)).containsText("Site section through the terrace");
    }

    @Test
    public void theExampleFollowsWhatIsTyped() {
        Page page = rules(mira(), "Soil Science");
        assertThat(lateExample(page)).containsText("Handed in 25 h late you’d keep 13 of 17.");
        page.getByLabel("Percent a day").fill("25");
        assertThat(lateExample(page)).containsText("you’d keep 7 of 17.");
        page.getByLabel("Example: hours late").fill("200");
        assertThat(lateExample(page)).containsText("it isn’t taken any more");
    }

    @Test
    public void whatTheRulesCanNotBeIsSaidAtTheFieldAndNotSaved() {
        Page page = rules(mira(), "Soil Science");
        page.getByLabel("Percent a day").fill("140");
        assertThat(page.getByText("Percent is 140; a percent here is from 0 to 100.")
                        .first())
                .isVisible();
        assertThat(button(page, "Save the rules")).isDisabled();
        page.getByLabel("Percent a day").fill("ten");
        assertThat(page.getByText("Write a number like 40 or 12.5.").first()).isVisible();
    }

    @Test
    public void savedRulesHoldAndTheNoticeUndoesThem() {
        Page page = rules(mira(), "Nursery Bookkeeping");
        page.getByLabel("Weight of Discussions").fill("90");
        assertThat(page.getByLabel("How the grade is made: what this does")).containsText("was 80.9 %");
        button(page, "Save the rules").click();
        Locator notice = notice(page, "Changed the rules of Nursery Bookkeeping");
        assertThat(notice).isVisible();
        assertThat(line(page, "Nursery Bookkeeping")).not().containsText("80.9 %");
        notice.getByText("Undo").click();
        assertThat(line(page, "Nursery Bookkeeping")).containsText("80.9 %");
    }

    @Test
    public void rulesChangedInAnotherTabAreNotSavedOver() {
        Page first = rules(mira(), "Estate Ecology");
        Page second = rules(mira(), "Estate Ecology");
        second.getByLabel("Far enough ahead, pieces").fill("4");
        button(second, "Save the rules").click();
        assertThat(notice(second, "Changed the rules")).isVisible();
        first.getByLabel("Due soon, hours").fill("24");
        assertThat(first.getByText("These rules were changed elsewhere")).isVisible();
        button(first, "Save the rules").click();
        assertThat(notice(first, "has changed since")).isVisible();
        button(first, "Show what they say now").click();
        assertThat(first.getByLabel("Far enough ahead, pieces")).hasValue("4");
    }

    @Test
    public void aGuardianReadsTheRulesOnly() {
        Page page = rules(tobias(), "Soil Science");
        assertThat(page.getByLabel("Percent a day")).isDisabled();
        assertThat(button(page, "Save the rules")).hasCount(0);
        assertThat(lateExample(page)).containsText("you’d keep 13 of 17.");
    }

    @Test
    public void aPieceOfWorkSaysWhatShutsItWhatItLosesAndWhatItIsWorth() {
        Page page = mira();
        Locator locked = open(page, "Unit test 3");
        assertThat(locked).containsText("2 things shut it");
        assertThat(locked).containsText("Needs 85 % on Key 5: maples and their kin; now 73.33 %.");
        visit(page, address("/s/1/work"));
        Locator overdue = open(page, "Worksheet 8");
        assertThat(overdue).containsText("It loses 8 of 20 points");
        assertThat(overdue).containsText("Safe by");
        assertThat(overdue).containsText("Impact");
        visit(page, address("/s/1/work"));
        assertThat(open(page, "Worksheet 4")).containsText("9 of 20, scored 15 before the late penalty");
        visit(page, address("/s/1/work"));
        assertThat(open(page, "Soil lab 5")).containsText("Turned in, and still listed as missing.");
    }
}
