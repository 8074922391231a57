package app.navlo.server.account;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Instance;
import app.navlo.server.store.Keyring;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** How people come to be here: the mode of this Navlo, and the code with which the first one signs up. */
@Component
public class SignUp {
    /** Without those that are taken for one another. */
    private static final String LETTERS = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";

    private static final int LENGTH = 8;

    private final Instance instance;
    private final SignUpMode mode;
    private final String code;

    SignUp(
            Instance instance,
            @Value("${navlo.sign-up:first}") String mode,
            @Value("${navlo.first-code:}") String code,
            @Value("${navlo.key:}") String key,
            Keyring keyring) {
        this.instance = instance;
        this.mode = mode(mode);
        this.code = !code.isBlank() ? code.strip() : key.isBlank() ? random() : ofKey(keyring);
    }

    /** The same at each instance that has the key. */
    private static String ofKey(Keyring keyring) {
        StringBuilder made = new StringBuilder();
        keyring.sign("first", "code")
                .chars()
                .limit(LENGTH)
                .forEach(sign -> made.append(LETTERS.charAt(sign % LETTERS.length())));
        return made.toString();
    }

    private static SignUpMode mode(String text) {
        try {
            return SignUpMode.valueOf(text.strip().toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException unknown) {
            throw new IllegalArgumentException(
                    "NAVLO_SIGN_UP is '" + text + "'; it may be first, invited or open", unknown);
        }
    }

    private static String random() {
        SecureRandom random = new SecureRandom();
        StringBuilder made = new StringBuilder();
        while (made.length() < LENGTH) {
            made.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
        }
        return made.toString();
    }

    public SignUpMode mode() {
        return mode;
    }

    /** Whether nobody has signed up yet. */
    public boolean isFirst() {
        return instance.isWithoutFirst();
    }

    /** With which the first person signs up; it stands beside the line that says that Navlo is ready. */
    public String code() {
        return code;
    }

    /** @throws Refusal if it isn't the code that was printed */
    public void check(@Nullable String given) {
        if (!MessageDigest.isEqual(bytes(String.valueOf(given)), bytes(code))) {
            throw Refusal.invalid(
                    "code", "This isn't the code. It stands where Navlo was started, beside “Navlo is ready”.");
        }
    }

    /** However it is typed. */
    private static byte[] bytes(String code) {
        return code.strip().toUpperCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8);
    }
}
