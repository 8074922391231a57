package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.server.store.Sha256;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** A hand-in from the draft to the receipt, and back. */
public class HandInScreenTest extends Screen {
    private static final byte[] PDF = "%PDF-1.4\nfield book\n%%EOF".getBytes(StandardCharsets.UTF_8);
    private static final byte[] JPEG = {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF, (byte) 0xE0, 0, 16, 'J', 'F', 'I', 'F', 0
    };

    private static void choose(Page page, String name, byte[] content) {
        page.getByLabel("Files to lie ready").setInputFiles(new FilePayload(name, "application/octet-stream", content));
    }

    @Test
    public void aFileIsHandedInLookedAtAgainWithdrawnAndTheWithdrawalUndone() throws IOException {
        Page page = mira();
        Locator pane = open(page, "Level traverse, field book");
        choose(page, "traverse.pdf", PDF);
        assertThat(pane).containsText("Not handed in. This is a draft");
        assertThat(row(page, "Level traverse, field book")).containsText("Draft");

        button(page, "Hand in 1 file").click();
        assertThat(dialog(page)).containsText("late by 40 h");
        assertThat(dialog(page)).containsText("It loses");
        dialog(page)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hand in 1 file"))
                .click();

        Locator receipt = dialog(page);
        assertThat(receipt).containsText("Receipt");
        assertThat(receipt).containsText("Tue 24 Nov 2026 16:20:00 (Europe/Copenhagen)");
        assertThat(receipt).containsText("late by 40 h");
        assertThat(receipt).containsText("traverse.pdf");
        assertThat(receipt).containsText(Sha256.of(PDF));
        Download again =
                page.waitForDownload(() -> receipt.getByText("Open the file").click());
        assertEquals(Files.readAllBytes(again.path()), PDF);
        button(page, "Close the receipt").click();
        assertThat(row(page, "Level traverse, field book")).containsText("Turned in");

        button(page, "Withdraw it").click();
        dialog(page)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Withdraw it"))
                .click();
        assertThat(row(page, "Level traverse, field book")).containsText("Draft");
        assertThat(pane).containsText("Taken back");
        notice(page, "Withdrew").getByText("Undo").click();
        assertThat(row(page, "Level traverse, field book")).containsText("Turned in");
    }

    @Test
    public void wrongFilesAreRefusedBeforeAnythingIsSent() {
        Page page = changed(mira());
        List<String> sent = new ArrayList<>();
        page.onRequest(request -> {
            if (request.url().endsWith("/draft/files")) {
                sent.add(request.url());
            }
        });
        Locator pane = open(page, "Site section through the terrace");
        assertThat(pane).containsText("I need the section as a PDF to mark it.");
        choose(page, "section.jpg", JPEG);
        assertThat(pane.getByRole(AriaRole.ALERT)).containsText("not among the types taken here: .pdf");
        choose(page, "section.pdf", JPEG);
        assertThat(pane.getByRole(AriaRole.ALERT)).containsText("what is in it is a .jpg file");
        choose(page, "section.pdf", new byte[0]);
        assertThat(pane.getByRole(AriaRole.ALERT)).containsText("is empty");
        assertEquals(sent, List.of());
        choose(page, "section.pdf", PDF);
        assertThat(button(page, "Hand in 1 file")).isVisible();
        assertEquals(sent.size(), 1);
    }

    @Test
    public void aTextSavesItselfAndIsHandedIn() {
        Page page = mira();
        open(page, "Worksheet 8: nitrogen");
        page.getByLabel("Text", new Page.GetByLabelOptions().setExact(true))
                .fill("Fixed by clover, lost with the rain.");
        assertThat(pane(page)).containsText("Saved as a draft.");
        reload(page);
        assertThat(page.getByLabel("Text", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("Fixed by clover, lost with the rain.");
        button(page, "Hand in the text").click();
        dialog(page)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hand in the text"))
                .click();
        assertThat(dialog(page)).containsText("Fixed by clover, lost with the rain.");
    }

    @Test
    public void aDiscussionIsHandedInWithItsLastPart() {
        Page page = mira();
        Locator pane = open(page, "Seed pricing");
        for (String reply : List.of("And the post?", "And the bag?")) {
            page.getByLabel("Your reply").fill(reply);
            button(page, "Add the reply").click();
            // Once it is there its box is empty, and nothing moves under the next press.
            assertThat(page.getByLabel("Your reply")).hasValue("");
            assertThat(pane.getByRole(AriaRole.LISTITEM)
                            .filter(new Locator.FilterOptions().setHasText(reply))
                            .first())
                    .isVisible();
        }
        assertThat(pane).containsText("All parts are there");
        assertThat(row(page, "Seed pricing")).containsText("Turned in");
    }

    @Test
    public void anAttemptMadeElsewhereIsRecorded() {
        Page page = mira();
        open(page, "Key 7: conifers");
        button(page, "Record attempt 1 as done").click();
        dialog(page)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record attempt 1"))
                .click();
        button(page, "Close the receipt").click();
        assertThat(row(page, "Key 7: conifers")).containsText("Turned in");
        notice(page, "Recorded").getByText("Undo").click();
        assertThat(row(page, "Key 7: conifers")).containsText("Assigned");
    }

    @Test
    public void aLostConnectionLosesNothing() {
        Page page = mira();
        open(page, "Wages and hours");
        page.getByLabel("Text", new Page.GetByLabelOptions().setExact(true)).fill("Friday, for the overtime.");
        assertThat(pane(page)).containsText("Saved as a draft.");
        page.route("**/hand-ins", route -> route.abort());
        button(page, "Hand in the text").click();
        Locator confirm =
                dialog(page).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hand in the text"));
        confirm.click();
        assertThat(notice(page, "It may have arrived at Thornmere course site")).isVisible();
        page.unroute("**/hand-ins");
        confirm.click();
        assertThat(dialog(page)).containsText("Receipt");
        button(page, "Close the receipt").click();
        assertThat(pane(page).getByText("Receipt", new Locator.GetByTextOptions().setExact(true)))
                .hasCount(1);
    }

    @Test
    public void whatTwoTabsWroteStandsSideBySideAndNothingIsLost() {
        Page one = mira();
        Page other = one.context().newPage();
        visit(other, one.url());
        open(one, "Field notes: where the water");
        open(other, "Field notes: where the water");
        Locator here = one.getByLabel("Text", new Page.GetByLabelOptions().setExact(true));
        here.fill("Wet until evening.");
        assertThat(pane(one)).containsText("Saved as a draft.");
        Locator there = other.getByLabel("Text", new Page.GetByLabelOptions().setExact(true));
        assertThat(there).hasValue("Wet until evening.");
        other.route("**/works/*", route -> route.abort());
        here.fill("Wet until night.");
        assertThat(pane(one)).containsText("Saved as a draft.");
        there.fill("Dry by noon.");
        Locator both = other.getByRole(AriaRole.ALERT)
                .filter(new Locator.FilterOptions().setHasText("It was saved elsewhere in the meantime"));
        assertThat(both).containsText("Wet until night.");
        assertThat(both).containsText("Dry by noon.");
        other.unroute("**/works/*");
        button(other, "Keep what is written here").click();
        assertThat(both).hasCount(0);
        assertThat(here).hasValue("Dry by noon.");
        other.close();
    }

    @Test
    public void takingBackSaysWhatItCostsAndWhatElseThereIs() {
        Page page = mira();
        Locator pane = open(page, "Cut and fill for a terrace");
        assertThat(pane).containsText("Add what is lacking");
        button(page, "Withdraw it").click();
        assertThat(dialog(page)).containsText("Handing in again now keeps 21 of 30, until today");
        assertAccessible(page);
        button(page, "Ask the teacher to send it back").click();
        assertThat(page.getByLabel("Message", new Page.GetByLabelOptions().setExact(true)))
                .hasValue(Pattern.compile("Could you send it back to me"));
    }

    @Test
    public void whatIsDoneInOneTabShowsInTheOther() {
        Page one = mira();
        Page other = one.context().newPage();
        visit(other, one.url());
        find(other, "Sketchbook check 5");
        open(one, "Sketchbook check 5");
        button(one, "Record that it was done").click();
        dialog(one)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record that it was done"))
                .click();
        assertThat(row(other, "Sketchbook check 5")).containsText("Turned in");
    }

    @Test
    public void aGuardianSeesAndCannotHandIn() {
        Page page = tobias();
        assertThat(page.getByRole(AriaRole.BANNER)).containsText("Mira Solheim · you read only");
        Locator pane = open(page, "Contours from a grid");
        assertThat(pane).containsText("an extension was asked for");
        pane = open(page, "Plant list for shade");
        Locator jumps = pane.getByRole(AriaRole.NAVIGATION).getByRole(AriaRole.BUTTON);
        // Beside those that go to its parts: to close it, to see a receipt, and to write to the teacher in one's own
        // name.
        assertThat(pane.getByRole(AriaRole.BUTTON)).hasCount(jumps.count() + 3);
        assertThat(pane).containsText("Receipt");
        assertTrue(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Add")))
                        .count()
                == 0);
    }
}
