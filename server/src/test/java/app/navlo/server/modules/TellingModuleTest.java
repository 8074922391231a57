package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What an open browser tells: each thing once, in one notice. */
public class TellingModuleTest extends Modules {
    private String telling(String expression) {
        return say("""
                (() => {
                  const word = (key, kind = 'LOSS', student = 1) => ({ key, kind, student, line: key + '!' });
                  const untold = (told, standing) => {
                    const [now, next] = telling.untoldOf(told, standing);
                    return now.map((one) => one.key).join(' ') + ' | ' + next.join(', ');
                  };
                  return %s;
                })()
                """.formatted(expression));
    }

    @DataProvider
    public static Object[][] told() {
        return new Object[][] {
            {"[], [word('a'), word('b')]", "a b | 1 a, 1 b"},
            {"['1 a'], [word('a'), word('b')]", "b | 1 a, 1 b"},
            {"['1 a'], [word('a', 'LOSS', 2)]", "a | 2 a"},
            {"['1 a', '1 b'], [word('b')]", " | 1 b"},
            {"['1 a', '1 b'], []", " | 1 a, 1 b"},
        };
    }

    @Test(dataProvider = "told")
    public void eachIsToldOnceAndWhatIsOverIsForgottenButNotWhileItIsQuiet(String given, String expected) {
        assertEquals(telling("untold(" + given + ")"), expected);
    }

    @DataProvider
    public static Object[][] notices() {
        return new Object[][] {
            {"[word('a')]", "Navlo: one thing can’t wait|a!"},
            {"[word('a'), word('b', 'SCORE')]", "Navlo: one thing can’t wait|a!\nb!"},
            {"[word('a'), word('b')]", "Navlo: 2 things can’t wait|a!\nb!"},
            {"[word('a', 'ASKED')]", "Navlo: something new|a!"},
            {"['a', 'b', 'c', 'd', 'e'].map((key) => word(key, 'SCORE'))", "Navlo: 5 new things|a!\nb!\nc!\nand 2 more"
            },
        };
    }

    @Test(dataProvider = "notices")
    public void aNoticeSaysHowManyAndTheFirstOfThem(String words, String expected) {
        assertEquals(
                telling("(() => { const { title, body } = telling.noticeOf(" + words
                        + "); return title + '|' + body; })()"),
                expected);
    }
}
