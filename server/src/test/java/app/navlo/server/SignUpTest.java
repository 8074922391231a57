package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.Test;

/** A Navlo without a demo: the first person signs up, and types in what there is. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT, properties = TestSettings.MEMORY)
public class SignUpTest extends AbstractTestNGSpringContextTests {
    private static final String FORM =
            "{\"name\":\"Ida\",\"email\":\"%s\",\"password\":\"%s\",\"zone\":\"Europe/Oslo\",\"code\":\"FIRST-HERE\"}";

    @LocalServerPort
    private int port;

    @Test
    public void theFirstPersonSignsUpAndStarts() {
        TestClient ida = new TestClient(port);
        assertEquals(ida.get("/api/session").json().get("signUp").asString(), "FIRST");

        TestClient.Answer uncoded = ida.send(
                "POST",
                "/api/people",
                FORM.formatted("ida@example.org", "long-enough").replace("FIRST-HERE", "GUESSED"));
        assertEquals(uncoded.status(), 422, uncoded.body());
        assertEquals(uncoded.json().at("/faults/0/field").asString(), "code");

        TestClient.Answer faulty = ida.send("POST", "/api/people", FORM.formatted("not-an-address", "short"));
        assertEquals(faulty.status(), 422);
        assertTrue(faulty.body().contains("isn't an e-mail address"), faulty.body());
        TestClient.Answer poor = ida.send("POST", "/api/people", FORM.formatted("ida@example.org", "short"));
        assertEquals(poor.json().at("/faults/0/field").asString(), "password", poor.body());

        TestClient.Answer signedUp = ida.send("POST", "/api/people", FORM.formatted("ida@example.org", "long-enough"));
        assertEquals(signedUp.status(), 201, signedUp.body());
        ida.get("/api/session");
        String student = "/api/students/" + signedUp.json().get("id").asLong();
        assertEquals(ida.get(student + "/board").json().at("/counts/total").asInt(), 0);

        TestClient.Answer course = ida.post(
                student + "/courses",
                "{\"name\":\"Botany\",\"teacher\":null,\"zone\":\"Europe/Oslo\",\"colour\":\"fern\"}");
        assertEquals(course.status(), 201, course.body());
        TestClient.Answer work =
                ida.post(student + "/works", work(course.json().get("id").asLong(), "null"));
        assertEquals(work.status(), 201, work.body());
        assertEquals(ida.get(student + "/board").json().at("/counts/yours").asInt(), 1);

        TestClient.Answer inTheGap =
                ida.post(student + "/works", work(course.json().get("id").asLong(), "\"02:30\""));
        assertEquals(inTheGap.status(), 422);
        assertTrue(inTheGap.fault().contains("clocks go forward"), inTheGap.body());

        TestClient second = new TestClient(port);
        second.get("/api/session");
        assertEquals(
                second.send("POST", "/api/people", FORM.formatted("other@example.org", "long-enough"))
                        .status(),
                409);
    }

    private static String work(long course, String time) {
        return """
                {"courseId":%d,"title":"Leaf","kind":"ASSIGNMENT","unit":null,"required":true,"opensDay":null,
                 "dueDay":"2027-03-28","dueTime":%s,"possible":"12.5","effortMinutes":30,"instructions":""}
                """.formatted(course, time);
    }
}
