package app.navlo.server.account;

import app.navlo.server.problem.Refusal.Fault;
import com.nulabinc.zxcvbn.Feedback;
import com.nulabinc.zxcvbn.Strength;
import com.nulabinc.zxcvbn.Zxcvbn;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What a password must be: long enough, and none that is guessed first. */
@Component
public class PasswordRules {
    private static final int SHORTEST = 10;
    private static final int LONGEST = 200;
    /** Of 0 to 4: guessed with less than about a hundred million tries. */
    private static final int ENOUGH = 2;
    /** Guessing looks at no more: longer ones are good by their length. */
    private static final int LOOKED_AT = 100;

    private final Zxcvbn zxcvbn = new Zxcvbn();

    /**
     * @param field that the fault is about
     * @param about what others know of the person, which a guess begins with: name, address
     * @return what is wrong with it; empty if nothing is
     */
    public Optional<Fault> fault(String field, String password, List<String> about) {
        int letters = password.codePointCount(0, password.length());
        if (letters < SHORTEST || letters > LONGEST) {
            return Optional.of(new Fault(
                    field, "Choose a password of " + SHORTEST + " to " + LONGEST + " characters, in any script."));
        }
        Strength strength =
                zxcvbn.measure(password.substring(0, Math.min(LOOKED_AT, password.length())), wordsOf(about));
        return strength.getScore() >= ENOUGH
                ? Optional.empty()
                : Optional.of(new Fault(field, words(strength.getFeedback())));
    }

    /** Each word of what is known, and all of it run together, as people write themselves in passwords. */
    private static List<String> wordsOf(List<String> about) {
        List<String> words = new ArrayList<>();
        for (String known : about) {
            String[] parts = known.split("[^\\p{L}\\p{N}]+");
            words.addAll(List.of(parts));
            words.add(String.join("", parts));
            words.add(known.replaceFirst("@.*", ""));
        }
        words.removeIf(word -> word.length() < 3);
        return words;
    }

    private static String words(Feedback feedback) {
        String why = feedback.getWarning();
        return (why == null || why.isBlank() ? "It is among the first that are guessed." : sentence(why))
                + " Some words that don't belong together are easy to remember and hard to guess.";
    }

    private static String sentence(String text) {
        return text.endsWith(".") ? text : text + ".";
    }
}
