package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.work.Stage;
import app.navlo.core.work.Timing;
import app.navlo.core.work.Turn;
import java.util.Arrays;
import java.util.Set;
import java.util.TreeSet;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

public class BoardTest extends DemoServer {
    private static Set<String> seen(JsonNode board, String field) {
        Set<String> seen = new TreeSet<>();
        board.get("works").forEach(work -> seen.add(work.get(field).asString()));
        return seen;
    }

    private static Set<String> names(Enum<?>[] values) {
        return new TreeSet<>(Arrays.stream(values).map(Enum::name).toList());
    }

    @Test
    public void theDemoShowsEveryStageTimingAndMove() {
        JsonNode board = board(mira());
        assertTrue(board.at("/counts/total").asInt() >= 70);
        assertEquals(board.get("courses").size(), 6);
        assertEquals(seen(board, "stage"), names(Stage.values()));
        assertEquals(seen(board, "timing"), names(Timing.values()));
        assertEquals(seen(board, "move"), names(Turn.values()));
    }

    @Test
    public void theFiveMovesAddUpToTheTotal() {
        JsonNode counts = board(mira()).get("counts");
        int sum = counts.get("yours").asInt()
                + counts.get("teachers").asInt()
                + counts.get("settled").asInt()
                + counts.get("notYet").asInt()
                + counts.get("outOfReach").asInt();
        assertEquals(sum, counts.get("total").asInt());
    }

    /** Worksheet 8 loses its next two points at midnight; sheet 2 is due before that. */
    @Test
    public void theBoardSaysWhenTheClockAloneWillChangeIt() {
        assertEquals(board(mira()).get("nextChange").asString(), "2026-11-24T17:00:00Z");
        JsonNode next = work(mira(), "Worksheet 8").get("next");
        assertEquals(next.get("at").asString(), "2026-11-24T23:00:00Z");
    }

    @Test
    public void theTidelineCountsTheMinutesOfTheDay() {
        JsonNode tide = board(mira()).get("tide");
        assertEquals(tide.size(), 29);
        JsonNode today = tide.get(7);
        assertEquals(today.get("day").asString(), "2026-11-24");
        assertEquals(today.get("openMinutes").asInt(), 10);
        assertEquals(today.get("freeMinutes").asInt(), 90 + 150);
        assertEquals(tide.get(10).at("/closes/0/name").asString(), "Mid-term grading close");
    }

    @Test
    public void aTeachersFlagAgainstTheClockIsShownWithBoth() {
        JsonNode work = work(mira(), "Soil lab 5");
        assertEquals(work.get("flag").asString(), "MISSING");
        assertEquals(work.get("timing").asString(), "LATE");
        assertTrue(work.get("flagDiffers").asBoolean() && work.get("missing").asBoolean());
    }

    @Test
    public void aGuardianSeesTheSameBoardAndMayNotWrite() {
        JsonNode mira = board(mira());
        JsonNode tobias = board(tobias());
        assertEquals(tobias.get("works"), mira.get("works"));
        assertTrue(mira.get("mayWrite").asBoolean() && !tobias.get("mayWrite").asBoolean());
    }
}
