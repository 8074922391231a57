package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.SimpleJdbcInsert;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The plan that holds while only minutes pass, the same on every device. */
@DirtiesContext
public class HeldPlanTest extends DemoServer {
    /** From here to there the evening's work stops fitting into its hours. */
    private static final int FULL = 14;

    private static final int OVERFULL = 22;

    @Autowired
    JdbcTemplate jdbc;

    private static final int HOUR = 60;
    private static final int DUE = 98;

    private static JsonNode next(TestClient client) {
        return client.get(STUDENT + "/next").json();
    }

    private static List<Long> order(JsonNode next) {
        List<Long> works = new ArrayList<>();
        next.get("moves").forEach(move -> works.add(move.get("work").asLong()));
        return works;
    }

    /** What is asked for and spent, by move. */
    private static List<String> leeways(JsonNode next) {
        List<String> leeways = new ArrayList<>();
        next.get("moves").forEach(move -> leeways.add(String.valueOf(move.get("leeway"))));
        return leeways;
    }

    /** The order if no plan held. */
    private List<Long> madeAnew(TestClient client) {
        List<Map<String, Object>> held = jdbc.queryForList("SELECT * FROM held_plan");
        jdbc.update("DELETE FROM held_plan");
        List<Long> order = order(next(client));
        jdbc.update("DELETE FROM held_plan");
        held.forEach(
                row -> new SimpleJdbcInsert(jdbc).withTableName("held_plan").execute(row));
        return order;
    }

    /** Minute by minute through an hour in which nobody does anything, then until the first due. */
    @Test
    public void inAnIdleHourTheOrderStays() {
        TestClient mira = mira();
        TestClient phone = mira();
        long sheet = work(mira, "Planting plan, sheet 2").get("id").asLong();
        JsonNode first = next(mira);
        List<Long> order = order(first);
        List<String> leeways = leeways(first);
        int changes = 0;
        int firsts = 0;
        for (int minute = 1; minute < DUE; minute++) {
            mira.post("/api/demo/clock", "{\"minutes\":1}");
            if (minute > HOUR && minute % 6 != 0) {
                continue;
            }
            JsonNode next = next(mira);
            List<Long> now = order(next);
            if (now.equals(order)) {
                assertEquals(leeways(next), leeways, "the same leeway at minute " + minute);
            }
            leeways = leeways(next);
            if (minute <= HOUR) {
                changes += now.equals(order) ? 0 : 1;
                firsts += now.get(0).equals(order.get(0)) ? 0 : 1;
            }
            if (minute < DUE - 12) {
                assertEquals((long) now.get(0), sheet, "the hand-in is first at minute " + minute);
            }
            if (minute >= FULL && minute <= OVERFULL) {
                assertEquals((long) madeAnew(mira).get(0), sheet, "made anew, it is first at minute " + minute);
            }
            if (minute % 10 == 0) {
                assertEquals(order(next(phone)), now, "another device sees the same at minute " + minute);
            }
            order = now;
        }
        assertTrue(changes <= 3, changes + " changes of the order");
        assertTrue(firsts <= 1, firsts + " changes of the first move");
    }

    /** A guardian looks and changes nothing; what the student writes down does, and it is said. */
    @Test(dependsOnMethods = "inAnIdleHourTheOrderStays")
    public void whoOnlyLooksTurnsNothingOver() {
        List<Long> order = order(next(mira()));
        assertEquals(order(next(tobias())), order);
        assertEquals(order(next(mira())), order);
        long last = order.get(order.size() - 1);
        TestClient mira = mira();
        mira.post(
                STUDENT + "/works/together",
                "{\"works\":[" + last + "],\"back\":false,\"remove\":false,\"read\":false,"
                        + "\"wish\":{\"kind\":\"FIRST\",\"notBefore\":null,\"before\":null}}");
        JsonNode turned = next(mira);
        assertEquals((long) order(turned).get(0), last);
        assertEquals(turned.at("/turn/kind").asString(), "UP");
        assertEquals(turned.at("/turn/work").asLong(), last);
        assertEquals(next(mira()).get("turn"), turned.get("turn"), "on the other device too");
    }
}
