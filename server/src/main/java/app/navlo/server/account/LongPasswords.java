package app.navlo.server.account;

import app.navlo.server.store.Sha256;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import org.jspecify.annotations.Nullable;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.AbstractValidatingPasswordEncoder;

/**
 * Passwords in any script and of any length. BCrypt reads no more than 72 bytes, so that it is given a digest of the whole; and
 * what looks the same is the same, whatever keyboard it was typed on (NFKC). Hashes of before, of short passwords as they were
 * typed, still match.
 */
final class LongPasswords extends AbstractValidatingPasswordEncoder {
    private static final String MARK = "{digest}";
    private static final int BCRYPT_READS = 72;

    /** Binary logarithm of the rounds. */
    static final int COST = 10;

    private final BCryptPasswordEncoder bcrypt;

    LongPasswords() {
        this(COST);
    }

    /** @param cost binary logarithm of the rounds that a new hash takes, 4 to 31; old ones keep theirs */
    LongPasswords(int cost) {
        bcrypt = new BCryptPasswordEncoder(cost);
    }

    @Override
    protected String encodeNonNullPassword(String password) {
        return MARK + bcrypt.encode(digest(password));
    }

    @Override
    protected boolean matchesNonNull(String password, String hash) {
        if (hash.startsWith(MARK)) {
            return bcrypt.matches(digest(password), hash.substring(MARK.length()));
        }
        return password.getBytes(StandardCharsets.UTF_8).length <= BCRYPT_READS && bcrypt.matches(password, hash);
    }

    @Override
    protected boolean upgradeEncodingNonNull(@Nullable String hash) {
        return false;
    }

    private static String digest(String password) {
        return Sha256.of(Normalizer.normalize(password, Normalizer.Form.NFKC));
    }
}
