package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Who one is here: a token for a script of one's own is made, shown once, used and revoked. */
public class PersonScreenTest extends Screen {
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
}
