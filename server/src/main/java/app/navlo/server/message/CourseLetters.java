package app.navlo.server.message;

import app.navlo.core.close.CheckIt;
import app.navlo.core.reason.Sentences;
import app.navlo.server.board.Board;
import app.navlo.server.store.Course;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** Messages about a whole course, as the facts suggest them. */
final class CourseLetters {
    /** More than these are counted: a list of fifty is no letter. */
    private static final int MOST = 12;

    private final Board board;
    private final Course course;
    private final Voice voice;

    private CourseLetters(Board board, Course course, Voice voice) {
        this.board = board;
        this.course = course;
        this.voice = voice;
    }

    /** The most pressing first; never empty. */
    static List<MessageDraft> of(Board board, Course course, Voice voice) {
        return new CourseLetters(board, course, voice).all();
    }

    private List<MessageDraft> all() {
        List<MessageDraft> drafts = new ArrayList<>();
        addMissing(drafts);
        addUngraded(drafts);
        drafts.add(letter(
                "A question",
                "A question about ",
                (voice.own() ? "I have a question about " : "My question is about ") + name() + ": "));
        return drafts;
    }

    private String name() {
        return course.details().name();
    }

    private ZoneId zone() {
        return course.details().zone();
    }

    private MessageDraft letter(String about, String subject, String words) {
        String teacher = Objects.requireNonNullElse(course.details().teacher(), "teacher");
        return new MessageDraft(about, null, subject + name(), voice.letter(teacher, words), null);
    }

    private List<Board.Entry> those(Predicate<Board.Entry> wanted) {
        return board.entries().stream()
                .filter(entry -> entry.course().id() == course.id())
                .filter(wanted)
                .toList();
    }

    private static String listed(List<Board.Entry> entries, Function<Board.Entry, String> more) {
        String first = entries.stream()
                .limit(MOST)
                .map(entry -> "\n– “" + entry.work().definition().title() + "”" + more.apply(entry))
                .collect(Collectors.joining());
        int left = entries.size() - MOST;
        return left > 0 ? first + "\n– and " + left + " more" : first;
    }

    private void addMissing(List<MessageDraft> drafts) {
        List<Board.Entry> missing = those(entry -> entry.state().missing());
        if (!missing.isEmpty()) {
            drafts.add(
                    letter(
                            "What is missing",
                            "What is missing in ",
                            "These are missing in " + name() + ":" + listed(missing, this::until)
                                    + "\n\nWhich of them would you still take, and until when? Is any of them with you already?"));
        }
    }

    private String until(Board.Entry entry) {
        Instant due = entry.state().due();
        Instant ends = entry.state().acceptance().ends();
        String was = due == null ? "" : ", due " + Sentences.on(due, zone());
        return ends == null || !ends.isAfter(board.now())
                ? was
                : was + ", taken until " + Sentences.moment(ends, zone());
    }

    private void addUngraded(List<MessageDraft> drafts) {
        List<Board.Entry> waiting = those(entry -> entry.finding().checkIt().contains(CheckIt.UNGRADED_TOO_LONG)
                && entry.state().handedInAt() != null);
        if (!waiting.isEmpty()) {
            drafts.add(letter(
                    "Not graded for long",
                    "Not graded yet in ",
                    "These were handed in and aren't graded yet:"
                            + listed(
                                    waiting,
                                    entry -> ", handed in "
                                            + Sentences.on(
                                                    Objects.requireNonNull(
                                                            entry.state().handedInAt()),
                                                    zone()))
                            + "\n\nCould you tell me whether all of them reached you?"));
        }
    }
}
