package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** All of a student's time in one answer, and that it says the same as the board. */
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1")
@DirtiesContext
public class TimelineTest extends DemoServer {
    private static JsonNode timeline(TestClient client) {
        TestClient.Answer answer = client.get(STUDENT + "/timeline");
        assertEquals(answer.status(), 200, answer.body());
        return answer.json();
    }

    private static JsonNode told(TestClient client, String title) {
        long id = work(client, title).get("id").asLong();
        return timeline(client)
                .get("works")
                .valueStream()
                .filter(one -> one.get("work").asLong() == id)
                .findFirst()
                .orElseThrow();
    }

    private static Instant instant(JsonNode node, String field) {
        return Instant.parse(node.get(field).asString());
    }

    @Test
    public void everyPieceOfWorkIsInItAndItsNextLossIsTheBoards() {
        TestClient mira = mira();
        JsonNode board = board(mira);
        Map<Long, JsonNode> told = new HashMap<>();
        timeline(mira).get("works").forEach(one -> told.put(one.get("work").asLong(), one));
        assertEquals(told.size(), board.get("works").size());
        int compared = 0;
        for (JsonNode work : board.get("works")) {
            JsonNode span = told.get(work.get("id").asLong());
            boolean open = work.get("move").asString().equals("YOURS");
            if (!open || !work.hasNonNull("next") || span.get("kept").isEmpty()) {
                continue;
            }
            Instant next = instant(work.get("next"), "at");
            boolean ends = span.hasNonNull("ends") && instant(span, "ends").equals(next);
            boolean due = span.hasNonNull("due") && instant(span, "due").equals(next);
            boolean step = span.get("kept")
                    .valueStream()
                    .anyMatch(kept ->
                            kept.hasNonNull("until") && instant(kept, "until").equals(next));
            assertTrue(ends || due || step, work.get("title").asString() + " loses something at " + next);
            compared++;
        }
        assertTrue(compared > 20, "compared " + compared);
    }

    @Test
    public void whatIsKeptFallsStepByStepFromTheDueOnAlsoWhereItIsPast() {
        JsonNode late = told(mira(), "Worksheet 8");
        BigDecimal before = BigDecimal.valueOf(2);
        Instant at = instant(late, "due");
        for (JsonNode kept : late.get("kept")) {
            BigDecimal share = new BigDecimal(kept.get("share").asString());
            assertTrue(share.compareTo(before) < 0, late.toString());
            assertTrue(instant(kept, "until").isAfter(at), late.toString());
            before = share;
            at = instant(kept, "until");
        }
        assertEquals(late.at("/kept/0/share").asString(), "1", "in the grace nothing is lost");
        assertEquals(at, instant(late, "ends"));
        assertEquals(late.get("endedBy").asString(), "GRADING_CLOSE");
    }

    private static Set<Long> numbers(JsonNode list) {
        Set<Long> numbers = new HashSet<>();
        list.forEach(one -> numbers.add(one.asLong()));
        return numbers;
    }

    @Test
    public void roomGatesAndPartsAreTold() {
        TestClient mira = mira();
        assertEquals(told(mira, "Planting plan, sheet 2").get("extended").asString(), "2026-11-26T17:00:00Z");
        assertTrue(told(mira, "Theodolite: first angles").get("tokenDues").size() > 0);
        long seven = work(mira, "Key 7").get("id").asLong();
        Set<Long> waits = new HashSet<>();
        timeline(mira).get("works").forEach(one -> one.get("waitsFor").forEach(id -> waits.add(id.asLong())));
        assertTrue(waits.contains(seven), waits.toString());
        Map<Long, JsonNode> works = new HashMap<>();
        board(mira).get("works").forEach(one -> works.put(one.get("id").asLong(), one));
        int shut = 0;
        for (JsonNode span : timeline(mira).get("works")) {
            JsonNode work = works.get(span.get("work").asLong());
            Set<Long> by = numbers(span.get("shutBy"));
            assertTrue(numbers(span.get("waitsFor")).containsAll(by), span.toString());
            assertTrue(by.isEmpty() || work.get("stage").asString().equals("NOT_OPEN"), work.toString());
            shut += by.size();
        }
        assertTrue(shut > 0, "a gate is shut in the demo");
        long five = work(mira, "Key 5").get("id").asLong();
        assertTrue(
                numbers(told(mira, "Unit test 3").get("shutBy")).contains(five), "handed back, and below its percent");
        JsonNode parts = told(mira, "Seed pricing").get("parts");
        assertEquals(parts.size(), 2);
        JsonNode done = told(mira, "Soil lab 1");
        assertTrue(done.hasNonNull("handedIn") && done.hasNonNull("returned"), done.toString());
        assertTrue(done.get("kept").isEmpty() && done.get("ends").isNull(), "nothing is to be handed in any more");
    }

    @Test
    public void daysAreThoseOfTheTermAndTheirLengthsThoseOfTheClock() {
        TestClient mira = mira();
        JsonNode timeline = timeline(mira);
        JsonNode days = timeline.get("days");
        assertEquals(timeline.get("first").asString(), "2026-09-07");
        assertEquals(days.size(), 103);
        Instant end = null;
        for (JsonNode day : days) {
            assertTrue(end == null || end.equals(instant(day, "starts")), "no gap before " + day.get("day"));
            end = instant(day, "ends");
            long hours = Duration.between(instant(day, "starts"), end).toHours();
            assertEquals(hours, day.get("day").asString().equals("2026-10-25") ? 25 : 24, day.toString());
        }
        long off = days.valueStream().filter(day -> day.hasNonNull("dayOff")).count();
        assertEquals(off, 5, "the autumn break");
        JsonNode tide = board(mira).get("tide");
        for (JsonNode cell : tide) {
            days.valueStream()
                    .filter(day -> day.get("day").equals(cell.get("day")))
                    .forEach(day -> {
                        assertEquals(day.get("freeMinutes"), cell.get("freeMinutes"), day.toString());
                        assertEquals(day.get("needMinutes"), cell.get("openMinutes"), day.toString());
                    });
        }
        assertEquals(timeline.get("closes").size(), 2);
    }

    @Test
    public void hoursAreFreeInClassOrBusyAndNotTwoAtOnce() {
        JsonNode spans = timeline(mira()).get("spans");
        Map<String, Integer> kinds = new HashMap<>();
        for (JsonNode span : spans) {
            kinds.merge(span.get("kind").asString(), 1, Integer::sum);
            assertTrue(instant(span, "start").isBefore(instant(span, "end")), span.toString());
            if (!span.get("kind").asString().equals("FREE")) {
                continue;
            }
            boolean taken = spans.valueStream()
                    .anyMatch(other -> !other.get("kind").asString().equals("FREE")
                            && instant(other, "start").isBefore(instant(span, "end"))
                            && instant(other, "end").isAfter(instant(span, "start")));
            assertTrue(!taken, "free and taken at once: " + span);
        }
        assertTrue(kinds.get("FREE") > 80 && kinds.get("CLASS") > 80, kinds.toString());
    }

    @Test(priority = 1)
    public void workOutsideTheTermMakesTimeLongerAndASlipOfThePenDoesNot() {
        TestClient mira = mira();
        for (String due : new String[] {"2027-04-05", "2062-01-01"}) {
            String form =
                    "{\"courseId\":1,\"title\":\"Far %s\",\"kind\":\"ASSIGNMENT\",\"unit\":null,\"category\":null,"
                                    .formatted(due)
                            + "\"required\":true,\"opensDay\":null,\"dueDay\":\"" + due
                            + "\",\"dueTime\":null,\"possible\":null,\"effortMinutes\":30,\"instructions\":\"\"}";
            assertEquals(mira.post(STUDENT + "/works", form).status(), 201);
        }
        JsonNode timeline = timeline(mira);
        assertTrue(
                timeline.get("last").asString().startsWith("2027-04"),
                timeline.get("last").asString());
        JsonNode change = timeline.get("days")
                .valueStream()
                .filter(day -> day.get("day").asString().equals("2027-03-28"))
                .findFirst()
                .orElseThrow();
        assertEquals(
                Duration.between(instant(change, "starts"), instant(change, "ends"))
                        .toHours(),
                23);
    }
}
