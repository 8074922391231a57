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

    private static JsonNode move(JsonNode next, long work) {
        return next.get("moves")
                .valueStream()
                .filter(move -> move.get("work").asLong() == work)
                .findFirst()
                .orElseThrow();
    }

    /** Through midnight, and off the free hours: it is the student's word, and what it costs is said. */
    @Test
    public void aMoveIsNailedToAnHourAndLetGoAgain() {
        TestClient mira = mira();
        JsonNode before = next(mira, "");
        long essay = work(mira, "Soil essay, second").get("id").asLong();
        String hour = "2026-11-25T18:00:00Z";
        TestClient.Answer nailed =
                wish(mira, essay, "{\"kind\":\"NAILED\",\"notBefore\":\"" + hour + "\",\"before\":null}");
        assertEquals(nailed.status(), 200, nailed.body());
        JsonNode next = next(mira, "");
        JsonNode move = move(next, essay);
        assertEquals(move.get("nailed").asString(), hour);
        assertEquals(move.at("/sittings/0/start").asString(), hour);
        assertEquals(move.get("sittings").size(), 1);
        assertEquals(move.at("/because/kind").asString(), "WISHED");
        assertTrue(next.get("prices").size() > 0);
        Instant from = Instant.parse(hour);
        Instant until = Instant.parse(move.at("/sittings/0/end").asString());
        for (JsonNode other : next.get("moves")) {
            for (JsonNode sitting : other.get("sittings")) {
                boolean apart = !Instant.parse(sitting.get("end").asString()).isAfter(from)
                        || !Instant.parse(sitting.get("start").asString()).isBefore(until);
                assertTrue(apart || other.get("work").asLong() == essay, other.toString());
            }
        }
        assertEquals(
                wish(mira, essay, "{\"kind\":\"NAILED\",\"notBefore\":null,\"before\":null}")
                        .status(),
                422);
        assertEquals(
                wish(mira, essay, "{\"kind\":\"NONE\",\"notBefore\":null,\"before\":null}")
                        .status(),
                200);
        assertTrue(move(next(mira, ""), essay).get("nailed").isNull());
        int planned = new HashSet<>(planned(next(mira, ""))).size();
        assertTrue(planned >= planned(before).size(), "no less is planned than before: " + planned);
    }

    @Test
    public void itIsSaidWhatTheOtherWayRoundWouldCost() {
        TestClient mira = mira();
        List<Long> order = planned(next(mira, ""));
        long first = order.get(0);
        JsonNode swap = mira.get(NEXT + "/swaps?work=" + order.get(3) + "&before=" + first)
                .json();
        assertTrue(swap.get("fall").asString().matches("-?\\d+\\.\\d\\d"), swap.toString());
        swap.get("losers")
                .forEach(loser -> assertTrue(order.contains(loser.get("work").asLong())));
        TestClient.Answer itself = mira.get(NEXT + "/swaps?work=" + first + "&before=" + first);
        assertEquals(itself.json().at("/faults/0/field").asString(), "before");
        TestClient.Answer none = mira.get(NEXT + "/swaps?work=99999&before=" + first);
        assertEquals(none.status(), 422);
        assertEquals(none.json().at("/faults/0/field").asString(), "work");
    }

    /** Less time never keeps more, and an evening without any loses what had to be in by then. */
    @Test
    public void anHourLessHasItsPrice() {
        TestClient mira = mira();
        double hour = fall(mira.get(NEXT + "/shorter-days?minutes=60").json());
        JsonNode none = mira.get(NEXT + "/shorter-days?minutes=1440").json();
        assertTrue(fall(none) >= hour - 0.2, hour + " and " + none);
        long sheet = work(mira, "Planting plan, sheet 2").get("id").asLong();
        assertTrue(
                none.get("losers")
                        .valueStream()
                        .anyMatch(loser -> loser.get("work").asLong() == sheet),
                none.toString());
        assertEquals(mira.get(NEXT + "/shorter-days?minutes=0").status(), 422);
    }

    private static double fall(JsonNode instead) {
        return Double.parseDouble(instead.get("fall").asString());
    }

    @Test
    public void howSureEachMoveIsIsSaidAndWhatIsExpectedOfAll() {
        JsonNode next = next(mira(), "");
        JsonNode share = next.get("share");
        assertTrue(share.get("low").asInt() <= share.get("mean").asInt());
        assertTrue(share.get("mean").asInt() <= share.get("high").asInt()
                && share.get("high").asInt() <= 100);
        for (JsonNode move : next.get("moves")) {
            assertTrue(
                    List.of("VERY_LIKELY", "LIKELY", "AT_RISK")
                            .contains(move.get("likely").asString()),
                    move.toString());
        }
    }
}
