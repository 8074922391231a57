package app.navlo.server;

import static org.testng.Assert.assertEquals;

import app.navlo.school.college.Fault;
import app.navlo.server.http.StandIns;
import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.AfterMethod;
import tools.jackson.databind.JsonNode;

/** A demo whose links are asked when a test says so, not when the clock is moved. */
@TestPropertySource(properties = {TestSettings.MEMORY, "navlo.feeds.follow-clock=false"})
@DirtiesContext
abstract class SchoolServer extends DemoServer {
    static final String LINKS = STUDENT + "/links";
    static final String SITE = "Thornmere course site";
    static final String BOOK = "College gradebook";
    static final String NO_NEWS = "nothing new";

    @Autowired
    StandIns standIns;

    @AfterMethod
    public void healTheSchool() {
        standIns.college().fault(Fault.NONE);
    }

    static JsonNode link(TestClient mira, String name) {
        return mira.get(LINKS)
                .json()
                .get("links")
                .valueStream()
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    static TestClient.Answer ask(TestClient mira, String name) {
        return mira.post(LINKS + "/" + link(mira, name).get("id").asLong() + "/asking", "");
    }

    static void on(TestClient mira, int hours) {
        assertEquals(
                mira.post("/api/demo/clock", "{\"minutes\":" + 60 * hours + "}").status(), 200);
    }

    /** Mira, who has been told all that both systems know by now: each test begins with that, whatever ran before. */
    TestClient settled() {
        TestClient mira = mira();
        for (String name : new String[] {SITE, BOOK}) {
            assertEquals(ask(mira, name).status(), 200);
        }
        return mira;
    }

    /** Moves the clock a day at a time until a system has something to tell. */
    static String newsOf(TestClient mira, String name) {
        for (int day = 0; day < 14; day++) {
            on(mira, 24);
            String news = ask(mira, name).json().get("news").asString();
            if (!news.equals(NO_NEWS)) {
                return news;
            }
        }
        throw new AssertionError("two weeks without news of " + name);
    }

    static List<String> titles(TestClient mira) {
        List<String> titles = new ArrayList<>();
        board(mira).get("works").forEach(work -> titles.add(work.get("title").asString()));
        return titles;
    }

    /** @return the change that undoes it */
    static long undone(TestClient mira, long change) {
        TestClient.Answer undone = undo(mira, change);
        assertEquals(undone.status(), 201, undone.body());
        return undone.json().get("change").asLong();
    }
}
