package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Courses of one's own that are graded by standards or categories: work says by hand what it counts in. */
@TestPropertySource(properties = "navlo.own=OwnGradesTest")
public class OwnGradesTest extends OwnServer {
    private long graded(String name, String kind, List<Map<String, Object>> parts) {
        long course = addCourse(name);
        JsonNode stored = asta.get(STUDENT + "/courses/" + course + "/rules").json();
        ObjectNode rules = (ObjectNode) stored.get("rules").deepCopy();
        ObjectNode grade = (ObjectNode) rules.get("grade");
        grade.put("kind", kind);
        ArrayNode rows = grade.putArray(kind.equals("STANDARDS") ? "standards" : "categories");
        parts.forEach(part -> rows.add(JSON.valueToTree(part)));
        TestClient.Answer saved = put(
                "/courses/" + course + "/rules", rules, stored.get("version").asString());
        assertEquals(saved.status(), 200, saved.body());
        return course;
    }

    private long byStandards(String name) {
        return graded(
                name,
                "STANDARDS",
                List.of(
                        Map.of("name", "Observation", "method", "LATEST"),
                        Map.of("name", "Composition", "method", "LATEST")));
    }

    private static String work(long course, String title, String possible, String more) {
        return TermTest.work(course, title)
                .replace("\"possible\":\"20\"", "\"possible\":" + possible)
                .replaceFirst("}$", more + "}");
    }

    private long add(String form) {
        return ok(asta.post(STUDENT + "/works", form)).get("id").asLong();
    }

    private JsonNode figure(long course, String reading) {
        JsonNode standing = board().get("courses")
                .valueStream()
                .filter(one -> one.get("id").asLong() == course)
                .findFirst()
                .orElseThrow()
                .get("standing");
        return standing.get("readings")
                .valueStream()
                .filter(one -> one.get("reading").asString().equals(reading))
                .findFirst()
                .orElseThrow()
                .get("figure");
    }

    private TestClient.Answer score(long work, String text) {
        return asta.post(STUDENT + "/works/scores", "{\"scores\":[{\"work\":" + work + ",\"text\":\"" + text + "\"}]}");
    }

    @Test
    public void workIsEvidenceOfTheStandardsThatItNames() {
        long art = byStandards("Art");
        JsonNode course = board().get("courses")
                .valueStream()
                .filter(one -> one.get("id").asLong() == art)
                .findFirst()
                .orElseThrow();
        assertEquals(course.get("parts").toString(), "[\"Observation\",\"Composition\"]");
        long sketch = add(work(art, "Sketch", "null", ",\"standards\":[\"Observation\"]"));
        assertEquals(work("Sketch").at("/score/possible").asString(), "4", "a rating is out of 4 where nobody says");
        assertTrue(figure(art, "SO_FAR").isNull());
        ok(score(sketch, "3"));
        assertEquals(figure(art, "CEILING").asString(), "3");
        assertEquals(figure(art, "EXPECTED").asString(), "3");

        long poster = add(work(art, "Poster", "\"20\"", ""));
        assertEquals(figure(art, "CEILING").asString(), "3", "it is evidence of nothing");
        Map<String, Object> edit = Map.of("clear", List.of(), "standards", List.of("Composition"));
        JsonNode done = post(
                "/works/together",
                Map.of("works", List.of(poster), "back", false, "remove", false, "read", false, "edit", edit));
        assertEquals(figure(art, "CEILING").asString(), "3.5");
        assertEquals(work("Poster").at("/score/possible").asString(), "20", "its points stay");
        undo(done);
        assertEquals(figure(art, "CEILING").asString(), "3");
    }

    @Test
    public void whatAFormDoesntSayOfEvidenceStays() {
        long art = byStandards("Drawing");
        long study = add(work(art, "Study", "\"4\"", ",\"standards\":[\"Composition\"],\"extra\":true"));
        String path = STUDENT + "/works/" + study;
        JsonNode form = asta.get(path).json().get("editable");
        assertEquals(form.get("standards").toString(), "[\"Composition\"]");
        assertTrue(form.get("extra").asBoolean());
        ObjectNode other = (ObjectNode) form.deepCopy();
        other.put("title", "Study in ink");
        other.putNull("standards");
        other.putNull("extra");
        String version = work("Study").get("version").asString();
        TestClient.Answer changed = put("/works/" + study, other, version);
        assertEquals(changed.status(), 200, changed.body());
        JsonNode now = asta.get(path).json().get("editable");
        assertEquals(now.get("title").asString(), "Study in ink");
        assertEquals(now.get("standards").toString(), "[\"Composition\"]");
        assertTrue(now.get("extra").asBoolean());
    }

    @Test
    public void extraCreditAddsAndTakesNothing() {
        long maths = addCourse("Maths");
        ok(score(add(work(maths, "Paper", "\"50\"", "")), "40"));
        long bonus = add(work(maths, "Bonus", "null", ",\"extra\":true"));
        assertEquals(figure(maths, "EXPECTED").asString(), "80");
        ok(score(bonus, "5"));
        assertEquals(figure(maths, "EXPECTED").asString(), "90");
    }

    @DataProvider
    public static Object[][] unknownPoints() {
        return new Object[][] {{"17", 422}, {"85 %", 422}, {"17/20", 200}};
    }

    /** Points of nobody knows how many would count as a gift. */
    @Test(dataProvider = "unknownPoints")
    public void aScoreOfUnknownPointsSaysOfHowMany(String text, int status) {
        long course = addCourse("Unknown " + text);
        TestClient.Answer written = score(add(work(course, "Unsaid " + text, "null", "")), text);
        assertEquals(written.status(), status, written.body());
        assertTrue(status == 200 || written.body().contains("of how many points"), written.body());
    }
}
