package app.navlo.core.feedback;

import static org.testng.Assert.assertEquals;

import app.navlo.core.exact.Rational;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** How many questions there were, told by those that are shown. */
public class QuestionsTest {
    private static final OptionalInt UNKNOWN = OptionalInt.empty();

    @DataProvider
    public static Object[][] shown() {
        return new Object[][] {
            {"1 1 1", "15", OptionalInt.of(15)},
            {"1 1 1", "3", OptionalInt.of(3)},
            {"2.5 2.5", "10", OptionalInt.of(4)},
            {"20 20 20", "60", OptionalInt.of(3)},
            {"5 10 15", "30", OptionalInt.of(3)},
            {"5 10", "30", UNKNOWN},
            {"4", "15", UNKNOWN},
            {"10 10", "15", UNKNOWN},
            {"0 0", "15", UNKNOWN},
            {"", "15", UNKNOWN},
            {"0.000001", "99999999", UNKNOWN},
        };
    }

    @Test(dataProvider = "shown")
    public void thePointsTellIt(String worth, String possible, OptionalInt expected) {
        List<Rational> each = Arrays.stream(worth.split(" "))
                .filter(text -> !text.isEmpty())
                .map(Rational::parse)
                .toList();
        assertEquals(Questions.inAll(each, Rational.parse(possible)), expected);
    }
}
