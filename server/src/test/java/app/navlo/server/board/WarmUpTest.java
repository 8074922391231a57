package app.navlo.server.board;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.server.TestSettings;
import app.navlo.server.store.People;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.Test;

/** Boards made before anybody asks: of some, where there are many, and not for long. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {TestSettings.MEMORY, TestSettings.DEMO, TestSettings.STILL})
public class WarmUpTest extends AbstractTestNGSpringContextTests {
    @Autowired
    private WarmUp atTheStart;

    @Autowired
    private People people;

    @Autowired
    private BoardsOfTheMinute boards;

    @Autowired
    private ServerClock clock;

    private int made(int from, Duration longest) {
        WarmUp warmUp = new WarmUp(people, boards, clock, from, longest);
        warmUp.start();
        return warmUp.made();
    }

    @Test
    public void aNavloOfFewStartsWithout() {
        assertEquals(atTheStart.made(), 0);
        assertTrue(people.newest(10).size() < 50);
    }

    @Test
    public void whereThereAreManyBoardsAreMade() {
        int students = people.newest(10).size();
        assertTrue(students >= 2, "the demo has two students");
        assertEquals(made(students, Duration.ofMinutes(1)), students);
        assertEquals(made(students + 1, Duration.ofMinutes(1)), 0);
    }

    @Test
    public void itEndsWhenItsTimeIsOver() {
        assertEquals(made(1, Duration.ZERO), 0);
    }
}
