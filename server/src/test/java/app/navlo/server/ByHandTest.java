package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Scores, hand-ins and changes written down by hand, for one piece of work or many: one request, one undo. */
@Import(CountedQueries.class)
@TestPropertySource(properties = "navlo.own=ByHandTest")
public class ByHandTest extends OwnServer {
    private List<Long> add(long course, String title, int many, int daysAgo) {
        String works = IntStream.rangeClosed(1, many)
                .mapToObj(i -> TermTest.work(course, title + " " + i)
                        .replaceFirst(
                                "\"dueDay\":\"[^\"]*\"",
                                "\"dueDay\":\"" + LocalDate.now().minusDays(daysAgo) + "\""))
                .collect(Collectors.joining(","));
        ok(asta.post(STUDENT + "/works/several", "{\"works\":[" + works + "]}"));
        return board().get("works")
                .valueStream()
                .filter(work -> work.get("title").asString().startsWith(title))
                .map(work -> work.get("id").asLong())
                .toList();
    }

    private static Map<String, Object> together(List<Long> works, String deed, Object value) {
        Map<String, Object> form = new HashMap<>(Map.of("works", works, "back", false, "remove", false, "read", false));
        form.put(deed, value);
        return form;
    }

    private static Map<String, Object> edit(String field, Object value) {
        Map<String, Object> edit = new HashMap<>(Map.of("clear", List.of()));
        edit.put(field, value);
        return edit;
    }

    @Test
    public void whatWasDoneElsewhereStandsAtItsDueAndComesBackAndIsUndoneAsOne() {
        List<Long> ids = add(addCourse("Paper"), "Sketchbook", 3, 20);
        assertTrue(work("Sketchbook 1").get("missing").asBoolean());
        JsonNode done = post("/works/together", together(ids, "done", Map.of("when", "AT_ITS_DUE")));
        JsonNode sketch = work("Sketchbook 1");
        assertEquals(sketch.get("stage").asString(), "TURNED_IN");
        assertEquals(sketch.get("timing").asString(), "ON_TIME");
        assertEquals(sketch.get("handedInAt"), sketch.get("due"));
        assertEquals(board().get("slow").size(), 0, "what is reported afterwards is nobody's slowness");
        JsonNode back = post("/works/together", together(ids, "back", true));
        assertEquals(work("Sketchbook 2").get("move").asString(), "SETTLED");
        undo(back);
        undo(done);
        assertTrue(work("Sketchbook 3").get("missing").asBoolean());
        JsonNode late = post("/works/together", together(ids, "done", Map.of("when", "LATE")));
        assertEquals(work("Sketchbook 1").get("timing").asString(), "LATE");
        undo(late);
        assertEquals(
                asta.post(STUDENT + "/works/together", JSON.writeValueAsString(together(ids, "back", true)))
                        .status(),
                409,
                "nothing of it is with the teacher");
    }

    private JsonNode addTold(long course, String title, String past) {
        LocalDate today = LocalDate.now();
        String works = Stream.of(today.minusDays(9), today.minusDays(2), today.plusDays(5))
                .map(due -> TermTest.work(course, title + " " + today.until(due, ChronoUnit.DAYS))
                        .replaceFirst("\"dueDay\":\"[^\"]*\"", "\"dueDay\":\"" + due + "\""))
                .collect(Collectors.joining(","));
        TestClient.Answer added = asta.post(STUDENT + "/works/several", "{\"works\":[" + works + "]" + past + "}");
        assertEquals(added.status(), 201, added.body());
        return added.json();
    }

    @Test
    public void whatIsTypedAndOverIsHandedInAsItsWriterSays() {
        long course = addCourse("Typed");
        addTold(course, "Silent", "");
        assertTrue(work("Silent -9").get("missing").asBoolean(), "nobody said that it was handed in");
        JsonNode onTime = addTold(course, "Diary", ",\"past\":\"AT_ITS_DUE\"");
        JsonNode diary = work("Diary -9");
        assertEquals(diary.get("timing").asString(), "ON_TIME");
        assertEquals(diary.get("handedInAt"), diary.get("due"));
        assertEquals(work("Diary -2").get("stage").asString(), "TURNED_IN");
        assertEquals(work("Diary 5").get("stage").asString(), "ASSIGNED", "it isn't over");
        addTold(course, "Slow", ",\"past\":\"LATE\"");
        assertEquals(work("Slow -9").get("timing").asString(), "LATE");
        String old = TermTest.work(course, "Old").replaceFirst("\"dueDay\":\"[^\"]*\"", "\"dueDay\":\"2026-01-09\"");
        ok(asta.post(STUDENT + "/works?past=AT_ITS_DUE", old));
        assertEquals(work("Old").get("timing").asString(), "ON_TIME");
        int before = board().at("/counts/total").asInt();
        undo(onTime);
        assertEquals(board().at("/counts/total").asInt(), before - 3, "one change, hand-ins and all");
        assertEquals(
                asta.post(
                                STUDENT + "/works/several",
                                "{\"works\":[" + TermTest.work(course, "Odd") + "],\"past\":\"SOON\"}")
                        .status(),
                400);
    }

    @Test
    public void scoresAreWrittenDownAsOneWritesThem() {
        long course = addCourse("Scored");
        List<Long> ids = add(course, "Quiz", 4, 5);
        List<Map<String, Object>> scores = new ArrayList<>();
        String[] texts = {"18", "17/20", "85 %", "EX"};
        for (int i = 0; i < texts.length; i++) {
            scores.add(Map.of("work", ids.get(i), "text", texts[i]));
        }
        JsonNode written = post("/works/scores", Map.of("scores", scores));
        assertEquals(work("Quiz 1").at("/score/points").asString(), "18");
        assertEquals(work("Quiz 2").at("/score/points").asString(), "17");
        assertEquals(work("Quiz 3").at("/score/points").asString(), "17");
        assertEquals(work("Quiz 4").get("stage").asString(), "EXCUSED");
        undo(written);
        assertTrue(work("Quiz 1").at("/score/points").isNull());
        TestClient.Answer refused = asta.post(
                STUDENT + "/works/scores",
                JSON.writeValueAsString(Map.of(
                        "scores",
                        List.of(
                                Map.of("work", ids.get(0), "text", "12"),
                                Map.of("work", ids.get(1), "text", "very good")))));
        assertEquals(refused.status(), 422, refused.body());
        assertTrue(refused.body().contains("scores[1].text"), refused.body());
        assertTrue(work("Quiz 1").at("/score/points").isNull(), "all of it or nothing");
    }

    @Test
    public void whatTheStudentSetIsNotOverwrittenAndWhatASourceSaysOtherwiseIsKeptBeside() {
        String table = "Title,Course,Due,Score,Points possible\nEssay,Rhetoric,2030-01-10,,20\n";
        ok(Imports.apply(asta, Imports.look(asta, "rhetoric.csv", table)));
        long essay = work("Essay").get("id").asLong();
        post("/works/together", together(List.of(essay), "edit", edit("dueDay", "2030-01-12")));
        post("/works/scores", Map.of("scores", List.of(Map.of("work", essay, "text", "18"))));
        String later = "Title,Course,Due,Score,Points possible\nEssay,Rhetoric,2030-01-11,15,20\n";
        JsonNode preview = Imports.look(asta, "rhetoric.csv", later);
        assertEquals(Imports.row(preview, "Essay").get("status").asString(), "CONFLICTING");
        ok(Imports.apply(asta, preview));
        assertEquals(work("Essay").get("dueDay").asString(), "2030-01-12");
        assertEquals(work("Essay").at("/score/points").asString(), "18");
        String records = asta.get(STUDENT + "/records").body();
        assertTrue(records.contains("15"), records);
    }

    @Test
    public void workThatAFileBroughtIsChangedAndRemovedLikeAnyOther() {
        ok(Imports.apply(
                asta, Imports.look(asta, "g.csv", "Title,Course,Due\nTerrarium,Glass,2030-02-01\nTotal,Glass,\n")));
        assertFalse(board().toString().contains("\"Total\""), "a total is no work");
        List<Long> id = List.of(work("Terrarium").get("id").asLong());
        JsonNode edited = post("/works/together", together(id, "edit", edit("possible", "25")));
        assertEquals(work("Terrarium").at("/score/possible").asString(), "25");
        undo(edited);
        JsonNode removed = post("/works/together", together(id, "remove", true));
        assertFalse(board().toString().contains("Terrarium"));
        JsonNode again = Imports.look(asta, "g.csv", "Title,Course,Due\nTerrarium,Glass,2030-02-01\n");
        assertEquals(Imports.row(again, "Terrarium").get("status").asString(), "ASIDE", "it isn't brought back");
        undo(removed);
        assertTrue(board().toString().contains("Terrarium"));
    }

    @Test
    public void fiveHundredCostNoMoreStatementsThanOne() {
        long course = addCourse("Many");
        List<Long> ids = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            ids = add(course, "Card " + i, 180, 3);
        }
        List<Long> all = board().get("works")
                .valueStream()
                .filter(work -> work.get("title").asString().startsWith("Card"))
                .map(work -> work.get("id").asLong())
                .limit(500)
                .toList();
        assertEquals(all.size(), 500);
        Map<String, Object> deeds = Map.of(
                "effort", Map.of("minutes", 25),
                "edit", edit("category", "Cards"),
                "note", Map.of("body", "Look at it again"));
        deeds.forEach((deed, value) -> {
            long one = CountedQueries.fewest(() -> post("/works/together", together(all.subList(0, 1), deed, value)));
            for (int many : new int[] {5, 50, 500}) {
                assertEquals(
                        CountedQueries.fewest(
                                () -> post("/works/together", together(all.subList(0, many), deed, value))),
                        one,
                        deed + " of " + many);
            }
        });
    }

    /** After a write everything is read anew: in as many questions for two hundred pieces as for five. */
    @Test
    public void aLookAfterAWriteCostsNoMoreStatementsHoweverMuchThereIs() {
        long course = addCourse("Few");
        long leaf = add(course, "Leaf", 5, 3).get(0);
        Map<String, Long> few = looks(leaf);
        add(course, "Twig", 195, 3);
        Map<String, Long> many = looks(leaf);
        // A plan that is another than the one that was held is written down.
        few.forEach((path, count) -> assertTrue(many.get(path) <= count + 1, few + " then " + many));
        assertTrue(few.values().stream().allMatch(count -> count < 70), few.toString());
    }

    /** That somebody is here is written down once in ten minutes; a lookup of who asks isn't held up by a write. */
    @Test
    public void aLookWritesNothing() {
        for (String path : List.of("/api/session", STUDENT + "/board", STUDENT + "/feedback", STUDENT + "/pace")) {
            asta.get(path);
            assertEquals(CountedQueries.writes(() -> ok(asta.get(path))), 0, path);
        }
    }

    private Map<String, Long> looks(long work) {
        Map<String, Long> counts = new TreeMap<>();
        for (String path : List.of("/board", "/works/" + work, "/next", "/feedback", "/pace")) {
            counts.put(path, CountedQueries.fewest(() -> {
                post("/works/together", together(List.of(work), "effort", Map.of("minutes", 25)));
                ok(asta.get(STUDENT + path));
            }));
        }
        return counts;
    }
}
