package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** One course's grade, leeway and pace, as a person uses them. */
public class GradeScreenTest extends Screen {
    private Page at(String path) {
        Page page = mira("/s/1/" + path);
        return page;
    }

    private static Locator tab(Page page, String reading) {
        return page.getByRole(
                AriaRole.TAB, new Page.GetByRoleOptions().setName(Pattern.compile("^" + reading + " ?\\d")));
    }

    private static Locator region(Page page, String name) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    public void aCourseIsReachedFromItsLineAndUnfoldsToTheFraction() {
        Page page = at("standing");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Soil Science").setExact(true))
                .click();
        assertThat(page).hasURL(Pattern.compile("/standing/1$"));
        Locator labs = region(page, "Labs");
        assertThat(labs).containsText("25 % of the course");
        assertThat(labs).containsText("133 of 150 points, 1 dropped");
        assertThat(labs.locator("[data-item]").filter(new Locator.FilterOptions().setHasText("Soil lab 3")))
                .containsText("dropped here");
        tab(page, "Floor").click();
        assertThat(page).hasURL(Pattern.compile("reading=FLOOR"));
        assertThat(region(page, "Floor, unfolded")).containsText("counted with 0 of 50");
    }

    /** Beside what says that something is still being loaded. */
    private static Locator notReal(Page page) {
        return page.getByRole(AriaRole.STATUS)
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("Not real|other than so")));
    }

    @Test
    public void anotherScoreMovesTheReadingsIsMarkedAndIsGoneAgain() {
        Page page = at("standing/1");
        String before = tab(page, "So far").innerText();
        page.getByLabel("Score of Soil lab 3: moisture by weight, if").fill("50");
        assertThat(notReal(page)).containsText("Not real");
        assertThat(tab(page, "So far")).containsText("+");
        assertThat(region(page, "Labs")).containsText("not real");
        page.getByLabel("What if, for Soil lab 1: digging a profile pit").click();
        page.getByText("As if it were excused").click();
        assertThat(notReal(page)).containsText("2 things are other than so");
        button(page, "As it is").click();
        assertThat(notReal(page)).hasCount(0);
        assertThat(tab(page, "So far")).not().containsText("+");
        assertEquals(tab(page, "So far").innerText(), before);
    }

    @Test
    public void aScoreThatCannotBeSaysSoAndNothingIsLost() {
        Page page = at("standing/1");
        page.getByLabel("Score of Soil lab 3: moisture by weight, if").fill("-4");
        assertThat(page.getByText("Write a number like 40 or 12.5.")).isVisible();
        page.getByLabel("Score of Soil lab 3: moisture by weight, if").fill("40");
        assertThat(page.getByText("Write a number like 40 or 12.5.")).hasCount(0);
        assertThat(region(page, "Labs")).containsText("not real");
    }

    @Test
    public void aHandInOnAnyDayBearsThePenaltyOfThatMoment() {
        Page page = at("standing/1?reading=EXPECTED");
        String before = tab(page, "Expected").innerText();
        page.getByLabel("What if, for Soil lab 5: pH and lime").click();
        page.getByText("on another day").click();
        dialog(page).getByLabel("Day and time").fill("2026-12-03T09:30");
        button(page, "See what it comes to").click();
        assertThat(dialog(page)).hasCount(0);
        assertThat(region(page, "Labs")).containsText("as if handed in Thu 3 Dec 09:30");
        assertThat(tab(page, "Expected")).containsText("−");
        button(page, "As it is").click();
        assertEquals(tab(page, "Expected").innerText(), before);
    }

    @Test
    public void aTargetSaysWhatItTakesAndBecomesTheGoal() {
        Page page = at("standing/1");
        page.getByLabel("To reach").fill("80");
        Locator answer = page.locator("[aria-live=polite]");
        assertThat(answer.first()).containsText("at least on each of them");
        assertThat(answer.first()).containsText("Least effort");
        page.getByLabel("To reach").fill("99,5");
        assertThat(answer.first()).containsText("Out of reach: 9");
        page.getByLabel("To reach").fill("85");
        button(page, "Make it my goal").click();
        notice(page, "Set the goal of Soil Science").getByText("Undo").click();
        assertThat(notice(page, "Undone")).isVisible();
    }

    @Test
    public void whatIsThoughtThroughIsKeptComparedAndThrownAway() {
        Page page = at("standing/1");
        page.getByLabel("Score of Soil lab 5: pH and lime, if").fill("50");
        page.getByLabel("Name to keep it under").fill("A good lab 5");
        button(page, "Keep").click();
        Locator kept = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("A good lab 5"));
        assertThat(kept).containsText("%");
        button(page, "As it is").click();
        kept.getByText("Show").click();
        assertThat(notReal(page)).containsText("Not real");
        kept.getByText("Throw away").click();
        assertThat(kept).hasCount(0);
    }

    @Test
    public void coursesByStandardsAndByCompletionShowNoPercentAsIfItWereTheGrade() {
        Page page = at("standing/6");
        assertThat(tab(page, "So far")).not().containsText("%");
        assertThat(region(page, "Managing")).containsText("no evidence yet");
        visit(page, address("/s/1/standing/2"));
        assertThat(page.getByText("There is no percent here: it is passed by completing it."))
                .isVisible();
        assertThat(region(page, "What is left, in the course’s order")).containsText("Key 7: conifers");
    }

    @Test
    public void aLeewayLinkLeadsToItsRowAndClosedWorkWaitsForTheAnswer() {
        Page page = at("leeway/81");
        Locator row = page.locator("[data-case='81']");
        assertThat(row).isInViewport();
        assertThat(row).containsText("best: wait for the answer");
        assertThat(row).containsText("if it is given; 0 of 20 if not");
        assertThat(page.locator("[data-case]").filter(new Locator.FilterOptions().setHasText("Closing test")))
                .hasCount(0);
        assertThat(page.locator("[data-case]").filter(new Locator.FilterOptions().setHasText("Herbarium")))
                .containsText("best: hand it in when it is done");
    }

    @Test
    public void aTargetOffersOnlyWhatCanChangeIt() {
        Page page = at("standing/4");
        Locator on = page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("on"));
        assertThat(on).containsText("Theodolite: first angles");
        for (String settled : new String[] {"Survey report", "Practice: level", "Site safety sheet"}) {
            assertThat(on).not().containsText(settled);
        }
        assertThat(page.locator("[data-item='93']")).containsText("not counted here");
    }

    @Test
    public void leewayComparesTheChoicesAndAnExtensionIsAskedForAndTakenBack() {
        Page page = at("leeway");
        Locator first = page.locator("[data-case]").first();
        assertThat(first).containsText("Planting plan, sheet 2");
        first.getByRole(AriaRole.BUTTON).first().click();
        assertThat(page).hasURL(Pattern.compile("/leeway/\\d+$"));
        assertThat(first).containsText("The course gives an extension of 2 days");
        assertThat(first.getByRole(AriaRole.ROW)
                        .filter(new Locator.FilterOptions().setHasText("Look at the answer key")))
                .containsText("bars extension and tokens after it");
        button(page, "Ask, with a letter to the teacher").click();
        assertThat(dialog(page).getByLabel("Message")).hasValue(Pattern.compile("May I have an extension for"));
        notice(page, "Asked for an extension").getByText("Undo").click(new Locator.ClickOptions().setForce(true));
        visit(page, address("/s/1/leeway"));
        assertThat(page.locator("[data-case]").first()).not().containsText("not answered yet");
    }

    @Test
    public void theAnswerKeyNamesWhatItCostsBeforeItIsTakenDown() {
        Page page = at("leeway");
        Locator key = page.locator("[data-case]").filter(new Locator.FilterOptions().setHasText("Key 7: conifers"));
        key.getByRole(AriaRole.BUTTON).first().click();
        key.getByText("I opened the answer key").click();
        assertThat(dialog(page)).containsText(Pattern.compile("no extension may be asked for"));
        button(page, "It stays shut").click();
        assertThat(dialog(page)).hasCount(0);
    }

    @Test
    public void paceSaysWhatADayTakesAndWhereItEnds() {
        Page page = at("pace");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .containsText(Pattern.compile("Behind in \\d of 6 courses; .* a school day"));
        Locator plants = page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("Plant Identification"))
                .first();
        assertThat(plants).containsText("10 of 19");
        assertThat(plants).containsText("begin by");
        plants.getByText("By unit").click();
        assertThat(plants.getByRole(AriaRole.TABLE).first()).containsText("complete");
    }

    @Test
    public void theyFitAPhoneAndAGuardianOnlyReads() {
        Page page = signedIn(Look.IN_HAND, "Tobias Solheim");
        for (String view : new String[] {"standing/1", "standing/6", "leeway", "pace"}) {
            visit(page, address("/s/1/" + view));
            assertThat(page.locator("main")).not().containsText("Make it my goal");
            assertThat(page.locator("main h1").first()).isVisible();
            boolean fits = (boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth");
            assertTrue(fits, view + " is wider than the phone");
        }
        assertThat(page.getByText("I opened the answer key")).hasCount(0);
    }
}
