package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What an open browser is given to tell: what its person chose, all of it that stands, and nothing while it is quiet. */
public class OpenBrowserTest extends DemoServer {
    private static final String NOTICES = "/api/people/me/notices";
    private static final String WORDS = "/api/people/me/words";
    private static final String BY_NIGHT = "\"quietFrom\":\"22:00\",\"quietUntil\":\"07:00\"";

    /** All that would be told until tomorrow's minute is told in today's: 16:20, which it is in the demo. */
    private static final String HARDLY = "\"quietFrom\":\"16:21\",\"quietUntil\":\"16:20\"";

    private static void choose(TestClient who, boolean losses, boolean asked, String quiet) {
        TestClient.Answer chosen = who.send(
                "PUT",
                NOTICES,
                "{\"losses\":" + losses + ",\"asked\":" + asked + ",\"scores\":false,\"weekDay\":null," + quiet + "}");
        assertEquals(chosen.status(), 200, chosen.body());
    }

    private static List<String> kinds(TestClient who) {
        return who.get(WORDS)
                .json()
                .valueStream()
                .map(word -> word.get("kind").asString())
                .distinct()
                .toList();
    }

    @AfterMethod
    public void nothingIsChosen() {
        choose(mira(), false, false, BY_NIGHT);
        choose(tobias(), false, false, BY_NIGHT);
    }

    @Test
    public void whoChoseNothingIsToldNothing() {
        assertEquals(anders().get(WORDS).json().size(), 0);
        assertEquals(kinds(mira()), List.of());
    }

    @Test
    public void whatStandsIsGivenAgainAtEachLook() {
        TestClient mira = mira();
        choose(mira, true, false, HARDLY);
        JsonNode first = mira.get(WORDS).json();
        assertTrue(first.size() > 0, "something is about to be lost at " + first);
        assertEquals(kinds(mira), List.of("LOSS"));
        assertEquals(mira.get(WORDS).json(), first, "a browser keeps what it told");
        for (JsonNode word : first) {
            assertEquals(word.get("student").asLong(), MIRA);
            assertFalse(word.get("line").asString().isBlank());
        }
        long keys = first.valueStream()
                .map(word -> word.get("key").asString())
                .distinct()
                .count();
        assertEquals(keys, first.size(), "each has a name of its own");
    }

    @DataProvider
    public static Object[][] quiets() {
        return new Object[][] {
            {"\"quietFrom\":\"16:00\",\"quietUntil\":\"17:00\"", true},
            {HARDLY, false},
            {"\"quietFrom\":\"16:20\",\"quietUntil\":\"16:19\"", true},
        };
    }

    /** It is 16:20 in the demo. */
    @Test(dataProvider = "quiets")
    public void nothingIsGivenWhileItIsQuiet(String quiet, boolean isQuiet) {
        TestClient mira = mira();
        choose(mira, true, true, quiet);
        assertEquals(kinds(mira).isEmpty(), isQuiet, quiet);
    }

    /** A guardian is told of nothing but what is lost for good, of each of their students by name. */
    @Test
    public void aGuardianIsToldOfWhatIsLostForGood() {
        TestClient tobias = tobias();
        choose(tobias, true, true, BY_NIGHT);
        for (JsonNode word : tobias.get(WORDS).json()) {
            assertEquals(word.get("kind").asString(), "LOSS");
            assertTrue(
                    word.get("line").asString().matches("(Mira|Anders) Solheim: .*nothing is taken any more.*"),
                    word.toString());
        }
    }
}
