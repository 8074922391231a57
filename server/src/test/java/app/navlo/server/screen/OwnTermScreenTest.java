package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;

/** A term of one's own, from signing up to a first page that is true: walked as a person does, and counted. */
@TestPropertySource(properties = "navlo.demo=false")
public class OwnTermScreenTest extends Screen {
    private static final LocalDate TODAY = LocalDate.now();
    private static final int MOST_STEPS = 60;
    private static final int MOST_SECONDS = 600;

    private Page page;
    private int presses;
    private int fields;
    private Known signedIn = Known.NOTHING;

    private void press(Locator what) {
        presses++;
        what.click();
    }

    private void press(String name) {
        press(button(page, name));
    }

    private void type(Locator where, String text) {
        fields++;
        where.fill(text);
    }

    private void type(String label, String text) {
        type(page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)), text);
    }

    private static String day(int days) {
        return TODAY.plusDays(days).toString();
    }

    private static String basic(int days) {
        return day(days).replace("-", "");
    }

    private static Path file(String name, String content) throws IOException {
        Path file = Files.createTempDirectory("navlo-own").resolve(name);
        Files.writeString(file, content);
        return file;
    }

    private static String calendar(String name, List<String> events) {
        return "BEGIN:VCALENDAR\nVERSION:2.0\nX-WR-CALNAME:" + name + "\n" + String.join("", events)
                + "END:VCALENDAR\n";
    }

    private static String event(String uid, String title, String start, String end) {
        return "BEGIN:VEVENT\nUID:" + uid + "\nSUMMARY:" + title + "\nDTSTART:" + start + "\nDTEND:" + end
                + "\nEND:VEVENT\n";
    }

    private static Path mathematics() throws IOException {
        List<String> events = new ArrayList<>();
        for (int i = 1; i <= 24; i++) {
            String at = basic(-80 + i * 4) + "T200000Z";
            events.add(event("m" + i, "Problem Set " + i + " is due [MATH-201]", at, at));
        }
        events.add(event("exam", "Final exam [MATH-201]", basic(18) + "T080000Z", basic(18) + "T100000Z"));
        return file("math201.ics", calendar("Mathematics", events));
    }

    private static Path history() throws IOException {
        List<String> events = new ArrayList<>();
        events.add("BEGIN:VEVENT\nUID:break\nSUMMARY:Autumn break\nDTSTART;VALUE=DATE:" + basic(-40)
                + "\nDTEND;VALUE=DATE:" + basic(-35) + "\nEND:VEVENT\n");
        for (int i = 1; i <= 5; i++) {
            String opens = basic(-50 + i * 14) + "T080000Z";
            String closes = basic(-47 + i * 14) + "T190000Z";
            events.add(event("o" + i, "Quiz " + i + " opens", opens, opens));
            events.add(event("c" + i, "Quiz " + i + " closes", closes, closes));
        }
        events.add(event("p", "Presentation (group B)", basic(4) + "T130000Z", basic(4) + "T140000Z"));
        return file("history.ics", calendar("History", events));
    }

    private static Path chemistry() throws IOException {
        StringBuilder rows = new StringBuilder("Assignment,Category,Due,Score,Points possible,Status\n");
        for (int i = 1; i <= 9; i++) {
            boolean done = i < 7;
            rows.append("HW %d,Homework (40%%),%s,%s,10,%s\n"
                    .formatted(i, day(-70 + i * 11), done ? "9" : "", done ? "Graded" : "Not submitted"));
        }
        rows.append("Midterm,Exams (60%),").append(day(-25)).append(",82/100,100,Graded\n");
        rows.append("Total,,,81.3,550,\n");
        return file("chemistry-gradebook.csv", rows.toString());
    }

    @Test
    public void aTrueFirstPageInTenMinutesAndSixtyPresses() throws IOException {
        page = door(Look.DAY);
        // As the line says that Navlo prints when it is ready.
        visit(page, address("/?code=FIRST-HERE"));
        type("Your name", "Asta Holm");
        type("E-mail address", "asta@holm.example");
        type("Password", "a-long-password");
        press("Begin");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Set up your term")))
                .isVisible();

        type("First day", day(-85));
        type("Last day", day(24));
        type("Closes on", day(24));
        press("Begin the term");

        type("Courses", "Life Drawing\nSpanish");
        press("Add 2 courses");

        presses += 2;
        page.getByLabel("File to read in").setInputFiles(new Path[] {mathematics(), history(), chemistry()});
        for (String next : List.of("Mathematics", "History", "chemistry-gradebook")) {
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(next)))
                    .isVisible();
            press(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Add \\d"))));
        }
        Locator line = page.getByLabel("A piece of work in one line");
        for (String text : List.of(
                "Module for Spanish, 12 times weekly from " + day(3) + " 30min",
                "sketchbook 3 life drawing in 5 days 20p 2h",
                "portfolio life drawing in 3 weeks 60p 6h")) {
            type(line, text);
            presses++;
            line.press("Enter");
            assertThat(line).hasValue("");
        }
        press("That’s all");

        press(page.getByLabel("All of them: late work 10 % a day"));
        press("Save what late work costs");
        assertThat(page.getByText("Points can be read in with a table")).isVisible();
        press("That’s all");
        press("These are my free hours");
        assertThat(button(page, "These are my free hours")).isHidden();
        press(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Go to Next")));

        int steps = presses + fields;
        int seconds = presses * 2 + fields * 4;
        assertTrue(steps <= MOST_STEPS, steps + " presses and fields");
        assertTrue(seconds <= MOST_SECONDS, seconds + " seconds at a person's pace");

        Locator moves = page.locator("[data-open]");
        assertThat(moves.first()).isVisible();
        String next = page.locator("main").innerText();
        assertFalse(next.contains("Autumn break"), "a break is no work");
        assertFalse(next.contains("Total"), "a total is no work");
        assertFalse(
                Pattern.compile("Problem Set [1-9]\\b").matcher(next).find(), "what was done long ago isn't a move");
        assertFalse(next.contains("Loses nothing by waiting"), next);
        assertTrue(next.contains("Sketchbook 3"), next);
        assertTrue(next.contains("HW 7") || next.contains("HW 8"), "what the table says wasn't handed in is a move");
        visit(page, page.url().replace("/next", "/work?missing=1"));
        signedIn = Known.of(page);
    }

    private Page again(Look look) {
        page = openWith(look, signedIn);
        visit(page, address("/s/1/work"));
        assertThat(page.getByRole(AriaRole.GRID)).isVisible();
        return page;
    }

    @Test(dependsOnMethods = "aTrueFirstPageInTenMinutesAndSixtyPresses")
    public void scoresAreTypedDownTheColumnAndManyRowsAreChangedAtOnce() {
        again(Look.DAY);
        page.getByLabel("Narrow by text").fill("Problem Set");
        press("Table");
        press(page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Write down scores")));
        Locator first =
                page.getByLabel(Pattern.compile("^Score of Problem Set")).first();
        String second = page.getByLabel(Pattern.compile("^Score of Problem Set"))
                .nth(1)
                .getAttribute("aria-label")
                .replace("Score of ", "");
        first.fill("17/20");
        first.press("Enter");
        page.keyboard().type("18/20");
        press("Write down 2 scores");
        assertThat(notice(page, "Wrote down 2 scores")).isVisible();
        page.getByLabel("Narrow by text").fill(second);
        assertThat(page.getByRole(AriaRole.GRID)).containsText("18 of 20");
        page.getByLabel("Narrow by text").fill("Problem Set");

        press("Table");
        press(page.getByRole(AriaRole.MENUITEMCHECKBOX, new Page.GetByRoleOptions().setName("Choose several rows")));
        page.getByLabel(Pattern.compile("^Choose all \\d+ of Teacher")).check();
        press(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("have come back"))));
        assertThat(notice(page, "Recorded what has come back")).isVisible();
        assertThat(page.getByLabel(Pattern.compile("^Choose all \\d+ of Teacher")))
                .hasCount(0);
    }

    @Test(dependsOnMethods = "aTrueFirstPageInTenMinutesAndSixtyPresses")
    public void aLineIsUnderstoodWhileItIsTyped() {
        again(Look.DAY);
        visit(page, address("/s/1/work?add=line"));
        Locator line = page.getByLabel("A piece of work in one line");
        Locator row = page.locator("form").filter(new Locator.FilterOptions().setHas(line));
        String[][] lines = {
            {"drawing essay 18 dec 17:00 60p 3h", "Drawing essay", "Life Drawing", "18 Dec", "17:00, 60 points", "3 h"},
            {"quiz 4 spanish 12 dec", "Quiz 4", "Spanish", "quiz, due"},
            {"final exam mathematics 17 dec 9:00-11:00", "Final exam", "Mathematics", "17 Dec", "09:00 to 11:00"},
            {"read chapter 7", "Read chapter 7", "no due date"},
            {"Lab report opens 1 dec due 9 dec 90 min history", "Lab report", "1 Dec", "9 Dec", "1 h 30"},
            {"vocabulary quiz every friday 3 times spanish", "Vocabulary quiz 1", "3 times, every week"},
            {"poster 40pts 4h30", "Poster", "40 points", "4 h 30"},
        };
        for (String[] one : lines) {
            line.fill(one[0]);
            for (int i = 1; i < one.length; i++) {
                assertThat(row).containsText(one[i]);
            }
        }
    }

    @Test(dependsOnMethods = "aTrueFirstPageInTenMinutesAndSixtyPresses")
    public void aLineIsAddedFromAnywhereAndWhatRepeatsIsChangedAsAWhole() {
        again(Look.DAY);
        visit(page, address("/s/1/next"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Find or do")))
                .click();
        Locator sought = page.getByPlaceholder("A piece of work, a course");
        sought.fill("spanish verb drill 1 every friday 4 times 10p");
        Locator add = page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Verb drill 1"));
        assertThat(add).containsText("and 3 more");
        assertThat(add).containsText("Spanish");
        sought.press("Enter");
        assertThat(notice(page, "Added 4 pieces of work")).isVisible();
        visit(page, address("/s/1/work"));
        press("Table");
        press(page.getByRole(AriaRole.MENUITEMCHECKBOX, new Page.GetByRoleOptions().setName("Choose several rows")));
        row(page, "Verb drill 2").click();
        button(page, "All 4 of “Verb drill …”").click();
        assertThat(page.getByText("4 chosen")).isVisible();
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Chosen work"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Change"))
                .click();
        page.getByLabel("Points").fill("15");
        dialog(page)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Change"))
                .click();
        assertThat(row(page, "Verb drill 4")).containsText("of 15");
    }

    @Test(dependsOnMethods = "aLineIsAddedFromAnywhereAndWhatRepeatsIsChangedAsAWhole")
    public void whatIsSoughtIsTheBeginningOfAWord() {
        again(Look.DAY);
        visit(page, address("/s/1/next"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Find or do")))
                .click();
        Locator sought = page.getByPlaceholder("A piece of work, a course");
        Locator options = page.getByRole(AriaRole.OPTION);
        sought.fill("wrk tbl");
        assertThat(options.filter(new Locator.FilterOptions().setHasText("Go to")))
                .hasCount(0);
        sought.fill("timel");
        assertThat(options).hasCount(1);
        assertThat(options).containsText("Go to Timeline");
        sought.fill("verb spanish");
        assertThat(options.filter(new Locator.FilterOptions().setHasText("Verb drill")))
                .hasCount(4);
    }

    @Test(dependsOnMethods = "aTrueFirstPageInTenMinutesAndSixtyPresses")
    public void anOutlineBecomesRowsWithTheLinesThatTheyCameFrom() {
        again(Look.DAY);
        visit(page, address("/s/1/start?step=work"));
        press("Paste a course outline");
        Locator dialog = dialog(page);
        dialog.getByLabel("Course", new Locator.GetByLabelOptions().setExact(true))
                .fill("Rhetoric");
        dialog.getByLabel("The outline")
                .fill("Welcome to Rhetoric\nEssay 1: a eulogy, due " + TODAY.plusDays(9)
                        + " (20 points)\nOffice hours by arrangement\n");
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Look at it"))
                .click();
        assertThat(page.getByText("“Essay 1: a eulogy, due " + TODAY.plusDays(9)))
                .isVisible();
        assertEquals(page.getByLabel(Pattern.compile("^Take in")).count(), 1, "one line names a day");
        press("Add 1");
        assertThat(notice(page, "Read in Rhetoric")).isVisible();
    }

    @Test(dependsOnMethods = "aTrueFirstPageInTenMinutesAndSixtyPresses")
    public void thePathIsAccessibleByDayAndInHand() {
        again(Look.DAY);
        visit(page, address("/s/1/start?step=term"));
        assertThat(button(page, "Save the term")).isVisible();
        assertAccessible(page);
        page.setViewportSize(PHONE, 740);
        assertEquals(page.evaluate("document.documentElement.scrollWidth <= innerWidth"), true);
        visit(page, address("/s/1/start?step=late"));
        assertThat(button(page, "Save what late work costs")).isVisible();
        assertAccessible(page);
        visit(page, address("/s/1/next"));
        Locator move = page.locator("[data-open]").first();
        assertThat(move).isVisible();
        assertTrue(move.boundingBox().y < 700, "the first move stands above the fold");
    }

    @Test(dependsOnMethods = "aTrueFirstPageInTenMinutesAndSixtyPresses")
    public void aPersonReadsTimesAsTheyLike() {
        again(Look.DAY);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("account and colours")))
                .click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("You, and how you read times"))
                .click();
        dialog(page).getByText("4:20 pm").click();
        dialog(page)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save"))
                .click();
        assertThat(dialog(page)).isHidden();
        reload(page);
        assertThat(page.locator("header time")).containsText(Pattern.compile("[ap]m"));
    }
}
