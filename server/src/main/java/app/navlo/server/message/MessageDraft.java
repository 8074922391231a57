package app.navlo.server.message;

import app.navlo.core.close.CheckIt;
import app.navlo.core.course.TwoRecords;
import app.navlo.core.course.TwoRecords.Difference;
import app.navlo.core.exact.Rational;
import app.navlo.core.reason.Sentences;
import app.navlo.core.reconcile.RecordEntry;
import app.navlo.core.signal.Signal;
import app.navlo.core.signal.SignalKind;
import app.navlo.core.work.Fact;
import app.navlo.core.work.ScoreShown;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Timing;
import app.navlo.core.work.WorkState;
import app.navlo.server.board.Board;
import app.navlo.server.board.BoardSignals;
import app.navlo.server.store.Material;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A message as the facts suggest it. The writer may change every word.
 *
 * @param about what it is about, in a few words
 * @param answers the signal that it deals with; null for none
 * @param receipt the hand-in whose receipt goes with it; null for none
 */
public record MessageDraft(
        String about,
        @Nullable SignalKind answers,
        String subject,
        String body,
        @Nullable Long receipt) {
    /**
     * Those that fit, the most pressing first; never empty.
     *
     * @param signals of this work
     */
    static List<MessageDraft> of(
            Board.Entry entry, List<Signal> signals, List<Material.OtherRecord> records, Voice voice) {
        return new Writing(entry, voice).all(signals, records);
    }

    MessageDraft withoutReceipt() {
        return new MessageDraft(about, answers, subject, body, null);
    }

    /** Everything that the sentences of one piece of work need. */
    private record Writing(Board.Entry entry, Voice voice) {
        private ZoneId zone() {
            return entry.course().details().zone();
        }

        private String title() {
            return quoted(entry.work().definition().title());
        }

        private static String quoted(String words) {
            return "“" + words + "”";
        }

        private String moment(Instant at) {
            return Sentences.moment(at, zone());
        }

        private String on(Instant at) {
            return Sentences.on(at, zone());
        }

        List<MessageDraft> all(List<Signal> signals, List<Material.OtherRecord> records) {
            List<MessageDraft> drafts = new ArrayList<>();
            signals.forEach(signal -> addSignal(drafts, signal));
            records.forEach(record -> addRecord(drafts, record));
            addWaiting(drafts);
            addSentBack(drafts);
            addScore(drafts);
            addLate(drafts);
            addExtension(drafts);
            addSendBack(drafts);
            drafts.add(draft(
                    "A question",
                    null,
                    "A question about ",
                    voice.own()
                            ? "I have a question about " + title() + ": "
                            : "My question is about " + title() + ": "));
            return drafts;
        }

        private MessageDraft draft(String about, @Nullable SignalKind answers, String subject, String words) {
            return draft(about, answers, subject, words, null);
        }

        private MessageDraft draft(
                String about, @Nullable SignalKind answers, String subject, String words, @Nullable Long receipt) {
            String teacher = Objects.requireNonNullElse(entry.course().details().teacher(), "teacher");
            return new MessageDraft(
                    about, answers, subject + entry.work().definition().title(), voice.letter(teacher, words), receipt);
        }

        private String handedIn() {
            WorkState state = entry.state();
            String receipt = entry.standingHandIn() == null ? "" : " (receipt " + entry.standingHandIn() + ")";
            return voice.who() + " handed in " + title() + " " + on(Objects.requireNonNull(state.handedInAt()))
                    + receipt;
        }

        private void addSignal(List<MessageDraft> drafts, Signal signal) {
            switch (signal.kind()) {
                case FLAGGED_LATE ->
                    drafts.add(draft(
                            "Flagged late, handed in on time",
                            signal.kind(),
                            "Flagged late, and handed in on time: ",
                            handedIn() + due() + ". It is flagged as late. " + voice.receipt() + ". Could you take"
                                    + " the flag off, or tell me what I overlook?",
                            entry.standingHandIn()));
                case FLAGGED_MISSING ->
                    drafts.add(draft(
                            "Listed as missing, handed in",
                            signal.kind(),
                            "Listed as missing, and handed in: ",
                            handedIn() + due() + ". It is listed as missing. " + voice.receipt() + ". Could you see"
                                    + " whether it reached you?",
                            entry.standingHandIn()));
                case REOPENING_OFFERED ->
                    drafts.add(draft(
                            "Open it again",
                            signal.kind(),
                            "Would you open it again: ",
                            scored() + ", below the pass mark. Would you open it again for " + voice.whom() + "?"));
                case SHUT_FOR_GOOD ->
                    drafts.add(draft(
                            "Shut for good",
                            signal.kind(),
                            voice.who() + " can't get to ",
                            title() + " waits for " + waitedFor(signal) + ", which is closed for " + voice.whom()
                                    + ". Would you open" + " that again, or let " + voice.whom() + " hand in " + title()
                                    + " without it?"));
                case ZERO_WITHOUT_FEEDBACK ->
                    drafts.add(draft("Zero with a comment", signal.kind(), "Scored zero: ", scored() + help()));
                case QUESTION ->
                    lastPrivate()
                            .filter(said -> voice.own())
                            .ifPresent(said -> drafts.add(draft(
                                    "An answer",
                                    signal.kind(),
                                    "Your words on ",
                                    "You wrote about " + title() + ": " + quoted(said) + "\n\n")));
                default -> {
                    // Nothing that a letter would settle, or nothing but what is drafted below.
                }
            }
        }

        private String due() {
            Instant due = entry.state().due();
            return due == null ? "" : "; it was due " + on(due);
        }

        private String waitedFor(Signal signal) {
            return String.join(
                    " and ",
                    signal.about().stream()
                            .map(root -> quoted(entry.titles().apply(root)))
                            .toList());
        }

        private Optional<String> lastPrivate() {
            return entry.facts().stream()
                    .filter(fact -> fact instanceof Fact.Commented said && said.isPrivate())
                    .map(fact -> ((Fact.Commented) fact).text())
                    .reduce((earlier, later) -> later);
        }

        private void addRecord(List<MessageDraft> drafts, Material.OtherRecord record) {
            RecordEntry told = BoardSignals.entry(record);
            for (Difference difference : TwoRecords.compare(entry.book(), entry.finding(), told)) {
                drafts.add(
                        switch (difference.kind()) {
                            case TURNED_IN_BUT_MISSING ->
                                draft(
                                        "Handed in, listed as missing",
                                        SignalKind.RECORDS_DIFFER,
                                        "Handed in, and listed as missing: ",
                                        handedIn() + ". " + record.toldBy()
                                                + " lists it as missing. " + voice.receipt()
                                                + ". Could you see whether it"
                                                + " reached you?",
                                        entry.standingHandIn());
                            case SCORES_DIFFER ->
                                draft(
                                        "Two scores",
                                        SignalKind.RECORDS_DIFFER,
                                        "Two scores for ",
                                        title() + " is scored "
                                                + number(entry.finding()
                                                        .outcome()
                                                        .kept()) + " on the course site and "
                                                + number(told.points()) + " in " + record.toldBy()
                                                + ". Which of them stands?");
                            case DUES_DIFFER ->
                                draft(
                                        "Two dues",
                                        SignalKind.RECORDS_DIFFER,
                                        "Two dues for ",
                                        title() + " is due "
                                                + on(Objects.requireNonNull(
                                                        entry.state().due()))
                                                + " on the course site and "
                                                + on(Objects.requireNonNull(told.due())) + " in " + record.toldBy()
                                                + ". Which of them holds?");
                        });
            }
        }

        private static String number(@Nullable Rational points) {
            return Sentences.number(Objects.requireNonNull(points));
        }

        private void addWaiting(List<MessageDraft> drafts) {
            if (entry.finding().checkIt().contains(CheckIt.UNGRADED_TOO_LONG)
                    && entry.state().handedInAt() != null) {
                drafts.add(draft(
                        "Not graded for long",
                        null,
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
            if (entry.state().stage() != Stage.SENT_BACK || !voice.own()) {
                return;
            }
            entry.facts().stream()
                    .filter(Fact.SentBack.class::isInstance)
                    .map(Fact.SentBack.class::cast)
                    .reduce((earlier, later) -> later)
                    .ifPresent(sentBack -> drafts.add(draft(
                            "Sent back",
                            SignalKind.SENT_BACK,
                            "Sent back: ",
                            "You sent " + title() + " back: " + quoted(sentBack.reason()) + " I'll hand it in again"
                                    + by(entry.state().due()) + ". Is there anything else that it needs?")));
        }

        private String help() {
            return ". Is there something that " + voice.who() + " can still do for it?";
        }

        private String by(@Nullable Instant due) {
            return due == null ? "" : " by " + moment(due);
        }

        private String scored() {
            Rational possible = entry.finding().item().marking().possible();
            return title() + " is scored " + number(entry.state().score().points()) + " of "
                    + Sentences.number(possible);
        }

        /** A zero that somebody said why of. */
        private void addScore(List<MessageDraft> drafts) {
            WorkState state = entry.state();
            Rational points = state.score().points();
            boolean zero = points != null && points.isZero() && state.score().mark() == ScoreShown.Mark.FINAL;
            boolean drafted = drafts.stream()
                    .anyMatch(draft -> draft.answers() == SignalKind.ZERO_WITHOUT_FEEDBACK
                            || draft.answers() == SignalKind.REOPENING_OFFERED);
            if (zero && state.stage() == Stage.RETURNED && !drafted) {
                drafts.add(
                        draft("Zero with a comment", SignalKind.ZERO_WITH_COMMENT, "Scored zero: ", scored() + help()));
            }
        }

        private void addLate(List<MessageDraft> drafts) {
            WorkState state = entry.state();
            if (state.timing() == Timing.OVERDUE && state.due() != null) {
                Instant ends = state.acceptance().ends();
                drafts.add(draft(
                        "Late",
                        null,
                        "Late: ",
                        title() + " was due " + on(state.due()) + ", and " + voice.have()
                                + " not handed it in yet"
                                + (ends == null ? "" : "; by the rules it is taken until " + moment(ends))
                                + ". " + voice.will() + " hand it in on "));
            }
        }

        /** To ask, or to say again what is asked already and not answered. */
        private void addExtension(List<MessageDraft> drafts) {
            Instant due = entry.state().due();
            Instant newDue = entry.finding().extension().newDue();
            if (due == null || (newDue == null && !entry.extensionPending())) {
                return;
            }
            String rule = newDue == null ? "" : " By the rule of the course it would then be due " + on(newDue) + ".";
            drafts.add(draft(
                    "An extension",
                    SignalKind.ASKING_ENDS,
                    "An extension for ",
                    "May " + voice.who() + " have an extension for " + title() + ", which is due " + on(due) + "?"
                            + rule + " I ask because "));
        }

        /** What the teacher sends back is judged by a due of its own; what the student takes back is not. */
        private void addSendBack(List<MessageDraft> drafts) {
            boolean withTeacher = voice.own()
                    && entry.state().stage() == Stage.TURNED_IN
                    && entry.state().handedInAt() != null
                    && entry.finding().item().expectsHandIn();
            if (withTeacher) {
                drafts.add(draft(
                        "Send it back",
                        null,
                        "Would you send it back: ",
                        handedIn() + ", and would like to mend it. Could you send it back to me? I'd hand it in again"
                                + " by "));
            }
        }
    }
}
