package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** The whole life of a piece of work, as a person looks at it. */
public class PieceScreenTest extends Screen {
    private static final byte[] PNG = {
        (byte) 0x89, 'P', 'N', 'G', 0x0D, 0x0A, 0x1A, 0x0A, 0, 0, 0, 13, 'I', 'H', 'D', 'R'
    };

    private static Locator part(Page page, String id) {
        return page.locator("#part-" + id);
    }

    private static Locator press(Locator in, String name) {
        return in.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    @Test
    public void instructionsAreRichAndHarmlessAndTheirFilesCanBeFetched() {
        Page page = mira();
        open(page, "Planting plan, sheet 2");
        Locator asked = part(page, "asked");
        assertThat(asked.getByRole(AriaRole.LISTITEM).first()).containsText("name and number");
        assertThat(asked.locator("strong")).hasText("1:50");
        Download file = page.waitForDownload(
                () -> asked.getByText("flowering-months.csv").click());
        assertEquals(file.suggestedFilename(), "flowering-months.csv");
    }

    @Test
    public void aScriptInTypedInWorkIsOnlyText() {
        Page page = changed(mira());
        List<String> ran = new ArrayList<>();
        page.onDialog(alert -> {
            ran.add(alert.message());
            alert.dismiss();
        });
        visit(page, address("/s/1/work?add=work"));
        String evil = "<img src=x onerror=alert(1)>";
        page.getByLabel("Title").fill(evil + " essay");
        page.getByLabel("Instructions").fill("""
                <script>alert(2)</script>

                [press me](javascript:alert(3)) and ![a picture](https://elsewhere.example/pixel.png)

                **bold** <svg onload=alert(4)>
                """);
        button(page, "Add the work").click();
        assertThat(dialog(page)).hasCount(0);
        open(page, evil);
        Locator asked = part(page, "asked");
        assertThat(asked.locator("strong")).hasText("bold");
        assertThat(asked).containsText("<script>alert(2)</script>");
        assertThat(asked.locator("script, img, svg[onload]")).hasCount(0);
        assertThat(asked.getByText("press me")).not().hasAttribute("href", Pattern.compile("javascript"));
        asked.getByText("press me").click();
        assertEquals(ran, List.of());
    }

    @Test
    public void aRubricShowsWhatWasGotAndLostRowByRow() {
        Page page = mira();
        open(page, "Planting plan, sheet 1");
        Locator rubric = part(page, "rubric");
        assertThat(rubric).containsText("22 of 40 points");
        press(pane(page), "Rubric").click();
        assertThat(rubric).isInViewport();
        assertEquals(page.evaluate("() => document.scrollingElement.scrollTop"), 0, "the frame stays where it is");
        assertThat(page.getByRole(AriaRole.BANNER).first()).isInViewport();
        Locator spacing = rubric.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("Spacing and size"))
                .first();
        assertThat(spacing).containsText("−8");
        assertThat(spacing).containsText("The plan shows the nursery, not the garden.");
        assertThat(spacing.getByText("Every circle is drawn")).isHidden();
        spacing.getByText("The other levels").click();
        assertThat(spacing.getByText("Every circle is drawn")).isVisible();
    }

    @Test
    public void marksStandOnThePageWhereTheyWereMade() throws IOException {
        Page page = mira();
        open(page, "Planting plan, sheet 1");
        press(part(page, "said"), "See them on the page").click();
        Locator sheet = dialog(page);
        Locator drawn = sheet.getByRole(AriaRole.IMG, new Locator.GetByRoleOptions().setName("Page 1"));
        assertThat(drawn).isVisible();
        Locator first = sheet.getByLabel(Pattern.compile("^Mark 1: Yew, pear and rose"));
        assertThat(first).hasAttribute("aria-pressed", "true");
        BoundingBox on = drawn.boundingBox();
        BoundingBox mark = first.boundingBox();
        assertEquals((mark.x - on.x) / on.width, 0.785, 0.01);
        assertEquals((mark.y - on.y) / on.height, 0.145, 0.01);
        assertEquals(mark.width / on.width, 0.085, 0.01);
        assertThat(page.locator("canvas")).isVisible();
        page.waitForFunction("""
                () => {
                  const sheet = document.querySelector('canvas');
                  const { data } = sheet.getContext('2d').getImageData(0, 0, sheet.width, sheet.height);
                  let dark = 0;
                  for (let i = 0; i < data.length; i += 4) if (data[i] < 120 && data[i + 3] > 0) dark++;
                  return dark > 200;
                }
                """);
        page.keyboard().press("j");
        assertThat(sheet.getByLabel(Pattern.compile("^Mark 2"))).hasAttribute("aria-pressed", "true");
        assertThat(page).hasURL(Pattern.compile("marks=\\d+\\.1&mark=\\d+"));
        Download pdf = page.waitForDownload(
                () -> sheet.getByText("Download with its marks").click());
        assertTrue(new String(Files.readAllBytes(pdf.path()), StandardCharsets.ISO_8859_1).startsWith("%PDF"));
        assertEquals(pdf.suggestedFilename(), "planting-plan-1, marked.pdf");
        reload(page);
        assertThat(dialog(page).getByLabel(Pattern.compile("^Mark 2"))).hasAttribute("aria-pressed", "true");
    }

    @Test
    public void marksOnAPictureStandOnIt() {
        Page page = mira();
        open(page, "Herbarium check");
        press(part(page, "said"), "See them on the page").click();
        assertThat(dialog(page).getByAltText("What is in herbarium-sheet-1.png"))
                .isVisible();
        dialog(page).getByText("Full name, please.").click();
        assertThat(dialog(page).getByLabel(Pattern.compile("Full name, please")))
                .hasAttribute("aria-pressed", "true");
    }

    @Test
    public void attemptsShowTheirAnswersOrSayWhen() {
        Page page = mira();
        open(page, "Key 5");
        Locator attempts = part(page, "attempts");
        assertThat(attempts).containsText("1 of 3 left · the best counts");
        attempts.getByText("Answers of attempt 1").click();
        assertThat(attempts).containsText("Wanted: Acer campestre");
        open(page, "Unit test 2");
        assertThat(part(page, "attempts")).containsText("Its answers can be seen from Fri 27 Nov 12:00.");
    }

    @Test
    public void aDiscussionIsReadAndAnsweredByName() {
        Page page = mira();
        open(page, "Seed pricing");
        Locator discussion = part(page, "hand-in");
        assertThat(discussion).containsText("5 posts by others");
        press(discussion, "Reply to Emre Aydin").click();
        page.getByLabel("Your reply to Emre Aydin").fill("Six per cent of 74 is 4.44.");
        button(page, "Add the reply").click();
        Locator own = discussion
                .getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("Six per cent of 74"));
        assertThat(own).containsText("to Emre Aydin");
        assertThat(discussion).containsText("3 of 4 parts");
        assertThat(discussion).containsText("all of them read");
    }

    @Test
    public void aWordIsAnsweredAndTheAnswerUndone() {
        Page page = mira();
        open(page, "Unit test 2");
        press(part(page, "said"), "Answer Ingrid Rowe").click();
        page.getByLabel("Your answer to Ingrid Rowe").fill("Key 5 comes first, then.");
        button(page, "Add the answer").click();
        assertThat(part(page, "said")).containsText("Mira Solheim, my own words");
        notice(page, "Commented on").getByText("Undo").click();
        assertThat(part(page, "said")).not().containsText("Key 5 comes first, then.");
    }

    @Test
    public void timeSpentIsAddedUp() {
        Page page = mira();
        Locator pane = open(page, "Worksheet 8");
        press(pane, "time spent?").click();
        press(dialog(page), "30 min").click();
        press(dialog(page), "Add the time").click();
        assertThat(pane).containsText("30 min spent");
    }

    @Test
    public void workOnPaperIsRecordedWithAPhotoAndItsReceiptShowsIt() {
        Page page = mira();
        Locator pane = open(page, "Sketchbook check 4");
        press(pane, "It went in on paper").click();
        dialog(page).getByLabel("Day").fill("2026-11-20");
        dialog(page).getByLabel("Time").fill("17:00");
        dialog(page).getByLabel("Where, and to whom").fill("On the blue shelf.");
        dialog(page).getByLabel("Photos of it").setInputFiles(new FilePayload("shelf.png", "image/png", PNG));
        press(dialog(page), "Record it as handed in").click();
        assertThat(dialog(page)).containsText("It wasn't open then");
        dialog(page).getByLabel("Time").fill("15:30");
        press(dialog(page), "Record it as handed in").click();
        assertThat(row(page, "Sketchbook check 4")).containsText("Turned in");
        assertThat(part(page, "hand-ins")).containsText("shelf.png");
        assertThat(part(page, "hand-ins")).containsText("on time");
        notice(page, "Recorded").getByText("Undo").click();
        assertThat(row(page, "Sketchbook check 4")).containsText("Assigned");
    }

    @Test
    public void whatLiesReadyIsComparedWithWhatIsAsked() {
        Page page = mira();
        open(page, "Herbarium: ten pressed sheets");
        assertThat(part(page, "hand-in")).containsText("Files: 10 asked for, 1 ready.");
        button(page, "Hand in 1 file").click();
        Locator files = dialog(page).getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Files"));
        assertThat(files).containsText("10");
        assertThat(files).containsText("1, which differs");
    }

    @Test
    public void aGuardianWritesAboutACourseInTheirOwnName() {
        Page page = tobias();
        visit(page, address("/s/1/standing/1"));
        press(page.locator("main"), "Write to Halvor Tarn").click();
        Locator letter = dialog(page);
        assertThat(letter.getByLabel("Message", new Locator.GetByLabelOptions().setExact(true)))
                .hasValue(Pattern.compile("I am a guardian of Mira Solheim\\. These are missing in Soil Science:"));
        assertAccessible(page);
        press(letter, "Send the message").click();
        assertThat(page.getByText("Tobias Solheim to Halvor Tarn")).isVisible();
        assertThat(page.locator("main")).containsText(Pattern.compile("· sent"));
    }

    @Test
    public void aMessageIsDraftedFromTheFactsAndSent() {
        Page page = mira();
        Locator pane = open(page, "Details: two joints");
        assertThat(pane).containsText("Two records disagree");
        press(pane, "Write to Maren Aldous").first().click();
        assertThat(page.getByLabel("Message", new Page.GetByLabelOptions().setExact(true)))
                .hasValue(Pattern.compile("It is listed as missing. My receipt is attached"));
        assertThat(dialog(page)).containsText("Receipt ");
        page.getByLabel("To", new Page.GetByLabelOptions().setExact(true)).fill("nobody");
        page.getByLabel("To", new Page.GetByLabelOptions().setExact(true)).fill("maren.aldous@thornmere.example");
        press(dialog(page), "Send the message").click();
        assertThat(part(page, "said")).containsText("Messages to teachers");
        assertThat(part(page, "said")).containsText(Pattern.compile("· sent"));
        part(page, "said").getByText("Listed as missing, and handed in").click();
        assertThat(part(page, "said")).containsText(Pattern.compile("Receipt \\d+, Details two joints in stone.pdf"));
    }

    @Test
    public void allMyFilesLeadToTheirWorkAndTheirMarks() {
        Page page = mira();
        page.keyboard().press("g");
        page.keyboard().press("i");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("My files")))
                .isVisible();
        page.getByLabel("Find a file").fill("planting-plan-1");
        assertThat(page.locator("main p[aria-live=polite]")).containsText("1 of ");
        page.getByText("4 marks").click();
        assertThat(dialog(page)).containsText("Yew, pear and rose");
    }

    @Test
    public void notesOnACourseStandBesideThoseOnItsWorks() {
        Page page = mira("/s/1/notes");
        Locator soil = page.locator("main section").filter(new Locator.FilterOptions().setHasText("Soil Science"));
        press(soil, "Add a note to the course").click();
        dialog(page).getByLabel("Note").fill("Wellingtons on Wednesdays.");
        dialog(page).getByLabel("Tag").fill("kit");
        press(dialog(page), "Add the note").click();
        assertThat(dialog(page)).hasCount(0);
        assertThat(soil).containsText("Wellingtons on Wednesdays.");
        page.getByLabel("Tag", new Page.GetByLabelOptions().setExact(true)).selectOption("kit");
        assertThat(page.locator("main p[aria-live=polite]")).containsText("1 of ");
        notice(page, "Added a note").getByText("Undo").click();
        assertThat(page.getByText("Wellingtons on Wednesdays.")).hasCount(0);
    }

    @Test
    public void aGuardianSeesItAllAndIsOfferedNothingButALetter() {
        Page page = tobias();
        Locator pane = open(page, "Planting plan, sheet 1");
        assertThat(part(page, "rubric")).containsText("22 of 40 points");
        press(part(page, "said"), "See them on the page").click();
        assertThat(dialog(page)).containsText("Yew, pear and rose");
        page.keyboard().press("Escape");
        for (String offered : List.of("Answer Maren", "Comment on", "time spent?", "It went in")) {
            assertThat(press(pane, offered)).hasCount(0);
        }
        assertThat(press(pane, "Write to Maren Aldous").first()).isVisible();
    }

    @Test
    public void marksAreTickedOffWhereTheWorkIsRedone() {
        Page page = mira();
        Locator pane = open(page, "Planting plan, sheet 1");
        Locator marks =
                pane.getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("Marks on what you handed in"));
        assertThat(marks).containsText("4 of 4 left");
        marks.getByLabel("Dealt with: mark 2").check();
        assertThat(marks).containsText("3 of 4 left");
        assertThat(notice(page, "Ticked off a mark")).isVisible();
        assertAccessible(page);
        notice(page, "Ticked off a mark").getByText("Undo").click();
        assertThat(marks).containsText("4 of 4 left");
    }

    @Test
    public void aFileGoesWithAComment() {
        Page page = mira();
        Locator pane = open(page, "Soil lab 2");
        button(page, "Comment on the work").click();
        page.getByLabel("Your comment").fill("It is on the back.");
        page.getByLabel("Files to go with it")
                .setInputFiles(new FilePayload("back.txt", "text/plain", "page two".getBytes(StandardCharsets.UTF_8)));
        button(page, "Add the comment").click();
        Locator file = pane.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("back.txt"));
        assertThat(file).isVisible();
        assertEquals(page.request().get(address(file.getAttribute("href"))).text(), "page two");
    }

    /** Over plain http from another machine a browser holds back what it keeps for secure pages. */
    @Test
    public void aPhoneOverPlainHttpReadsAndWrites() {
        Page page = door(Look.IN_HAND);
        visit(page, address("/").replace("localhost", "phone.test"));
        assertEquals(page.evaluate("typeof crypto.randomUUID"), "undefined", "no secure context");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Mira Solheim")))
                .click();
        assertThat(page).hasURL(Pattern.compile("phone.test.*/next$"));
        visit(page, address("/s/1/work").replace("localhost", "phone.test"));
        open(page, "Soil lab 3");
        button(page, "Comment on the work").click();
        page.getByLabel("Your comment").fill("Read on the bus.");
        button(page, "Add the comment").click();
        assertThat(part(page, "said")).containsText("Mira Solheim, my own words");
    }
}
