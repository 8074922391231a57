package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Locale;
import java.util.regex.Pattern;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** A student of an empty Navlo lets a guardian in and out, and sees where they are signed in; as each of them does it. */
@TestPropertySource(properties = "navlo.demo=false")
public class PeopleScreenTest extends Screen {
    private static final String PASSWORD = "ladder in the plum tree";

    private Page asta;

    private static void fill(Page page, String label, String text) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).fill(text);
    }

    private static void tell(Page page, String name, String password) {
        fill(page, "Your name", name);
        fill(page, "E-mail address", name.toLowerCase(Locale.ROOT) + "@holm.example");
        fill(page, "Password", password);
    }

    /** The first test signs her up, the others sign her in. */
    @BeforeMethod
    public void astaIsHere() {
        asta = door(Look.DAY);
        visit(asta, address("/?code=FIRST-HERE"));
        Locator begin = button(asta, "Begin");
        Locator signIn = button(asta, "Sign in");
        assertThat(begin.or(signIn).first()).isVisible();
        if (begin.isVisible()) {
            tell(asta, "Asta", "password123");
            begin.click();
            assertThat(asta.getByText("easy to remember and hard to guess")).isVisible();
            fill(asta, "Password", PASSWORD);
            begin.click();
        } else {
            fill(asta, "E-mail address", "asta@holm.example");
            fill(asta, "Password", PASSWORD);
            signIn.click();
        }
        assertThat(asta.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Set up your term")))
                .isVisible();
    }

    private static Locator menu(Page page, String item) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("account and colours")))
                .click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(item))
                .click();
        return dialog(page);
    }

    private static Locator in(Locator dialog, String button) {
        return dialog.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(button).setExact(true));
    }

    private String invitation() {
        Locator dialog = menu(asta, "Who may see your work");
        in(dialog, "Invite a guardian").click();
        String link = dialog.locator("code").innerText();
        assertTrue(link.contains("/join/"), link);
        assertAccessible(asta);
        in(dialog, "I have it").click();
        assertThat(dialog.getByText("A link for a guardian, open until")).isVisible();
        asta.keyboard().press("Escape");
        return link;
    }

    @Test
    public void aGuardianIsLetInLooksAndIsLetOutAgain() {
        String link = invitation();
        Page bodil = door(Look.IN_HAND);
        visit(bodil, link);
        assertThat(bodil.getByRole(AriaRole.HEADING)).hasText("See the work of Asta");
        assertAccessibleByDayAndNight(bodil);
        assertEquals(bodil.evaluate("document.documentElement.scrollWidth"), PHONE);
        tell(bodil, "Bodil", "herons fish at dawn");
        button(bodil, "Join").click();
        assertThat(bodil).hasURL(Pattern.compile("/s/\\d+/next$"));
        assertThat(bodil.getByRole(AriaRole.BANNER)).containsText("Asta");

        Page late = door(Look.DAY);
        visit(late, link);
        assertThat(late.getByText("It was used, taken back, or is older than seven days. Ask for a new one."))
                .isVisible();

        Locator people = menu(asta, "Who may see your work");
        Locator row = people.getByRole(AriaRole.LISTITEM);
        assertThat(row).hasCount(1);
        assertThat(row).containsText("Bodil");
        assertThat(row).containsText("looked today");
        in(people, "End that Bodil sees your work").click();
        in(people, "End it").click();
        assertThat(people.getByText("Nobody but you.")).isVisible();
        reload(bodil);
        visit(bodil, address("/"));
        assertThat(bodil.getByText("No student has accepted you yet")).isVisible();
    }

    /** The link for somebody new, made on the page of who administers. */
    private String newcomer(String role) {
        menu(asta, "This Navlo and its people");
        assertThat(asta.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("People of this Navlo")))
                .isVisible();
        asta.getByText(role, new Page.GetByTextOptions().setExact(true)).click();
        button(asta, "Make a link").click();
        return asta.getByTitle("The link").innerText();
    }

    private Locator person(String name) {
        return asta.locator("[data-person]")
                .filter(new Locator.FilterOptions()
                        .setHas(asta.getByText(name, new Page.GetByTextOptions().setExact(true))));
    }

    private void toDo(String name, String item) {
        button(asta, "What can be done about " + name).click();
        asta.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(item))
                .click();
    }

    @Test
    public void whoAdministersLetsInHelpsAndLetsOut() {
        Page dorte = door(Look.DAY);
        visit(dorte, newcomer("a student"));
        tell(dorte, "Dorte", "four kites at noon");
        button(dorte, "Join").click();
        assertThat(dorte.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Set up your term")))
                .isVisible();
        visit(asta, address("/administration"));
        assertThat(person("Dorte")).containsText("student");
        assertThat(person("Asta")).containsText("administers this Navlo");
        assertThat(asta.getByText("None can be sent. Set NAVLO_MAIL_HOST")).isVisible();
        assertAccessibleByDayAndNight(asta);
        asta.getByLabel("Find by name or address").fill("dort");
        assertThat(asta.locator("[data-person]")).hasCount(1);

        toDo("Dorte", "Make a way to a new password");
        String way = person("Dorte").getByTitle("The way to a new password").innerText();
        visit(dorte, way);
        fill(dorte, "New password", "five kites at dusk");
        button(dorte, "Set it").click();
        assertThat(button(dorte, "Sign in")).isVisible();
        fill(dorte, "E-mail address", "dorte@holm.example");
        fill(dorte, "Password", "five kites at dusk");
        button(dorte, "Sign in").click();
        assertThat(dorte.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Set up your term")))
                .isVisible();

        toDo("Dorte", "Let them sign in no longer");
        assertThat(person("Dorte")).containsText("Can’t sign in since today");
        reload(dorte);
        assertThat(button(dorte, "Sign in")).isVisible();
        toDo("Dorte", "Let them sign in again");
        assertThat(person("Dorte")).not().containsText("Can’t sign in");
        asta.setViewportSize(PHONE, 740);
        assertEquals(asta.evaluate("document.documentElement.scrollWidth"), PHONE);
    }

    /** A guardian makes an account for a young child, who signs in by name and takes it over one day. */
    @Test
    public void aYoungChildSignsInByNameAndTakesTheAccountOver() {
        Page frida = door(Look.DAY);
        visit(frida, newcomer("a guardian"));
        tell(frida, "Frida", "eight tents by a lake");
        button(frida, "Join").click();
        assertThat(frida.getByText("No student has accepted you yet")).isVisible();
        Locator dialog = menu(frida, "Whose work you see");
        in(dialog, "Make an account for a child").click();
        fill(frida, "The child’s name", "Liv");
        fill(frida, "They sign in as", "liv holm");
        fill(frida, "Their password", "green boots by the pond");
        in(dialog, "Make it").click();
        assertThat(dialog.getByText("Three to forty letters and digits")).isVisible();
        fill(frida, "They sign in as", "liv.holm");
        in(dialog, "Make it").click();
        assertThat(dialog.getByText("signs in as liv.holm")).isVisible();
        assertAccessible(frida);
        in(dialog, "Hand it over: the account of Liv").click();
        String link = dialog.getByTitle("The link to take it over").innerText();
        reload(frida);
        Locator kept = menu(frida, "Whose work you see");
        assertThat(kept.getByText("You keep their account.")).isVisible();
        assertThat(in(kept, "See the work of Liv no longer")).hasCount(0);

        Page liv = door(Look.IN_HAND);
        fill(liv, "E-mail address", "liv.holm");
        fill(liv, "Password", "green boots by the pond");
        button(liv, "Sign in").click();
        assertThat(liv.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Set up your term")))
                .isVisible();
        assertThat(menu(liv, "You, and how you read times").getByText("You sign in as liv.holm."))
                .isVisible();

        visit(liv, link);
        assertThat(liv.getByRole(AriaRole.HEADING)).hasText("Liv, it is yours now");
        assertAccessibleByDayAndNight(liv);
        fill(liv, "E-mail address", "liv@holm.example");
        fill(liv, "Password", "nine green boots by a pond");
        button(liv, "Take it over").click();
        assertThat(button(liv, "Sign in")).isVisible();
        fill(liv, "E-mail address", "liv@holm.example");
        fill(liv, "Password", "nine green boots by a pond");
        button(liv, "Sign in").click();
        assertThat(menu(liv, "Who may see your work").getByText("frida@holm.example"))
                .isVisible();
        reload(frida);
        assertThat(in(menu(frida, "Whose work you see"), "See the work of Liv no longer"))
                .isVisible();
    }

    @Test
    public void aGuardianAsksAndTheStudentAnswersFromAnyPage() {
        Page gro = door(Look.DAY);
        visit(gro, newcomer("a guardian"));
        tell(gro, "Gro", "ten snails on a wall");
        button(gro, "Join").click();
        Locator hers = menu(gro, "Whose work you see");
        fill(gro, "Their address, with which they sign in", "asta@holm.example");
        in(hers, "Ask").click();
        assertThat(hers.getByText("You asked asta@holm.example; no answer yet."))
                .isVisible();

        visit(asta, address("/s/1/work"));
        assertThat(asta.getByText("A guardian asks")).isVisible();
        button(asta, "Answer").click();
        assertAccessible(asta);
        in(dialog(asta), "Let them: Gro sees your work").click();
        assertThat(dialog(asta).getByText("Gro asks to see your work")).hasCount(0);
        asta.keyboard().press("Escape");
        assertThat(asta.getByText("A guardian asks")).hasCount(0);
        visit(gro, address("/"));
        assertThat(gro.getByRole(AriaRole.BANNER)).containsText("Asta");
        Locator people = menu(asta, "Who may see your work");
        in(people, "End that Gro sees your work").click();
        in(people, "End it").click();
        assertThat(people.getByText("Gro", new Locator.GetByTextOptions().setExact(true)))
                .hasCount(0);
    }

    /** Said with the invitation, changed in the list: what isn't shown has no view, and its address says why. */
    @Test
    public void theStudentSaysWhatAGuardianSees() {
        Locator people = menu(asta, "Who may see your work");
        people.getByLabel("words and files").last().uncheck();
        in(people, "Invite a guardian").click();
        String link = people.locator("code").innerText();
        in(people, "I have it").click();
        assertThat(people.getByText("who sees work and grades, messages")).isVisible();
        Page holger = door(Look.DAY);
        visit(holger, link);
        tell(holger, "Holger", "rain on a tin roof");
        button(holger, "Join").click();
        Locator views = holger.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Views"));
        assertThat(views).containsText("Standing");
        assertThat(views.getByText("Feedback")).hasCount(0);
        visit(holger, address("/s/1/feedback"));
        assertThat(holger.getByText("Asta doesn’t show you words and files")).isVisible();
        assertAccessibleByDayAndNight(holger);

        reload(asta);
        Locator again = menu(asta, "Who may see your work");
        Locator row = again.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Holger"));
        assertThat(row.getByLabel("words and files")).not().isChecked();
        row.getByLabel("words and files").click();
        assertThat(row.getByLabel("words and files")).isChecked();
        assertAccessible(asta);
        reload(holger);
        assertThat(views.getByText("Feedback")).isVisible();
        in(again, "End that Holger sees your work").click();
        in(again, "End it").click();
        assertThat(row).hasCount(0);
    }

    /** Everything is deleted in a week, unless it is taken back: from the dialog, and from the line on every page. */
    @Test
    public void whoLeavesTypesTheWordAndCanStay() {
        Page eva = door(Look.DAY);
        visit(eva, newcomer("a student"));
        tell(eva, "Eva", "six lamps in a row");
        button(eva, "Join").click();
        Locator dialog = menu(eva, "You, and how you read times");
        assertThat(dialog.getByText("First take everything with you")).isVisible();
        fill(eva, "Type “delete” to leave", "yes");
        in(dialog, "Leave Navlo").click();
        assertThat(dialog.getByText("Type the word delete.")).isVisible();
        fill(eva, "Type “delete” to leave", "delete");
        in(dialog, "Leave Navlo").click();
        assertThat(in(dialog, "Stay")).isVisible();
        assertAccessible(eva);
        eva.keyboard().press("Escape");
        assertThat(eva.getByText("You leave.")).isVisible();
        reload(eva);
        assertThat(eva.getByText("You leave.")).isVisible();
        assertThat(eva.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Set up your term")))
                .isVisible();
        assertAccessibleByDayAndNight(eva);
        button(eva, "Stay").click();
        assertThat(eva.getByText("You leave.")).hasCount(0);
    }

    /** A guardian of two begins with both, and goes from one to the other without leaving the view. */
    @Test
    public void whoSeesTwoStudentsBeginsWithBothOfThem() {
        Page gerd = door(Look.DAY);
        visit(gerd, invitation());
        tell(gerd, "Gerd", "seven wet umbrellas");
        button(gerd, "Join").click();
        assertThat(gerd.getByRole(AriaRole.BANNER)).containsText("Asta");

        String account = newcomer("a student");
        Page erik = door(Look.DAY);
        visit(erik, account);
        tell(erik, "Erik", "bicycle up the stairs");
        button(erik, "Join").click();
        assertThat(erik.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Set up your term")))
                .isVisible();
        Locator his = menu(erik, "Who may see your work");
        in(his, "Invite a guardian").click();
        visit(gerd, his.locator("code").innerText());
        button(gerd, "Accept as Gerd").click();

        assertThat(gerd).hasURL(Pattern.compile("/household$"));
        assertThat(gerd.locator("[data-student]")).hasCount(2);
        assertThat(gerd.locator("[data-student]").first()).containsText("Nothing is missing that can still be had.");
        assertAccessibleByDayAndNight(gerd);
        gerd.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Erik").setExact(true))
                .click();
        assertThat(gerd.getByRole(AriaRole.BANNER)).containsText("Erik");
        gerd.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Pace").setExact(true))
                .click();
        assertThat(gerd).hasURL(Pattern.compile("/pace$"));
        gerd.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("choose another student")))
                .click();
        gerd.getByRole(AriaRole.MENUITEMRADIO, new Page.GetByRoleOptions().setName("Asta"))
                .click();
        assertThat(gerd.getByRole(AriaRole.BANNER)).containsText("Asta");
        assertThat(gerd).hasURL(Pattern.compile("/pace$"));
        gerd.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("choose another student")))
                .click();
        gerd.getByRole(AriaRole.MENUITEMRADIO, new Page.GetByRoleOptions().setName("All students"))
                .click();
        assertThat(gerd.locator("[data-student]")).hasCount(2);
    }

    @Test
    public void whoHasAnAccountJoinsWithIt() {
        String account = newcomer("a guardian");
        visit(asta, address("/s/1/start"));
        Page carl = door(Look.DAY);
        visit(carl, account);
        tell(carl, "Carl", "three barrels of rain");
        button(carl, "Join").click();
        assertThat(carl.getByText("No student has accepted you yet")).isVisible();

        visit(carl, invitation());
        button(carl, "Accept as Carl").click();
        assertThat(carl.getByRole(AriaRole.BANNER)).containsText("Asta");
        Locator sees = menu(carl, "Whose work you see");
        in(sees, "See the work of Asta no longer").click();
        assertThat(carl.getByText("No student has accepted you yet")).isVisible();
    }

    @Test
    public void oneEndsOnesSignInsAndChangesThePassword() {
        Page other = door(Look.DAY);
        fill(other, "E-mail address", "asta@holm.example");
        fill(other, "Password", PASSWORD);
        button(other, "Sign in").click();
        assertThat(other.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Set up your term")))
                .isVisible();
        Locator places = menu(asta, "Password and sign-ins");
        assertThat(places.getByText("Chrome on Linux, this one")).isVisible();
        fill(asta, "Password now", "not this one");
        fill(asta, "New password", PASSWORD + " again");
        in(places, "Change the password").click();
        assertThat(places.getByText("This isn't your password now.")).isVisible();
        fill(asta, "Password now", PASSWORD);
        fill(asta, "New password", PASSWORD + " again");
        in(places, "Change the password").click();
        assertThat(notice(asta, "Your password is changed")).isVisible();
        assertThat(places.getByRole(AriaRole.LISTITEM)).hasCount(1);
        assertAccessible(asta);
        reload(other);
        assertThat(button(other, "Sign in")).isVisible();
        fill(asta, "Password now", PASSWORD + " again");
        fill(asta, "New password", PASSWORD);
        in(places, "Change the password").click();
        assertThat(asta.getByLabel("New password")).hasValue("");
    }
}
