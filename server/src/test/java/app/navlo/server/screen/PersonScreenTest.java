package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Who one is here: a token for a script of one's own is made, shown once, used and revoked; days and times read as one says. */
public class PersonScreenTest extends Screen {
    private static final Pattern AS_THE_SERVER_WRITES = Pattern.compile(
            "(Mon|Tue|Wed|Thu|Fri|Sat|Sun) \\d{1,2} (Jan|Sep|Oct|Nov|Dec)|\\b\\d\\d:\\d\\d\\b(?!(–\\d{1,2}:\\d\\d)?[ \u00a0][ap]m)");

    private static final Pattern AS_IT_WAS_CHOSEN =
            Pattern.compile("(Mon|Tue|Wed|Thu|Fri|Sat|Sun) Nov \\d{1,2} \\d{1,2}:\\d\\d [ap]m");

    /** What is read out or shown at a pointer, beside what stands there. */
    private static final String LABELS = "in_ => [...in_.querySelectorAll('[aria-label], [title]')]"
            + ".flatMap((one) => [one.ariaLabel, one.title]).filter(Boolean).join('\\n')";

    private static Locator you(Page page) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Mira")))
                .first()
                .click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(Pattern.compile("how you read times")))
                .click();
        return page.getByRole(AriaRole.DIALOG);
    }

    private static Locator button(Locator in, String name) {
        return in.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    /** As a script asks: with a token and without any cookie. */
    private int board(Page page, String token) {
        APIRequestContext script = page.context().browser().newContext().request();
        try {
            return script.get(
                            address("/api/students/1/board"),
                            RequestOptions.create().setHeader("Authorization", "Bearer " + token))
                    .status();
        } finally {
            script.dispose();
        }
    }

    @Test
    public void aTokenIsMadeShownOnceAndRevoked() {
        Page page = mira();
        Locator dialog = you(page);
        button(dialog, "Make a token").click();
        assertThat(dialog.getByText("Copy it now")).hasCount(0);
        dialog.getByLabel("What the token is for").fill("Wall display");
        button(dialog, "Make a token").click();
        assertThat(dialog.getByText("Copy it now: it isn’t shown again.")).isVisible();
        String token = dialog.locator("code").innerText();
        assertTrue(token.startsWith("navlo_"), token);
        assertEquals(board(page, token), 200);
        assertAccessible(page);
        button(dialog, "I have it").click();
        assertThat(dialog.locator("code")).hasCount(0);
        page.keyboard().press("Escape");

        dialog = you(page);
        Locator row = dialog.getByRole(AriaRole.LISTITEM);
        assertThat(row).containsText("Wall display");
        assertThat(row).containsText("Only reads, last used");
        button(dialog, "Revoke Wall display").click();
        assertThat(row).hasCount(0);
        assertEquals(board(page, token), 401);
    }

    /** Whoever wrote it, the page or the server: a deadline that is read in two ways is read wrongly at some time. */
    @Test
    public void daysAndTimesReadEverywhereAsTheyWereChosen() {
        Page page = mira();
        Locator dialog = you(page);
        dialog.getByText("4:20 pm").click();
        dialog.getByText("Nov 24").click();
        button(dialog, "Save").click();
        assertThat(dialog).hasCount(0);
        for (String view : List.of(
                "next",
                "work",
                "leeway",
                "pace",
                "standing",
                "timeline",
                "timeline?days=1",
                "timeline?as=agenda",
                "timeline?as=month")) {
            visit(page, address("/s/1/" + view));
            assertThat(page.getByLabel("Loading")).hasCount(0);
            assertReadAsChosen(page.locator("body"), view);
        }
        for (String title : List.of("Site section", "Key 5", "Seed pricing", "Soil lab 5")) {
            visit(page, address("/s/1/work"));
            open(page, title);
            assertReadAsChosen(pane(page), title);
        }
    }

    private static void assertReadAsChosen(Locator in, String what) {
        assertThat(in).containsText(AS_IT_WAS_CHOSEN);
        String text = in.innerText() + "\n" + in.evaluate(LABELS);
        Matcher other = AS_THE_SERVER_WRITES.matcher(text);
        assertFalse(
                other.find(),
                what + ": "
                        + (other.reset().find()
                                ? text.substring(
                                        Math.max(0, other.start() - 80), Math.min(text.length(), other.end() + 80))
                                : ""));
    }
}
