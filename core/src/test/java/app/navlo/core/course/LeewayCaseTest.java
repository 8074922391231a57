package app.navlo.core.course;

import static org.testng.Assert.assertEquals;

import app.navlo.core.exact.Rational;
import app.navlo.core.leeway.Bar;
import app.navlo.core.leeway.Choices.Choice;
import app.navlo.core.leeway.Choices.Kind;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class LeewayCaseTest {
    private static final List<Bar> BARRED = List.of(Bar.values()[0]);

    private static Choice choice(Kind kind, int score, boolean barred) {
        return new Choice(kind, 0, null, Rational.of(score), null, barred ? BARRED : List.of(), List.of());
    }

    private static final Choice ASK = choice(Kind.ASK, 14, false);
    private static final Choice ASK_BARRED = choice(Kind.ASK, 14, true);
    private static final Choice TOKENS = choice(Kind.USE_TOKENS, 16, false);
    private static final Choice NOW = choice(Kind.HAND_IN_NOW, 9, false);
    private static final Choice LATE = choice(Kind.LATE_WITHOUT_ASKING, 9, false);
    private static final Choice GO = choice(Kind.LET_GO, 0, false);
    private static final Choice KEY = choice(Kind.OPEN_KEY, 20, false);

    /** The choices of a case; which is best, null for none; what leeway brings beyond being late. */
    @DataProvider
    public static Object[][] cases() {
        return new Object[][] {
            {List.of(), null, 0},
            {List.of(GO), Kind.LET_GO, 0},
            {List.of(ASK_BARRED, NOW, GO, KEY), Kind.HAND_IN_NOW, 0},
            {List.of(NOW, LATE, ASK, GO, KEY), Kind.ASK, 5},
            {List.of(NOW, LATE, ASK, TOKENS, GO), Kind.USE_TOKENS, 7},
            {List.of(NOW, LATE, ASK_BARRED, GO), Kind.HAND_IN_NOW, 0},
            {List.of(ASK, GO), Kind.ASK, 14},
        };
    }

    @Test(dataProvider = "cases")
    public void theBestIsWhatBringsMostAndThePlainestOfThoseThatAreAlike(
            List<Choice> choices, @Nullable Kind best, int brings) {
        LeewayCase one = of(choices);
        assertEquals(one.best().map(Choice::kind).orElse(null), best);
        assertEquals(one.leewayBrings(), Rational.of(brings));
    }

    /** Whatever the order, nothing that can be chosen is worth more than what is called best. */
    @Test
    public void nothingBeatsTheBest() {
        List<Choice> all = new ArrayList<>(List.of(NOW, LATE, ASK, TOKENS, GO, KEY, ASK_BARRED));
        for (int turn = 0; turn < all.size(); turn++) {
            all.add(all.remove(0));
            Rational most = of(all).best().orElseThrow().score();
            assertEquals(most, TOKENS.score());
        }
    }

    private static LeewayCase of(List<Choice> choices) {
        return new LeewayCase(null, Instant.parse("2026-11-26T15:20:00Z"), choices, List.of());
    }
}
