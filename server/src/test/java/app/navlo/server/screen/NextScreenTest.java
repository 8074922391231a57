package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.SelectOption;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** The first page, as a person uses it. */
public class NextScreenTest extends Screen {
    private Page next(Page page) {
        visit(page, page.url().replaceAll("/work.*", "/next"));
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
                .containsText(
                        Pattern.compile("\\d+ moves are yours; the plan keeps [\\d.]+ of [\\d.]+ % that hang on them"));
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
        reload(page);
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
        assertThat(dialog(page)).containsText("Move 1 of ");
        assertThat(dialog(page)).containsText(first);
        BoundingBox box = dialog(page).boundingBox();
        assertEquals(box.width + " by " + box.height, "1280.0 by 800.0", "nothing else is on the screen");
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
        assertThat(pane(page)).containsText("What it is worth");
        assertThat(page).hasURL(Pattern.compile("/next/\\d+$"));
        page.keyboard().press("Escape");
        assertThat(page).hasURL(Pattern.compile("/next$"));
    }

    private static Locator grip(Locator move) {
        return move.getByLabel(Pattern.compile("^Move .* up or down"));
    }

    private static String title(Locator move) {
        return move.locator("[data-open]").innerText();
    }

    @Test
    public void aMoveThatIsDraggedUpComesBeforeTheOtherSaysItsPriceAndIsUndone() {
        Page page = next(mira());
        String dragged = title(moves(page).nth(2));
        String other = title(moves(page).nth(1)).replaceAll(".* · ", "");
        moves(page).nth(2).scrollIntoViewIfNeeded();
        moves(page).nth(2).hover();
        BoundingBox from = grip(moves(page).nth(2)).boundingBox();
        BoundingBox to = moves(page).nth(1).boundingBox();
        page.mouse().move(from.x + 6, from.y + 10);
        page.mouse().down();
        page.mouse().move(from.x + 6, from.y - 10, new Mouse.MoveOptions().setSteps(4));
        page.mouse().move(from.x + 6, to.y + 12, new Mouse.MoveOptions().setSteps(8));
        page.mouse().up();
        Locator notice = notice(page, "Moved");
        assertThat(notice).isVisible();
        Locator moved = moves(page).filter(new Locator.FilterOptions().setHasText("You put it before " + other));
        assertThat(moved.locator("[data-open]")).hasText(dragged);
        notice.getByText("Undo").click();
        assertThat(moved).hasCount(0);
    }

    @Test
    public void theArrowKeysOfItsGripMoveItToo() {
        Page page = next(mira());
        String second = title(moves(page).nth(1));
        grip(moves(page).nth(1)).press("ArrowUp");
        assertThat(moves(page).first().locator("[data-open]")).hasText(second);
        assertThat(moves(page).first()).containsText("You put it first");
        notice(page, "Moved").getByText("Undo").click();
        assertThat(moves(page).first()).not().containsText("You put it first");
    }

    @Test
    public void whatPushedAMoveDownAndWhyItTakesSoLongIsUnfolded() {
        Page page = next(mira());
        Locator essay = moves(page).filter(new Locator.FilterOptions().setHasText("Soil essay, second draft"));
        essay.getByLabel(Pattern.compile("why ")).click();
        assertThat(essay).containsText("Pushed down by");
        assertThat(essay).containsText("2 h 50 said; 3 h 50 by the time you took for the like");
        essay.getByText("Leave it as said").click();
        assertThat(essay).containsText("2 h 50");
        assertThat(essay).not().containsText("3 h 50");
        notice(page, "Efforts are left as they are said").getByText("Undo").click();
        assertThat(essay).containsText("3 h 50");
    }

    @Test
    public void theTidelineSaysWhatIsPlannedOnADay() {
        Page page = next(mira());
        Locator today = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Tue 24 Nov.* planned")));
        assertThat(today).isVisible();
        page.getByLabel("Minutes I have today").fill("0");
        assertThat(page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Tue 24 Nov.* won’t be in time"))))
                .isVisible();
    }

    @Test
    public void whatIsUnreadIsAMoveOfAMinuteAndEachCanBeListed() {
        Page page = next(mira());
        Locator errands = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("A minute each"));
        assertThat(errands).containsText(Pattern.compile("Read what was said · \\d+ pieces of work"));
        button(page, "List them").click();
        assertThat(errands).containsText("Soil lab 4: infiltration rings");
        assertThat(errands).containsText("unread, the last by Halvor Tarn");
    }

    @Test
    public void aBusyCalendarIsAddedByItsAddressAndNothingIsPlannedIntoItsTimes() {
        Page page = next(mira());
        visit(page, page.url() + "?set=hours&part=busy");
        Locator dialog = dialog(page);
        dialog.getByLabel("Address of a calendar feed").fill("http://10.0.0.1/a.ics");
        button(page, "Add the feed").click();
        assertThat(dialog).containsText("leads into a private network");
        button(page, "Try the rowing club’s feed of the demo").click();
        button(page, "Add the feed").click();
        assertThat(dialog).containsText("Thornmere Rowing Club");
        assertThat(dialog).containsText("Rowing practice, tomorrow 16:00 to 17:30");
        button(page, "Ask now").click();
        assertThat(button(page, "Ask now")).isEnabled();
        button(page, "Close").click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Wed 25 Nov")))
                .containsText("of 3 h free");
        visit(page, page.url() + "?set=hours&part=busy");
        button(page, "Remove Thornmere Rowing Club").click();
        assertThat(dialog(page).getByText("Thornmere Rowing Club")).hasCount(0);
    }

    @Test
    public void aGoalIsSetAndTheOneThatCannotBeSaysWhy() {
        Page page = next(mira());
        visit(page, page.url() + "?set=goals");
        Locator target = dialog(page).getByLabel("Target of Soil Science");
        target.fill("120");
        target.press("Enter");
        assertThat(dialog(page)).containsText("At most 100");
        target.fill("85,5");
        target.press("Enter");
        assertThat(notice(page, "Set the goal of Soil Science")).isVisible();
        reload(page);
        assertThat(target).hasValue("85.5");
        target.fill("");
        target.press("Enter");
        assertThat(button(page, "Set it")).hasCount(0);
    }

    @Test
    public void itFitsAPhoneAndAGuardianOnlyReads() {
        Page page = next(signedIn(Look.IN_HAND, "Tobias Solheim"));
        assertThat(page.getByLabel(Pattern.compile("^What to do with"))).hasCount(0);
        boolean fits = (boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth");
        assertTrue(fits, "wider than the phone");
    }

    @Test
    public void aMoveIsNailedToAnHourAndLetGo() {
        Page page = next(mira());
        Locator move = page.locator("[data-move]", new Page.LocatorOptions().setHasText("Soil essay, second draft"));
        ask(page, move);
        item(page, "Nail it to an hour").click();
        dialog(page).getByLabel("Day").fill("2026-11-25");
        dialog(page).getByLabel("From").fill("19:00");
        assertThat(dialog(page)).containsText("until 22:50");
        button(page, "Nail it").click();
        assertThat(move).containsText("You nailed it to tomorrow 19:00");
        assertThat(page.locator("[data-nailed='true']")).hasCount(1);
        ask(page, move);
        item(page, "Leave it to the plan again").click();
        assertThat(move).not().containsText("You nailed it");
    }

    @Test
    public void anHourThatIsPastIsRefusedBesideItsField() {
        Page page = next(mira());
        ask(page, moves(page).nth(1));
        item(page, "Nail it to an hour").click();
        dialog(page).getByLabel("Day").fill("2026-11-20");
        button(page, "Nail it").click();
        assertThat(dialog(page)).containsText("That is past");
    }

    /** In the week: the arrows move it, Enter drops it, Esc leaves it where it was. */
    @Test
    public void aSittingOfTheWeekIsNailedByKeysAndByDragging() {
        Page page = next(mira());
        Locator block = page.getByLabel("The plan")
                .getByRole(
                        AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^1: Planting plan")));
        block.focus();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Escape");
        assertThat(block).isFocused();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Enter");
        assertThat(notice(page, "is nailed to")).isVisible();
        assertThat(page.locator("[data-nailed='true']")).hasCount(1);
        notice(page, "is nailed to").getByText("Undo").click();
        assertThat(page.locator("[data-nailed='true']")).hasCount(0);
        Locator second = page.getByLabel("The plan")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile(", Th 26, ")))
                .first();
        BoundingBox box = second.boundingBox();
        page.mouse().move(box.x + 2, box.y + 8);
        page.mouse().down();
        page.mouse().move(box.x + 2, box.y + 42, new Mouse.MoveOptions().setSteps(6));
        page.mouse().up();
        assertThat(notice(page, "is nailed to Fri 27 Nov")).isVisible();
    }

    /** Choose another move: what it would cost to do that one first. And an hour less is answered in place. */
    @Test
    public void whyThisComesBeforeThatAndWhatAnHourLessCosts() {
        Page page = next(mira());
        Locator first = moves(page).first();
        assertThat(first).containsText("very likely");
        first.getByLabel(Pattern.compile("^1: why ")).click();
        assertThat(first).containsText("of free time to spare before");
        first.getByLabel(Pattern.compile("^What would it cost")).selectOption(new SelectOption().setIndex(4));
        assertThat(first).containsText(Pattern.compile(" first costs "));
        button(page, "An hour less?").click();
        assertThat(page.getByText(Pattern.compile("^An hour less today costs ")))
                .isVisible();
        page.getByText("In percent of the mean").click();
        assertThat(page.getByText(Pattern.compile("\\d+ % of all that is at stake")))
                .isVisible();
    }

    /** Said half-way: the evening is planned anew at once, and what gives way is named. */
    @Test
    public void whatTurnsOutLongerReplansTheEvening() {
        Page page = next(mira());
        String today = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Tue 24 Nov"))
                .innerText();
        assertTrue(today.contains("planned of"), today);
        page.getByText(Pattern.compile("^Sit down to these")).click();
        button(page, "Start the clock").click();
        dialog(page).getByText("It needs longer").click();
        dialog(page).getByLabel("It needs, in minutes more").fill("200");
        button(page, "Plan with it").click();
        assertThat(page.locator("[data-gives-way]")).containsText("Gives way today");
    }

    /** A clock that ran over a night asks how long it was, and counts what is said. */
    @Test
    public void aForgottenClockAsksOnce() {
        Page page = next(mira());
        ask(page, moves(page).nth(1));
        item(page, "Start it, with the clock running").click();
        page.evaluate("""
                () => {
                  const timer = JSON.parse(localStorage.getItem('navlo.timer'));
                  localStorage.setItem('navlo.timer', JSON.stringify({ ...timer, startedAt: timer.startedAt - 15 * 3600000 }));
                }
                """);
        reload(page);
        Locator clock = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("The clock"));
        assertThat(clock).containsText("How long did you work?");
        clock.getByLabel("Minutes worked").fill("25");
        clock.getByText("Note it").click();
        assertThat(notice(page, "Added 25 min to")).isVisible();
        assertThat(clock).hasCount(0);
    }
}
