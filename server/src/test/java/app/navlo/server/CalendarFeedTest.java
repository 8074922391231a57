package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import biweekly.Biweekly;
import biweekly.ICalVersion;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.component.VTodo;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The calendar that goes out, read by another library than the one that wrote it. */
public class CalendarFeedTest extends DemoServer {
    private static final String FEED = STUDENT + "/calendar-feed";

    private String path(TestClient client) {
        String address = client.post(FEED, "").json().get("address").asString();
        return address.substring(address.indexOf("/calendar/"));
    }

    @Test
    public void everyPieceOfWorkIsAToDoAndTheSittingsAreThoseOfThePlan() {
        TestClient mira = mira();
        String path = path(mira) + "?as=TODOS";
        TestClient.Answer answer = new TestClient(port).get(path);
        assertEquals(answer.status(), 200, "whoever knows the address needs no sign-in");
        assertTrue(answer.raw().headers().firstValue("content-type").orElse("").startsWith("text/calendar"));
        List<ICalendar> calendars = Biweekly.parse(answer.body()).all();
        assertEquals(calendars.size(), 1);
        // The library calls the standard's own IN-PROCESS by another name.
        ICalendar checked = Biweekly.parse(answer.body().replace("IN-PROCESS", "IN-PROGRESS"))
                .first();
        assertEquals(checked.validate(ICalVersion.V2_0).toString(), "", "it keeps to the standard");

        Map<String, VTodo> toDos = new HashMap<>();
        calendars.get(0).getTodos().forEach(toDo -> toDos.put(toDo.getUid().getValue(), toDo));
        JsonNode works = board(mira).get("works");
        Map<String, VEvent> events = new HashMap<>();
        calendars.get(0).getEvents().forEach(event -> events.put(event.getUid().getValue(), event));
        for (JsonNode work : works) {
            String uid = "work-" + work.get("id").asLong() + "@navlo";
            if (work.get("endsAt").isString()) {
                assertEquals(
                        events.get(uid).getDateStart().getValue().toInstant().toString(),
                        work.get("due").asString());
                assertEquals(
                        events.get(uid).getDateEnd().getValue().toInstant().toString(),
                        work.get("endsAt").asString());
                assertFalse(toDos.containsKey(uid), "what happens at its time is nothing to do");
                continue;
            }
            VTodo toDo = toDos.get("work-" + work.get("id").asLong() + "@navlo");
            assertEquals(toDo.getSummary().getValue(), work.get("title").asString());
            boolean redo = work.get("move").asString().equals("YOURS")
                    && !work.get("redo").isNull();
            boolean due =
                    redo ? work.at("/redo/due").isString() : !work.get("due").isNull();
            assertEquals(toDo.getDateDue() != null, due, work.toString());
        }
        VTodo draft = toDos.get(
                "work-" + work(mira, "Planting plan, sheet 2").get("id").asLong() + "@navlo");
        assertEquals(draft.getStatus().getValue(), "IN-PROCESS");
        assertEquals(draft.getDateDue().getValue().toInstant(), Instant.parse("2026-11-24T17:00:00Z"));

        List<String> sittings = new ArrayList<>();
        for (VEvent event : calendars.get(0).getEvents()) {
            if (event.getUid().getValue().startsWith("sitting-")) {
                sittings.add(event.getDateStart().getValue().toInstant() + "/"
                        + event.getDateEnd().getValue().toInstant());
            }
        }
        List<String> planned = mira.get(STUDENT + "/next")
                .json()
                .get("moves")
                .valueStream()
                .flatMap(move -> move.get("sittings").valueStream())
                .map(one -> one.get("start").asString() + "/" + one.get("end").asString())
                .toList();
        assertEquals(
                sittings.stream().sorted().toList(), planned.stream().sorted().toList());
        long closes = calendars.get(0).getEvents().stream()
                .filter(event -> event.getUid().getValue().startsWith("close-"))
                .count();
        assertEquals(closes, 2);
    }

    @Test
    public void aCalendarThatIsAsItWasIsNotSentAgain() {
        String path = path(mira());
        TestClient anybody = new TestClient(port);
        String tag = anybody.get(path).raw().headers().firstValue("etag").orElseThrow();
        assertEquals(anybody.send("GET", path, "", "If-None-Match", tag).status(), 304);
    }

    @Test
    public void aNewAddressShutsTheOldOneAndNobodyElseIsToldIt() {
        TestClient mira = mira();
        String first = path(mira);
        String second = path(mira);
        assertNotEquals(second, first);
        assertEquals(new TestClient(port).get(first).status(), 404);
        assertEquals(new TestClient(port).get(second).status(), 200);
        JsonNode asGuardian = tobias().get(FEED).json();
        assertTrue(asGuardian.get("address").isNull(), asGuardian.toString());
        assertEquals(tobias().post(FEED, "").status(), 403);
        assertEquals(mira.send("DELETE", FEED, "").status(), 200);
        assertEquals(new TestClient(port).get(second).status(), 404);
        assertEquals(
                new TestClient(port).get("/calendar/" + "0".repeat(64) + ".ics").status(), 404);
    }

    private List<VEvent> dues(String path) {
        return Biweekly.parse(new TestClient(port).get(path).body()).first().getEvents().stream()
                .filter(event -> event.getUid().getValue().startsWith("work-"))
                .toList();
    }

    private static Instant alarm(VEvent event) {
        assertEquals(event.getAlarms().size(), 1);
        long before = event.getAlarms().get(0).getTrigger().getDuration().toMillis();
        return event.getDateStart().getValue().toInstant().plusMillis(before);
    }

    /** By the effort and the free hours rather than by the clock: small work has a later alarm than large work with the same due. */
    @Test
    public void anAlarmComesInTimeToStillDoItAndNeverByNight() {
        String path = path(mira());
        assertTrue(dues(path).stream().allMatch(event -> event.getAlarms().isEmpty()), "none unless asked for");
        List<VEvent> told = dues(path + "?reminders=true").stream()
                .filter(event -> !event.getAlarms().isEmpty())
                .toList();
        assertTrue(told.size() > 5, "many: " + told.size());
        for (VEvent event : told) {
            Instant due = event.getDateStart().getValue().toInstant();
            int hour = alarm(event).atZone(ZoneId.of("Europe/Copenhagen")).getHour();
            String what = event.getSummary().getValue() + " at " + alarm(event);
            assertTrue(hour >= 7 && hour < 22, what);
            assertFalse(alarm(event).isAfter(due), what);
        }
        long spans = told.stream()
                .map(event -> Duration.between(
                        alarm(event), event.getDateStart().getValue().toInstant()))
                .distinct()
                .count();
        assertTrue(spans > 3, "each by its own work: " + spans);
        assertTrue(dues(path + "?alarm=60").stream()
                .filter(event -> !event.getAlarms().isEmpty())
                .allMatch(event -> alarm(event)
                        .equals(event.getDateStart().getValue().toInstant().minusSeconds(3600))));
    }
}
