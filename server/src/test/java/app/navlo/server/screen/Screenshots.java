package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;

/** Takes the pictures of docs/screenshots from the demo: {@code ./navlo shots}. Not one of the tests. */
@TestPropertySource(properties = "navlo.demo.cohort=true")
public class Screenshots extends Screen {
    private static final Path FOLDER = Path.of("../docs/screenshots");

    private static void shoot(Page page, String name) {
        page.waitForFunction("document.fonts.status === 'loaded'");
        page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }

    @Test
    public void ownTerm() {
        Page page = mira("/s/1/start");
        assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
        page.waitForTimeout(1_000);
        shoot(page, "own-term");
    }

    @Test
    public void next() {
        for (Look look : new Look[] {Look.DAY, Look.NIGHT, Look.IN_HAND}) {
            Page page = signedIn(look, "Mira Solheim");
            page.navigate(address("/s/1/next"));
            assertThat(page.locator("[data-move]").first()).isVisible();
            shoot(page, "next" + (look == Look.DAY ? "" : look == Look.NIGHT ? "-dark" : "-phone"));
        }
    }

    @Test
    public void work() {
        shoot(mira(), "work");
    }

    @Test
    public void timeline() {
        Page page = mira("/s/1/timeline");
        assertThat(page.locator("[data-bar]").first()).isVisible();
        page.waitForTimeout(1_000);
        shoot(page, "timeline");
        page.navigate(address("/s/1/timeline?as=agenda"));
        assertThat(page.locator("[data-day='2026-11-24']")).isVisible();
        shoot(page, "agenda");
    }

    @Test
    public void pieceOfWork() {
        Page page = mira();
        row(page, "Planting plan, sheet 2").click();
        assertThat(pane(page)).containsText("Instructions");
        shoot(page, "piece-of-work");
    }

    @Test
    public void householdAndTheSheetForAMeeting() {
        Page page = tobias();
        page.navigate(address("/household"));
        assertThat(page.locator("[data-student]")).hasCount(2);
        shoot(page, "household");
        page.navigate(address("/s/1/sheet"));
        assertThat(page.locator("[data-lack]").first()).isVisible();
        shoot(page, "sheet");
    }

    @Test
    public void returnedWork() {
        Page page = mira();
        open(page, "Planting plan, sheet 1");
        pane(page)
                .getByRole(AriaRole.NAVIGATION)
                .getByText("Rubric", new Locator.GetByTextOptions().setExact(true))
                .click();
        shoot(page, "piece-returned");
    }

    @Test
    public void students() {
        Page page = door(Look.DAY);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Runa Falk")))
                .click();
        assertThat(page.locator("[data-student]")).hasCount(24);
        page.mouse().move(0, 0);
        shoot(page, "students");
    }

    @Test
    public void standing() {
        Page page = mira("/s/1/standing");
        assertThat(page.getByText("The mean of the courses")).isVisible();
        shoot(page, "standing");
    }

    @Test
    public void gradeLeewayAndPace() {
        Page page = mira("/s/1/standing/1");
        page.getByLabel("Score of Soil essay, second draft, if").fill("55");
        page.getByLabel("To reach").fill("85");
        assertThat(page.getByText("at least on each of them")).isVisible();
        shoot(page, "course");
        page.navigate(address("/s/1/leeway"));
        Locator key = page.locator("[data-case]").filter(new Locator.FilterOptions().setHasText("Key 7: conifers"));
        key.getByRole(AriaRole.BUTTON).first().click();
        assertThat(key).containsText("Expected");
        shoot(page, "leeway");
        page.navigate(address("/s/1/pace"));
        assertThat(page.locator("svg.recharts-surface").first()).isVisible();
        shoot(page, "pace");
    }

    @Test
    public void feedback() {
        Page page = mira("/s/1/feedback");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Feedback")))
                .isVisible();
        shoot(page, "feedback");
    }

    @Test
    public void rules() {
        Page page = mira("/s/1/standing/1/rules");
        assertThat(page.getByLabel("Late work: what this does")).containsText("13 of 17");
        shoot(page, "rules");
    }

    /** Last of all: what the school tells changes what the others show. */
    @Test(priority = 1)
    public void links() {
        Page page = mira();
        page.getByLabel("Move the clock on by 1 day").click();
        assertThat(page.getByText("Wed 25 Nov").first()).isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Links"))
                .click();
        for (String link : new String[] {"Thornmere course site", "College gradebook"}) {
            page.getByLabel("Ask now: " + link).click();
            assertThat(page.locator("[data-link]").filter(new Locator.FilterOptions().setHasText(link)))
                    .containsText("Last answered today");
        }
        assertThat(page.getByText("Asking the school")).hasCount(0);
        shoot(page, "links");
    }
}
