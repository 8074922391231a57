package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What is new after a day of the demo, to two readers, against what the store says happened. */
@TestPropertySource(properties = {TestSettings.MEMORY, "navlo.feeds.follow-clock=false"})
@DirtiesContext
public class NewsTest extends DemoServer {
    private static final JsonMapper JSON = new JsonMapper();
    private static final String NEWS = "/api/news/1";

    @Autowired
    private JdbcClient db;

    private static List<JsonNode> fresh(TestClient reader) {
        List<JsonNode> fresh = new ArrayList<>();
        JsonNode view = reader.get(NEWS).json();
        view.get("items").forEach(item -> {
            if (item.get("isNew").asBoolean()) {
                fresh.add(item);
            }
        });
        assertEquals(view.get("fresh").asInt(), fresh.size());
        return fresh;
    }

    /** And a minute passes, as the clock of the demo stands still. */
    private void seeAllAndGoOn(TestClient reader) {
        seeAll(reader);
        assertEquals(mira().post("/api/demo/clock", "{\"minutes\":1}").status(), 200);
        seeAll(reader);
        assertEquals(mira().post("/api/demo/clock", "{\"minutes\":1}").status(), 200);
    }

    private static void seeAll(TestClient reader) {
        String now = reader.get(NEWS).json().get("now").asString();
        assertEquals(
                reader.send("POST", NEWS + "/all", "{\"until\":\"" + now + "\"}")
                        .status(),
                204);
    }

    private static void mark(TestClient reader, String key, boolean seen) {
        String body = JSON.writeValueAsString(Map.of("items", List.of(key), "seen", seen));
        assertEquals(reader.send("POST", NEWS + "/marks", body).status(), 204);
    }

    private void aDayLater(TestClient mira) {
        assertEquals(mira.post("/api/demo/clock", "{\"minutes\":1440}").status(), 200);
        long site = mira.get(STUDENT + "/links")
                .json()
                .get("links")
                .valueStream()
                .filter(link -> link.get("kind").asString().equals("BOX"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        assertEquals(mira.post(STUDENT + "/links/" + site + "/asking", "").status(), 200);
    }

    /** What the store has that was learnt after an instant and wasn't the student's doing, by kind. */
    private Map<String, Integer> stored(String since) {
        Map<String, Integer> stored = new TreeMap<>();
        db.sql("""
                SELECT kind, COUNT(*) AS many FROM fact
                WHERE student_id = 1 AND actor <> 'STUDENT' AND learnt_at > CAST(:since AS TIMESTAMP(9) WITH TIME ZONE)
                    AND (is_posted IS NULL OR is_posted) AND kind IN ('SCORED', 'FLAGGED', 'EXTENSION_DECLINED',
                        'EXTENSION_GRANTED', 'SENT_BACK', 'RETURNED', 'DUE_MOVED')
                GROUP BY kind
                """).param("since", since).query(row -> {
            stored.put(row.getString("kind"), row.getInt("many"));
        });
        return stored;
    }

    private static Map<String, Integer> told(List<JsonNode> items) {
        Map<String, String> kinds = Map.of(
                "SCORE", "SCORED",
                "FLAG", "FLAGGED",
                "SENT_BACK", "SENT_BACK",
                "RETURNED", "RETURNED",
                "DUE", "DUE_MOVED");
        Map<String, Integer> told = new TreeMap<>();
        for (JsonNode item : items) {
            String kind = item.get("kind").asString();
            String fact = kind.equals("ANSWER")
                    ? item.get("words").asString().contains("declined") ? "EXTENSION_DECLINED" : "EXTENSION_GRANTED"
                    : kinds.get(kind);
            if (fact != null) {
                told.merge(fact, 1, Integer::sum);
            }
        }
        return told;
    }

    @Test
    public void theDaysNewsAreAllThereWithTheirNames() {
        TestClient mira = mira();
        seeAll(mira);
        assertEquals(fresh(mira), List.of());
        String since = mira.get(NEWS).json().get("now").asString();
        aDayLater(mira);
        List<JsonNode> items = fresh(mira);
        assertEquals(told(items), stored(since));
        assertTrue(stored(since).size() >= 3, stored(since).toString());
        String all = items.toString();
        assertTrue(all.contains("Worksheet 11: frost and structure"), all);
        assertTrue(items.stream()
                .anyMatch(item -> item.get("kind").asString().equals("WORK")
                        && item.get("title").asString().contains("Worksheet 11")));
        assertTrue(items.stream()
                .anyMatch(item -> item.get("words").asString().equals("Extension declined")
                        && item.get("title").asString().startsWith("Contours")));
        for (JsonNode item : items) {
            assertFalse(item.get("title").asString().isEmpty(), item.toString());
            assertFalse(item.get("by").asString().isEmpty()
                    && !item.get("kind").asString().equals("CLOSED"));
        }
        List<String> order =
                items.stream().map(item -> item.get("at").asString()).toList();
        assertEquals(order, order.stream().sorted(Comparator.reverseOrder()).toList());
    }

    @Test(dependsOnMethods = "theDaysNewsAreAllThereWithTheirNames")
    public void whatIsAnnouncedIsThereOnceWithWhoSaidIt() {
        TestClient mira = mira();
        JsonNode all = mira.get(STUDENT + "/announcements").json().get("announcements");
        List<String> titles =
                all.valueStream().map(one -> one.get("title").asString()).toList();
        assertTrue(titles.contains("Fresh twigs for Key 7 in the cold room"), titles.toString());
        assertFalse(titles.contains("Candles in the orangery on 10 December"), "it isn't said yet");
        assertEquals(titles.size(), titles.stream().distinct().count(), "each once, however often the school is asked");
        JsonNode frost = all.valueStream()
                .filter(one -> one.get("title").asString().startsWith("The frost plots"))
                .findFirst()
                .orElseThrow();
        assertEquals(frost.get("by").asString(), "Halvor Tarn");
        assertEquals(frost.get("courseId").asLong(), 1);
        assertEquals(frost.get("lastDay").asString(), "2026-11-26");
        assertTrue(
                frost.get("address").asString().matches("http://localhost:\\d+/site/papers/texture-triangle.pdf"),
                "its file");
        assertTrue(fresh(mira).stream()
                .anyMatch(item -> item.get("kind").asString().equals("ANNOUNCEMENT")
                        && item.get("title").asString().startsWith("Fresh twigs")));
        assertEquals(tobias().get(STUDENT + "/announcements").json().get("announcements"), all);
    }

    @Test(dependsOnMethods = "whatIsAnnouncedIsThereOnceWithWhoSaidIt")
    public void twoReadersHaveMarksOfTheirOwn() {
        TestClient mira = mira();
        TestClient tobias = tobias();
        int before = fresh(tobias).size();
        int many = fresh(mira).size();
        assertTrue(before > many, "he looked days ago");
        String key = fresh(mira).get(0).get("key").asString();
        mark(mira, key, true);
        assertEquals(fresh(mira).size(), many - 1);
        assertEquals(fresh(tobias).size(), before);
        seeAll(tobias);
        assertEquals(fresh(tobias).size(), 0);
        assertEquals(fresh(mira).size(), many - 1);
        mark(tobias, key, false);
        assertEquals(
                fresh(tobias).stream().map(item -> item.get("key").asString()).toList(), List.of(key));
        mark(mira, key, false);
        assertEquals(fresh(mira).size(), many);
    }

    @Test(dependsOnMethods = "twoReadersHaveMarksOfTheirOwn")
    public void whatAnotherDeviceDidIsNewHereAndNotThere() {
        TestClient mira = mira();
        seeAllAndGoOn(mira);
        TestClient.Answer added = mira.post(STUDENT + "/works", """
                {"courseId":1,"title":"Sharpen the billhook","kind":"PRACTICE","unit":null,"category":null,"required":false,
                 "opensDay":null,"dueDay":"2026-12-01","dueTime":null,"endsTime":null,"possible":null,"effortMinutes":30,
                 "instructions":""}
                """, "X-Navlo-Device", "phone-of-mira");
        assertEquals(added.status(), 201, added.body());
        assertEquals(news(mira, "phone-of-mira"), List.of());
        assertEquals(news(mira, "desk-of-mira"), List.of("Added Sharpen the billhook"));
    }

    private static List<String> news(TestClient reader, String device) {
        List<String> titles = new ArrayList<>();
        reader.send("GET", NEWS, "", "X-Navlo-Device", device)
                .json()
                .get("items")
                .forEach(item -> {
                    if (item.get("isNew").asBoolean()) {
                        titles.add(item.get("title").asString());
                    }
                });
        return titles;
    }

    @Test(dependsOnMethods = "whatAnotherDeviceDidIsNewHereAndNotThere")
    public void whatIsReadInIsNewAndALotOfItIsOneLine() {
        TestClient mira = mira();
        seeAllAndGoOn(mira);
        JsonNode few = Imports.look(
                mira,
                "few.csv",
                "Title,Course,Due\nGraft a pear,Soil Science,2026-12-04\nMend a wall,Soil Science,2026-12-05\n");
        assertEquals(Imports.apply(mira, few).status(), 201);
        assertEquals(
                fresh(mira).stream()
                        .map(item -> item.get("title").asString())
                        .sorted()
                        .toList(),
                List.of("Graft a pear", "Mend a wall"));
        StringBuilder rows = new StringBuilder("Title,Course,Due\n");
        for (int i = 0; i < 30; i++) {
            rows.append("Log ")
                    .append(i)
                    .append(",Soil Science,2026-12-1")
                    .append(i % 8)
                    .append('\n');
        }
        JsonNode many = Imports.look(mira, "many.csv", rows.toString());
        assertEquals(Imports.apply(mira, many).status(), 201);
        List<JsonNode> news = fresh(mira);
        assertEquals(news.size(), 3);
        assertTrue(changeIn(news).get("title").asString().contains("30 new pieces of work"), news.toString());
    }

    private static JsonNode changeIn(List<JsonNode> news) {
        return news.stream()
                .filter(item -> item.get("kind").asString().equals("CHANGE"))
                .findFirst()
                .orElseThrow();
    }

    @Test(dependsOnMethods = "whatIsReadInIsNewAndALotOfItIsOneLine")
    public void whatIsUndoneIsNoNewsAnyMore() {
        TestClient mira = mira();
        long change = Long.parseLong(changeIn(fresh(mira)).get("key").asString().replace("change ", ""));
        assertEquals(undo(mira, change).status(), 201);
        assertEquals(fresh(mira).size(), 2);
    }
}
