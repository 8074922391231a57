package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertTrue;

import app.navlo.school.college.Fault;
import app.navlo.school.college.School;
import app.navlo.server.http.StandIns;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.io.InputStream;
import java.net.HttpURLConnection;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;
import org.springframework.util.FileSystemUtils;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

/** The school and the links to it, as a person sees them. */
@TestPropertySource(properties = "navlo.feeds.follow-clock=false")
public class SchoolScreenTest extends Screen {
    @Autowired
    private StandIns standIns;

    @AfterMethod
    public void healTheSchool() {
        standIns.college().fault(Fault.NONE);
    }

    private Page links() {
        Page page = mira("/s/1/links");
        assertThat(link(page, "Thornmere course site")).isVisible();
        return page;
    }

    private static Locator link(Page page, String name) {
        return page.locator("[data-link]").filter(new Locator.FilterOptions().setHasText(name));
    }

    private static void ask(Page page, String name) {
        page.getByLabel("Ask now: " + name).click();
    }

    @Test
    public void theSchoolGoesOnWithTheClockAndWhatItToldIsUndone() {
        Page page = links();
        page.getByLabel("Move the clock on by 1 day").click();
        assertThat(page.getByText("Wed 25 Nov").first()).isVisible();
        ask(page, "Thornmere course site");
        Locator site = link(page, "Thornmere course site");
        assertThat(site).containsText("1 new piece of work");
        page.getByLabel("More of Thornmere course site").click();
        page.getByText("What it brought").click();
        Locator history = page.getByLabel("What Thornmere course site brought");
        assertThat(history).containsText(Pattern.compile("\\d scores?"));
        assertAccessible(page);
        history.getByText("Undo").click();
        assertThat(history).containsText("undone");
        notice(page, "Undone")
                .getByText("Undo", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(history).not().containsText("undone");
        visit(page, address("/s/1/work"));
        assertThat(find(page, "Worksheet 11")).containsText("Assigned");
    }

    @Test
    public void aSchoolThatIsDownIsSaidSoAndAHandInWaits() {
        Page page = links();
        standIns.college().fault(Fault.DOWN);
        ask(page, "College gradebook");
        assertThat(link(page, "College gradebook")).containsText("Can’t be read.");
        assertThat(link(page, "College gradebook")).containsText("What it told before stays.");
        visit(page, address("/s/1/work"));
        Locator pane = open(page, "Worksheet 8");
        pane.getByLabel("Text", new Locator.GetByLabelOptions().setExact(true))
                .fill("Nitrogen goes where the water goes.");
        button(page, "Hand in the text").click();
        dialog(page)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hand in the text"))
                .click();
        assertThat(notice(page, "It may have arrived at Thornmere course site")).containsText("can't do it twice");
        assertThat(pane).containsText("The hand-in is on its way to Thornmere course site");
        assertThat(row(page, "Worksheet 8")).not().containsText("Turned in");
        standIns.college().fault(Fault.NONE);
        page.getByLabel("Move the clock on by 1 hour").click();
        assertThat(row(page, "Worksheet 8")).containsText("Turned in");
        assertThat(pane).not().containsText("on its way");
    }

    @Test
    public void aCalendarIsLookedAtAddedPausedAndRemoved() {
        Page page = links();
        button(page, "Add a link").click();
        dialog(page)
                .getByText("Calendar", new Locator.GetByTextOptions().setExact(true))
                .click();
        page.getByLabel("Its address").fill("nonsense");
        button(page, "See what it would bring").click();
        assertThat(dialog(page)).containsText("web address");
        page.getByLabel("Its address").fill(standIns.college().address() + "/site/calendar/survey.ics");
        button(page, "See what it would bring").click();
        assertThat(dialog(page)).containsText("Here already, as it is");
        assertAccessible(page);
        button(page, "Add the link").click();
        Locator calendar = link(page, "Surveying and Setting Out");
        assertThat(calendar).containsText("tells dues");
        page.getByLabel("More of Surveying and Setting Out").click();
        page.getByText("Pause it").click();
        assertThat(calendar).containsText("paused");
        page.getByLabel("More of Surveying and Setting Out").click();
        page.getByText("Remove the link; its work stays").click();
        assertThat(calendar).hasCount(0);
    }

    @Test
    public void aTableIsPutRightAndReadIn() {
        Page page = links();
        String table =
                "What;Where;When;Got;Max\nPress flowers;Herbarium;03/04/2026;7,5;10\nBroken;Herbarium;some day;;\n";
        page.getByLabel("File to read in")
                .setInputFiles(new FilePayload("herbarium.csv", "text/csv", table.getBytes(StandardCharsets.UTF_8)));
        page.getByText("5 columns, and what they mean").waitFor();
        page.locator("main details").first().evaluate("columns => { columns.open = true; }");
        page.getByLabel("What What means").selectOption("TITLE");
        page.getByLabel("What Where means").selectOption("COURSE");
        page.getByLabel("What When means").selectOption("DUE");
        page.getByLabel("What Got means").selectOption("SCORE");
        page.getByLabel("What Max means").selectOption("POSSIBLE");
        assertThat(page.getByLabel("It goes into the course")).hasValue("Herbarium");
        assertThat(page.getByText("A new course")).isVisible();
        page.getByText("4 March").click();
        assertThat(page.locator("main")).containsText("4 Mar");
        page.getByText("3 April").click();
        assertThat(page.locator("main")).containsText("3 Apr");
        assertThat(page.getByText("couldn’t be read; the rest can")).isVisible();
        assertAccessible(page);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Add \\d")))
                .click();
        assertThat(link(page, "herbarium")).containsText("Read in by hand");
        visit(page, address("/s/1/work"));
        assertThat(find(page, "Press flowers")).containsText("7.5 of 10");
    }

    @Test
    public void aFolderIsReadInLikeTheBundleThatItWas() throws IOException {
        Page page = links();
        Path folder = Files.createTempDirectory("bundle");
        try (ZipInputStream zip = new ZipInputStream(bundle())) {
            ZipEntry entry;
            while ((entry = zip.getNextEntry()) != null) {
                Files.write(folder.resolve(entry.getName()), zip.readAllBytes());
            }
        }
        Files.writeString(folder.resolve("readme.txt"), "Not a table.");
        page.getByLabel("Folder to read in").setInputFiles(folder);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Thornmere"))
                        .first())
                .isVisible();
        assertThat(page.locator("main")).containsText("Here already, as it is");
        FileSystemUtils.deleteRecursively(folder);
    }

    private InputStream bundle() throws IOException {
        HttpURLConnection asked =
                (HttpURLConnection) URI.create(standIns.college().address() + "/gradebook/oneroster.zip")
                        .toURL()
                        .openConnection();
        asked.setRequestProperty("Authorization", "Bearer " + School.THORNMERE.token());
        return asked.getInputStream();
    }

    @Test
    public void aRecordIsPutWithTheWorkThatItIsReallyOf() {
        Page page = mira("/s/1/links");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Details: two joints in stone"))
                .click();
        button(page, "This is other work").click();
        page.getByLabel("Work of Planting Design Studio").selectOption("Plant list for shade");
        assertAccessible(page);
        button(page, "Put it there").click();
        assertThat(page.getByText("Two records")).hasCount(0);
        visit(page, address("/s/1/work"));
        open(page, "Plant list for shade");
        assertThat(page.locator("#part-records")).containsText("listed as missing");
    }

    @Test
    public void aPausedLinkIsSaidBeforeOneHandsIn() {
        Page page = links();
        page.getByLabel("More of Thornmere course site").click();
        page.getByText("Pause it").click();
        assertThat(link(page, "Thornmere course site")).containsText("paused");
        visit(page, address("/s/1/work"));
        Locator pane = open(page, "Worksheet 8");
        assertThat(pane).containsText("Thornmere course site is paused: it would be recorded here only");
        visit(page, address("/s/1/links"));
        page.getByLabel("More of Thornmere course site").click();
        page.getByText("Go on with it").click();
        visit(page, address("/s/1/work"));
        assertThat(open(page, "Worksheet 8")).containsText("Goes to Thornmere course site");
    }

    @Test
    public void whatIsShownIsTakenAsATable() throws IOException {
        Page page = mira();
        page.getByLabel("Narrow by text").fill("Soil lab");
        assertThat(page.getByText(Pattern.compile("^8 of \\d+$"))).isVisible();
        button(page, "Table").click();
        Download table = page.waitForDownload(
                () -> page.getByText("Take these 8 as a CSV table").click());
        String text = Files.readString(table.path());
        assertTrue(text.contains("Soil lab 1: digging a profile pit,Soil Science"), text);
        assertTrue(text.split("\r\n").length == 9, text);
    }
}
