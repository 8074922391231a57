package app.navlo.server.board;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseWork;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.feedback.FeedbackCount;
import app.navlo.core.grade.Reading;
import app.navlo.core.id.WorkId;
import app.navlo.core.next.Aim;
import app.navlo.core.reason.Sentences;
import app.navlo.core.reminder.QuietHours;
import app.navlo.core.reminder.Reminder;
import app.navlo.core.signal.Around;
import app.navlo.core.signal.Signal;
import app.navlo.core.signal.Signals;
import app.navlo.core.time.Availability;
import app.navlo.core.work.Costs;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInRules;
import app.navlo.core.work.WorkState;
import app.navlo.server.sheet.TimeSheet;
import app.navlo.server.store.Course;
import app.navlo.server.store.Notes;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.StudentEstimates;
import app.navlo.server.store.Term;
import app.navlo.server.store.Work;
import java.time.Instant;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Everything of a student at an instant, derived.
 *
 * @param version the last change of this student
 * @param books of the courses, each with all that follows from its rules and facts
 * @param time to work in; empty if the student has never said
 * @param aims by course; a course of which nothing was said is left out
 * @param zone in which days are counted: that of the term, else that of the first course, else the student's
 */
public record Board(
        long student,
        Instant now,
        ZoneId zone,
        long version,
        Map<Long, Course> courses,
        Map<Long, Term> terms,
        Map<Long, CourseBook> books,
        List<Entry> entries,
        Optional<TimeSheet> time,
        Map<Long, Aim> aims,
        Efforts efforts) {

    /** The next instant at, or just after, which the clock alone changes something; null for none. */
    public @Nullable Instant nextChange() {
        return entries.stream()
                .flatMap(Entry::changes)
                .filter(at -> at != null && !at.isBefore(now))
                .min(Instant::compareTo)
                .orElse(null);
    }

    /**
     * One piece of work with all that is known and derived about it.
     *
     * @param own what the student reckons of it
     * @param notes of one's own, the latest first
     * @param around what is known of it beside the facts
     * @param titles gives the words for a piece of work
     */
    public record Entry(
            Work work,
            Course course,
            List<RecordedFact> recorded,
            StudentEstimates.Figures own,
            List<Notes.Note> notes,
            Efforts.WorkEffort effort,
            CourseBook book,
            WorkAssessment finding,
            Around around,
            Function<WorkId, String> titles) {
        /** What asks for the student's attention, the most pressing first. */
        public List<Signal> signals() {
            return Signals.of(book, finding, around);
        }

        public Instant now() {
            return book.now();
        }

        public @Nullable Integer effortMinutes() {
            return effort.minutes();
        }

        /**
         * At which it should be told that waiting is about to cost something; empty where nothing worth a word is.
         *
         * @param free when the student works
         */
        public Optional<Reminder> reminder(Availability free, QuietHours quiet) {
            long minutes = Objects.requireNonNullElse(effortMinutes(), (int) CourseWork.GUESSED_MINUTES);
            return Reminder.of(book, finding, minutes, free, quiet);
        }

        /** What shuts it, each in a sentence that says how far off it is; empty if nothing does. */
        public List<String> locks() {
            return finding.shut().stream()
                    .map(shut -> Sentences.write(
                            shut.reason(titles), course.details().zone()))
                    .toList();
        }

        /** The readings in which it is dropped; which piece of work is dropped can differ between them. */
        public Set<Reading> droppedIn() {
            Set<Reading> dropped = EnumSet.noneOf(Reading.class);
            for (Reading reading : Reading.values()) {
                if (book.readings().of(reading).grade().dropped(finding.id())) {
                    dropped.add(reading);
                }
            }
            return dropped;
        }

        public WorkState state() {
            return finding.state();
        }

        /** Whether an extension is asked for and not answered. */
        public boolean extensionPending() {
            return state().extensionPending();
        }

        public List<Fact> facts() {
            return recorded.stream().map(RecordedFact::fact).toList();
        }

        public FeedbackCount feedback() {
            return FeedbackCount.of(facts(), now());
        }

        public List<Costs.CostDate> costs() {
            return Costs.ahead(state(), finding.steps(), finding.policy().isAssumed(), now());
        }

        /** The number of the hand-in that is with the teacher or was returned last; null for none. */
        public @Nullable Long standingHandIn() {
            return HandInRules.standing(state(), facts(), now())
                    .map(handIn -> handIn.stamp().order())
                    .orElse(null);
        }

        /** A state, a step of a penalty, or the end of asking. */
        private Stream<@Nullable Instant> changes() {
            List<Costs.CostDate> costs = costs();
            return Stream.of(
                    state().nextChange(),
                    costs.isEmpty() ? null : costs.get(0).at(),
                    finding.extension().until(),
                    finding.tokens().until(),
                    finding.safeBy() == null ? null : finding.safeBy().at());
        }

        /** Whether what stands can be taken back. */
        public boolean mayWithdraw() {
            return HandInRules.mayWithdraw(state(), facts(), now());
        }
    }
}
