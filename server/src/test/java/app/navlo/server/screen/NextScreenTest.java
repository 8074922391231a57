package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** The first page, as a person uses it. */
public class NextScreenTest extends Screen {
    private Page next(Page page) {
        page.navigate(page.url().replaceAll("/work.*", "/next"));
        assertThat(moves(page).first()).isVisible();
        return page;
    }

    private static Locator moves(Page page) {
        return page.locator("[data-move]");
    }

    private static Locator item(Page page, String name) {
        return page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(name));
    }

    private static void ask(Page page, Locator move) {
        move.getByLabel(Pattern.compile("^What to do with")).click();
    }

    @Test
    public void theFirstPageSaysWhatToDoNowAndWhy() {
        Page page = next(mira());
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .containsText(Pattern.compile("\\d+ moves are yours; .* course points can still be saved"));
        Locator first = moves(page).first();
        assertThat(first).containsText("Finish the hand-in · Planting plan, sheet 2");
        first.getByLabel(Pattern.compile("^1: why ")).click();
        assertThat(first).containsText("by the course’s own rules");
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Left out")))
                .isVisible();
    }

    @Test
    public void theBudgetReplansAndStaysInTheAddress() {
        Page page = next(mira());
        page.getByLabel("Minutes I have today").fill("45");
        assertThat(page).hasURL(Pattern.compile("minutes=45"));
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Tue 24 Nov")))
                .containsText("45 min free");
        button(page, "A quarter of an hour more").click();
        assertThat(page).hasURL(Pattern.compile("minutes=60"));
        button(page, "Plan by my free hours").click();
        assertThat(page).not().hasURL(Pattern.compile("minutes="));
    }

    @Test
    public void aMovePutFirstIsFirstUntilItIsUndone() {
        Page page = next(mira());
        String title = moves(page).nth(4).locator("[data-open]").innerText();
        ask(page, moves(page).nth(4));
        item(page, "Put it first").click();
        assertThat(moves(page).first().locator("[data-open]")).hasText(title);
        assertThat(moves(page).first()).containsText("You put it first");
        notice(page, "comes first").getByText("Undo").click();
        assertThat(moves(page).first()).not().containsText("You put it first");
    }

    @Test
    public void whatIsNotForTodayIsOnAnotherDayOrLeftOut() {
        Page page = next(mira());
        String title = moves(page).nth(1).locator("[data-open]").innerText().replaceAll(".* · ", "");
        ask(page, moves(page).nth(1));
        item(page, "Not today").click();
        assertThat(notice(page, "waits until tomorrow")).isVisible();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Tue 24 Nov")))
                .not()
                .containsText(title);
        notice(page, "waits until tomorrow").getByText("Undo").click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Tue 24 Nov")))
                .containsText(title);
    }

    @Test
    public void theClockRunsUntilItIsStoppedAndItsTimeIsNoted() {
        Page page = next(mira());
        ask(page, moves(page).nth(2));
        item(page, "Start it, with the clock running").click();
        Locator clock = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("The clock"));
        assertThat(clock).containsText("just begun");
        page.reload();
        assertThat(clock).isVisible();
        clock.getByText("Stop, and note").click();
        assertThat(notice(page, "Added 1 min")).isVisible();
        assertThat(clock).hasCount(0);
        notice(page, "Added 1 min").getByText("Undo").click();
    }

    @Test
    public void aSittingGoesThroughTodaysMovesInOrderWithTheClockRunning() {
        Page page = next(mira());
        String first = moves(page).first().locator("[data-open]").innerText().replace(" · ", ": ");
        page.getByText(Pattern.compile("^Sit down to these")).click();
        assertThat(dialog(page)).containsText("1 of ");
        assertThat(dialog(page)).containsText(first);
        button(page, "Start the clock").click();
        assertThat(dialog(page)).containsText("just begun");
        page.getByText(Pattern.compile("^Stop, note")).click();
        assertThat(notice(page, "Added 1 min")).isVisible();
        assertThat(dialog(page)).containsText("2 of ");
        while (page.getByText("That was all for today").count() == 0) {
            button(page, "Leave it, next").click();
        }
        button(page, "Back to the moves").click();
        assertThat(dialog(page)).hasCount(0);
    }

    @Test
    public void theKeysWalkTheMovesAndOpenOneBesideTheList() {
        Page page = next(mira());
        moves(page).first().locator("[data-open]").focus();
        page.keyboard().press("j");
        assertThat(moves(page).nth(1).locator("[data-open]")).isFocused();
        page.keyboard().press("Enter");
        assertThat(pane(page)).containsText("What is asked");
        assertThat(page).hasURL(Pattern.compile("/next/\\d+$"));
        page.keyboard().press("Escape");
        assertThat(page).hasURL(Pattern.compile("/next$"));
    }

    @Test
    public void itFitsAPhoneAndAGuardianOnlyReads() {
        Page page = next(signedIn(Look.IN_HAND, "Tobias Solheim"));
        assertThat(page.getByLabel(Pattern.compile("^What to do with"))).hasCount(0);
        boolean fits = (boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth");
        assertTrue(fits, "wider than the phone");
    }
}
