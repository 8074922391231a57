package app.navlo.server.message;

import app.navlo.core.close.CheckIt;
import app.navlo.core.exact.Rational;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.reason.Sentences;
import app.navlo.core.work.Fact;
import app.navlo.core.work.ScoreShown;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Timing;
import app.navlo.core.work.WorkState;
import app.navlo.server.board.Board;
import app.navlo.server.store.Material;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * A message as the facts suggest it. The writer may change every word.
 *
 * @param about what it is about, in a few words
 */
public record MessageDraft(String about, String subject, String body) {
    /** Those that fit, the most pressing first; never empty. */
    static List<MessageDraft> of(Board.Entry entry, List<Material.OtherRecord> records, String writer) {
        return new Writing(entry, writer).all(records);
    }

    /** Everything that the sentences of one piece of work need. */
    private record Writing(Board.Entry entry, String writer) {
        private ZoneId zone() {
            return entry.course().details().zone();
        }

        private String title() {
            return "“" + entry.work().definition().title() + "”";
        }

        private String moment(Instant at) {
            return Sentences.moment(at, zone());
        }

        List<MessageDraft> all(List<Material.OtherRecord> records) {
            List<MessageDraft> drafts = new ArrayList<>();
            records.forEach(record -> addRecord(drafts, record));
            addWaiting(drafts);
            addSentBack(drafts);
            addScore(drafts);
            addLate(drafts);
            addExtension(drafts);
            drafts.add(draft("A question", "A question about ", "I have a question about " + title() + ": "));
            return drafts;
        }

        private MessageDraft draft(String about, String subject, String words) {
            String teacher = Objects.requireNonNullElse(entry.course().details().teacher(), "teacher");
            return new MessageDraft(
                    about,
                    subject + entry.work().definition().title(),
                    "Dear " + teacher + ",\n\n" + words + "\n\n" + writer);
        }

        private String handedIn() {
            WorkState state = entry.state();
            String receipt = entry.standingHandIn() == null ? "" : " (receipt " + entry.standingHandIn() + ")";
            return "I handed in " + title() + " on " + moment(Objects.requireNonNull(state.handedInAt())) + receipt;
        }

        private void addRecord(List<MessageDraft> drafts, Material.OtherRecord record) {
            WorkState state = entry.state();
            if (state.handInStands() && state.handedInAt() != null && record.missing()) {
                drafts.add(draft(
                        "Handed in, listed as missing",
                        "Handed in, and listed as missing: ",
                        handedIn() + ". " + record.toldBy()
                                + " lists it as missing. Could you see whether it reached you?"));
            }
            Rational here = entry.finding().outcome().keptRaw();
            if (here != null && record.points() != null && !here.equals(record.points())) {
                drafts.add(draft(
                        "Two scores",
                        "Two scores for ",
                        title() + " is scored " + Sentences.number(here) + " on the course site and "
                                + Sentences.number(record.points()) + " in " + record.toldBy()
                                + ". Which of them stands?"));
            }
        }

        private void addWaiting(List<MessageDraft> drafts) {
            if (entry.finding().checkIt().contains(CheckIt.UNGRADED_TOO_LONG)
                    && entry.state().handedInAt() != null) {
                drafts.add(draft(
                        "Not graded for long",
                        "Did it reach you: ",
                        handedIn() + ", and it isn't graded yet" + close()
                                + ". Could you tell me whether it reached you?"));
            }
        }

        private String close() {
            Instant close = entry.finding().item().schedule().gradingClose();
            return close == null ? "" : "; the grading close is " + moment(close);
        }

        private void addSentBack(List<MessageDraft> drafts) {
            if (entry.state().stage() != Stage.SENT_BACK) {
                return;
            }
            entry.facts().stream()
                    .filter(Fact.SentBack.class::isInstance)
                    .map(Fact.SentBack.class::cast)
                    .reduce((earlier, later) -> later)
                    .ifPresent(sentBack -> drafts.add(draft(
                            "Sent back",
                            "Sent back: ",
                            "You sent " + title() + " back: “" + sentBack.reason() + "” I'll hand it in again"
                                    + by(entry.state().due()) + ". Is there anything else that it needs?")));
        }

        private static final String SEE_ME = ". Is there something that I can still do for it?";

        private String by(@Nullable Instant due) {
            return due == null ? "" : " by " + moment(due);
        }

        private void addScore(List<MessageDraft> drafts) {
            WorkState state = entry.state();
            Rational points = state.score().points();
            if (state.stage() != Stage.RETURNED || state.score().mark() != ScoreShown.Mark.FINAL || points == null) {
                return;
            }
            Rational possible = entry.finding().item().marking().possible();
            String scored = title() + " is scored " + Sentences.number(points) + " of " + Sentences.number(possible);
            RedoRule redo = entry.work().definition().redo();
            Rational pass = entry.finding().item().marking().passPercent();
            boolean belowPass = pass != null && points.times(Rational.of(100)).compareTo(pass.times(possible)) < 0;
            if (belowPass && redo != null && redo.needsReopening() && state.redo() == null) {
                drafts.add(draft(
                        "Open it again",
                        "Would you open it again: ",
                        scored + ", below the pass mark. Would you open it again for me?"));
            } else if (points.isZero()) {
                drafts.add(draft("Scored nought", "Scored nought: ", scored + SEE_ME));
            }
        }

        private void addLate(List<MessageDraft> drafts) {
            WorkState state = entry.state();
            if (state.timing() == Timing.OVERDUE && state.due() != null) {
                Instant ends = state.acceptance().ends();
                drafts.add(draft(
                        "I'm late",
                        "Late: ",
                        title() + " was due on " + moment(state.due()) + ", and I haven't handed it in yet"
                                + (ends == null ? "" : "; by the rules it is taken until " + moment(ends))
                                + ". I'll hand it in on "));
            }
        }

        /** To ask, or to say again what is asked already and not answered. */
        private void addExtension(List<MessageDraft> drafts) {
            Instant due = entry.state().due();
            Instant newDue = entry.finding().extension().newDue();
            if (due == null || (newDue == null && !entry.extensionPending())) {
                return;
            }
            String rule =
                    newDue == null ? "" : " By the rule of the course it would then be due on " + moment(newDue) + ".";
            drafts.add(draft(
                    "An extension",
                    "An extension for ",
                    "May I have an extension for " + title() + ", which is due on " + moment(due) + "?" + rule
                            + " I ask because "));
        }
    }
}
