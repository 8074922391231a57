package app.navlo.school.college;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;

/** A quiz on the course site: what is offered, what an attempt brings, and what is shown of it afterwards. */
public class QuizTest {
    private static final BigDecimal POSSIBLE = new BigDecimal("20");

    private static Quiz quiz(int questions) {
        List<Quiz.Question> all = new ArrayList<>();
        for (int i = 0; i < questions; i++) {
            all.add(new Quiz.Question("Question " + i, "right " + i, List.of("a " + i, "b " + i, "c " + i)));
        }
        return new Quiz(all);
    }

    /** Questions, how many are answered rightly, and the points of 20. */
    @DataProvider
    public static Object[][] attempts() {
        return new Object[][] {
            {1, 0, "0"}, {1, 1, "20"}, {3, 1, "6.7"}, {3, 2, "13.3"}, {4, 3, "15"}, {15, 15, "20"}, {15, 1, "1.3"},
        };
    }

    @Test(dataProvider = "attempts")
    public void eachQuestionIsWorthTheSame(int questions, int right, String points) {
        Quiz quiz = quiz(questions);
        List<String> given = new ArrayList<>();
        for (int i = 0; i < questions; i++) {
            given.add(i < right ? "right " + i : "b " + i);
        }
        assertEquals(quiz.points(given, POSSIBLE).compareTo(new BigDecimal(points)), 0);
        assertEquals(quiz.unanswered(given), List.of());
    }

    @Test
    public void whatIsLeftOutIsNamedByItsNumberAndBringsNothing() {
        List<String> given = List.of("right 0", "", "right 2", "");
        assertEquals(quiz(4).unanswered(given), List.of(2, 4));
        assertEquals(quiz(4).points(given, POSSIBLE).compareTo(BigDecimal.TEN), 0);
    }

    /** Every answer is offered once; the order is the attempt's own and stays while it is taken. */
    @Test
    public void theOrderOfWhatIsOfferedIsTheAttempts() {
        Quiz.Question question = quiz(1).questions().get(0);
        Set<List<String>> orders = new HashSet<>();
        for (int attempt = 1; attempt <= 12; attempt++) {
            List<String> offered = question.offered(attempt);
            assertEquals(offered, question.offered(attempt), "it stays while it is taken");
            assertEquals(Set.copyOf(offered), Set.of("right 0", "a 0", "b 0", "c 0"));
            assertEquals(offered.size(), 4);
            orders.add(offered);
        }
        assertTrue(orders.size() > 2, orders.toString());
    }

    /** Whatever is answered, the points that are released add up to those that were given, but for their rounding. */
    @Test
    public void whatIsReleasedAddsUpToTheScore() {
        Random random = new Random(26);
        for (int i = 0; i < 200; i++) {
            int questions = 1 + random.nextInt(15);
            Quiz quiz = quiz(questions);
            List<String> given = new ArrayList<>();
            for (int at = 0; at < questions; at++) {
                given.add(
                        switch (random.nextInt(3)) {
                            case 0 -> "right " + at;
                            case 1 -> "c " + at;
                            default -> "";
                        });
            }
            ArrayNode released = quiz.released(Quiz.handIn(given).get("answers"), POSSIBLE);
            BigDecimal sum = BigDecimal.ZERO;
            for (int at = 0; at < questions; at++) {
                JsonNode one = released.get(at);
                sum = sum.add(one.get("points").decimalValue());
                assertEquals(one.get("wanted").asString(), "right " + at);
                String shown = given.get(at).isEmpty() ? "No answer" : given.get(at);
                assertEquals(one.get("given").asString(), shown);
            }
            double apart = Math.abs(sum.subtract(quiz.points(given, POSSIBLE)).doubleValue());
            assertTrue(apart < 0.15, questions + " questions, " + apart + " apart");
        }
    }

    @Test
    public void aTeacherWhoDoesntKnowWhatWasAnsweredShowsAFew() {
        assertEquals(quiz(15).some().size(), 5);
        assertEquals(quiz(2).some().size(), 2);
        assertFalse(quiz(1).isEmpty());
        assertTrue(new Quiz(List.of()).isEmpty());
    }

    /** The questions that ship: each has answers to choose from, and none is its own wrong answer. */
    @Test
    public void theQuestionsThatShipCanBeAnswered() {
        CollegeFiles.Read college = CollegeFiles.read(School.THORNMERE);
        int questions = 0;
        for (Item item : college.items()) {
            Quiz quiz = item.quiz();
            for (Quiz.Question question : quiz.questions()) {
                questions++;
                assertTrue(question.wrong().size() >= 2, question.words());
                assertFalse(question.wrong().contains(question.right()), question.words());
                assertNotEquals(question.words(), "");
                assertEquals(
                        Set.copyOf(question.wrong()).size(), question.wrong().size(), question.words());
            }
        }
        assertTrue(questions > 90, questions + " questions");
    }
}
