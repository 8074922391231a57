package app.navlo.server.change;

import app.navlo.server.account.Person;
import app.navlo.server.problem.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * Who writes to whose work, and what they had before them.
 *
 * @param version of the work as the page showed it; null where the writer saw none
 * @param key names this write for a retry; null for a write that may not be retried
 */
public record Writer(
        long student,
        long person,
        String name,
        @Nullable Long version,
        @Nullable String key) {
    private static final int LONGEST_KEY = 100;

    /**
     * @param version as the {@code If-Match} header has it; null where the writer saw none
     * @param key as the {@code Idempotency-Key} header has it
     * @throws Refusal if a header isn't what it must be
     */
    public static Writer of(long student, Person person, @Nullable String version, @Nullable String key) {
        if (key != null && (key.isBlank() || key.length() > LONGEST_KEY)) {
            throw Refusal.invalid("Idempotency-Key", "It must have 1 to 100 characters.");
        }
        return new Writer(student, person.id(), person.name(), version(version), key);
    }

    /** The same writer, whatever they had before them. */
    public Writer unversioned() {
        return new Writer(student, person, name, null, key);
    }

    private static @Nullable Long version(@Nullable String header) {
        if (header == null) {
            return null;
        }
        String plain = header.strip().replace("\"", "");
        if (!plain.matches("\\d{1,18}")) {
            throw Refusal.invalid("If-Match", "It must be the version that the page showed, a whole number.");
        }
        return Long.valueOf(plain);
    }
}
