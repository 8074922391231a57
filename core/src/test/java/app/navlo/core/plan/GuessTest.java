package app.navlo.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import app.navlo.core.check.IllegalInput;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** How long work takes, as a guess. */
public class GuessTest {
    @DataProvider
    public static Object[][] normal() {
        return new Object[][] {
            {-3.0, 0.001349898},
            {-1.959964, 0.025},
            {-0.5, 0.308537539},
            {0.0, 0.5},
            {1.0, 0.841344746},
            {1.959964, 0.975},
            {3.0, 0.998650102}
        };
    }

    /** Known to six digits from any table. */
    @Test(dataProvider = "normal")
    public void theNormalDistributionAndItsInverse(double z, double chance) {
        assertEquals(Normal.below(z), chance, 2e-7);
        assertEquals(Normal.quantile(chance), z, 1e-5);
    }

    @Test
    public void halfOfAllTakesNoLongerThanIsSaid() {
        assertEquals(Guess.of(60).left(0.5), 60, 1e-4);
        assertEquals(new Guess(60, 0, 0).left(0.9), 60, 1e-9);
        assertEquals(Guess.of(60).left(0.841344746), 60 * Math.exp(Guess.USUAL_SPREAD), 0.01);
    }

    /** The mean of what is log-normal is above its median. */
    @Test
    public void onAverageItTakesLonger() {
        assertEquals(Guess.of(100).mean(), 100 * Math.exp(0.45 * 0.45 / 2), 2);
    }

    @DataProvider
    public static Object[][] spent() {
        return new Object[][] {{0}, {10}, {30}, {60}, {90}, {200}};
    }

    /** What is spent without being done tells that it is none of the short ones: never less in all, and always something left. */
    @Test(dataProvider = "spent")
    public void whatIsSpentTells(int spent) {
        Guess guess = new Guess(60, 0.45, spent);
        assertTrue(guess.left(0.5) >= 1);
        assertTrue(spent + guess.left(0.5) >= Guess.of(60).left(0.5) - 1e-4);
        double last = 0;
        for (double chance = 0.05; chance < 1; chance += 0.1) {
            assertTrue(guess.left(chance) >= last, "ever more with the chance");
            last = guess.left(chance);
        }
    }

    @Test
    public void whatIsNoGuessIsRefused() {
        assertThrows(IllegalInput.class, () -> new Guess(0, 0.4, 0));
        assertThrows(IllegalInput.class, () -> new Guess(10, -0.1, 0));
        assertThrows(IllegalInput.class, () -> new Guess(10, 0.4, -1));
    }
}
