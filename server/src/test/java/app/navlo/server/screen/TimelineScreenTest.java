package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.awaitility.Awaitility.await;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** All of the term as lanes, and the ways to move in it. */
public class TimelineScreenTest extends Screen {
    private static final String HELD = "Worksheet 8: nitrogen";

    /** As a share of all time, which is about half a year. */
    private static final double HALF_AN_HOUR = 1 / (180 * 48.0);

    private Page timeline(String query) {
        Page page = mira("/s/1/timeline" + query);
        return page;
    }

    private static Locator lanes(Page page) {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Lanes: a course each, time across"));
    }

    private static Locator bar(Page page, String title) {
        return page.locator("[data-bar]")
                .filter(new Locator.FilterOptions().setHasText(title))
                .first();
    }

    private static Locator label(Page page, String title) {
        return bar(page, title).locator("[data-label]");
    }

    private static double scrolled(Page page) {
        return ((Number) lanes(page).evaluate("box => box.scrollLeft")).doubleValue();
    }

    /** A drag is followed, and a width that changed is answered, a frame later. */
    private static void assertRestsAt(Page page, double pixels) {
        await("where it rests").untilAsserted(() -> assertEquals(scrolled(page), pixels, 5));
    }

    /** What stands in the middle of what is seen, as a share of all time. */
    private static double middle(Page page) {
        String seen = "box => (box.scrollLeft + box.clientWidth / 2) / box.scrollWidth";
        return ((Number) lanes(page).evaluate(seen)).doubleValue();
    }

    private static void assertInSight(Page page, Locator part) {
        BoundingBox box = part.boundingBox();
        BoundingBox around = lanes(page).boundingBox();
        assertTrue(
                box.x >= around.x && box.x + 40 < around.x + around.width, box.x + " lies outside of " + around.width);
    }

    @Test
    public void everyCourseHasItsLaneAndWhatIsHeldStaysInSight() {
        Page page = timeline("");
        assertThat(page.locator("section[aria-label^='Soil Science, 2']")).isVisible();
        assertThat(page.locator("section[aria-label]").filter(new Locator.FilterOptions().setHas(page.locator("h2"))))
                .hasCount(6);
        assertThat(page.getByText("No due date 2").first()).isVisible();
        assertThat(label(page, HELD)).containsText("88 h late");
        assertAccessible(page);
        for (String to : new String[] {"0", "box.scrollWidth"}) {
            lanes(page).evaluate("box => { box.scrollLeft = " + to + " }");
            assertInSight(page, label(page, HELD));
        }
    }

    @Test
    public void oneGoesNearerAndFurtherAndBackToNowAndTheAddressKnows() {
        Page page = timeline("?at=2026-10-14");
        assertThat(page.getByText("Autumn break").first()).isVisible();
        assertThat(bar(page, "Test 1: profiles")).isVisible();
        page.keyboard().press("-");
        page.keyboard().press("-");
        page.keyboard().press("-");
        page.keyboard().press("-");
        assertThat(page).hasURL(Pattern.compile("days=(9|10)\\d"));
        page.keyboard().press("h");
        assertThat(page).hasURL(Pattern.compile("^((?!at=).)*$"));
        lanes(page).evaluate("""
                box => box.dispatchEvent(new WheelEvent('wheel', {
                  deltaY: -900, ctrlKey: true, bubbles: true, cancelable: true, clientX: 700, clientY: 500 }))
                """);
        assertThat(page).hasURL(Pattern.compile("days=\\d\\.?\\d*(&|$)"));
        String there = page.url();
        double middle = middle(page);
        reload(page);
        assertThat(label(page, HELD)).isVisible();
        assertEquals(page.url(), there);
        // the address names the days to a hundredth, and the first picture is drawn before its width is measured
        await("the same place after it is loaded again")
                .untilAsserted(() -> assertEquals(middle(page), middle, HALF_AN_HOUR));
    }

    @Test
    public void aBrushOverTheTidelineShowsThoseDays() {
        Page page = timeline("");
        Locator from = page.locator("[data-tide-stop]")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("Tu 1$")));
        Locator to = page.locator("[data-tide-stop]")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("Sa 5$")));
        BoundingBox a = from.first().boundingBox();
        BoundingBox b = to.first().boundingBox();
        page.mouse().move(a.x + 10, a.y + 40);
        page.mouse().down();
        page.mouse().move(b.x + 10, b.y + 40, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(8));
        page.mouse().up();
        assertThat(page).hasURL(Pattern.compile("days=5"));
        assertThat(lanes(page)).containsText("Th 3");
        from.first().click();
        assertThat(page).hasURL(Pattern.compile("at=2026-12-01"));
        assertThat(page).hasURL(Pattern.compile("/timeline"));
    }

    @Test
    public void draggingMovesTimeAndOneComesBackFromThePieceToTheSamePlace() {
        Page page = timeline("");
        assertThat(label(page, HELD)).isVisible();
        double before = scrolled(page);
        page.mouse().move(1000, 440);
        page.mouse().down();
        page.mouse().move(600, 440, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(10));
        page.mouse().up();
        assertRestsAt(page, before + 400);
        assertThat(page).hasURL(Pattern.compile("at=2026-11-30"));
        double there = scrolled(page);
        bar(page, "Key 8: ferns").click();
        assertThat(pane(page)).containsText("Key 8: ferns");
        page.keyboard().press("Escape");
        assertThat(pane(page)).hasCount(0);
        assertRestsAt(page, there);
        page.goBack();
        assertThat(page).hasURL(Pattern.compile("/timeline"));
    }

    @Test
    public void keysWalkTheBarsAndSayTheNextLoss() {
        Page page = timeline("");
        Locator held = bar(page, HELD);
        assertThat(held).hasAttribute("aria-label", Pattern.compile("In 7 h 39, .*waiting costs 2 of 20"));
        held.focus();
        page.keyboard().press("ArrowDown");
        assertThat(page.locator("[data-bar]:focus")).hasCount(1);
        page.keyboard().press("ArrowUp");
        assertThat(page.locator("[data-bar]:focus")).containsText(HELD);
        assertThat(page.locator("[data-card]")).containsText("Taken until Fri 27 Nov 17:00, then the grading close.");
        page.keyboard().press("ArrowRight");
        assertThat(page.locator("[data-bar]:focus")).not().containsText(HELD);
        page.keyboard().press("Enter");
        assertThat(pane(page)).isVisible();
    }

    @Test
    public void whatTheSchoolSetStaysAndSaysWhy() {
        Page page = timeline("");
        Locator plan = bar(page, "Planting plan, sheet 2");
        plan.focus();
        page.keyboard().press("m");
        assertThat(notice(page, "The school set when"))
                .containsText("An extension may be asked for until today 18:00, in Leeway.");
        visit(page, address("/s/1/timeline?q=sheet 2"));
        assertThat(label(page, "Planting plan, sheet 2")).isVisible();
        page.waitForTimeout(1_500);
        BoundingBox grip = plan.locator("[data-grip]").boundingBox();
        page.mouse().move(grip.x + 5, grip.y + 8);
        page.mouse().down();
        page.mouse().move(grip.x + 90, grip.y + 8, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(5));
        page.mouse().up();
        assertThat(notice(page, "The school set when")).isVisible();
        assertThat(pane(page)).hasCount(0);
    }

    private static void type(Page page, String title, String opens, String due) {
        visit(page, page.url().replaceAll("/s/1/.*", "/s/1/work?add=work"));
        dialog(page).getByLabel("Title").fill(title);
        dialog(page).getByLabel("Opens on").fill(opens);
        dialog(page).getByLabel("Due on").fill(due);
        button(page, "Add the work").click();
    }

    @Test
    public void anOwnDeadlineIsMovedByKeysAndByHand() {
        Page page = mira();
        type(page, "Sharpen the secateurs", "2026-12-05", "2026-12-01");
        assertThat(dialog(page)).containsText("It opens after it is due");
        dialog(page).getByLabel("Opens on").fill("2026-11-25");
        button(page, "Add the work").click();
        assertThat(dialog(page)).hasCount(0);
        visit(page, address("/s/1/timeline?q=Sharpen&at=2026-12-01"));
        Locator bar = bar(page, "Sharpen the secateurs");
        assertThat(bar).hasAttribute("aria-label", Pattern.compile("Due Tue 1 Dec"));
        bar.focus();
        page.keyboard().press("m");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Enter");
        assertThat(notice(page, "is due Thu 3 Dec")).isVisible();
        assertThat(bar).hasAttribute("aria-label", Pattern.compile("Due Thu 3 Dec"));
        BoundingBox grip = bar.locator("[data-grip]").boundingBox();
        page.mouse().move(grip.x + 5, grip.y + 8);
        page.mouse().down();
        page.mouse().move(grip.x - 66, grip.y + 8, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(6));
        page.mouse().up();
        assertThat(bar).hasAttribute("aria-label", Pattern.compile("Due Wed 2 Dec"));
        bar.focus();
        page.keyboard().press("m");
        page.keyboard().press("ArrowLeft");
        page.keyboard().press("Escape");
        assertThat(bar).hasAttribute("aria-label", Pattern.compile("Due Wed 2 Dec"));
    }

    @Test
    public void aSittingIsMovedByKeysAndThePlanIsMadeAnew() {
        Page page = timeline("?days=3");
        Locator sitting = page.locator("[data-sitting]").first();
        String work = sitting.getAttribute("data-sitting");
        sitting.focus();
        page.keyboard().press("Enter");
        assertThat(notice(page, "is in hand")).isVisible();
        page.keyboard().press("Shift+ArrowRight");
        page.keyboard().press("Enter");
        assertThat(notice(page, "is nailed to Wed 25 Nov")).isVisible();
        visit(page, address("/s/1/next"));
        assertThat(page.locator("[data-move='" + work + "']")).containsText("You nailed it to");
    }

    @Test
    public void aSittingIsDraggedToALaterHour() {
        Page page = timeline("?days=3");
        Locator sitting = page.locator("[data-sitting]").nth(2);
        String work = sitting.getAttribute("data-sitting");
        BoundingBox box = sitting.boundingBox();
        page.mouse().move(box.x + 3, box.y + 8);
        page.mouse().down();
        page.mouse().move(box.x + 380, box.y + 8, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(8));
        page.mouse().up();
        assertThat(notice(page, "is nailed to")).isVisible();
        assertThat(page).hasURL(Pattern.compile("timeline"));
        assertThat(pane(page)).hasCount(0);
        notice(page, "is nailed to")
                .getByText("Undo", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(notice(page, "Undone")).isVisible();
        assertThat(page.locator("[data-sitting='" + work + "']").first()).isVisible();
    }

    @Test
    public void workThatIsOpenAllTermKeepsItsNameInSight() {
        Page page = mira();
        type(page, "Water the fig", "2026-09-07", "2026-12-18");
        assertThat(dialog(page)).hasCount(0);
        for (String at : new String[] {"2026-09-20", "2026-10-30", "2026-12-10"}) {
            visit(page, address("/s/1/timeline?q=fig&days=10&at=" + at));
            assertInSight(page, label(page, "Water the fig"));
        }
    }

    @Test
    public void somethingComesUpAndTheHoursOfADayGiveWay() {
        Page page = timeline("?days=3");
        button(page, "Your hours").click();
        assertThat(dialog(page)).containsText("Your hours on Tue 24 Nov");
        assertAccessible(page);
        dialog(page).getByLabel("Day").fill("2026-11-28");
        assertThat(dialog(page)).containsText("Your hours on Sat 28 Nov");
        String free =
                dialog(page).getByText(Pattern.compile("free, .*falls due")).textContent();
        button(page, "Busy all day").click();
        button(page, "Save these hours").click();
        assertThat(notice(page, "Hours of Sat 28 Nov")).isVisible();
        button(page, "Your hours").click();
        dialog(page).getByLabel("Day").fill("2026-11-28");
        assertThat(dialog(page)).containsText("0 min free");
        assertTrue(!free.contains("0 min free"), free);
        button(page, "As in a usual week").click();
        assertThat(notice(page, "as usual")).isVisible();
    }

    @Test
    public void daysAtAClockChangeHave25And23Hours() {
        Page page = mira();
        type(page, "Graft the quince", "2026-11-25", "2027-04-05");
        assertThat(dialog(page)).hasCount(0);
        visit(page, address("/s/1/timeline?days=2&at=2026-10-25"));
        assertThat(lanes(page)).containsText("a day of 25 hours");
        visit(page, address("/s/1/timeline?days=2&at=2027-03-28"));
        assertThat(lanes(page)).containsText("a day of 23 hours");
        double[] widths = new double[2];
        for (int i = 0; i < 2; i++) {
            Locator day = page.locator("[data-axis] span.absolute.h-5")
                    .filter(new Locator.FilterOptions().setHasText(i == 0 ? "Sun 28 Mar" : "Sat 27 Mar"))
                    .first();
            widths[i] = day.boundingBox().width;
        }
        assertEquals(widths[0] / widths[1], 23.0 / 24, 0.002);
        assertThat(bar(page, "Graft the quince")).isVisible();
    }
}
