package app.navlo.server.problem;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/** A request that can't be done, with what to do about it. Answered as problem details (RFC 9457). */
public final class Refusal extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final String title;
    private final transient List<Fault> faults;
    private final transient @Nullable SavedElsewhere there;

    /**
     * One thing that is wrong.
     *
     * @param field the name of the field as it was sent; empty if it is about the whole
     * @param message what is wrong and what to do, in words for the person at the screen
     */
    public record Fault(String field, String message) {
        /** What the core found wrong with a field, as a sentence that begins with the field's own words. */
        public static Fault of(String field, String rule) {
            String last = field.substring(field.lastIndexOf('.') + 1)
                    .replaceAll("\\[\\d+]", "")
                    .replaceAll("(Hours|Minutes|Percent)$", "");
            String words = last.replaceAll("([A-Z])", " $1").toLowerCase(Locale.ROOT);
            return new Fault(field, Character.toUpperCase(words.charAt(0)) + words.substring(1) + " " + rule + ".");
        }
    }

    /**
     * What lies there now in place of what the writer saw.
     *
     * @param number of that state of it, with which it can be written over knowingly
     */
    public record SavedElsewhere(String text, long number, Instant at) {}

    private Refusal(HttpStatus status, String title, List<Fault> faults) {
        this(status, title, faults, null);
    }

    private Refusal(HttpStatus status, String title, List<Fault> faults, @Nullable SavedElsewhere there) {
        super(title + ": " + faults);
        this.status = status;
        this.title = title;
        this.faults = List.copyOf(faults);
        this.there = there;
    }

    public static Refusal of(HttpStatus status, String title, String field, String message) {
        return new Refusal(status, title, List.of(new Fault(field, message)));
    }

    /** All that is wrong with the input, at once. */
    public static Refusal invalid(List<Fault> faults) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "This can't be taken as it is", faults);
    }

    public static Refusal invalid(String field, String message) {
        return invalid(List.of(new Fault(field, message)));
    }

    public static Refusal notFound(String what) {
        return new Refusal(
                HttpStatus.NOT_FOUND,
                "There is no such " + what,
                List.of(new Fault("", "It may have been removed; go back and look again.")));
    }

    /** The state of things doesn't allow it. */
    public static Refusal conflict(String title, String cure) {
        return new Refusal(HttpStatus.CONFLICT, title, List.of(new Fault("", cure)));
    }

    /** Somebody, or another tab, was faster. */
    public static Refusal changedSince(String what) {
        return new Refusal(
                HttpStatus.PRECONDITION_FAILED,
                what + " has changed since this page showed it",
                List.of(new Fault("", "Nothing was changed now. Look at what it says, then try again.")));
    }

    /** A text of the writer's own was saved in another tab, or on another device. */
    public static Refusal savedElsewhere(String what, SavedElsewhere there) {
        return new Refusal(
                HttpStatus.PRECONDITION_FAILED,
                what + " was saved elsewhere in the meantime",
                List.of(new Fault("text", "Nothing was written over. Choose which of the two texts stays.")),
                there);
    }

    public static Refusal tooLarge(String message) {
        return new Refusal(HttpStatus.CONTENT_TOO_LARGE, "Too large", List.of(new Fault("file", message)));
    }

    public static Refusal tooManyTries(long seconds) {
        return new Refusal(
                HttpStatus.TOO_MANY_REQUESTS,
                "Too many tries",
                List.of(new Fault("password", "Wait " + seconds + " seconds, then try again.")));
    }

    public static Refusal forbidden(String title, String cure) {
        return new Refusal(HttpStatus.FORBIDDEN, title, List.of(new Fault("", cure)));
    }

    public HttpStatus status() {
        return status;
    }

    public String title() {
        return title;
    }

    /** Null for everything but a text that was saved elsewhere. */
    public @Nullable SavedElsewhere there() {
        return there;
    }

    public List<Fault> faults() {
        return faults;
    }
}
