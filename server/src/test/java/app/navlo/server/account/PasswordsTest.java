package app.navlo.server.account;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.Random;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What may be a password, how it is kept, and what a sign-in says of itself. */
public class PasswordsTest {
    private static final LongPasswords PASSWORDS = new LongPasswords();
    private static final PasswordRules RULES = new PasswordRules();

    /** A password, and whether somebody called Asta Holm may have it. */
    @DataProvider
    public static Object[][] rules() {
        return new Object[][] {
            {"", false},
            {"nine char", false},
            {"correct horse", true},
            {"asta.holm1", false},
            {"astaholm2026", false},
            {"abcdefghij", false},
            {"0000000000", false},
            {"letmeinletmein", false},
            {"mild grey owl", true},
            {"måne over myr", true},
            {"море и маяк", true},
            {"🦉🌲🦊🌙🪵🐝🌾🍄🦔🌊", true},
            {"🦉🦉🦉🦉🦉🦉🦉🦉🦉🦉", false},
            {"y".repeat(200) + "z", false},
            {"owl ".repeat(50), false},
            {"thirteen owls beside the weir and a heron over the meadow", true},
        };
    }

    @Test(dataProvider = "rules")
    public void aPasswordIsLongEnoughAndNotGuessedFirst(String password, boolean may) {
        assertEquals(
                RULES.fault("password", password, List.of("Asta Holm", "asta.holm@example.org"))
                        .isEmpty(),
                may,
                RULES.fault("password", password, List.of("Asta Holm")).toString());
    }

    /** Ten letters outside of the basic plane are ten, not twenty; and two hundred of them are not too many. */
    @Test
    public void lettersAreCountedAsTheyAreSeen() {
        assertFalse(RULES.fault("password", "🦉🌲🦊🌙🪵", List.of()).isEmpty());
        assertTrue(RULES.fault("password", "🦉🌲🦊🌙🪵🐝🌾🍄🦔🌊".repeat(20), List.of())
                .isEmpty());
    }

    @Test
    public void everyHashIsAnotherAndFitsItsPasswordAlone() {
        String hash = PASSWORDS.encode("mild grey owl");
        assertNotEquals(PASSWORDS.encode("mild grey owl"), hash, "salted");
        assertTrue(PASSWORDS.matches("mild grey owl", hash));
        assertFalse(PASSWORDS.matches("mild grey owl ", hash));
        assertFalse(PASSWORDS.matches("Mild grey owl", hash));
        assertFalse(PASSWORDS.matches("", hash));
        assertTrue(hash.length() <= 255, "it fits its column");
        assertTrue(hash.startsWith("{digest}$2a$10$"), "1,024 rounds: " + hash);
    }

    /** Of long passwords that differ in one letter only, wherever it is. */
    @Test
    public void aLetterFarBackCountsLikeTheFirst() {
        Random random = new Random(7);
        String password = "thistle and burdock ".repeat(9);
        String hash = PASSWORDS.encode(password);
        for (int i = 0; i < 6; i++) {
            int at = 60 + random.nextInt(password.length() - 60);
            String other = password.substring(0, at) + '#' + password.substring(at + 1);
            assertFalse(PASSWORDS.matches(other, hash), "letter " + at);
        }
        assertTrue(PASSWORDS.matches(password, hash));
    }

    /** Who had a password before still has it; one that BCrypt would have cut short is none. */
    @Test
    public void hashesOfBeforeStillMatch() {
        String old = new BCryptPasswordEncoder().encode("garden-gate-24");
        assertTrue(PASSWORDS.matches("garden-gate-24", old));
        assertFalse(PASSWORDS.matches("garden-gate-25", old));
        String cut = new BCryptPasswordEncoder().encode("x".repeat(72));
        assertFalse(PASSWORDS.matches("x".repeat(72) + "y", cut));
    }

    @DataProvider
    public static Object[][] browsers() {
        String webkit = "AppleWebKit/537.36 (KHTML, like Gecko) ";
        return new Object[][] {
            {"Mozilla/5.0 (X11; Linux x86_64) " + webkit + "Chrome/156.0.0.0 Safari/537.36", "Chrome on Linux"},
            {"Mozilla/5.0 (Windows NT 10.0) " + webkit + "Chrome/150 Safari/537.36 Edg/150", "Edge on Windows"},
            {"Mozilla/5.0 (Windows NT 10.0; rv:140.0) Gecko/20100101 Firefox/140.0", "Firefox on Windows"},
            {"Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X) Version/19 Safari/605", "Safari on an iPhone"},
            {"Mozilla/5.0 (Macintosh; Intel Mac OS X 15_1) Version/19 Safari/605", "Safari on a Mac"},
            {"Mozilla/5.0 (Linux; Android 16) " + webkit + "Chrome/150 Mobile Safari/537.36", "Chrome on Android"},
            {"Mozilla/5.0 (X11; CrOS x86_64) " + webkit + "Chrome/150 Safari/537.36", "Chrome on a Chromebook"},
            {"Java-http-client/17.0.15", "A program"},
            {"backup-script (Linux)", "A program on Linux"},
            {"", "A program"},
        };
    }

    @Test(dataProvider = "browsers")
    public void aBrowserIsSaidInWords(String agent, String words) {
        assertEquals(Browser.words(agent), words);
    }

    @DataProvider
    public static Object[][] spans() {
        return new Object[][] {{0, false}, {89, false}, {90, false}, {91, true}, {400, true}};
    }

    @Test(dataProvider = "spans")
    public void aSignInLastsNinetyDays(int days, boolean over) {
        assertEquals(LongestSignIn.isOver(1_000, 1_000 + Duration.ofDays(days).toMillis()), over);
    }
}
