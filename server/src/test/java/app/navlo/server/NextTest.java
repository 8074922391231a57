package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The plan over HTTP, on the demo student's board. */
public class NextTest extends DemoServer {
    private static final String NEXT = STUDENT + "/next";

    private static JsonNode next(TestClient client, String query) {
        TestClient.Answer answer = client.get(NEXT + query);
        assertEquals(answer.status(), 200, answer.body());
        return answer.json();
    }

    private static List<Long> planned(JsonNode next) {
        List<Long> works = new ArrayList<>();
        next.get("moves").forEach(move -> works.add(move.get("work").asLong()));
        return works;
    }

    private static TestClient.Answer wish(TestClient client, long work, String wish) {
        return client.post(
                STUDENT + "/works/together",
                "{\"works\":[" + work + "],\"back\":false,\"remove\":false,\"read\":false,\"wish\":" + wish + "}");
    }

    @Test
    public void theMovesAndWhatIsLeftOutAreAllThatIsYoursAndNothingTwice() {
        TestClient mira = mira();
        JsonNode next = next(mira, "");
        Set<Long> said = new HashSet<>();
        int yours = 0;
        for (JsonNode move : next.get("moves")) {
            yours += move.get("yours").asBoolean() ? 1 : 0;
            assertTrue(said.add(move.get("work").asLong()), move.toString());
        }
        for (JsonNode left : next.get("left")) {
            yours += left.get("because").asString().equals("SHUT_FOR_GOOD") ? 0 : 1;
            assertTrue(said.add(left.get("work").asLong()), left.toString());
        }
        for (JsonNode inClass : next.get("inClass")) {
            yours++;
            assertTrue(said.add(inClass.asLong()));
        }
        assertEquals(yours, next.get("yours").asInt());
        JsonNode board = mira.get(STUDENT + "/board").json();
        assertEquals(yours, board.at("/counts/yours").asInt());
        assertTrue(
                Double.parseDouble(next.get("withinPercent").asString()) < 10,
                next.get("withinPercent").asString());
    }

    @Test
    public void aDraftThatIsDueWithinHoursComesFirst() {
        TestClient mira = mira();
        long sheet = work(mira, "Planting plan, sheet 2").get("id").asLong();
        JsonNode first = next(mira, "").get("moves").get(0);
        assertEquals(first.get("work").asLong(), sheet, first.toString());
        assertEquals(first.get("deed").asString(), "FINISH_DRAFT");
    }

    @Test
    public void theBudgetIsWhatTodayHasAndNothingMoreIsPlannedIntoIt() {
        TestClient mira = mira();
        JsonNode hour = next(mira, "?minutes=60");
        Instant now = Instant.parse(hour.get("now").asString());
        Instant spent = now.plusSeconds(3_600);
        Instant midnight = Instant.parse("2026-11-24T23:00:00Z");
        for (JsonNode move : hour.get("moves")) {
            for (JsonNode sitting : move.get("sittings")) {
                Instant start = Instant.parse(sitting.get("start").asString());
                assertTrue(start.isBefore(spent) || !start.isBefore(midnight), move.toString());
            }
        }
        JsonNode none = next(mira, "?minutes=0");
        assertFalse(
                Instant.parse(none.at("/moves/0/sittings/0/start").asString()).isBefore(midnight));
        TestClient.Answer wrong = mira.get(NEXT + "?minutes=-5");
        assertEquals(wrong.status(), 422);
        assertTrue(wrong.body().contains("minutes"), wrong.body());
    }

    @Test
    public void aWishIsObeyedSaysItsPriceAndIsUndone() {
        TestClient mira = mira();
        List<Long> before = planned(next(mira, ""));
        List<Long> ready = new ArrayList<>();
        next(mira, "").get("moves").forEach(move -> {
            if (move.get("yours").asBoolean()) {
                ready.add(move.get("work").asLong());
            }
        });
        long last = ready.get(ready.size() / 2);
        TestClient.Answer first = wish(mira, last, "{\"kind\":\"FIRST\",\"notBefore\":null}");
        assertEquals(first.status(), 200, first.body());
        JsonNode wished = next(mira, "");
        assertEquals(planned(wished).get(0), Long.valueOf(last));
        assertTrue(wished.at("/moves/0/first").asBoolean());
        assertFalse(wished.get("prices").isEmpty(), "a wish without its price");
        long change = first.json().get("change").asLong();
        assertEquals(mira.post(STUDENT + "/changes/" + change + "/undo", "").status(), 201);
        assertEquals(planned(next(mira, "")), before);
        assertTrue(next(mira, "").get("prices").isEmpty());
    }

    @Test
    public void whatIsPutOffIsntBegunBeforeAndAWishWithoutItsInstantIsRefused() {
        TestClient mira = mira();
        long work = planned(next(mira, "")).get(1);
        TestClient.Answer wrong = wish(mira, work, "{\"kind\":\"LATER\",\"notBefore\":null}");
        assertEquals(wrong.status(), 422);
        assertTrue(wrong.body().contains("wish.notBefore"), wrong.body());
        Instant until = Instant.parse("2026-11-26T06:00:00Z");
        TestClient.Answer later = wish(mira, work, "{\"kind\":\"LATER\",\"notBefore\":\"" + until + "\"}");
        assertEquals(later.status(), 200, later.body());
        JsonNode next = next(mira, "");
        for (JsonNode move : next.get("moves")) {
            if (move.get("work").asLong() == work) {
                Instant start = Instant.parse(move.at("/sittings/0/start").asString());
                assertFalse(start.isBefore(until), move.toString());
                assertEquals(Instant.parse(move.get("notBefore").asString()), until);
            }
        }
        assertEquals(wish(mira, work, "{\"kind\":\"NONE\",\"notBefore\":null}").status(), 200);
        assertTrue(next(mira, "").get("prices").isEmpty());
    }

    @Test
    public void whatIsMovedUpComesBeforeTheOtherAndNotBeforeItself() {
        TestClient mira = mira();
        List<Long> before = planned(next(mira, ""));
        long other = before.get(0);
        long moved = before.get(1);
        String wish = "{\"kind\":\"BEFORE\",\"before\":%d}";
        assertEquals(wish(mira, moved, wish.formatted(moved)).status(), 422);
        assertEquals(wish(mira, moved, "{\"kind\":\"BEFORE\"}").status(), 422);
        assertEquals(wish(mira, moved, wish.formatted(99_999)).status(), 404);
        TestClient.Answer up = wish(mira, moved, wish.formatted(other));
        assertEquals(up.status(), 200, up.body());
        JsonNode next = next(mira, "");
        List<Long> now = planned(next);
        assertTrue(now.indexOf(moved) < now.indexOf(other), now.toString());
        JsonNode row = next.get("moves").get(now.indexOf(moved));
        assertEquals(row.get("before").asLong(), other);
        assertEquals(row.at("/because/kind").asString(), "WISHED");
        long change = up.json().get("change").asLong();
        assertEquals(mira.post(STUDENT + "/changes/" + change + "/undo", "").status(), 201);
        assertEquals(planned(next(mira, "")), before);
    }

    @Test
    public void aGuardianSeesThePlanAndWishesNothing() {
        TestClient tobias = tobias();
        JsonNode next = next(tobias, "");
        assertFalse(next.get("moves").isEmpty());
        long work = planned(next).get(0);
        assertEquals(
                wish(tobias, work, "{\"kind\":\"FIRST\",\"notBefore\":null}").status(), 403);
    }
}
