package app.navlo.server.workdetail;

import app.navlo.core.reason.Sentences;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import java.time.ZoneId;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** Says each fact in plain words. A hidden score is never said. */
public final class HistoryWords {
    private HistoryWords() {}

    public static String of(Fact fact, ZoneId zone) {
        if (fact instanceof Fact.DraftStarted) {
            return "Draft begun";
        }
        if (fact instanceof Fact.AttemptBegun begun) {
            return "Attempt " + begun.attempt() + " begun";
        }
        if (fact instanceof Fact.HandedIn handedIn) {
            return switch (handedIn.content()) {
                case FILES -> "Handed in files, attempt " + handedIn.attempt();
                case TEXT -> "Handed in a text, attempt " + handedIn.attempt();
                case DONE -> "Reported as done, attempt " + handedIn.attempt();
                case ATTEMPT -> "Attempt " + handedIn.attempt() + " finished";
            };
        }
        if (fact instanceof Fact.Posted posted) {
            return posted.part() == Fact.Posted.Part.POST ? "Posted" : "Replied";
        }
        if (fact instanceof Fact.Withdrawn) {
            return "Withdrawn";
        }
        if (fact instanceof Fact.SentBack sentBack) {
            return "Sent back to be fixed" + by(sentBack.newDue(), zone);
        }
        if (fact instanceof Fact.Returned returned) {
            Fact.RedoAsked redo = returned.redo();
            return redo == null ? "Returned" : "Returned, and a redo asked for" + by(redo.due(), zone);
        }
        return fact instanceof Fact.Scored scored ? scored(scored) : marked(fact, zone);
    }

    private static String scored(Fact.Scored scored) {
        String attempt = ", attempt " + scored.attempt();
        if (!scored.posted()) {
            return "Scored, not posted yet" + attempt;
        }
        String points = Sentences.number(scored.points()) + " points";
        return (scored.isFinal() ? "Scored " : "Scored so far ") + points + attempt;
    }

    private static String marked(Fact fact, ZoneId zone) {
        if (fact instanceof Fact.Excused excused) {
            return excused.stands() ? "Excused" : "Excuse taken back";
        }
        if (fact instanceof Fact.Flagged flagged) {
            return switch (flagged.flag()) {
                case CLEARED -> "Flag taken off";
                case COLLECTED -> "Flagged: collected on paper";
                default ->
                    "Flagged: " + flagged.flag().name().toLowerCase(Locale.ROOT).replace('_', ' ');
            };
        }
        if (fact instanceof Fact.ExtensionGranted granted) {
            return "Extension granted" + by(granted.due(), zone);
        }
        if (fact instanceof Fact.DueMoved moved) {
            return dueMoved(moved, zone);
        }
        if (fact instanceof Fact.TokenUsed token) {
            return "Token used, " + Sentences.span(token.span()) + " more";
        }
        if (fact instanceof Fact.Commented commented) {
            return (commented.isPrivate() ? "Commented" : "Commented to the class")
                    + (commented.inFile() ? " in the file" : "");
        }
        return simple(fact);
    }

    private static String dueMoved(Fact.DueMoved moved, ZoneId zone) {
        String from = moved.before() == null
                ? "none"
                : Sentences.moment(moved.before().instant(), zone);
        String to =
                moved.after() == null ? "none" : Sentences.moment(moved.after().instant(), zone);
        return "Due moved from " + from + " to " + to;
    }

    private static String simple(Fact fact) {
        if (fact instanceof Fact.ExtensionAsked) {
            return "Extension asked for";
        }
        if (fact instanceof Fact.ExtensionDeclined) {
            return "Extension declined";
        }
        if (fact instanceof Fact.Reopened) {
            return "Reopened for a redo";
        }
        if (fact instanceof Fact.KeyOpened) {
            return "Answer key opened";
        }
        if (fact instanceof Fact.AnswersReleased released) {
            return "Answers of attempt " + released.attempt() + " released";
        }
        return fact instanceof Fact.RubricMarked ? "Rubric marked" : "Feedback read";
    }

    private static String by(@Nullable Deadline due, ZoneId zone) {
        return due == null ? "" : ", by " + Sentences.moment(due.instant(), zone);
    }
}
