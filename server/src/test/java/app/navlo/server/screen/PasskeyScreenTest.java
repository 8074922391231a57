package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Signing in with a device: Chromium's own, which stands in for a phone's lock. */
public class PasskeyScreenTest extends Screen {
    /** A device beside the page. */
    private static final class Device {
        private final CDPSession chromium;
        private final String id;

        Device(Page page) {
            chromium = page.context().newCDPSession(page);
            chromium.send("WebAuthn.enable");
            JsonObject options = new JsonObject();
            options.addProperty("protocol", "ctap2");
            options.addProperty("transport", "internal");
            options.addProperty("hasResidentKey", true);
            options.addProperty("hasUserVerification", true);
            options.addProperty("isUserVerified", true);
            options.addProperty("automaticPresenceSimulation", true);
            JsonObject asked = new JsonObject();
            asked.add("options", options);
            id = chromium.send("WebAuthn.addVirtualAuthenticator", asked)
                    .get("authenticatorId")
                    .getAsString();
        }

        /** Whether it knows who holds it. */
        void knowsItsHolder(boolean knows) {
            JsonObject asked = new JsonObject();
            asked.addProperty("authenticatorId", id);
            asked.addProperty("isUserVerified", knows);
            chromium.send("WebAuthn.setUserVerified", asked);
        }
    }

    private static Locator in(Locator dialog, String button) {
        return dialog.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(button).setExact(true));
    }

    private static Locator signIns(Page page) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("account and colours")))
                .click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Password and sign-ins"))
                .click();
        return dialog(page);
    }

    private static void signOut(Page page) {
        page.keyboard().press("Escape");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("account and colours")))
                .click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Sign out"))
                .click();
        assertThat(button(page, "Sign in")).isVisible();
    }

    @Test
    public void aDeviceIsMadeAPasskeySignsInAndIsRemoved() {
        Page page = mira();
        Device phone = new Device(page);
        Locator dialog = signIns(page);
        in(dialog, "Make a passkey").click();
        dialog.getByLabel("Name of the device").fill("My phone");
        dialog.getByLabel("Your password, once more").fill("wrong password");
        in(dialog, "Go on").click();
        assertThat(dialog.getByText("This isn't your password now.")).isVisible();
        dialog.getByLabel("Your password, once more").fill("garden-gate-24");
        in(dialog, "Go on").click();
        assertThat(dialog.getByText("not used yet")).isVisible();
        assertAccessible(page);

        signOut(page);
        assertAccessibleByDayAndNight(page);
        button(page, "Sign in with a passkey").click();
        assertThat(page).hasURL(Pattern.compile("/s/1/"));
        dialog = signIns(page);
        assertThat(dialog.getByText("My phone")).isVisible();
        assertThat(dialog.getByText(Pattern.compile("last used today"))).isVisible();

        signOut(page);
        phone.knowsItsHolder(false);
        button(page, "Sign in with a passkey").click();
        assertThat(page.getByText("It was let be, or took too long. Try again, or use your password."))
                .isVisible();
        phone.knowsItsHolder(true);
        button(page, "Sign in with a passkey").click();
        assertThat(page).hasURL(Pattern.compile("/s/1/"));
        dialog = signIns(page);
        dialog.getByLabel("Remove the passkey My phone").click();
        assertThat(dialog.getByText("My phone")).hasCount(0);

        signOut(page);
        button(page, "Sign in with a passkey").click();
        assertThat(page.getByText(Pattern.compile("This passkey isn't known here")))
                .isVisible();
    }
}
