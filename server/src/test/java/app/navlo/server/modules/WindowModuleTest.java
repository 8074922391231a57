package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The window that looks through the timeline: twenty days of time, 1000 pixels wide, ten days seen at once; instants in days. */
public class WindowModuleTest extends Modules {
    private static final String WINDOW = """
            (() => {
              const D = 24 * 60 * 60_000;
              const frame = { start: 0, end: 20 * D, width: 1000, usual: 10 * D };
              const at = (day) => looking.looking(day * D, frame, 500);
              const go = (state, ...actions) => actions.reduce((one, action) => looking.moveWindow(one, action, frame), state);
              const scroll = (left, top = 0) => ({ type: 'scrolled', left, top, height: 500 });
              const days = (ms) => ms === null ? null : Math.round((ms / D) * 1000) / 1000;
              return %s;
            })()
            """;

    private String window(String expression) {
        return say(WINDOW.formatted(expression));
    }

    /** How much is seen after zooms by some factors, in days. */
    @DataProvider
    public static Object[][] zooms() {
        return new Object[][] {
            {"1", "10"},
            {"0.5", "5"},
            {"0.5, 0.5", "2.5"},
            {"0.01", "1"},
            {"4", "20"},
            {"4, 0.5", "10"},
        };
    }

    @Test(dataProvider = "zooms")
    public void oneSeesNoLessThanADayAndNoMoreThanThereIs(String factors, String seen) {
        assertEquals(
                window("days(looking.seenOf(go(at(10), ...[" + factors
                        + "].map((factor) => ({ type: 'zoomed', factor, from: null, left: 500 }))).span, frame))"),
                seen);
    }

    /** Wherever the pointer is, and however far it zooms: what stood under it still does. */
    @Test
    public void theInstantUnderThePointerStaysUnderIt() {
        String off = """
                (() => {
                  let most = 0;
                  for (const factor of [0.2, 0.7, 0.9, 1.1, 1.6])
                    for (const from of [0, 130, 500, 999])
                      for (const left of [0, 220, 640, 1000]) {
                        const before = at(10);
                        const instant = looking.scaleOf(before.span, frame).invert(left + from);
                        const after = go(before, { type: 'zoomed', factor, from, left });
                        const x = looking.scaleOf(after.span, frame)(instant) - looking.scrollOf(after, frame);
                        most = Math.max(most, Math.abs(x - from));
                      }
                  return most;
                })()
                """;
        assertTrue(Double.parseDouble(window(off)) < 1e-6);
    }

    @Test
    public void withoutAPointerTheMiddleStays() {
        String middle = "(() => { const after = go(at(10), { type: 'zoomed', factor: 0.5, from: null, left: 500 });"
                + " return [days(after.centre), looking.scrollOf(after, frame), days(after.said.at), days(after.said.span)]; })()";
        assertEquals(window(middle), "[10,1500,10,5]");
    }

    @Test
    public void scrollingSaysWhereOneIsAndALittleDrawsNothingNew() {
        assertEquals(window("days(go(at(10), scroll(600)).said.at)"), "11");
        assertEquals(window("go(at(10), scroll(500)).said"), "null", "it is there already");
        String same =
                "(() => { const one = go(at(10), scroll(500)); return go(one, scroll(610)).spot === one.spot; })()";
        assertEquals(window(same), "true");
        assertEquals(window("go(at(10), scroll(730, 250)).spot"), "{\"left\":720,\"top\":240,\"height\":500}");
    }

    @Test
    public void homeIsNowAndTheScrollThatFollowsSaysNothing() {
        assertEquals(window("go(at(15), { type: 'home', at: 10 * D }).said.at"), "null");
        String cut = "(() => { const home = go(at(15), { type: 'home', at: 10 * D });"
                + " const after = go(home, scroll(480)); return [after.said === home.said, days(after.centre), after.led]; })()";
        assertEquals(window(cut), "[true,9.8,false]");
        assertEquals(window("days(go(at(15), { type: 'home', at: 10 * D }, scroll(500), scroll(600)).said.at)"), "11");
    }

    @Test
    public void whatTheAddressNamesIsGoneToFromTheUsualDistance() {
        String there = "(() => { const after = go(at(5), { type: 'zoomed', factor: 0.5, from: 10, left: 0 },"
                + " { type: 'named', at: 12 * D }); return [after.span, days(after.centre), after.hold, after.jumps]; })()";
        assertEquals(window(there), "[null,12,null,1]");
    }

    /** Rows stay while one moves a little, follow where one moves far, and are exact once it rests. */
    @Test
    public void rowsFollowWhatIsSeen() {
        String follow = "days(go(at(10), { type: 'followed', left: %s, rests: %s }).edge)";
        assertEquals(window("days(at(10).edge)"), "5");
        assertEquals(window(follow.formatted("600", "false")), "5");
        assertEquals(window(follow.formatted("600", "true")), "6");
        assertEquals(window(follow.formatted("750", "false")), "7.5");
        assertEquals(window("looking.laidOf(5 * D, null, frame)"), "{\"left\":300,\"right\":1700,\"edge\":500}");
    }

    @Test
    public void aNarrowerWindowKeepsItsMiddle() {
        assertEquals(window("looking.scrollOf(at(10), { ...frame, width: 400 })"), "200");
        assertEquals(window("looking.scrollOf(at(10), frame)"), "500");
    }

    /** Rows 0 to 3 in a list: where the dragged one, over another, would come to stand. */
    @DataProvider
    public static Object[][] drags() {
        return new Object[][] {
            {"null", "[null,null,null,null]"},
            {"{ from: 2, over: null }", "[null,null,\"dragged\",null]"},
            {"{ from: 2, over: 0 }", "[\"above\",null,\"dragged\",null]"},
            {"{ from: 0, over: 3 }", "[\"dragged\",null,null,\"below\"]"},
            {"{ from: 1, over: 1 }", "[null,\"dragged\",null,null]"},
        };
    }

    @Test(dataProvider = "drags")
    public void aDraggedRowShowsWhereItWouldStand(String drag, String marks) {
        assertEquals(say("[0, 1, 2, 3].map((at) => drags.markOf(" + drag + ", at))"), marks);
    }
}
