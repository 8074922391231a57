package app.navlo.core.work;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** One thing that happened to a piece of work. Facts are only ever added. */
public sealed interface Fact {
    Stamp stamp();

    /** What was known at an instant: with these, a past day is shown as it looked then. */
    static List<Fact> learntBy(Instant then, Collection<Fact> facts) {
        return facts.stream()
                .filter(fact -> !fact.stamp().learnt().isAfter(then))
                .toList();
    }

    /** The same, for who isn't told what was said: every state that comes of it is as before. */
    static Fact withoutWords(Fact fact) {
        if (fact instanceof Commented said) {
            return new Commented(said.stamp(), "", said.isPrivate(), said.inFile(), said.isQuestion());
        }
        return fact instanceof SentBack back ? new SentBack(back.stamp(), "", back.newDue()) : fact;
    }

    /** An upload or a text was begun. */
    record DraftStarted(Stamp stamp) implements Fact {}

    /** A quiz or test attempt was begun; like a draft. */
    record AttemptBegun(Stamp stamp, int attempt) implements Fact {}

    record HandedIn(Stamp stamp, int attempt, HandInContent content) implements Fact {}

    /** One part of a discussion. */
    record Posted(Stamp stamp, Part part) implements Fact {
        public enum Part {
            POST,
            REPLY
        }
    }

    /** The student takes back what is with the teacher. */
    record Withdrawn(Stamp stamp) implements Fact {}

    /** @param newDue the due that the teacher gave with it, or null */
    record SentBack(Stamp stamp, String reason, @Nullable Deadline newDue) implements Fact {}

    /** @param redo the redo asked for, or null */
    record Returned(Stamp stamp, @Nullable RedoAsked redo) implements Fact {}

    /** @param due the redo's own due, or null for none */
    record RedoAsked(@Nullable Deadline due) {}

    /**
     * A raw score, before any penalty.
     *
     * @param byDue the part of the points that stood at the due; null for nothing of them, or not known
     * @param isFinal false while a part is still ungraded (provisional)
     * @param posted false while the student can't see it (hidden)
     */
    record Scored(
            Stamp stamp,
            int attempt,
            Rational points,
            @Nullable Rational byDue,
            boolean isFinal,
            boolean posted) implements Fact {
        public Scored(Stamp stamp, int attempt, Rational points, boolean isFinal, boolean posted) {
            this(stamp, attempt, points, null, isFinal, posted);
        }

        public boolean counts() {
            return isFinal && posted;
        }
    }

    /** @param stands false takes an earlier excuse back */
    record Excused(Stamp stamp, boolean stands) implements Fact {}

    record Flagged(Stamp stamp, Flag flag) implements Fact {}

    record ExtensionAsked(Stamp stamp) implements Fact {}

    record ExtensionGranted(Stamp stamp, Deadline due) implements Fact {}

    record ExtensionDeclined(Stamp stamp) implements Fact {}

    /** @param span what it adds to the due, in elapsed time */
    record TokenUsed(Stamp stamp, Duration span) implements Fact {}

    /** The teacher allows the redo that needs reopening. */
    record Reopened(Stamp stamp) implements Fact {}

    record KeyOpened(Stamp stamp) implements Fact {}

    /**
     * @param inFile inside a file that was handed in, rather than on the work as a whole
     * @param asks whether its source says that it asks the student for something
     */
    record Commented(Stamp stamp, String text, boolean isPrivate, boolean inFile, boolean asks) implements Fact {
        public Commented(Stamp stamp, String text, boolean isPrivate, boolean inFile) {
            this(stamp, text, isPrivate, inFile, false);
        }

        /** Whether it asks for something: a teacher's by how it ends, a student's wherever the question stands in it. */
        public boolean isQuestion() {
            return asks
                    || (stamp.by() == Actor.STUDENT
                            ? text.contains("?")
                            : text.strip().endsWith("?"));
        }
    }

    record RubricMarked(Stamp stamp) implements Fact {}

    /** From this instant on the student can see the answers of an attempt. It may be told before it happens. */
    record AnswersReleased(Stamp stamp, int attempt) implements Fact {}

    /** The student has seen the feedback that stood at this instant. */
    record ReadMarked(Stamp stamp) implements Fact {}

    /**
     * A source gave the work another due.
     *
     * @param before null for none
     * @param after null for none
     */
    record DueMoved(
            Stamp stamp,
            @Nullable Deadline before,
            @Nullable Deadline after) implements Fact {}

    /**
     * The student has dealt with a signal, or lets it be.
     *
     * @param signal the kind of it, by name
     */
    record PutAside(Stamp stamp, String signal) implements Fact {}
}
