package app.navlo.server.editing;

import app.navlo.core.exact.Rational;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.HandInRules;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.Turn;
import app.navlo.server.board.Board;
import app.navlo.server.change.Changed;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.EditableField;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Notes;
import app.navlo.server.store.StudentEstimates;
import app.navlo.server.store.WishList;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Does one thing to several pieces of work: one lock, one look at the board, one change to undo, however many they are. */
@Service
class TogetherService {
    private static final Map<WishList.Kind, String> WISHED = Map.of(
            WishList.Kind.FIRST,
            "Put first: ",
            WishList.Kind.BEFORE,
            "Moved up: ",
            WishList.Kind.LATER,
            "Put off: ",
            WishList.Kind.NAILED,
            "Nailed to an hour: ",
            WishList.Kind.NONE,
            "Left to the plan: ");

    private final WorkWrites writes;
    private final StudentEstimates estimates;
    private final Notes notes;
    private final WishList wishes;
    private final Works works;
    private final Courses courses;
    private final Changes changes;
    private final Facts facts;
    private final WriteOnce once;

    TogetherService(
            WorkWrites writes,
            StudentEstimates estimates,
            Notes notes,
            WishList wishes,
            Works works,
            Courses courses,
            Changes changes,
            Facts facts,
            WriteOnce once) {
        this.writes = writes;
        this.estimates = estimates;
        this.notes = notes;
        this.wishes = wishes;
        this.works = works;
        this.courses = courses;
        this.changes = changes;
        this.facts = facts;
        this.once = once;
    }

    @Transactional
    public Changed together(Writer writer, TogetherForm form) {
        check(form);
        WriteOnce.Once request =
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), "together " + form, writes.now());
        return once.run(request, Changed.class, () -> {
            List<Board.Entry> entries = fitting(
                    form,
                    writes.openAll(
                            writer, form.works().stream().distinct().sorted().toList()));
            long change = writes.change(writer, kind(form), summary(form, entries));
            write(writer, change, form, entries);
            if (!form.read()) {
                works.touchAll(entries.stream().map(entry -> entry.work().id()).toList(), change);
            }
            writes.tell(writer.student());
            return new Changed(change, entries.get(0).work().id());
        });
    }

    private static void check(TogetherForm form) {
        long deeds = Stream.of(
                                form.effort(),
                                form.expected(),
                                form.preparing(),
                                form.note(),
                                form.wish(),
                                form.edit(),
                                form.done())
                        .filter(Objects::nonNull)
                        .count()
                + Stream.of(form.read(), form.back(), form.remove())
                        .filter(deed -> deed)
                        .count();
        if (deeds != 1) {
            throw Refusal.invalid(
                    "works",
                    "Say one thing to do with them: effort, expected, preparing, note, wish, edit, done, back, remove or read.");
        }
        WishForm wish = form.wish();
        if (wish != null && takesInstant(wish.kind()) != (wish.notBefore() != null)) {
            throw Refusal.invalid(
                    "wish.notBefore", "Say until when it waits or at which hour it is done, and only for those.");
        }
        if (wish != null && wish.kind() == WishList.Kind.BEFORE != (wish.before() != null)) {
            throw Refusal.invalid("wish.before", "Say what it comes before, and only if it does.");
        }
        if (form.edit() != null && form.edit().fields().isEmpty()) {
            throw Refusal.invalid("edit", "Say what is to be otherwise.");
        }
        if (form.edit() != null && form.edit().title() != null && form.works().size() > 1) {
            throw Refusal.invalid("edit.title", "Several pieces of work can't have one title.");
        }
    }

    private static boolean takesInstant(WishList.Kind kind) {
        return kind == WishList.Kind.LATER || kind == WishList.Kind.NAILED;
    }

    /** Those to which it can be done. @throws Refusal if it can be done to none */
    private List<Board.Entry> fitting(TogetherForm form, List<Board.Entry> entries) {
        List<Board.Entry> fitting = entries.stream()
                .filter(entry -> form.done() == null || mayBeDone(entry))
                .filter(entry -> !form.back() || entry.state().stage() == Stage.TURNED_IN)
                .toList();
        if (fitting.isEmpty()) {
            throw form.back()
                    ? Refusal.conflict("None of it is with the teacher", "Only what was handed in can come back.")
                    : Refusal.conflict(
                            "None of it is to be handed in",
                            "It was handed in already, isn't open yet, or happens at its time.");
        }
        return fitting;
    }

    private static boolean mayBeDone(Board.Entry entry) {
        return entry.finding().item().expectsHandIn()
                && entry.work().definition().handling().parts() == null
                && entry.work().definition().rules().appointment() == null
                && (entry.state().mayHandIn() || entry.state().move() == Turn.OUT_OF_REACH);
    }

    private static ChangeKind kind(TogetherForm form) {
        if (form.read()) {
            return ChangeKind.READ;
        }
        if (form.done() != null || form.back()) {
            return ChangeKind.RECORD;
        }
        if (form.edit() != null) {
            return ChangeKind.EDIT_WORK;
        }
        if (form.remove()) {
            return ChangeKind.REMOVE_WORK;
        }
        return form.note() == null ? ChangeKind.OWN : ChangeKind.NOTE;
    }

    private static String summary(TogetherForm form, List<Board.Entry> entries) {
        String what =
                entries.size() == 1 ? entries.get(0).work().definition().title() : entries.size() + " pieces of work";
        if (form.effort() != null) {
            return "Set the effort of " + what;
        }
        if (form.expected() != null) {
            return "Set what is expected of " + what;
        }
        if (form.preparing() != null) {
            return "Set what preparing brings for " + what;
        }
        if (form.wish() != null) {
            return WISHED.get(form.wish().kind()) + what;
        }
        if (form.edit() != null) {
            return "Changed " + what;
        }
        if (form.done() != null) {
            return "Recorded that " + what + (entries.size() == 1 ? " was" : " were") + " handed in elsewhere";
        }
        if (form.back()) {
            return "Recorded that " + what + (entries.size() == 1 ? " has" : " have") + " come back";
        }
        if (form.remove()) {
            return "Removed " + what;
        }
        return form.note() == null ? "Marked the feedback on " + what + " as read" : "Added a note to " + what;
    }

    private void write(Writer writer, long change, TogetherForm form, List<Board.Entry> entries) {
        if (form.effort() != null) {
            reckon(
                    writer,
                    change,
                    entries,
                    before -> before.withEffort(
                            Objects.requireNonNull(form.effort()).minutes()));
        } else if (form.expected() != null) {
            Rational percent = Figures.orNull(form.expected().percent());
            reckon(writer, change, entries, before -> before.withExpected(percent));
        } else if (form.preparing() != null) {
            Rational percent = Figures.orNull(form.preparing().percent());
            if (percent != null && percent.compareTo(Rational.HUNDRED) > 0) {
                throw Refusal.invalid("preparing.percent", "At most 100.");
            }
            reckon(writer, change, entries, before -> before.withPreparing(percent));
        } else if (form.wish() != null) {
            wish(writer, change, form.wish(), entries);
        } else if (form.note() != null) {
            notes.addNotes(
                    writer.student(),
                    change,
                    entries.stream()
                            .map(entry -> form.note().note(entry.work().id(), writes.now()))
                            .toList());
        } else if (form.edit() != null) {
            edit(writer, change, form.edit(), entries);
        } else if (form.remove()) {
            remove(writer, change, entries);
        } else {
            record(writer, change, form, entries);
        }
    }

    private void reckon(
            Writer writer, long change, List<Board.Entry> entries, UnaryOperator<StudentEstimates.Figures> otherwise) {
        Map<Long, StudentEstimates.Figures> byWork = new LinkedHashMap<>();
        entries.forEach(entry -> byWork.put(entry.work().id(), otherwise.apply(entry.own())));
        estimates.reckon(writer.student(), change, byWork);
    }

    private void wish(Writer writer, long change, WishForm wish, List<Board.Entry> entries) {
        Long before = wish.before();
        if (before != null && entries.stream().anyMatch(entry -> entry.work().id() == before)) {
            throw Refusal.invalid("wish.before", "It can't come before itself.");
        }
        if (before != null) {
            writes.open(writer, before);
        }
        wishes.addAll(
                writer.student(),
                change,
                entries.stream()
                        .map(entry -> new WishList.Wish(entry.work().id(), wish.kind(), wish.notBefore(), before))
                        .toList());
    }

    private void edit(Writer writer, long change, WorkEdit edit, List<Board.Entry> entries) {
        Set<Long> undone = changes.undone(writer.student());
        Map<Long, Course> known = courses.all(writer.student(), undone);
        Course other = edit.courseId() == null ? null : known.get(edit.courseId());
        if (edit.courseId() != null && other == null) {
            throw Refusal.invalid("edit.courseId", "Choose one of your courses.");
        }
        Map<Long, String> instructions = works.instructionsOf(ids(entries), undone);
        works.reviseAll(entries.stream()
                .map(entry -> {
                    Work.Definition was = entry.work().definition();
                    ZoneId zone =
                            (other == null ? entry.course() : other).details().zone();
                    return new Works.Revision(
                            entry.work().id(),
                            change,
                            byHand(entry, edit.of(was, zone), edit.fields()),
                            instructions.getOrDefault(entry.work().id(), ""),
                            false);
                })
                .toList());
    }

    /** What a student sets of work that a source told of isn't overwritten by it. */
    static Work.Definition byHand(Board.Entry entry, Work.Definition now, Set<EditableField> fields) {
        return entry.work().origin() == Work.Origin.TYPED
                ? now
                : now.ruled(now.rules().setByHand(fields));
    }

    private void remove(Writer writer, long change, List<Board.Entry> entries) {
        Map<Long, String> instructions = works.instructionsOf(ids(entries), changes.undone(writer.student()));
        works.reviseAll(entries.stream()
                .map(entry -> new Works.Revision(
                        entry.work().id(),
                        change,
                        entry.work().definition(),
                        instructions.getOrDefault(entry.work().id(), ""),
                        true))
                .toList());
    }

    private static List<Long> ids(List<Board.Entry> entries) {
        return entries.stream().map(entry -> entry.work().id()).toList();
    }

    /** Facts that the student reports: handed in elsewhere, come back, read. */
    private void record(Writer writer, long change, TogetherForm form, List<Board.Entry> entries) {
        List<Facts.NewFact> reported = new ArrayList<>();
        Stamp now = writes.stamp(writer, writes.now());
        for (Board.Entry entry : entries) {
            if (form.done() != null) {
                Stamp then =
                        writes.stamp(writer, form.done().when().at(entry.state().due(), writes.now()));
                HandInContent content =
                        HandInRules.ownWord(entry.work().definition().kind());
                int attempt = HandInRules.attempt(entry.state());
                reported.add(writes.fact(writer, change, entry, new Fact.HandedIn(then, attempt, content)));
            } else if (form.back()) {
                reported.add(writes.fact(writer, change, entry, new Fact.Returned(now, null)));
            } else if (entry.feedback().unread() > 0) {
                reported.add(writes.fact(writer, change, entry, new Fact.ReadMarked(now)));
            }
        }
        facts.addAll(reported);
    }
}
