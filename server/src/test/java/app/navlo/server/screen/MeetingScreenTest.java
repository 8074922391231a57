package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.server.MailBox;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Margin;
import java.util.regex.Pattern;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.Test;

/** A guardian of two looks at both, takes the sheet of one to a meeting, and what is agreed there stands on both their pages. */
@DirtiesContext
public class MeetingScreenTest extends Screen {
    private static Locator part(Page page, String title) {
        return page.locator("section")
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(title))))
                .last();
    }

    @Test
    public void theFirstPageHasBothAndEachFigureLeadsToItsList() {
        Page page = tobias();
        visit(page, address("/"));
        assertThat(page).hasURL(Pattern.compile("/household$"));
        assertThat(page.locator("[data-student]")).hasCount(2);
        assertThat(page.locator("[data-student='3']")).containsText("Fernbank Lower School");
        assertAccessibleByDayAndNight(page);
        for (String figure : new String[] {"savable", "closed", "listed", "back"}) {
            visit(page, address("/household?span=term"));
            Locator link = page.locator("[data-student='3'] [data-figure='" + figure + "'] a");
            String count = link.locator("span").first().innerText().strip();
            link.click();
            assertThat(page).hasURL(Pattern.compile("/s/3/work\\?only=" + figure));
            assertThat(page.locator("[role=row][data-work]")).hasCount(Integer.parseInt(count));
        }
    }

    @Test
    public void theFiguresAreOfTheGradingPeriodOrOfTheTerm() {
        Page page = tobias();
        visit(page, address("/household"));
        Locator term = page.getByLabel("The whole term");
        assertThat(page.getByLabel("This grading period")).isChecked();
        page.getByText("The whole term").click();
        assertThat(page).hasURL(Pattern.compile("span=term"));
        assertThat(term).isChecked();
    }

    @Test
    public void whatIsAgreedStandsOnBothPagesUntilItIsKept() {
        Page tobias = tobias();
        visit(tobias, address("/household"));
        tobias.locator("[data-student='1']").getByText("Meeting sheet").click();
        assertThat(tobias.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("Meeting sheet: Mira Solheim");
        assertThat(part(tobias, "What is missing, and why")).containsText("Worksheet 8: nitrogen through the year");
        assertThat(part(tobias, "What came back")).containsText("Site section through the terrace");
        assertThat(part(tobias, "Where each course stands")).containsText("Pass from 55.0 %");
        assertAccessibleByDayAndNight(tobias);

        button(tobias, "Write one down").click();
        tobias.getByLabel("What is agreed").fill("Write to Halvor Tarn about lab 5");
        button(tobias, "Write it down").click();
        assertThat(tobias.locator("[data-agreement]")).containsText("Write to Halvor Tarn about lab 5");

        Page mira = mira("/s/1/sheet");
        Locator hers = mira.locator("[data-agreement]");
        assertThat(hers).containsText("Mira Solheim");
        hers.getByRole(AriaRole.CHECKBOX).click();
        notice(mira, "It was kept");
        assertThat(hers.getByRole(AriaRole.CHECKBOX)).isChecked();
        reload(tobias);
        assertThat(tobias.locator("[data-agreement]").getByRole(AriaRole.CHECKBOX))
                .isChecked();
    }

    /** On paper it is one page or two, with lines to write on; on a phone nothing is wider than it. */
    @Test
    public void itFitsTwoPagesAndAPhone() {
        Page page = mira("/s/1/sheet");
        assertThat(part(page, "The next two weeks")).containsText("Due: ");
        byte[] paper = page.pdf(new Page.PdfOptions()
                .setFormat("A4")
                .setMargin(new Margin()
                        .setTop("12mm")
                        .setBottom("12mm")
                        .setLeft("12mm")
                        .setRight("12mm")));
        String text = new String(paper, java.nio.charset.StandardCharsets.ISO_8859_1);
        long pages =
                Pattern.compile("/Type\\s*/Page\\b").matcher(text).results().count();
        assertTrue(pages >= 1 && pages <= 2, pages + " pages");
        Page phone = signedIn(Look.IN_HAND, "Mira Solheim");
        visit(phone, address("/s/1/sheet"));
        assertThat(part(phone, "Agreements")).isVisible();
        assertEquals(phone.evaluate("document.documentElement.scrollWidth"), PHONE);
    }

    /** On a phone, who sees two students reaches everything in the bar. */
    @Test
    public void theBarOfAGuardianOfTwoFitsAPhone() {
        Page phone = signedIn(Look.IN_HAND, "Tobias Solheim");
        visit(phone, address("/s/3/sheet"));
        Locator menu = phone.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("account and colours")));
        assertThat(menu).isVisible();
        assertThat(part(phone, "Agreements")).isVisible();
        double right = menu.boundingBox().x + menu.boundingBox().width;
        assertTrue(right <= PHONE, "it ends at " + right);
    }

    @Test
    public void remindersAreChosenAndKept() {
        Page page = mira("/s/1/work");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("account and colours")))
                .click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Reminders"))
                .click();
        Locator losses = page.getByLabel("What is about to be lost, while there is still time to save it");
        assertThat(losses).not().isChecked();
        assertAccessibleByDayAndNight(page);
        losses.check();
        page.getByLabel("The week ahead, at 17:00").selectOption("SUNDAY");
        page.getByLabel("Quiet from").fill("21:30");
        button(page, "Save").click();
        assertThat(dialog(page)).hasCount(0);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("account and colours")))
                .click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Reminders"))
                .click();
        assertThat(losses).isChecked();
        assertThat(page.getByLabel("Quiet from")).hasValue("21:30");
        assertThat(page.getByLabel("The week ahead, at 17:00")).hasValue("SUNDAY");
    }

    /** Invited by mail, come with another address: a line on every page until the link that was mailed there is followed. */
    @Test
    public void anAddressIsConfirmedByTheLinkThatWasMailedThere() throws Exception {
        Page page = mira("/s/1/work");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("account and colours")))
                .click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Who may see your work"))
                .click();
        page.getByLabel("Mail it to").fill("nobody");
        button(page, "Invite a guardian").click();
        assertThat(page.locator("code")).hasCount(0);
        page.getByLabel("Mail it to").fill("rolf@example.org");
        button(page, "Invite a guardian").click();
        assertThat(page.getByText("The invitation is on its way to rolf@example.org"))
                .isVisible();
        assertAccessible(page);

        Page rolf = door(Look.IN_HAND);
        visit(rolf, page.locator("code").innerText());
        rolf.getByLabel("Your name").fill("Rolf");
        rolf.getByLabel("E-mail address").fill("rolf@fjord.example");
        rolf.getByLabel("Password").fill("herons fish at dawn");
        button(rolf, "Join").click();
        assertThat(rolf.getByText("Is rolf@fjord.example yours?")).isVisible();
        assertAccessibleByDayAndNight(rolf);
        assertEquals(rolf.evaluate("document.documentElement.scrollWidth"), PHONE);
        button(rolf, "Send the mail again").click();
        assertThat(rolf.getByText("The mail is on its way once more")).isVisible();

        String box = (String) page.evaluate("fetch('/api/session').then((r) => r.json()).then((s) => s.demo.mailBox)");
        String letter = new MailBox(box).letter("Navlo: is this your address", "rolf@fjord.example");
        visit(rolf, address("/confirm/" + MailBox.after("/confirm/", letter)));
        assertThat(rolf.getByRole(AriaRole.HEADING)).hasText("The address is yours");
        assertAccessibleByDayAndNight(rolf);
        button(rolf, "Go on").click();
        assertThat(rolf.getByRole(AriaRole.BANNER)).containsText("Mira");
        assertThat(rolf.getByText("Is rolf@fjord.example yours?")).hasCount(0);
        visit(rolf, address("/confirm/made-up"));
        assertThat(rolf.getByText("This link doesn’t hold any more")
                        .or(rolf.getByText("This link doesn't hold any more")))
                .isVisible();
    }

    /** Who forgot their password asks at the door, follows the mailed link, and signs in with the new one. */
    @Test
    public void aForgottenPasswordIsSetAnewByMail() {
        Page page = door(Look.DAY);
        page.getByText("I forgot my password").click();
        assertAccessibleByDayAndNight(page);
        page.getByLabel("E-mail address").fill("anders@fernbank.example");
        button(page, "Send it").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("a mail is on its way there");
        String box = (String) page.evaluate("fetch('/api/session').then((r) => r.json()).then((s) => s.demo.mailBox)");
        Locator letter = page.getByText("Navlo: a new password").first();
        page.navigate(box);
        for (int look = 0; look < 50 && !letter.isVisible(); look++) {
            page.waitForTimeout(200);
            reload(page);
        }
        letter.click();
        String words = page.locator("pre").innerText();
        String secret = words.replaceAll("(?s).*/reset/([\\w-]+).*", "$1");
        visit(page, address("/reset/" + secret));
        page.getByLabel("New password").fill("short");
        button(page, "Set it").click();
        assertThat(page.getByText(Pattern.compile("10 to 200 characters")).last())
                .isVisible();
        page.getByLabel("New password").fill("seven boats on a string");
        button(page, "Set it").click();
        page.getByLabel("E-mail address").fill("anders@fernbank.example");
        page.getByLabel("Password").fill("seven boats on a string");
        button(page, "Sign in").click();
        assertThat(page).hasURL(Pattern.compile("/s/3/next$"));
        visit(page, address("/reset/" + secret));
        page.getByLabel("New password").fill("eight boats on a string");
        button(page, "Set it").click();
        assertThat(page.getByText("Ask for another")).isVisible();
    }
}
