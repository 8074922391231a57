package app.navlo.server.workdetail;

import app.navlo.core.course.TakenBack;
import app.navlo.core.grade.Reading;
import app.navlo.core.policy.Acceptance;
import app.navlo.core.reason.Sentences;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Timing;
import app.navlo.core.work.WorkState;
import app.navlo.server.board.BoardView.CostView;
import app.navlo.server.board.BoardView.WorkView;
import app.navlo.server.feedback.SaidView;
import app.navlo.server.sheet.Figures;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.store.Notes;
import app.navlo.server.store.Outbox;
import app.navlo.server.store.Work;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work as it opens beside a view.
 *
 * @param photos that are taken with a hand-in made elsewhere
 * @param along the files that go with a comment
 * @param costs instants ahead at which waiting costs something, soonest first
 * @param worth what it does to the course, and what stands between it and its points
 * @param life what happened, in order
 * @param notes of the student's own, the latest first
 * @param ownPercent that the student reckons it will bring; null where it says nothing
 * @param handIns every one, the latest first
 * @param whyNot why nothing can be handed in now; null when it can
 * @param minutesSpent really, by the student's own word
 * @param said about it, unread first, then newest first
 * @param goesTo the school that takes it; null where handing in only records it here
 * @param onItsWay null for nothing
 * @param mayRecord whether it may be recorded as handed in on paper or in another place
 * @param takenBack what withdrawing it would mean; null where it can't be withdrawn
 * @param editable what it is, to be changed
 * @param typed whether the student typed it in; else what they set stands beside what its source tells
 */
public record WorkDetail(
        WorkView work,
        BecauseView because,
        String courseName,
        String zone,
        String instructions,
        TakesView takes,
        TakesView photos,
        TakesView along,
        @Nullable Instant acceptanceEnds,
        Acceptance.@Nullable Limit acceptanceEndedBy,
        List<CostView> costs,
        WorthView worth,
        List<LifeLine> life,
        List<NoteView> notes,
        @Nullable String ownPercent,
        int minutesSpent,
        MaterialView material,
        List<SaidView> said,
        List<Receipt> handIns,
        DraftView draft,
        @Nullable String whyNot,
        @Nullable CounterView goesTo,
        @Nullable OnItsWayView onItsWay,
        boolean mayHandIn,
        boolean mayRecord,
        boolean mayPost,
        boolean mayWithdraw,
        @Nullable TakenBackView takenBack,
        WorkForm editable,
        boolean typed) {

    /**
     * What withdrawing would mean.
     *
     * @param keeps of full points by a new hand-in now
     * @param price what of full points would be lost by that
     * @param until the last instant at which that holds; null for always
     * @param ends of acceptance; null for no end
     */
    public record TakenBackView(
            boolean mayHandInAgain,
            String keeps,
            String price,
            @Nullable Instant until,
            @Nullable Instant ends) {
        static TakenBackView of(TakenBack back) {
            return new TakenBackView(
                    back.mayHandInAgain(),
                    Figures.text(back.keeps()),
                    Figures.text(back.price()),
                    back.until(),
                    back.ends());
        }
    }

    /** The reasons of the four answers, one sentence each. */
    public record BecauseView(String stage, String timing, String missing, String move) {
        static BecauseView of(WorkState.Because because, ZoneId zone) {
            return new BecauseView(
                    Sentences.write(because.stage(), zone),
                    Sentences.write(because.timing(), zone),
                    Sentences.write(because.missing(), zone),
                    Sentences.write(because.move(), zone));
        }
    }

    /**
     * What it does to the course, and what stands between it and its points. Sentences are whole.
     *
     * @param policy what lateness costs here
     * @param penalty what lateness has taken off so far, or would take off a hand-in now; null where none is to come
     * @param locks the gates that shut it, each with how far off it is
     * @param safeBy null without a grading close, or with nothing to hand in
     * @param checkIt why it should be asked about; empty if there is no reason
     * @param expectedPercent before any penalty; null where it never counts or has its final score
     * @param expectedPoints after the penalty it would bear
     * @param impact what a zero there would cost, in the units of {@code unit}; null where it has none
     * @param lift what raising it to {@code raised} points would bring, in the same units; null where it can't be raised
     * @param shutBy titles of the work that the teacher would have to open again; empty unless it is shut for good
     * @param preparing percent of its points that preparing is thought to bring; null for work that doesn't happen at a time
     * @param ownPreparing whether that is the student's own figure
     * @param droppedIn the readings that drop it
     * @param extension whether one may be asked for, and until when
     * @param tokens whether one may be used, and until when; null where the course has none
     */
    public record WorthView(
            String policy,
            @Nullable String penalty,
            List<String> locks,
            @Nullable SafeByView safeBy,
            List<String> checkIt,
            @Nullable String expectedPercent,
            @Nullable String expectedPoints,
            @Nullable String impact,
            @Nullable String lift,
            @Nullable String raised,
            List<String> shutBy,
            @Nullable String preparing,
            boolean ownPreparing,
            GradeSheet.Kind unit,
            List<Reading> droppedIn,
            @Nullable String extension,
            @Nullable String tokens) {}

    /** @param tag null for none */
    public record NoteView(
            long id, long number, Instant at, @Nullable String tag, String body) {
        static NoteView of(Notes.Note note) {
            return new NoteView(note.id(), note.number(), note.at(), note.tag(), note.body());
        }
    }

    /**
     * @param passed whether it was handed in later than that, or isn't handed in and that instant is behind
     * @param safe whether it was handed in by then
     */
    public record SafeByView(Instant at, boolean passed, boolean safe, String because) {}

    /** @param paused whether its link rests, so that nothing goes there now */
    public record CounterView(String school, boolean paused) {}

    /** What a hand-in may hold; file types are endings without their dot, none for any. */
    public record TakesView(
            boolean files, boolean text, boolean done, List<String> fileTypes, int maxFiles, long maxFileBytes) {
        public static TakesView of(Work.Takes takes) {
            return new TakesView(
                    takes.files(),
                    takes.text(),
                    takes.done(),
                    takes.fileTypes(),
                    takes.maxFiles(),
                    takes.maxFileBytes());
        }
    }

    /**
     * What handing in now would come to.
     *
     * @param due that judges it; null for none
     * @param late whether it would be late by the clock, within a grace too
     * @param completes whether it completes what was handed in before, and counts as handed in then
     * @param penalty what lateness takes, as the course counts it, in a clause; null where it is not late
     */
    public record IfHandedInView(
            @Nullable Instant due,
            boolean late,
            boolean completes,
            @Nullable String penalty) {}

    /**
     * One line of the life so far.
     *
     * @param learntAt when Navlo learnt it, where that was more than a minute later; null otherwise
     * @param body the words of a comment, post or reason; null for none
     * @param handIn the number of the hand-in that this line is; null for none
     */
    public record LifeLine(
            long id,
            Instant at,
            @Nullable Instant learntAt,
            Actor actor,
            String name,
            LifeKind kind,
            String words,
            @Nullable String body,
            @Nullable Long handIn) {}

    /** What a line of the life looks like. */
    public enum LifeKind {
        BEGUN,
        HANDED_IN,
        TAKEN_BACK,
        SENT_BACK,
        RETURNED,
        SCORED,
        SAID,
        OTHER;

        static LifeKind of(Fact fact) {
            if (fact instanceof Fact.DraftStarted || fact instanceof Fact.AttemptBegun) {
                return BEGUN;
            }
            if (fact instanceof Fact.HandedIn || fact instanceof Fact.Posted) {
                return HANDED_IN;
            }
            if (fact instanceof Fact.Withdrawn) {
                return TAKEN_BACK;
            }
            if (fact instanceof Fact.SentBack) {
                return SENT_BACK;
            }
            if (fact instanceof Fact.Returned) {
                return RETURNED;
            }
            if (fact instanceof Fact.Scored) {
                return SCORED;
            }
            boolean said = fact instanceof Fact.Commented
                    || fact instanceof Fact.RubricMarked
                    || fact instanceof Fact.AnswersReleased;
            return said ? SAID : OTHER;
        }
    }

    /** @param number of this very state of it; 0 where there is none */
    public record DraftView(
            long number, String text, @Nullable Instant savedAt, List<DraftFileView> files) {}

    /**
     * What is on its way to the school.
     *
     * @param since when it was sent
     * @param unknown whether nobody knows if it arrived
     */
    public record OnItsWayView(Outbox.Kind kind, Instant since, boolean unknown) {}

    public record DraftFileView(long id, String name, String mediaType, long size) {}

    /**
     * The receipt of a hand-in, kept for good.
     *
     * @param timing as the hand-in was judged when it was made: on time, late, or no due date
     * @param stands whether it is still with the teacher or was returned; false once withdrawn or sent back
     * @param school that took it, by its link; null where it went to none
     * @param number that the school gave it; null where it went to none
     */
    public record Receipt(
            long id,
            String title,
            String courseName,
            int attempt,
            HandInContent content,
            Instant at,
            String zone,
            Timing timing,
            @Nullable Instant due,
            boolean stands,
            @Nullable String text,
            @Nullable String note,
            @Nullable String school,
            @Nullable String number,
            List<ReceiptFile> files) {
        /** The same, for who isn't told what was handed in. */
        Receipt withoutWords() {
            return new Receipt(
                    id,
                    title,
                    courseName,
                    attempt,
                    content,
                    at,
                    zone,
                    timing,
                    due,
                    stands,
                    null,
                    null,
                    school,
                    number,
                    List.of());
        }
    }

    /** @param position from 1 */
    public record ReceiptFile(int position, String name, String mediaType, long size, String sha256) {}
}
