package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The views by name, and what of the narrowing goes along from one to the next. */
public class ViewsModuleTest extends Modules {
    private String names(String expression) {
        return say(expression + ".map((view) => view.name).join(', ')");
    }

    @Test
    public void everyViewHasAKeyOfItsOwn() {
        assertEquals(say("new Set(views.viewsOf(1).map((view) => view.key)).size === views.viewsOf(1).length"), "true");
        assertEquals(say("views.viewsOf(7).every((view) => view.path.startsWith('/s/7/'))"), "true");
    }

    @Test
    public void whoIsShownNoWordsHasNoViewOfThemAlone() {
        assertEquals(
                names("views.viewsOf(1, false).filter((view) => !view.aside)"),
                "Next, Work, Timeline, Standing, Leeway, Pace, Links");
        assertEquals(
                names(
                        "views.viewsOf(1).filter((view) => !views.viewsOf(1, false).some((one) => one.name === view.name))"),
                "Feedback, Files");
    }

    @DataProvider
    public static Object[][] ways() {
        return new Object[][] {
            {"Timeline", "/s/1/work", "?course=2", "/s/1/timeline?course=2"},
            {"Work", "/s/1/timeline", "?course=2", "/s/1/work?course=2"},
            {"Next", "/s/1/work", "?course=2", "/s/1/next"},
            {"Work", "/s/1/next", "?course=2", "/s/1/work"},
            {"Work", "/s/1/work/12", "", "/s/1/work"},
        };
    }

    @Test(dataProvider = "ways")
    public void whatTheWorkIsNarrowedToGoesAlongBetweenThoseThatShowItNarrowed(
            String to, String from, String search, String address) {
        assertEquals(
                say("views.addressOf(views.viewsOf(1).find((view) => view.name === '" + to + "'), { pathname: '" + from
                        + "', search: '" + search + "' }, 1)"),
                address);
    }
}
