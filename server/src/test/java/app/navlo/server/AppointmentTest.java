package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What happens at a time: typed in, prepared for, and never handed in. */
@DirtiesContext
public class AppointmentTest extends DemoServer {
    private static TestClient.Answer typed(TestClient mira, String day, String time, String ends) {
        return mira.post(STUDENT + "/works", """
                {"courseId":1,"title":"Oral exam","kind":"TEST","unit":null,"category":"Tests","required":true,"opensDay":null,
                 "dueDay":%s,"dueTime":%s,"endsTime":%s,"possible":"40","effortMinutes":90,"instructions":""}
                """.formatted(day, time, ends));
    }

    @Test
    public void anExamIsTypedInWithItsEndAndPreparingForItIsTheMove() {
        TestClient mira = mira();
        TestClient.Answer done = typed(mira, "\"2026-12-01\"", "\"13:00:00\"", "\"13:30:00\"");
        assertEquals(done.status(), 201, done.body());
        JsonNode exam = work(mira, "Oral exam");
        assertEquals(exam.get("due").asString(), "2026-12-01T12:00:00Z");
        assertEquals(exam.get("endsAt").asString(), "2026-12-01T12:30:00Z");
        JsonNode detail = mira.get(path(exam)).json();
        assertEquals(detail.at("/editable/endsTime").asString(), "13:30:00");
        assertEquals(detail.at("/worth/preparing").asString(), "50");
        assertTrue(detail.at("/worth/extension").isNull(), "what happens at its time has no leeway");
        assertTrue(!detail.get("mayHandIn").asBoolean());
        JsonNode move = mira.get(STUDENT + "/next")
                .json()
                .get("moves")
                .valueStream()
                .filter(one -> one.get("work").equals(exam.get("id")))
                .findFirst()
                .orElseThrow();
        assertEquals(move.get("deed").asString(), "PREPARE");
        assertTrue(move.at("/sittings")
                .valueStream()
                .allMatch(sitting -> sitting.get("end").asString().compareTo("2026-12-01T12:00:00Z") <= 0));
        String together = "{\"works\":[" + exam.get("id")
                + "],\"back\":false,\"remove\":false,\"read\":false,\"preparing\":{\"percent\":\"20\"}}";
        assertEquals(mira.post(STUDENT + "/works/together", together).status(), 200);
        JsonNode own = mira.get(path(exam)).json().get("worth");
        assertEquals(own.get("preparing").asString(), "20");
        assertTrue(own.get("ownPreparing").asBoolean());
        String much = together.replace("\"20\"", "\"120\"");
        assertEquals(mira.post(STUDENT + "/works/together", much).status(), 422);
    }

    @Test
    public void itTakesItsTimeFromTheFreeHours() {
        TestClient mira = mira();
        assertEquals(
                typed(mira, "\"2026-12-05\"", "\"09:30:00\"", "\"11:00:00\"").status(), 201);
        List<JsonNode> over = mira.get(STUDENT + "/next")
                .json()
                .get("free")
                .valueStream()
                .filter(span -> span.get("start").asString().compareTo("2026-12-05T10:00:00Z") < 0
                        && span.get("end").asString().compareTo("2026-12-05T08:30:00Z") > 0)
                .toList();
        assertEquals(over, List.of());
    }

    @Test
    public void anEndWithoutABeginningNamesItsField() {
        TestClient.Answer refused = typed(mira(), "\"2026-12-01\"", "null", "\"13:30:00\"");
        assertEquals(refused.status(), 422);
        assertEquals(refused.json().at("/faults/0/field").asString(), "dueTime");
    }
}
