package app.navlo.server.screen;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Nobody but the page writes its styles: what its own parts write bears the number of the answer. */
public class PolicyScreenTest extends Screen {
    private static final Pattern STYLES = Pattern.compile("style-src 'self' 'nonce-([\\w-]{20,})';");

    @DataProvider
    public static Object[][] addresses() {
        return new Object[][] {{"/"}, {"/s/1/work"}, {"/household"}, {"/nowhere/at/all"}};
    }

    @Test(dataProvider = "addresses")
    public void eachPageHasANumberOfItsOwnThatItsPolicyKnows(String path) {
        Page page = mira("/s/1/next");
        String before = number(page, path);
        assertNotEquals(number(page, path), before);
    }

    /** @return that of the policy, which the page has too */
    private String number(Page page, String path) {
        Response answer = page.navigate(address(path));
        Matcher policy = STYLES.matcher(answer.headerValue("Content-Security-Policy"));
        assertTrue(policy.find(), answer.headerValue("Content-Security-Policy"));
        assertEquals(page.locator("meta[name=styles]").getAttribute("content"), policy.group(1));
        return policy.group(1);
    }

    @Test
    public void answersThatAreNoPagesAllowNoStyleOfAnybody() {
        Page page = mira("/s/1/next");
        Response answer = page.navigate(address("/mark.svg"));
        assertTrue(answer.headerValue("Content-Security-Policy").contains("style-src 'self';"));
    }

    @Test
    public void aStyleThatGotIntoThePageDoesNothing() {
        Page page = mira("/s/1/work");
        page.evaluate("""
                () => {
                  document.head.append(Object.assign(document.createElement('style'), { textContent: 'h1 { opacity: 0.5 }' }));
                  const text = '<h1 style="opacity: 0.25">Work</h1>';
                  document.querySelector('h1').innerHTML += text;
                }
                """);
        assertEquals(
                page.evaluate(
                        "() => [...document.querySelectorAll('h1')].map((one) => getComputedStyle(one).opacity).join()"),
                "1,1");
        assertEquals(refused.size(), 2, refused.toString());
        refused.clear();
    }

    /** The page behind a dialog doesn't scroll; notices stand where they stood. */
    @Test
    public void whatItsPartsWriteHolds() {
        Page page = mira("/s/1/notes");
        button(page, "Add a note to the course").first().click();
        dialog(page).getByLabel("Note").fill("Wellingtons on Wednesdays.");
        assertEquals(page.evaluate("() => getComputedStyle(document.body).overflow"), "hidden");
        button(page, "Add the note").click();
        Object place = notice(page, "Added a note")
                .evaluate("one => getComputedStyle(one.closest('[data-sonner-toaster]')).position");
        assertEquals(place, "fixed");
        assertEquals(
                page.evaluate(
                        "() => getComputedStyle(document.querySelector('[data-sonner-toast]')).fontFamily === getComputedStyle(document.body).fontFamily"),
                true,
                "it is written as everything else is");
    }
}
