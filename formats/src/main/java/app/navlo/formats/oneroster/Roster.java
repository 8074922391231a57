package app.navlo.formats.oneroster;

import app.navlo.core.exact.Rational;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** The rows of a bundle, in the words of the standard. Ids are the sender's own. */
public final class Roster {
    private Roster() {}

    /** A school, or what stands above it. */
    public record Org(String id, String name) {}

    public enum SessionType {
        SCHOOL_YEAR("schoolYear"),
        TERM("term"),
        GRADING_PERIOD("gradingPeriod");

        final String word;

        SessionType(String word) {
            this.word = word;
        }
    }

    /** @param last the first day after it, as the standard has it */
    public record Session(
            String id,
            String title,
            SessionType type,
            LocalDate first,
            LocalDate last,
            @Nullable String parent) {}

    public enum Role {
        STUDENT,
        TEACHER;

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public record User(String id, Role role, String givenName, String familyName, String email) {
        public String name() {
            return (givenName + " " + familyName).strip();
        }
    }

    /** A class with the course that it teaches; both bear its title. */
    public record ClassOf(String id, String title, String org, String session) {}

    public record Enrolment(String id, String classOf, String org, String user, Role role) {}

    /** @param weight of 100; null for none */
    public record Category(
            String id, String title, @Nullable Rational weight) {}

    /**
     * @param due the day it is due, or an instant; null for none
     * @param most points possible; null for none
     */
    public record LineItem(
            String id,
            String title,
            String description,
            @Nullable String assigned,
            @Nullable String due,
            String classOf,
            @Nullable String category,
            @Nullable String session,
            @Nullable Rational most) {}

    /** The standard's own words for how far a result is. */
    public enum ScoreStatus {
        EXEMPT("exempt"),
        FULLY_GRADED("fully graded"),
        NOT_SUBMITTED("not submitted"),
        PARTIALLY_GRADED("partially graded"),
        SUBMITTED("submitted");

        final String word;

        ScoreStatus(String word) {
            this.word = word;
        }

        static @Nullable ScoreStatus of(String word) {
            for (ScoreStatus status : values()) {
                if (status.word.equalsIgnoreCase(word)) {
                    return status;
                }
            }
            return null;
        }
    }

    public record Result(
            String id,
            String lineItem,
            String student,
            ScoreStatus status,
            @Nullable Rational score,
            @Nullable LocalDate day,
            String comment,
            boolean inProgress,
            boolean incomplete,
            boolean late,
            boolean missing,
            @Nullable Instant modified) {}
}
