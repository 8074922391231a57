package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** The stream of what was said, as a person reads it. */
public class FeedbackScreenTest extends Screen {
    private static Page stream(Page page) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Feedback"))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Feedback")))
                .isVisible();
        return page;
    }

    private static Locator line(Page page, String words) {
        return page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText(words))
                .first();
    }

    @Test
    public void unreadComesFirstAndItIsSaidWhoSpokeAndWhere() {
        Page page = stream(mira());
        Locator first = page.locator("section")
                .filter(new Locator.FilterOptions().setHasText("Unread"))
                .getByRole(AriaRole.LISTITEM)
                .first();
        assertThat(first).containsText("Maren Aldous");
        assertThat(first).containsText("sent back");
        assertThat(line(page, "five of you had the cool oven")).containsText("to the class");
    }

    @Test
    public void openingAWorkReadsWhatWasSaidAboutIt() {
        Page page = stream(mira());
        Locator count = page.locator("main p[aria-live=polite]");
        assertThat(count).containsText(Pattern.compile("\\d+ unread"));
        int unread = Integer.parseInt(count.innerText().replaceAll(".*, (\\d+) unread.*", "$1"));
        line(page, "Below the pass mark. Ask me to open it again")
                .getByRole(AriaRole.BUTTON)
                .click();
        assertThat(pane(page)).containsText("Unit test 2");
        assertThat(count).containsText((unread - 1) + " unread");
        assertThat(page).hasURL(Pattern.compile("/feedback/\\d+$"));
        page.keyboard().press("Escape");
        assertThat(page).hasURL(Pattern.compile("/feedback$"));
    }

    @Test
    public void whatMayBeAskingForSomethingLeadsToIt() {
        Page page = stream(mira());
        Locator asked = line(page, "A redo was asked for");
        assertThat(asked).containsText("Planting plan, sheet 1");
        asked.getByText("Go to the redo").click();
        assertThat(pane(page)).containsText("Planting plan, sheet 1");
        assertThat(page).hasURL(Pattern.compile("/feedback/\\d+"));
    }

    @Test
    public void theSameSignalsAreCountedEverywhereAndOneIsPutAside() {
        Page page = mira();
        Locator more = page.getByRole(AriaRole.ALERT)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("more")));
        int many = Integer.parseInt(more.innerText().replaceAll("\\D", "")) + 1;
        visit(page, address("/s/1/next"));
        assertThat(signals(page, many)).isVisible();
        stream(page);
        assertThat(signals(page, many)).isVisible();
        button(page, "Put aside: Colour notes: four weeks at one window").click();
        assertThat(signals(page, many - 1)).isVisible();
        notice(page, "Put aside").getByText("Undo").click();
        assertThat(signals(page, many)).isVisible();
        assertAccessible(page);
    }

    private static Locator signals(Page page, int many) {
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(many + " things need you"));
    }

    @Test
    public void wordsAreFoundAndAllIsMarkedReadAtOnceAndUndone() {
        Page page = stream(mira());
        page.getByLabel("Find in what was said").fill("iron pan");
        assertThat(page.locator("main p[aria-live=polite]")).containsText("1 of ");
        page.getByLabel("Find in what was said").fill("");
        button(page, "Mark all read").click();
        assertThat(page.locator("main p[aria-live=polite]")).containsText(", 0 unread");
        notice(page, "as read").getByText("Undo").click();
        assertThat(button(page, "Mark all read")).isVisible();
    }

    @Test
    public void aGuardianReadsTheStreamAndMarksNothing() {
        Page page = stream(tobias());
        assertThat(line(page, "Maren Aldous")).isVisible();
        assertThat(button(page, "Mark all read")).hasCount(0);
    }
}
